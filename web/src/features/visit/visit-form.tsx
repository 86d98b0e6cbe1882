import { api } from '../../app/api.ts'
import { useJudging } from '../../app/judging.ts'
import { useClock } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { VisitWork, type VisitOf } from './visit-work.tsx'

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
