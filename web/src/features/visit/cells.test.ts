import { usUnits } from '@motor-round/core/quantity'
import { checksOf, type MachineFacts } from '@motor-round/core/judge'
import { describe, expect, it } from 'vitest'
import { cellsOf, isBad, readingsOf, typedOf } from './cells.ts'
import { facts } from '../../test/facts.test-help.ts'

const metricUnits = { system: 'metric', temperature: 'C' } as const

const running = (m: MachineFacts) =>
  cellsOf(
    checksOf(m, 'running', 'live').flatMap((c) => c.groups(m)),
    usUnits,
  )

describe('the cells of a visit', () => {
  it('of a three-phase machine: three volts, three amps, then Hz and rpm', () =>
    expect(running(facts).map((c) => c.key)).toEqual([
      'volts_ll L1-L2',
      'volts_ll L2-L3',
      'volts_ll L3-L1',
      'amps L1',
      'amps L2',
      'amps L3',
      'hz motor',
      'rpm motor',
      'rpm driven',
    ]))
  it('of a single-phase machine: to neutral at 120 V, line to line above', () => {
    expect(running({ ...facts, phases: 1, serviceVolts: 120 })[0]?.key).toBe('volts_ln L1-N')
    expect(running({ ...facts, phases: 1, serviceVolts: 208 })[0]?.key).toBe('volts_ll L1-L2')
  })
  it('ask for Hz in the way only where there is a drive', () => {
    expect(running(facts).find((c) => c.quantity === 'hz')?.also).toBe(true)
    expect(running({ ...facts, hasVfd: true }).find((c) => c.quantity === 'hz')?.also).toBe(false)
  })
  it('become readings; what is no figure, or below zero, does not', () => {
    expect(
      readingsOf(
        { 'amps L1': '13.6', 'amps L2': '13,2', 'amps L3': 'x', 'hz motor': '-1', 'volts_ll L1-L2': '' },
        {},
        usUnits,
      ),
    ).toEqual([
      { quantity: 'amps', position: 'L1', value: 13.6 },
      { quantity: 'amps', position: 'L2', value: 13.2 },
    ])
  })
  it('take temperatures in the site’s temperature scale, below zero too, and keep °C', () => {
    expect(readingsOf({ 'temperature ambient': '14' }, {}, usUnits)[0]?.value).toBeCloseTo(-10)
    expect(readingsOf({ 'temperature ambient': '-10' }, {}, metricUnits)[0]?.value).toBe(-10)
  })
  it('are typed and kept alike on a metric site: mm/s as in/s, pascals as inches of water, newton meters', () => {
    const kept = (key: string, text: string) => readingsOf({ [key]: text }, {}, metricUnits)[0]
    expect(kept('vibration DE-H', '7.62')?.value).toBeCloseTo(0.3)
    expect(kept('filter_drop filter', '249.08891')?.value).toBeCloseTo(1)
    expect(kept('air_flow fan', '1699.010796')?.value).toBeCloseTo(1000, 3)
    for (const key of ['vibration DE-H', 'filter_drop filter', 'belt_force span', 'lug_torque line']) {
      const reading = kept(key, '12.5')
      expect([key, reading && typedOf(reading, metricUnits)]).toEqual([key, '12.5'])
    }
  })
  it('take OL as over range where a circuit can be open, and nowhere else', () => {
    expect(readingsOf({ 'winding_ohms T1-T2': 'ol', 'amps L1': 'OL' }, {}, usUnits)).toEqual([
      { quantity: 'winding_ohms', position: 'T1-T2', value: 100000, how: 'over-range' },
    ])
    const [cell] = running(facts)
    if (!cell) throw new Error('there are cells')
    expect([isBad(cell, 'OL'), isBad(cell, '4x'), isBad(cell, '480'), isBad(cell, '')]).toEqual([
      true,
      true,
      false,
      false,
    ])
  })
  it('keep how a value came from the meter', () =>
    expect(readingsOf({ 'amps L1': '13.6' }, { 'amps L1': { how: 'meter', spread: 0.02 } }, usUnits)).toEqual([
      { quantity: 'amps', position: 'L1', value: 13.6, how: 'meter', spread: 0.02 },
    ]))
  it('show a kept reading as it was typed', () => {
    expect(typedOf({ quantity: 'temperature', position: 'motor', value: 70 }, usUnits)).toBe('158')
    expect(typedOf({ quantity: 'winding_ohms', position: 'T1-T2', value: 1e5, how: 'over-range' }, usUnits)).toBe('OL')
  })
})
