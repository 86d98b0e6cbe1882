import { medianInPlace } from '../trend/index.ts'
import type { LivePlate } from './quantities.ts'

/** A value for each minute of a day; NaN where none came. */
export type Minutes = Float64Array

/** Hours of the week in which a fan should not run, or not above some hertz. By the clock of its site. */
export interface OffHours {
  /** 1 Monday to 7 Sunday: the day on which it begins. */
  readonly days: readonly number[]
  /** Minutes after midnight; `to` at or before `from` is on the day after. */
  readonly from: number
  readonly to: number
  /** Up to this frequency it may run; null: it should be off. */
  readonly hz: number | null
}

/** One day of a machine, by the clock of its site. */
export interface DayOf {
  /** ISO. */
  readonly day: string
  /** Its first instant, ms since 1970. */
  readonly at: number
  /** Day of the week and minute after midnight of each of its minutes: a day on which the clock is set has 23 or 25 hours. */
  readonly clock: readonly { readonly weekday: number; readonly minute: number }[]
  readonly hz?: Minutes | undefined
  readonly amps?: Minutes | undefined
  readonly running?: Minutes | undefined
  readonly call?: Minutes | undefined
  readonly plate: LivePlate
  readonly offHours: readonly OffHours[]
}

/** What it drew at about one frequency: the median of its minutes. */
export interface AmpsBin {
  /** Middle of two hertz; null where no frequency is sent. */
  readonly hz: number | null
  readonly amps: number
  readonly minutes: number
}

/** What a day of minutes came to. Everything in minutes, amperes, hertz. */
export interface LiveDay {
  readonly day: string
  readonly at: number
  readonly minutes: number
  /** So many say whether it ran. */
  readonly known: number
  readonly ran: number
  readonly starts: number
  /** The most starts within sixty minutes. */
  readonly mostStarts: number
  /** So many minutes it was called, and not called, and it is known whether it ran. */
  readonly callOn: number
  readonly callOff: number
  /** So many minutes of its off hours, and of those in which it should be slow, are known. */
  readonly offHours: number
  readonly slowHours: number
  /** It ran although it was not called. */
  readonly uncalled: number
  /** It ran in hours in which it should be off. */
  readonly ranOff: number
  /** It was called and stood. */
  readonly unanswered: number
  /** It ran faster than its off hours let it. */
  readonly tooFast: number
  /** The highest mean of ten minutes in which it ran; null where no amps were sent. */
  readonly mostAmps: number | null
  readonly bins: readonly AmpsBin[]
}

/** After a start the current settles. @source common practice */
const settles = 3
/** A fan may run on after its call, and may wait before it answers one. @source common practice: delays of up to ten minutes */
const lag = 10
/** A minute or two that did not come are no stop. */
const gap = 3
/** Below this share of its nameplate a motor stands: what is left is the instrument. @source common practice */
const standing = 0.08

/** Does it run? 1, 0, or NaN where nothing says. */
function runs(d: DayOf, i: number): number {
  const said = d.running?.[i] ?? NaN
  if (!Number.isNaN(said)) return said >= 0.5 ? 1 : 0
  const hz = d.hz?.[i] ?? NaN
  if (!Number.isNaN(hz)) return hz >= 1 ? 1 : 0
  const amps = d.amps?.[i] ?? NaN
  return Number.isNaN(amps) ? NaN : amps > Math.max(0.2, standing * (d.plate.amps ?? 0)) ? 1 : 0
}

const dayBefore = (weekday: number) => (weekday === 1 ? 7 : weekday - 1)

/** The hours it should be off, or slow, at a minute of the week; null where none are. */
function offAt(all: readonly OffHours[], weekday: number, minute: number): OffHours | null {
  return (
    all.find((o) =>
      o.to > o.from
        ? o.days.includes(weekday) && minute >= o.from && minute < o.to
        : (o.days.includes(weekday) && minute >= o.from) || (o.days.includes(dayBefore(weekday)) && minute < o.to),
    ) ?? null
  )
}

/** The most of these within sixty minutes. */
function mostInAnHour(starts: readonly number[]): number {
  let [most, first] = [0, 0]
  starts.forEach((at, i) => {
    while (at - (starts[first] ?? 0) >= 60) first++
    most = Math.max(most, i - first + 1)
  })
  return most
}

/** Amps by frequency, over the minutes in which they had settled. */
function binsOf(d: DayOf, settled: Uint8Array): AmpsBin[] {
  const { amps, hz: hertz } = d
  if (!amps) return []
  const bins = new Map<number | null, { readonly values: Float64Array; n: number }>()
  for (let i = 0; i < amps.length; i++) {
    const value = amps[i] ?? NaN
    if (settled[i] !== 1 || Number.isNaN(value)) continue
    const hz = hertz?.[i] ?? NaN
    if (hertz && Number.isNaN(hz)) continue
    const bin = hertz ? Math.round(hz / 2) * 2 : null
    let own = bins.get(bin)
    if (!own) bins.set(bin, (own = { values: new Float64Array(amps.length), n: 0 }))
    own.values[own.n++] = value
  }
  return [...bins]
    .filter(([, b]) => b.n >= 10)
    .map(([hz, b]) => ({ hz, amps: round(medianInPlace(b.values, b.n), 3), minutes: b.n }))
    .sort((a, b) => b.minutes - a.minutes)
    .slice(0, 8)
}

const round = (x: number, digits: number) => Number(x.toFixed(digits))

/** The highest mean of ten minutes in a row in which it ran. */
function highestTen(amps: Minutes, settled: Uint8Array): number | null {
  let most: number | null = null
  let [sum, n] = [0, 0]
  for (let i = 0; i < amps.length; i++) {
    const here = amps[i] ?? NaN
    if (settled[i] !== 1 || Number.isNaN(here)) {
      ;[sum, n] = [0, 0]
      continue
    }
    sum += here
    n++
    if (n > 10) {
      sum -= amps[i - 10] ?? 0
      n = 10
    }
    if (n === 10) most = Math.max(most ?? 0, sum / 10)
  }
  return most === null ? null : round(most, 3)
}

/**
 * Run hours, starts, what ran that should not have, and amps by frequency, of the minutes of one day.
 * @throws RangeError when a series is not as long as the day
 */
export function summarizeDay(d: DayOf): LiveDay {
  const n = d.clock.length
  for (const [name, series] of Object.entries({ hz: d.hz, amps: d.amps, running: d.running, call: d.call }))
    if (series && series.length !== n) throw new RangeError(`${name}: ${series.length} minutes of a day of ${n}`)
  const settled = new Uint8Array(n)
  const starts: number[] = []
  let [known, ran, uncalled, ranOff, unanswered, tooFast] = [0, 0, 0, 0, 0, 0]
  let [callOn, callOff, offHours, slowHours] = [0, 0, 0, 0]
  // The last minute that said whether it runs, and since when it has been so.
  let last: { at: number; on: number; since: number } | null = null
  let [uncalledFor, unansweredFor, ranOffFor, tooFastFor] = [0, 0, 0, 0]
  let started = -1
  for (let i = 0; i < n; i++) {
    const on = runs(d, i)
    if (Number.isNaN(on)) {
      // Nobody knows how long it has been so when it is heard of again.
      if (last !== null && i - last.at >= gap)
        [last, uncalledFor, unansweredFor, ranOffFor, tooFastFor, started] = [null, 0, 0, 0, 0, -1]
      continue
    }
    known++
    ran += on
    if (last !== null && on === 1 && last.on === 0) starts.push((started = i))
    const since: number = last?.on === on ? last.since : i
    // What ran at midnight, or before a gap, had settled.
    settled[i] = on === 1 && (i - since >= settles || since !== started) ? 1 : 0
    last = { at: i, on, since }
    const call = d.call?.[i] ?? NaN
    const time = d.clock[i]
    const off = time ? offAt(d.offHours, time.weekday, time.minute) : null
    const slow = off?.hz ?? null
    const hz = d.hz?.[i] ?? NaN
    if (call >= 0.5) callOn++
    else if (call < 0.5) callOff++
    if (off !== null && slow === null) offHours++
    if (slow !== null && !Number.isNaN(hz)) slowHours++
    // In a row: a fan that drops out for a minute answers its call, if badly.
    uncalledFor = on === 1 && call < 0.5 ? uncalledFor + 1 : 0
    unansweredFor = on === 0 && call >= 0.5 ? unansweredFor + 1 : 0
    ranOffFor = on === 1 && off !== null && slow === null ? ranOffFor + 1 : 0
    tooFastFor = on === 1 && slow !== null && hz > slow + 1 ? tooFastFor + 1 : 0
    if (uncalledFor > lag) uncalled++
    if (unansweredFor > lag) unanswered++
    if (ranOffFor > lag) ranOff++
    if (tooFastFor > lag) tooFast++
  }
  return {
    day: d.day,
    at: d.at,
    minutes: n,
    known,
    ran,
    starts: starts.length,
    mostStarts: mostInAnHour(starts),
    callOn,
    callOff,
    offHours,
    slowHours,
    uncalled,
    ranOff,
    unanswered,
    tooFast,
    mostAmps: d.amps ? highestTen(d.amps, settled) : null,
    bins: binsOf(d, settled),
  }
}
