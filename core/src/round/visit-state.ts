/** What a phone reports of a machine of its round, or of the round as a whole. */
export const roundEventKinds = ['began', 'done', 'skipped', 'added', 'moved', 'told'] as const
type Kind = (typeof roundEventKinds)[number]

/** One event. `at`: instant, ISO 8601. */
export interface RoundEventFact {
  readonly machineId: string | null
  readonly kind: Kind
  readonly at: string
  /** The visit that was taken then; of a skipped one none. */
  readonly visitId: string | null
}
type Event = Pick<RoundEventFact, 'machineId' | 'kind' | 'at'>

/** What became of a machine on a round. */
export type RoundVisitState = 'open' | 'began' | 'done' | 'skipped'

/** Read off the events, in their order. Done stays done: a phone that skipped it later had not heard of it. */
export function roundVisitState(events: readonly Event[], machineId: string): RoundVisitState {
  let state: RoundVisitState = 'open'
  for (const e of events) {
    if (e.machineId !== machineId) continue
    if (e.kind === 'done') state = 'done'
    else if (e.kind === 'skipped' && state !== 'done') state = 'skipped'
    else if (e.kind === 'began' && state === 'open') state = 'began'
  }
  return state
}

/** How far a round is: of its machines, how many are done, skipped and left. */
export function roundCount(machineIds: readonly string[], events: readonly Event[]) {
  const states = machineIds.map((m) => roundVisitState(events, m))
  const of = (s: RoundVisitState) => states.filter((x) => x === s).length
  const [done, skipped] = [of('done'), of('skipped')]
  return { visits: machineIds.length, done, skipped, left: machineIds.length - done - skipped }
}

/** Minutes a machine took, from arriving for its work to being done with it; null where one of them was not entered. */
export function minutesTook(events: readonly Event[], machineId: string): number | null {
  const at = (kind: Kind) =>
    events.flatMap((e) => (e.machineId === machineId && e.kind === kind ? [Date.parse(e.at)] : []))
  const done = at('done')[0]
  const began = done === undefined ? undefined : at('began').findLast((b) => b <= done)
  return began === undefined || done === undefined ? null : Math.round((done - began) / 60_000)
}
