import type { MachinePage, StopRecord } from '@motor-round/contract'
import { planAsk, type PlanId } from '@motor-round/core/judge'
import { useParams, useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { StopForm } from './stop-form.tsx'

/** Take a stop at a machine, or correct one. */
export function StopScreen() {
  const id = useParams()['id'] ?? ''
  const [params] = useSearchParams()
  const corrects = params.get('corrects')
  const round = params.get('round')
  const plan = planAsk.options.find(([value]) => value === params.get('plan'))?.[0] as PlanId | undefined
  const rules = api.useRulesQuery({}).data?.rules
  const query = api.useMachinePageQuery({ params: { id } })
  const page: MachinePage | undefined = query.currentData
  if (query.error && !page)
    return (
      <div className="page">
        <FailureNote failure={query.error as Failure} kept="This machine cannot be loaded." />
      </div>
    )
  if (!page || !rules) return <p className="page">Loading …</p>
  const old: StopRecord | undefined = corrects === null ? undefined : page.stops.find((s) => s.id === corrects)
  if (corrects !== null && !old) return <p className="page">This visit was not found.</p>
  return (
    <StopForm
      key={`${id} ${corrects ?? ''}`}
      page={page}
      old={old ?? null}
      scale={rules.temperature}
      round={round}
      plan={plan ?? null}
    />
  )
}
