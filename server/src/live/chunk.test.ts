import { rollUp } from '@motor-round/core/live'
import { seeded } from '@motor-round/core/machine'
import { describe, expect, it } from 'vitest'
import {
  mergeMinutes,
  newestAt,
  packHours,
  packMinutes,
  unpackHours,
  unpackMinutes,
  type ChunkMinutes,
} from './chunk.ts'

const of = (pairs: readonly (readonly [number, number])[]): ChunkMinutes => ({
  minutes: Int16Array.from(pairs.map((p) => p[0])),
  values: Int32Array.from(pairs.map((p) => p[1])),
})
const all = (c: ChunkMinutes) => [...c.minutes].map((m, i) => [m, c.values[i]])
const day = (value: (m: number) => number) => of(Array.from({ length: 1440 }, (_, m) => [m, value(m)] as const))

describe('a day of minutes, packed', () => {
  it('comes back as it was, whatever it holds', () => {
    const random = seeded(5)
    for (let n = 0; n < 300; n++) {
      const share = random.next()
      const huge = n % 10 === 0
      const pairs = Array.from({ length: 1440 }, (_, m) => m)
        .filter(() => random.next() < share)
        .map((m) => [m, Math.round(random.between(-1, 1) * (huge ? 2_000_000_000 : 3_000))] as const)
      const c = of(pairs)
      expect(all(unpackMinutes(packMinutes(c)))).toEqual(all(c))
    }
  })
  it('takes a byte a value where it swings like the current of a fan, and hardly any where nothing changes', () => {
    const random = seeded(9)
    const amps = day(() => Math.round(940 + 6 * random.normal()))
    expect(packMinutes(amps).length / 1440).toBeLessThan(1.1)
    expect(packMinutes(day(() => 1)).length).toBeLessThan(40)
  })
  it('is refused where minutes do not ascend, or lie on another day', () => {
    expect(() =>
      packMinutes(
        of([
          [5, 1],
          [5, 2],
        ]),
      ),
    ).toThrow(RangeError)
    expect(() =>
      packMinutes(
        of([
          [9, 1],
          [5, 2],
        ]),
      ),
    ).toThrow(RangeError)
    expect(() => packMinutes(of([[1440, 1]]))).toThrow(RangeError)
  })
  it('that was cut off says so', () => {
    const packed = packMinutes(day((m) => m * 7))
    expect(() => unpackMinutes(packed.subarray(0, packed.length - 40))).toThrow()
  })
  it('knows its newest minute', () =>
    expect(
      newestAt(
        20_000,
        packMinutes(
          of([
            [3, 1],
            [77, 2],
          ]),
        ),
      ),
    ).toBe((20_000 * 1440 + 77) * 60_000))
})

describe('hours of a day, packed', () => {
  it('come back with their lowest and highest, and their mean to a step', () => {
    const random = seeded(8)
    const c = day(() => Math.round(random.between(0, 5_000)))
    const hours = new Map([...rollUp(c.minutes, c.values, 60)].map(([at, r]) => [at / 60, r]))
    const back = unpackHours(packHours(hours))
    expect(back.size).toBe(24)
    for (const [hour, r] of hours) {
      const b = back.get(hour)
      expect([b?.n, b?.low, b?.high]).toEqual([r.n, r.low, r.high])
      expect(Math.abs((b?.mean ?? NaN) - r.mean)).toBeLessThanOrEqual(0.5 / 60)
    }
  })
})

describe('more minutes of a day that is there', () => {
  it('are added; what is there stays, and what is otherwise is counted', () => {
    const m = mergeMinutes(
      of([
        [1, 10],
        [2, 20],
        [5, 50],
      ]),
      of([
        [2, 20],
        [3, 30],
        [5, 51],
      ]),
    )
    expect(all(m.all)).toEqual([
      [1, 10],
      [2, 20],
      [3, 30],
      [5, 50],
    ])
    expect(m).toMatchObject({ added: 1, already: 1, differ: 1 })
  })
})
