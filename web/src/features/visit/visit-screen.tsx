import type { VisitRecord } from '@motor-round/contract'
import { scopeAsk, type ScopeId } from '@motor-round/core/judge'
import { quantities } from '@motor-round/core/quantity'
import { useParams, useSearchParams } from 'react-router'
import { shownUnitsOf } from '../../app/shown-units.ts'
import { api } from '../../app/api.ts'
import { useJudgedPage } from '../../app/judging.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { VisitForm } from './visit-form.tsx'

/** Take a visit at a machine, or correct one. */
export function VisitScreen() {
  const id = useParams()['id'] ?? ''
  const [params] = useSearchParams()
  const corrects = params.get('corrects')
  const round = params.get('round')
  const scope = scopeAsk.options.find(([value]) => value === params.get('scope'))?.[0] as ScopeId | undefined
  const asked = new Set(params.get('ask')?.split(','))
  const only = quantities.map((q) => q.code).filter((q) => asked.has(q))
  const policies = api.usePoliciesQuery({}).data?.policies
  const { page, failure } = useJudgedPage(id)
  if (failure && !page) return <PageFailure failure={failure} kept="This machine cannot be loaded." />
  if (!page || !policies) return <Loading page />
  const old: VisitRecord | undefined = corrects === null ? undefined : page.visits.find((s) => s.id === corrects)
  if (corrects !== null && !old) return <p className="page">This visit was not found.</p>
  return (
    <VisitForm
      key={`${id} ${corrects ?? ''}`}
      page={page}
      old={old ?? null}
      units={shownUnitsOf(page.site, policies)}
      round={round}
      scope={scope ?? null}
      only={only.length > 0 ? only : null}
    />
  )
}
