import { describe, expect, it } from 'vitest'
import {
  legPositions,
  linePositions,
  neutralPositions,
  terminalPairs,
  terminalPositions,
  wirePairs,
} from '../../quantity/index.ts'
import { at, plate, told } from './say.test-help.ts'

const megohms = (test: number) => [
  ...at('megohms', terminalPositions, [900, 900, 900]),
  ...at('test_volts', ['insulation'], [test]),
]

describe('insulation by its test volts (IEEE 43: 500 V below 1 kV; half and twice of it are house figures)', () => {
  it.each([
    [249, 'watch', false],
    [250, 'ok', true],
    [500, 'ok', true],
    [1000, 'ok', true],
  ] as const)('%d V: %s', (test, level, settles) => {
    expect(told('insulation', megohms(test))).toMatchObject({ level, settles })
  })
  it('more than the winding is tested with is told of that visit', () => {
    expect(told('insulation', megohms(1001))).toMatchObject({ level: 'watch', ofVisit: true, limit: 500 })
  })
})

describe('the temperature of the winding (NEMA MG 1 classes: B 130, F 155 °C)', () => {
  const winding = (insulationClass: string, celsius: number) =>
    told('temperature', at('temperature', ['winding'], [celsius]), { plate: { ...plate, insulationClass } }).level
  it('over its class is level Stop, close to it level Fix', () => {
    expect([111, 130, 131].map((t) => winding('B', t))).toEqual(['fix', 'fix', 'stop'])
    expect([136, 155, 156].map((t) => winding('F', t))).toEqual(['fix', 'fix', 'stop'])
  })
})

describe('readings that cannot both be true', () => {
  const line = at('volts_ll', linePositions, [480, 480, 480])
  // 480/√3 is 277 V.
  it('a leg to neutral or to ground off by more than 15 % with even pairs', () => {
    expect(told('contradiction', [...line, ...at('volts_ln', neutralPositions, [277, 277, 230])]).because).toContain(
      'L3-N 230',
    )
    expect(told('contradiction', [...line, ...at('volts_lg', legPositions, [0, 480, 480])]).because).toContain(
      'to ground',
    )
  })
  it('control volts out of none in', () => {
    expect(told('contradiction', at('control_volts', ['in', 'out'], [0, 24])).level).toBe('watch')
  })
  it('50 Hz on a 60 Hz supply without a drive', () => {
    expect(told('contradiction', at('hz', ['motor'], [50])).because).toContain('60 Hz supply')
  })
})

it('sound at 115 dBA is never OK (OSHA 1910.95)', () => {
  const loud = (dBA: number) => told('sound', at('sound', ['fan'], [dBA])).level
  expect([loud(114), loud(115)]).toEqual(['ok', 'watch'])
})

describe('figures that no fan and no meter gives (common practice)', () => {
  it.each([
    [[29], 'watch', false],
    [[30], 'ok', true],
    [[70, 71], 'ok', true],
    // Louder with the fan off: one of the two is misread.
    [[70, 72], 'watch', false],
  ] as const)('sound of %j dBA', (dBA, level, settles) => {
    expect(told('sound', at('sound', ['fan', 'background'].slice(0, dBA.length), [...dBA]))).toMatchObject({
      level,
      settles,
    })
  })
  it('more pressure than a building’s fan gives is no first reading', () => {
    const across = (supply: number) => told('air-path', at('static_pressure', ['supply', 'return'], [supply, 2]))
    expect(across(10)).toMatchObject({ level: 'ok' })
    expect(across(10.1)).toMatchObject({ level: 'watch', settles: false })
  })
  it('bad meter leads pass no winding, and hide no uneven one', () => {
    const winding = (leads: number, pairs: readonly number[]) =>
      told('winding-ohms', [...at('winding_ohms', terminalPairs, [...pairs]), ...at('lead_ohms', ['leads'], [leads])])
    expect(winding(1, [4, 4.02, 4.01])).toMatchObject({ level: 'ok' })
    expect(winding(1.1, [4, 4.02, 4.01])).toMatchObject({ level: 'watch', settles: false })
    expect(winding(1.1, [4, 4.02, 4.6])).toMatchObject({ level: 'fix' })
    const single = (leads: number) =>
      told('psc-winding', [...at('winding_ohms', wirePairs, [17, 48, 32]), ...at('lead_ohms', ['leads'], [leads])], {
        machine: { phases: 1 },
      })
    expect(single(1)).toMatchObject({ level: 'ok' })
    expect(single(1.1)).toMatchObject({ level: 'watch', settles: false })
  })
})
