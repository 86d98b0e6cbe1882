import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { summarizeDay, type DayOf, type OffHours } from './day.ts'

const clockOf = (n: number) => Array.from({ length: n }, (_, i) => ({ weekday: 3, minute: i % 1440 }))
const plate = { amps: 12, hz: 60 }
const base = { day: '2026-11-25', at: Date.UTC(2026, 10, 25), clock: clockOf(1440), plate, offHours: [] }
const fill = (value: (i: number) => number, n = 1440) => Float64Array.from({ length: n }, (_, i) => value(i))
const sum = (over: Partial<DayOf>) => summarizeDay({ ...base, ...over })

describe('a day of minutes', () => {
  it('of a fan that ran all day is 24 hours, and no start', () =>
    expect(sum({ running: fill(() => 1) })).toMatchObject({ known: 1440, ran: 1440, starts: 0, mostStarts: 0 }))
  it('counts starts, and the most of them within sixty minutes', () => {
    // Ten minutes on, ten off: three starts in any hour. The first run began before midnight.
    const d = sum({ running: fill((i) => (Math.floor(i / 10) % 2 === 0 ? 1 : 0)) })
    expect(d).toMatchObject({ ran: 720, starts: 71, mostStarts: 3 })
  })
  it('is told whether it runs by status before hertz before amps', () => {
    expect(sum({ hz: fill(() => 0), amps: fill(() => 9) }).ran).toBe(0)
    expect(sum({ running: fill(() => 1), hz: fill(() => 0) }).ran).toBe(1440)
    // A clamp on a motor that stands shows something all the same.
    expect(sum({ amps: fill((i) => (i < 100 ? 0.6 : 9)) }).ran).toBe(1340)
  })
  it('takes a gap of a minute or two for no stop, and a longer one for nothing at all', () => {
    const gap = (n: number) => fill((i) => (i >= 600 && i < 600 + n ? NaN : 1))
    expect(sum({ running: gap(2) })).toMatchObject({ known: 1438, starts: 0 })
    const off = fill((i) => (i < 600 ? 0 : i < 660 ? NaN : 1))
    expect(sum({ running: off })).toMatchObject({ known: 1380, ran: 780, starts: 0 })
  })
  it('leaves out the start of a run where it says what it draws, and takes ten minutes for the highest', () => {
    const amps = fill((i) => (i < 60 ? 0 : i < 63 ? 70 : i < 400 ? 9 : i < 405 ? 20 : 9))
    const d = sum({ running: fill((i) => (i < 60 ? 0 : 1)), amps })
    expect(d.mostAmps).toBeCloseTo((5 * 20 + 5 * 9) / 10)
    expect(d.bins).toEqual([{ hz: null, amps: 9, minutes: 1377 }])
  })
  it('says what it drew at about each frequency', () => {
    const hz = fill((i) => (i < 720 ? 41.2 : 52.4))
    const d = sum({ hz, amps: fill((i) => (i < 720 ? 6 : 9)) })
    expect(d.bins.map((b) => [b.hz, b.amps])).toEqual([
      [42, 6],
      [52, 9],
    ])
  })
  it('sees a fan that runs without a call, and one that stands on it, after ten minutes of delay', () => {
    const call = fill((i) => (i >= 480 && i < 1080 ? 1 : 0))
    const good = fill((i) => (i >= 484 && i < 1086 ? 1 : 0))
    expect(sum({ call, running: good })).toMatchObject({
      callOn: 600,
      callOff: 840,
      uncalled: 0,
      unanswered: 0,
    })
    expect(sum({ call, running: fill(() => 1) })).toMatchObject({ uncalled: 470 + 350, unanswered: 0 })
    expect(sum({ call, running: fill(() => 0) })).toMatchObject({ uncalled: 0, unanswered: 590 })
    // One that drops out every few minutes answers its call, if badly: its starts tell.
    const cycles = fill((i) => ((call[i] ?? 0) === 1 && i % 9 < 6 ? 1 : 0))
    expect(sum({ call, running: cycles })).toMatchObject({ uncalled: 0, unanswered: 0, mostStarts: 7 })
  })
  it('holds it to its off hours over midnight, and to its night setback', () => {
    const night: OffHours = { days: [2, 3], from: 22 * 60, to: 6 * 60, hz: null }
    // Wednesday: off until six by Tuesday's, and from ten by its own.
    expect(sum({ offHours: [night], running: fill(() => 1) }).ranOff).toBe(360 - 10 + 120 - 10)
    expect(sum({ offHours: [{ ...night, days: [3] }], running: fill(() => 1) }).ranOff).toBe(110)
    const slow = { ...night, hz: 30 }
    expect(sum({ offHours: [slow], hz: fill(() => 30.4) })).toMatchObject({ ranOff: 0, tooFast: 0 })
    expect(sum({ offHours: [slow], hz: fill(() => 45) })).toMatchObject({
      offHours: 0,
      slowHours: 480,
      ranOff: 0,
      tooFast: 460,
    })
  })
  it('has 25 hours when the clock is set back', () =>
    expect(sum({ clock: clockOf(1500), running: fill(() => 1, 1500) })).toMatchObject({ minutes: 1500, ran: 1500 }))
  it('refuses a series that is not as long as the day', () =>
    expect(() => sum({ amps: fill(() => 1, 1439) })).toThrow(RangeError))

  it('is what counting minute by minute comes to, whatever is sent', () => {
    const own = seeded(7)
    const random = () => own.next()
    for (let n = 0; n < 200; n++) {
      let on = 0
      const running = fill((i) => {
        if (random() < 0.02) on = 1 - on
        return random() < (i % 7 === 0 ? 0.05 : 0) ? NaN : on
      })
      const amps = fill((i) => (running[i] === 1 ? 8 + random() : NaN))
      const d = sum({ running, amps })
      const said = [...running].filter((x) => !Number.isNaN(x))
      expect(d.known).toBe(said.length)
      expect(d.ran).toBe(said.reduce((a, b) => a + b, 0))
      // No gap here is longer than two minutes but by chance: starts are ups in what was said.
      const longest = Math.max(
        0,
        ...([...running]
          .join(' ')
          .match(/(?:NaN ?)+/g)
          ?.map((g) => g.trim().split(' ').length) ?? []),
      )
      if (longest < 3) {
        const ups = said.flatMap((x, i) => (i > 0 && x === 1 && said[i - 1] === 0 ? [i] : []))
        expect(d.starts).toBe(ups.length)
      }
      expect(d.mostStarts).toBeLessThanOrEqual(d.starts)
      if (d.mostAmps !== null) {
        expect(d.mostAmps).toBeGreaterThanOrEqual(8)
        expect(d.mostAmps).toBeLessThanOrEqual(9)
      }
      expect(d.bins.every((b) => b.minutes <= d.ran)).toBe(true)
    }
  })
})
