import type { MachinePage, VisitRecord } from '@motor-round/contract'
import type { ScopeId } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import type { ShownUnits } from '@motor-round/core/quantity'
import { api } from '../../app/api.ts'
import { useJudging } from '../../app/judging.ts'
import { useClock } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { VisitWork } from './visit-work.tsx'
import type { Only } from './walk.ts'

/** What a visit is of. */
export interface VisitOf {
  readonly page: MachinePage
  /** The visit that is corrected. */
  readonly old: VisitRecord | null
  readonly units: ShownUnits
  /** The round it is taken on, to which one goes back; and what that round asks for here. */
  readonly round?: string | null
  readonly scope?: ScopeId | null
  /** The quantities it is for, where it is for some alone. */
  readonly only?: Only
}

/** What a visit is taken with: who, under which limits, by which clock. */
export interface VisitMeans {
  readonly person: { readonly id: string; readonly name: string } | null
  readonly policies: Policies | undefined
  readonly judging: ReturnType<typeof useJudging>
  readonly clock: ReturnType<typeof useClock>
}

/** The visit page, for those who may take readings. What it needs of the store is asked here, not at every key. */
export function VisitForm({ round = null, scope = null, only = null, ...of }: VisitOf) {
  const mayAct = useMay('mechanic')
  const person = api.useSessionQuery({}).data?.person ?? null
  const judging = useJudging(of.page)
  const policies = api.usePoliciesQuery({}).data?.policies
  const clock = useClock()
  if (!mayAct) return <p className="page">You are signed in as a viewer. A technician or a lead can take readings.</p>
  return (
    <VisitWork
      {...of}
      round={round}
      scope={scope}
      only={only}
      person={person}
      policies={policies}
      judging={judging}
      clock={clock}
    />
  )
}
