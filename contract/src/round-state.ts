import type { RoundEvent } from './round.ts'

type Told = Pick<RoundEvent, 'machineId' | 'kind' | 'at'>

/** What became of a machine on a round. */
export type RoundVisitState = 'open' | 'began' | 'done' | 'skipped'

/** Read off the events, in their order. Done stays done: a phone that skipped it later had not heard of it. */
export function roundVisitState(events: readonly Told[], machineId: string): RoundVisitState {
  let state: RoundVisitState = 'open'
  for (const e of events) {
    if (e.machineId !== machineId) continue
    if (e.kind === 'done') state = 'done'
    else if (e.kind === 'skipped' && state !== 'done') state = 'skipped'
    else if (e.kind === 'began' && state === 'open') state = 'began'
  }
  return state
}

/** Minutes a machine took, from arriving for its work to being done with it; null where one of them was not told. */
export function minutesTook(events: readonly Told[], machineId: string): number | null {
  const at = (kind: RoundEvent['kind']) =>
    events.flatMap((e) => (e.machineId === machineId && e.kind === kind ? [Date.parse(e.at)] : []))
  const done = at('done')[0]
  const began = done === undefined ? undefined : at('began').findLast((b) => b <= done)
  return began === undefined || done === undefined ? null : Math.round((done - began) / 60_000)
}
