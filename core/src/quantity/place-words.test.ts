import { expect, it } from 'vitest'
import { placeWords, quantities } from './index.ts'

it.each([
  ['amps', 'L1', 'L1'],
  ['winding_ohms', 'T1-T2', 'T1-T2'],
  ['belt_force', 'span', ''],
  ['sheave_gap', 'fan-far', 'fan sheave, outer edge'],
  ['vibration', 'ODE-A', 'opposite end axial'],
  ['megohms_at', '10min', '10 min'],
  ['roll_amps', '2-L3', 'moved once L3'],
  ['temperature', 'bearing-de', 'drive-end bearing'],
])('%s at %s is told as "%s"', (quantity, position, words) => expect(placeWords(quantity, position)).toBe(words))

it('no two places of a quantity read alike, and none as an id', () => {
  for (const q of quantities.filter((x) => x.positions.length > 1)) {
    const told = q.positions.map((p) => placeWords(q.code, p))
    expect(new Set(told).size).toBe(told.length)
    for (const t of told) expect(t).toMatch(/^([LT]\d(-[LTN]\d?)?|[A-C]-[A-C]|\d+ (s|min)|[a-z][a-zL\d, -]+)$/)
  }
})
