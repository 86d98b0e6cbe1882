import { describe, expect, it } from 'vitest'
import { figureWords, quantities, readingFigure, unitsOfSite } from './index.ts'

const us = unitsOfSite('us', 'F')
const metric = unitsOfSite('metric', 'F')

describe('a figure with its unit, as a site has it', () => {
  it.each([
    // 60 °C is 140 °F; NIST SP 811, appendix B: inch of water 249.0889 Pa, inch 25.4 mm, pound-force inch 0.1129848 N·m.
    ['temperature', 60, '140 °F', '60 °C'],
    ['static_pressure', 1, '1 in wg', '249 Pa'],
    ['vibration', 0.155, '0.155 in/s', '3.9 mm/s'],
    ['air_flow', 1000, '1000 cfm', '1699 m³/h'],
    // As a meter shows them: a winding of half an ohm is no "0.5 Ω" beside one of 0.452.
    ['winding_ohms', 0.452, '0.452 Ω', '0.452 Ω'],
    ['megohms', 2200, '2.2 GΩ', '2.2 GΩ'],
    ['capacitance', 7.49, '7.49 µF', '7.49 µF'],
    ['amps', 2.44, '2.44 A', '2.44 A'],
    ['contact_drop', 0.035, '0.035 V', '0.035 V'],
  ])('%s %s is %s or %s', (quantity, value, inUs, inMetric) => {
    expect([figureWords(quantity, value, us), figureWords(quantity, value, metric)]).toEqual([inUs, inMetric])
  })
  it('says that a meter was over its range, never the end of what can be kept', () => {
    expect(readingFigure({ quantity: 'winding_ohms', value: 1e7, how: 'over-range' }, us)).toBe('open')
    expect(readingFigure({ quantity: 'megohms', value: 1e6, how: 'over-range' }, us)).toBe('over range')
  })
  it('shows the figure of a quantity that this app does not know', () =>
    expect(figureWords('glow', 1.5, us)).toBe('1.5'))
  it('has a unit for every quantity that has one', () => {
    for (const q of quantities)
      for (const units of [us, metric])
        expect([q.code, figureWords(q.code, q.range[1], units)]).toEqual([
          q.code,
          expect.stringMatching(/^\S+( \S+)+$/) as string,
        ])
  })
})
