import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { near } from '../near.test-help.ts'
import { seasonOf } from './index.ts'

const day = 86_400_000
const start = Date.UTC(2022, 0, 1)
const run = (n: number, step: number, value: (days: number) => number) =>
  Array.from({ length: n }, (_, i) => ({ at: start + i * step * day, value: value(i * step) }))
const wave = (days: number) => Math.cos((2 * Math.PI * (days - 15)) / 365.25)

describe('a yearly swing', () => {
  it('is found with its size and its day, on a slope too, and is taken out', () => {
    const random = seeded(3)
    const points = run(24, 61, (d) => 10 * (1 + 0.03 * wave(d)) + 0.0005 * d + 0.02 * random.normal())
    const s = seasonOf(points)
    near(s?.half ?? 0, 0.03, 0.15)
    // January: the air is densest. A leap year or the noise moves it by days.
    const off = Math.abs((((s?.highest ?? 200) - 15 + 182) % 365) - 182)
    expect(off).toBeLessThan(20)
    const left = points.map((p) => (s?.without(p.at, p.value) ?? 0) - 10 - 0.0005 * ((p.at - start) / day))
    expect(Math.max(...left.map(Math.abs))).toBeLessThan(0.09)
  })
  it('is none in a year, in a slope, in noise, or where it is too wide for weather', () => {
    const random = seeded(8)
    expect(seasonOf(run(7, 61, (d) => 10 + 0.3 * wave(d)))).toBeNull()
    expect(seasonOf(run(24, 61, (d) => 10 - 0.001 * d))).toBeNull()
    expect(seasonOf(run(24, 61, (d) => 10 + 4 * wave(d)))).toBeNull()
    let cried = 0
    for (let i = 0; i < 300; i++) if (seasonOf(run(24, 61, () => 10 * (1 + 0.01 * random.normal())))) cried += 1
    // p < 0.01 by its own account.
    expect(cried).toBeLessThanOrEqual(8)
  })
  it('the tail of F with two terms is the closed form: (1 + 2F/(n − 4))^(−(n − 4)/2)', () => {
    // Source: F(2, 10) at 4.103 has a tail of 0.05 (tables).
    expect((1 + (2 * 4.103) / 10) ** -5).toBeCloseTo(0.05, 3)
  })
  it('refuses what is no figure', () => expect(() => seasonOf([{ at: 0, value: NaN }])).toThrow(/^points/))
})
