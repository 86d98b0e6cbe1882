import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { convert, findQuantity, findUnit, insulationTimes, quantities, show } from './index.ts'

describe('every quantity', () => {
  it('has a code of its own, a known unit of its dimension, and positions that files and streams can carry', () => {
    expect(new Set(quantities.map((q) => q.code)).size).toBe(quantities.length)
    for (const q of quantities) {
      expect(findUnit(q.unit)?.dimension).toBe(q.dimension)
      expect(new Set<string>(q.positions).size).toBe(q.positions.length)
      for (const p of q.positions) expect(p).toMatch(/^[\w-]{1,12}$/)
      expect(q.range[0]).toBeLessThan(q.range[1])
    }
  })
  it('insulation is timed at rising instants up to ten minutes', () => {
    const seconds = insulationTimes.map(([, s]) => s)
    expect([...seconds].sort((a, b) => a - b)).toEqual(seconds)
    expect(seconds.at(-1)).toBe(600)
    expect(findQuantity('megohms_at')?.positions).toEqual(insulationTimes.map(([name]) => name))
  })
})

describe('units of torque and time', () => {
  it.each([
    [1, 'lbf.ft', 'N.m', 1.3558],
    [12, 'in-lb', 'lbf.ft', 1],
    [7, 'N·m', 'lbf.in', 61.96],
    [10, 'min', 's', 600],
  ])('%d %s is in %s %d', (v, from, to, expected) => near(convert(v, from, to), expected, 1e-4))
})

describe('figures as meters show them', () => {
  it.each([
    [0.4861, '0.486 Ω'],
    [2.124, '2.12 Ω'],
    [31.42, '31.4 Ω'],
    [431.2, '431 Ω'],
    [12340, '12.3 kΩ'],
    [2.2e6, '2.2 MΩ'],
  ])('%d ohm is %s', (v, text) => expect(show.ohms(v)).toBe(text))
  it.each([
    [0.418, '0.42 MΩ'],
    [4.23, '4.2 MΩ'],
    [83.4, '83 MΩ'],
    [2210, '2.2 GΩ'],
  ])('%d megohm is %s', (v, text) => expect(show.megohms(v)).toBe(text))
  it('microfarads and temperatures', () => {
    expect([show.microfarads(7.494), show.microfarads(71.52)]).toEqual(['7.49 µF', '71.5 µF'])
    expect([show.temperature(60, 'F'), show.temperature(60, 'C'), show.temperature(-40, 'F')]).toEqual([
      '140 °F',
      '60 °C',
      '-40 °F',
    ])
  })
})
