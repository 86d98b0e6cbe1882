import { describe, expect, it } from 'vitest'
import { seeded, type Random } from '../machine/index.ts'
import { legPositions } from '../quantity/index.ts'
import { at, say, visitOf } from './checks/say.test-help.ts'

/** What the nameplate of these tests lets expect: 12.8 A, of which about so many magnetize. */
const noLoad = 4.6
const working = Math.sqrt(12.8 ** 2 - noLoad ** 2)

/**
 * A fan on a drive as it is, not as the product's model has it: its no-load amps are off, its torque is not quite the square of the
 * speed, and a clamp reads it.
 */
interface Truth {
  readonly noLoad: number
  readonly exponent: number
  readonly load: number
}
const someFan = (r: Random): Truth => ({
  noLoad: noLoad * r.between(0.85, 1.15),
  exponent: r.between(1.75, 2.15),
  load: r.between(0.6, 0.9),
})
const ampsOf = (t: Truth, hz: number, more = 1) =>
  Math.hypot(t.noLoad, working * t.load * more * (hz / 60) ** t.exponent)

const read = (amps: number, hz: number) => [
  ...at('amps', legPositions, [amps, amps, amps]),
  ...at('hz', ['motor'], [hz]),
]

interface Run {
  readonly n: number
  readonly every: number
  readonly hz: (i: number) => number
  /** Load at a visit, as a share of that of the first. */
  readonly load?: (i: number) => number
}
/** Judges the last of so many visits. */
function judged(r: Random, { n, every, hz, load = () => 1 }: Run) {
  const fan = someFan(r)
  const visits = Array.from({ length: n }, (_, i) => {
    const h = hz(i)
    return read(ampsOf(fan, h, load(i)) * (1 + 0.012 * r.normal()), h)
  })
  const history = visits.slice(0, -1).map((v, i) => visitOf(v, -every * (n - 1 - i)))
  const { verdicts } = say(visits[n - 1] ?? [], { machine: { hasVfd: true }, history })
  const of = (check: string) => verdicts.find((v) => v.check === check)
  return { change: of('change'), trend: of('trend'), atHz: of('amps-at-hz') }
}
const share = (runs: number, hit: (r: Random) => boolean, seed: number) => {
  const r = seeded(seed)
  let hits = 0
  for (let i = 0; i < runs; i++) if (hit(r)) hits++
  return hits / runs
}
const bad = (v: { readonly level: string } | undefined) => v !== undefined && v.level !== 'ok'

describe('a fan on a drive, read at another frequency each time', () => {
  const any = (r: Random) => () => r.between(38, 58)

  it('has a usual range for this frequency from four visits at others on', () => {
    const r = seeded(1)
    const { change, atHz } = judged(r, { n: 9, every: 40, hz: any(r) })
    expect(change).toMatchObject({ level: 'ok' })
    expect(change?.because).toMatch(/95 % range/)
    expect(change?.basis.map((b) => b.text).join()).toMatch(/\d of them read at other frequencies/)
    expect(atHz).toMatchObject({ level: 'ok' })
    expect(judged(seeded(1), { n: 4, every: 40, hz: (i) => 40 + 4 * i }).change).toBeUndefined()
  })
  it('a healthy one is seldom told as changed or drifting, whatever its motor and fan really do', () => {
    expect(share(300, (r) => bad(judged(r, { n: 14, every: 45, hz: any(r) }).change), 2)).toBeLessThan(0.03)
    expect(share(150, (r) => bad(judged(r, { n: 14, every: 45, hz: any(r) }).trend), 3)).toBeLessThan(0.05)
    expect(share(300, (r) => bad(judged(r, { n: 14, every: 45, hz: any(r) }).atHz), 9)).toBeLessThan(0.01)
    expect(share(300, (r) => bad(judged(r, { n: 5, every: 45, hz: any(r) }).atHz), 10)).toBeLessThan(0.01)
  })
  it('41 Hz in March and 52 Hz in July, year after year: the season of its speed is no drift and no step', () => {
    const runs = (hz: (i: number) => number, seed: number) =>
      share(
        150,
        (r) => {
          const j = judged(r, { n: 14, every: 90, hz: (i) => hz(i) + r.normal() * 0.4 })
          return bad(j.trend) || bad(j.change)
        },
        seed,
      )
    expect(runs((i) => (i % 4 < 2 ? 41 : 52), 4)).toBeLessThan(0.06)
    // Faster year by year: what the model misses goes with time, and is still not told as a drift.
    expect(runs((i) => 41 + i * 0.9, 5)).toBeLessThan(0.06)
  })
  it('a fifth more or less work is told at any frequency', () => {
    for (const [by, seed] of [
      [1.2, 6],
      [0.8, 7],
    ] as const)
      expect(
        share(
          150,
          (r) => bad(judged(r, { n: 14, every: 45, hz: any(r), load: (i) => (i < 13 ? 1 : by) }).change),
          seed,
        ),
      ).toBeGreaterThan(0.8)
  })
  it('work that grows over three years is told as a drift, with Hz that wander', () =>
    expect(
      share(100, (r) => bad(judged(r, { n: 20, every: 55, hz: any(r), load: (i) => 1 + 0.013 * i }).trend), 8),
    ).toBeGreaterThan(0.7))
  it('amps of a speed four tenths away and more, above the nameplate’s or without a load tell nothing of this one', () => {
    const far = Array.from({ length: 6 }, (_, i) => visitOf(read(9, i < 3 ? 24 : 66), -20 * (i + 1)))
    const here = say(read(11, 59), { machine: { hasVfd: true }, history: far })
    expect(here.verdicts.find((v) => v.check === 'change')).toBeUndefined()
    const idle = Array.from({ length: 6 }, (_, i) => visitOf(read(2, 44), -20 * (i + 1)))
    expect(
      say(read(11, 59), { machine: { hasVfd: true }, history: idle }).verdicts.find((v) => v.check === 'change'),
    ).toBeUndefined()
  })
  it('a machine on the line is compared with its own frequency alone', () => {
    const other = Array.from({ length: 6 }, (_, i) => visitOf(read(8, 44), -20 * (i + 1)))
    expect(say(read(11, 59), { history: other }).verdicts.find((v) => v.check === 'change')).toBeUndefined()
  })
})
