import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { convert, findUnit, parseFigure, show, units } from './index.ts'

describe('units', () => {
  it('10 hp is 7.457 kW (1 hp = 745.7 W)', () => near(convert(10, 'hp', 'kW'), 7.457))
  it('converts temperatures with their offset (definition)', () => {
    expect(convert(140, 'degF', 'degC')).toBeCloseTo(60, 9)
    expect(convert(-40, '°C', '°F')).toBeCloseTo(-40, 9)
  })
  it('tells milliohm from megohm by the case, and refuses to guess', () => {
    expect(findUnit('MΩ')?.id).toBe('Mohm')
    expect(findUnit('mΩ')?.id).toBe('mohm')
    expect(findUnit('MOHM')).toBeUndefined()
    expect(findUnit('AMPS')?.id).toBe('A')
  })
  it('refuses unknown and unlike units, naming the argument', () => {
    expect(() => convert(1, 'furlong', 'A')).toThrow(/^from/)
    expect(() => convert(1, 'A', 'V')).toThrow(/^to/)
    expect(() => convert(NaN, 'A', 'mA')).toThrow(/^value/)
  })
  it('lengths, forces, speeds, flows and pressures of the drive train (definitions)', () => {
    near(convert(12, 'in', 'mm'), 304.8)
    near(convert(1, 'ft', 'in'), 12)
    near(convert(10, 'lbf', 'N'), 44.482)
    near(convert(6500, 'ft/min', 'm/s'), 33.02)
    near(convert(0.25, 'in/s', 'mm/s'), 6.35)
    near(convert(1000, 'cfm', 'L/s'), 471.9)
    near(convert(1, 'm3/s', 'cfm'), 2118.9)
    near(convert(1, 'inwg', 'Pa'), 249.09)
    near(convert(29.92, 'inHg', 'Pa'), 101325, 1e-3)
    near(convert(1, 'lb', 'oz'), 16)
  })
  it('comes back from any unit of the same dimension', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.constantFrom(...units),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (a, b, v) => {
          fc.pre(a.dimension === b.dimension)
          expect(convert(convert(v, a.id, b.id), b.id, a.id)).toBeCloseTo(v, 4)
        },
      ),
    )
  })
})

describe('figures as people write them', () => {
  it.each([
    ['13.6', 13.6],
    ['13,6', 13.6],
    ['.5', 0.5],
    ['1/2', 0.5],
    ['7-1/2', 7.5],
    ['1 1/2', 1.5],
    ['1e3', 1000],
    [' 12 ', 12],
  ])('%s', (text, value) => expect(parseFigure(text)).toBe(value))
  it.each(['', 'abc', '1.2.3', '1/0', '12 A', '--4', '1,234'])('refuses "%s"', (text) =>
    expect(parseFigure(text)).toBeNull(),
  )
  it('reads 1,234 only where the file says its comma is the decimal one', () => {
    expect(parseFigure('1,234', true)).toBe(1.234)
    expect(parseFigure('12,5', false)).toBeNull()
  })
})

describe('shown figures', () => {
  it('amps as a clamp shows them', () =>
    expect([2.44, 7.1, 13.64, 104.3, 9.996].map(show.amps)).toEqual(['2.44', '7.1', '13.6', '104', '10.0']))
  it('hours that were added up', () =>
    expect([0.1 + 0.2, 3 * 1.1, 40, 3.5125].map((h) => show.trimmed(h, 2))).toEqual(['0.3', '3.3', '40', '3.51']))
  it('so many of something', () =>
    expect([0, 1, 1.001, 2, 2.5].map((n) => show.count(n, 'hour'))).toEqual([
      '0 hours',
      '1 hour',
      '1 hour',
      '2 hours',
      '2.5 hours',
    ]))
  it('side by side with one count of decimals', () =>
    expect(show.ampsRow([7.7, 7.73, 10.31])).toEqual(['7.70', '7.73', '10.3']))
  it('never hides that something is just over the plate', () => {
    expect(show.percent(1.003)).toBe('100.3 %')
    expect(show.percent(1)).toBe('100 %')
    expect(show.percent(1.06)).toBe('106 %')
    expect(show.percent(0.004)).toBe('0.4 %')
  })
})

describe('days as they are shown (IANA zone data)', () => {
  // 2026-03-01 02:30 UTC is still the evening of February 28 in Chicago, and already March 1 in Berlin.
  const at = Date.UTC(2026, 2, 1, 2, 30)
  it.each([
    ['America/Chicago', 'Feb 28'],
    ['Europe/Berlin', 'Mar 1'],
    ['UTC', 'Mar 1'],
  ])('in %s', (zone, told) => expect(show.day(at, Date.UTC(2026, 5, 1), zone)).toBe(told))
  it('with the year where it is another there', () => {
    const newYear = Date.UTC(2026, 0, 1, 3)
    expect(show.day(newYear, Date.UTC(2026, 5, 1), 'America/Chicago')).toBe('Dec 31, 2025')
    expect(show.day(newYear, Date.UTC(2026, 5, 1))).toBe('Jan 1')
  })
})
