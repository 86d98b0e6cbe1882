import type { InstalledPart, DriveLayout } from '../installed/index.ts'
import type { Judgement, MachineFacts, ScopeId, RetestId } from '../judge/index.ts'
import { hoursADay, type LiveEvidence } from '../live/index.ts'
import { limitInForce, type Policies, type LimitId } from '../limits/index.ts'
import { dayMs, type Visit, type WorkDone, type WorkKindId } from '../trend/index.ts'
import { show, type QuantityCode } from '../quantity/index.ts'

/** All that says when a machine wants what. Instants in ms since 1970. */
export interface DueFacts {
  readonly machine: MachineFacts
  /** Kind of unit it sits in: RTU, AHU, EF … */
  readonly unitKind: string
  readonly indoors: boolean
  /** Visits that hold, newest first. */
  readonly visits: readonly Visit[]
  readonly work: readonly WorkDone[]
  readonly parts: readonly InstalledPart[]
  readonly layout: DriveLayout | null
  /** Plate speed of the motor, rpm. */
  readonly motorRpm: number | null
  /** Since when a substitute is installed, and what; null: none. */
  readonly substitute: { readonly at: number; readonly what: string } | null
  /** Speed changes that were planned and neither done nor dropped. */
  readonly waiting: readonly { readonly at: number; readonly what: string }[]
  /** What was found and is not closed; `reviewAt`: the day somebody said they would look again. */
  readonly findings: readonly { readonly at: number; readonly what: string; readonly reviewAt: number | null }[]
  readonly judgement: Judgement | null
  /** When a job made a combustion test last; left out or null: none did. */
  readonly burnedAt?: number | null | undefined
  /** What the building's own instruments showed; left out or null where none is sent. */
  readonly live?: LiveEvidence | null | undefined
  readonly policies: Policies
  readonly now: number
}

/** A reason that moves a day. `at` is the day it asks for. */
export interface Reason {
  readonly at: number
  readonly because: string
}

/** When a kind of task is wanted by its interval, and what moves that day. */
export interface Wanted {
  /** Null: never done yet. */
  readonly lastAt: number | null
  readonly days: number
  readonly because: string
  readonly pulls: readonly Reason[]
  /** Pushes the day back, where the policies allow it. */
  readonly push: Reason | null
}

/** Minutes in which a machine is left alone, and why. */
export interface Pause {
  readonly minutes: number
  readonly because: string
}

export interface TaskKind {
  readonly id: string
  readonly title: string
  /** The visit plan that carries it. */
  readonly scope: ScopeId
  readonly minutes: number
  readonly people: 1 | 2
  readonly visitsUnit: boolean
  readonly locksOut: boolean
  /** Months in which it makes sense, 1 to 12; left out: any. */
  readonly months?: readonly number[]
  readonly for: (f: DueFacts) => boolean
  readonly wanted: (f: DueFacts) => Wanted
  /** Between locking out and the work: a bus empties, a winding cools. */
  readonly rest?: (f: DueFacts) => Pause | null
  /** Between the work and reading the amps again: what was changed settles. */
  readonly settle?: (f: DueFacts) => Pause | null
}

export const limitOf = (f: DueFacts, id: LimitId): number => limitInForce(id, f.policies).value

/** The newest visit that read one of these quantities. */
export const lastRead = (f: DueFacts, ...quantities: readonly QuantityCode[]): Visit | null =>
  f.visits.find((s) => s.readings.some((r) => quantities.includes(r.quantity))) ?? null

/** The newest visit that answered one of these questions. */
export const lastAnswered = (f: DueFacts, ...questions: readonly string[]): Visit | null =>
  f.visits.find((s) => questions.some((q) => s.answers?.[q] !== undefined)) ?? null

/** The newest work of these kinds. */
export const lastDone = (f: DueFacts, ...kinds: readonly WorkKindId[]): number | null =>
  f.work.reduce<number | null>((a, w) => (kinds.includes(w.kind) && w.at > (a ?? -Infinity) ? w.at : a), null)

/** New belts whose tension was not read since: they give way in their first days. */
export function beltsFresh(f: DueFacts): boolean {
  const renewed = lastDone(f, 'belts-renewed')
  const tension = lastRead(f, 'belt_force', 'belt_note')
  return renewed !== null && (tension === null || tension.at < renewed)
}

export const latest = (...at: readonly (number | null | undefined)[]): number | null =>
  at.reduce<number | null>((a, b) => (b == null ? a : Math.max(a ?? b, b)), null)

/** A verdict of the machine, by its check. */
export const verdictOf = (f: DueFacts, check: string) => f.judgement?.verdicts.find((v) => v.check === check) ?? null

/** Tests that work asked for and nobody has made: due at once. */
export const askedFor = (f: DueFacts, ...ids: readonly RetestId[]): Reason[] =>
  (f.judgement?.retests ?? [])
    .filter((r) => (ids as readonly string[]).includes(r.id))
    .map((r) => ({
      at: r.since,
      because: `${r.words} not read since the ${r.because} on ${show.day(r.since, f.now, f.machine.zone)}`,
    }))

/** The day after so many days. */
export const inDays = (at: number, days: number): number => at + days * dayMs

/** Half as long again, as the policies allow, where the last three readings of a quantity agree within a share. */
export function steadyPush(
  f: DueFacts,
  values: readonly number[],
  share: number,
  lastAt: number | null,
  days: number,
  because: string,
): Reason | null {
  const stretch = limitOf(f, 'interval-stretch')
  const three = values.slice(0, 3)
  if (stretch <= 1 || three.length < 3 || lastAt === null) return null
  const top = Math.max(...three)
  return top > 0 && (top - Math.min(...three)) / top <= share ? { at: inDays(lastAt, days * stretch), because } : null
}

/** Intervals of days are those of a fan that runs day and night: one that stands for part of it wears less, as the policies allow. */
export function hoursPush(f: DueFacts, lastAt: number | null, days: number): Reason | null {
  const own = hoursADay(f.live)
  const stretch = limitOf(f, 'interval-stretch')
  if (own === null || lastAt === null || stretch <= 1 || own.perDay >= 23) return null
  const times = Math.min(stretch, 24 / Math.max(own.perDay, 0.1))
  return {
    at: inDays(lastAt, days * times),
    because: `it runs ${own.perDay.toFixed(1)} h a day by live data`,
  }
}
