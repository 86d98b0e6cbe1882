import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { instantsOf, type Written } from './twice.ts'

const minute = 60_000
const hour = 60 * minute
/** The clock of Chicago was set back on Nov 1, 2026 at 2 AM, which is 07:00 UTC. Daylight saving by the U.S. rule of 2007. */
const back = Date.UTC(2026, 10, 1, 7)
/** What a clock that is set back by an hour writes of an instant. */
const written = (at: number): Written =>
  at >= back - hour && at < back
    ? { first: at, second: at + hour }
    : at >= back && at < back + hour
      ? { first: at - hour, second: at }
      : { first: at, second: null }
const night = (step: number, from = back - 3 * hour, to = back + 3 * hour) =>
  Array.from({ length: Math.round((to - from) / step) }, (_, i) => from + i * step)
const read = (at: readonly number[]) => instantsOf(at.map(written))

describe('times that the clock passed twice', () => {
  it.each([1, 5, 15])('are told apart by the order of the rows, every %i minutes', (m) => {
    const all = night(m * minute)
    expect(read(all)).toEqual(all)
    expect(read([...all].reverse())).toEqual([...all].reverse())
  })
  it('are told apart when each row stands there twice', () => {
    const all = night(minute).flatMap((t) => [t, t])
    expect(read(all)).toEqual(all)
  })
  it('are told apart by what goes on before or after them, where one pass is missing', () => {
    const first = night(minute).filter((t) => t < back || t >= back + hour + 90 * minute)
    expect(read(first)).toEqual(first)
    const second = night(minute).filter((t) => t < back - 2 * hour || t >= back)
    expect(read(second)).toEqual(second)
  })
  it('are nobody’s where nothing tells them apart: one pass alone, or rows in no order', () => {
    expect(read(night(minute, back - hour, back))).toEqual(Array.from({ length: 60 }, () => null))
    const own = seeded(3)
    const random = () => own.next()
    const all = night(minute)
    const mixed = [...all].sort(() => random() - 0.5)
    const out = read(mixed)
    out.forEach((t, i) => {
      const at = mixed[i] ?? 0
      expect(t).toBe(at >= back - hour && at < back + hour ? null : at)
    })
  })
  it('are never taken for another hour, whatever rows are left out', () => {
    const own = seeded(11)
    const random = () => own.next()
    for (let n = 0; n < 300; n++) {
      const share = random()
      const some = night(minute * (1 + Math.floor(random() * 10))).filter(() => random() < 0.3 + 0.7 * share)
      const out = read(some)
      const wrong = out.filter((t, i) => t !== null && t !== some[i])
      // A stretch of which only the second pass came, with rows missing around it, may look like the first one: never more.
      if (share > 0.6) expect(wrong).toEqual([])
      else expect(wrong.length).toBeLessThanOrEqual(60)
    }
  })
  it('of a file without any are as they stand', () => {
    const all = night(minute, back - 30 * hour, back - 20 * hour)
    expect(read(all)).toEqual(all)
    expect(instantsOf([])).toEqual([])
  })
})
