import type { LiveDay } from './day.ts'

/** What a machine's own instruments showed about when it was visited: means of the minutes around it. */
export interface LiveBeside {
  /** Of the visit, ms since 1970. */
  readonly at: number
  readonly amps: number | null
  readonly hz: number | null
}

/** What judging takes of a machine's live data. */
export interface LiveEvidence {
  /** Oldest first: the newest days, and one every other week before them. */
  readonly days: readonly LiveDay[]
  /** Of its latest visits that read amps. */
  readonly beside: readonly LiveBeside[]
}

/** So many of the newest days are kept whole for judging. */
export const newestDays = 14
/** Before them one of each stretch of so many days, ms, a year of them. */
const stretch = 14 * 86_400_000
const stretches = 26

/** What a day can say something of: so many of the newest that do are kept, however long ago they were. */
const says: readonly ((d: LiveDay) => boolean)[] = [
  (d) => d.ran > 0,
  (d) => d.mostAmps !== null,
  (d) => d.callOn > 0,
  (d) => d.callOff > 0,
  (d) => d.offHours > 0,
  (d) => d.slowHours > 0,
]
const ofEach = 3

/**
 * The days that judging takes, oldest first: the newest, the newest that say something of each thing (a fan that stands for weeks does
 * not outlive what was seen of it), and before them the first of each fortnight. The fortnights are those of the calendar, so that
 * adding a day chooses no other days before it.
 * @param all in any order; of two of the same day the later one counts
 */
export function daysForJudging(all: readonly LiveDay[]): LiveDay[] {
  const sorted = [...new Map(all.map((d) => [d.day, d])).values()].sort((a, b) => a.at - b.at)
  const late = new Set([...sorted.slice(-newestDays), ...says.flatMap((is) => sorted.filter(is).slice(-ofEach))])
  const firstOf = new Map<number, LiveDay>()
  for (const d of sorted.slice(0, -newestDays)) {
    const own = Math.floor(d.at / stretch)
    if (d.bins.length > 0 && !firstOf.has(own)) firstOf.set(own, d)
  }
  const seldom = new Set([...firstOf.values()].slice(-stretches))
  return sorted.filter((d) => late.has(d) || seldom.has(d))
}

/** So many of the latest visits are held against the sensors. */
const latestVisits = 5

/** What is known beside visits, with more of it. */
export const besideForJudging = (known: readonly LiveBeside[], more: readonly LiveBeside[]): LiveBeside[] =>
  [...new Map([...known, ...more].map((b) => [b.at, b])).values()].sort((a, b) => a.at - b.at).slice(-latestVisits)

/** Enough of a day came to say how long it ran. */
const mostOf = (d: LiveDay) => d.known >= 0.8 * d.minutes

/** A machine's own hours: how long it ran on the days that are known. */
export interface RunHours {
  readonly perDay: number
  readonly days: number
}

/** Hours a day, by its newest days; null with fewer than three that came nearly whole. */
export function hoursADay(live: LiveEvidence | null | undefined): RunHours | null {
  const days = (live?.days ?? []).slice(-newestDays).filter(mostOf)
  if (days.length < 3) return null
  const share = days.reduce((s, d) => s + d.ran / d.known, 0) / days.length
  return { perDay: 24 * share, days: days.length }
}

/** Amps of a group of days at the frequencies that another group ran at, too. */
export interface AgainstBefore {
  /** Now over before, at equal hertz. */
  readonly ratio: number
  /** The frequency with most minutes in both; null where none is sent. */
  readonly hz: number | null
  readonly before: number
  readonly now: number
}

/** Medians by frequency over some days, weighted by their minutes. */
function binsOver(days: readonly LiveDay[]): Map<number | null, { amps: number; minutes: number }> {
  const all = new Map<number | null, { amps: number; minutes: number }>()
  for (const b of days.flatMap((d) => d.bins)) {
    const own = all.get(b.hz) ?? { amps: 0, minutes: 0 }
    const minutes = own.minutes + b.minutes
    all.set(b.hz, { amps: (own.amps * own.minutes + b.amps * b.minutes) / minutes, minutes })
  }
  return all
}

/** Fewer minutes at a frequency say nothing. */
const least = 30

/**
 * What it draws now against before, at equal hertz.
 * @returns null where the two share no frequency for half an hour
 */
export function againstBefore(before: readonly LiveDay[], now: readonly LiveDay[]): AgainstBefore | null {
  const [old, late] = [binsOver(before), binsOver(now)]
  const shared = [...late].flatMap(([hz, b]) => {
    const a = old.get(hz)
    return a && a.amps > 0 && a.minutes >= least && b.minutes >= least
      ? [{ hz, before: a.amps, now: b.amps, weight: Math.min(a.minutes, b.minutes) }]
      : []
  })
  if (shared.length === 0) return null
  const weight = shared.reduce((s, x) => s + x.weight, 0)
  const most = shared.reduce((a, b) => (b.weight > a.weight ? b : a))
  return {
    ratio: shared.reduce((s, x) => s + (x.weight * x.now) / x.before, 0) / weight,
    hz: most.hz,
    before: most.before,
    now: most.now,
  }
}
