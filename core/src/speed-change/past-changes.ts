import { sheavesAt } from '../installed/index.ts'
import { motorAt, type JudgeInput } from '../judge/index.ts'
import { mean } from '../quantity/index.ts'
import { comparable, dayMs, valueOf, type Visit, type WorkDone, movesAmps } from '../trend/index.ts'
import { todayOf } from './machine-today.ts'
import { predict } from './predict.ts'
import type { SpeedChange } from './today.ts'

/** A change of speed that was made, what is predicted from the visit before, and what the visit after read. */
export interface PastChange {
  readonly work: WorkDone
  readonly before: Visit
  readonly after: Visit
  /** Mean amps. */
  readonly was: number
  readonly predicted: number
  readonly measured: number
}

/** Visits further from the work than this are of another season. */
const near = 150 * dayMs

/** Mean amps of a visit whose legs were all read and that had settled; null otherwise. */
export function wholeAmps(visit: Visit, phases: 1 | 3): number | null {
  const legs = visit.readings.filter((r) => r.quantity === 'amps').map((r) => r.value)
  return legs.length === phases && Math.min(...legs) > 0 && visit.state.settled !== false ? mean(legs) : null
}

/** Belongs to every change of a sheave; any other work between would be measured with it. */
const partOfIt: readonly WorkDone['kind'][] = ['belts-tensioned', 'sheaves-aligned']

/** The visits either side of a work, with nothing else between that moves the amps; null where there are none. */
export function visitsAround(
  visits: readonly Visit[],
  work: readonly WorkDone[],
  at: number,
  phases: 1 | 3,
): { before: Visit | null; after: Visit | null } {
  const others = work.filter((w) => w.at !== at && movesAmps(w.kind) && !partOfIt.includes(w.kind))
  const clear = (a: number, b: number) => !others.some((w) => w.at > a && w.at <= b)
  const read = [...visits].filter((s) => wholeAmps(s, phases) !== null).sort((a, b) => a.at - b.at)
  const before = read.filter((s) => s.at < at && s.at >= at - near && clear(s.at, at)).at(-1) ?? null
  // After the belt was set: what was read on a slack one is no answer.
  const tensioned = Math.max(
    at,
    ...work.filter((w) => partOfIt.includes(w.kind) && w.at >= at && w.at <= at + dayMs).map((w) => w.at),
  )
  const after =
    read.find(
      (s) =>
        s.at >= tensioned &&
        s.at > at &&
        s.at <= at + near &&
        clear(at, s.at) &&
        (!before || comparableButSpeed(before, s)),
    ) ?? null
  return { before, after }
}

/** Comparable but for the hertz, which may be what was changed. */
const comparableButSpeed = (a: Visit, b: Visit): boolean => {
  const still = (s: Visit): Visit => ({ ...s, readings: s.readings.filter((r) => r.quantity !== 'hz') })
  return comparable(still(a), still(b))
}

/** What was changed at a work: the sheaves by what is on record, the hertz by what was read. */
function changeOf(input: JudgeInput, w: WorkDone, before: Visit, after: Visit): SpeedChange | null {
  if (w.kind === 'speed-set') {
    const hz = valueOf(after.readings, 'hz')
    return input.machine.hasVfd && valueOf(before.readings, 'hz') !== undefined && hz !== undefined
      ? { kind: 'hertz', hz }
      : null
  }
  const parts = input.parts ?? []
  const old = sheavesAt(parts, input.work, before.at)
  const now = sheavesAt(parts, input.work, after.at)
  if (old.driver === null || old.driven === null || now.driver === null || now.driven === null) return null
  const ratio = now.driver / now.driven / (old.driver / old.driven)
  return Math.abs(ratio - 1) < 1e-6 ? null : { kind: 'motor sheave', pitch: old.driver * ratio }
}

const kinds: readonly WorkDone['kind'][] = ['sheave-turned', 'sheave-changed', 'speed-set']

/** Every change of speed in a machine's history that has a visit on both sides, oldest first. */
export function pastChanges(input: JudgeInput): PastChange[] {
  const visits = [...input.history, input.visit]
  return input.work
    .filter((w) => kinds.includes(w.kind))
    .sort((a, b) => a.at - b.at)
    .flatMap((work): PastChange[] => {
      const { before, after } = visitsAround(visits, input.work, work.at, input.machine.phases)
      if (!before || !after) return []
      const change = changeOf(input, work, before, after)
      // By the motor that was in place, whatever runs there now.
      const motor = input.motors ? motorAt(input.motors, before.at) : input.motor
      const today = todayOf({ ...input, visit: before, history: [], motor, motors: undefined })
      const was = wholeAmps(before, input.machine.phases)
      const measured = wholeAmps(after, input.machine.phases)
      if (!change || typeof today === 'string' || was === null || measured === null) return []
      return [{ work, before, after, was, predicted: predict(today, change).amps, measured }]
    })
}

/** The misses of past changes as the interval takes them. */
export const missesOf = (changes: readonly PastChange[]): number[] =>
  changes.map((c) => Math.log(c.measured / c.predicted))
