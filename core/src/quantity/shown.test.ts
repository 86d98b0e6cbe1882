import { describe, expect, it } from 'vitest'
import { amount, shownUnit, unitIn, usUnits, writtenUnit } from './index.ts'

const metric = { system: 'metric', temperature: 'C' } as const

describe('units of a site', () => {
  it.each([
    // NIST SP 811, appendix B: inch of water 249.0889 Pa, pound-force 4.448222 N, foot 0.3048 m, cfm 1.699011 m³/h.
    [1, 'inwg', '1.00 in wg', '249 Pa'],
    [0.3, 'in/s', '0.30 in/s', '7.6 mm/s'],
    [1000, 'cfm', '1000 cfm', '1699 m³/h'],
    [10, 'lbf', '10.0 lbf', '44 N'],
    [0.5, 'in', '0.50 in', '12.7 mm'],
    [3, 'ft', '3 ft', '0.9 m'],
    [6500, 'ft/min', '6500 ft/min', '33.0 m/s'],
  ])('%s %s is %s or %s', (value, unit, us, si) => {
    expect(amount(value, unit)).toBe(us)
    expect(amount(value, unit, 'metric')).toBe(si)
  })
  it('leave alone what is the same everywhere', () => {
    for (const unit of ['A', 'V', 'Hz', 'rpm', 'ohm', 'Mohm', 'uF', 'dBA', 's'])
      expect(unitIn(unit, 'metric')).toBe(unit)
  })
  it('are those a quantity is typed in', () => {
    expect(shownUnit('temperature', usUnits)).toBe('degF')
    expect(shownUnit('temperature', metric)).toBe('degC')
    expect(shownUnit('lug_torque', usUnits)).toBe('lbf.in')
    expect(shownUnit('lug_torque', metric)).toBe('N.m')
    expect(writtenUnit(shownUnit('air_flow', metric))).toBe('m³/h')
    expect(shownUnit('amps', metric)).toBe('A')
  })
})
