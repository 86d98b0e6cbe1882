import { describe, expect, it } from 'vitest'
import { cellsOf, readingsOf } from './cells.ts'

describe('the cells of a stop', () => {
  it('of a three-phase machine: three volts, three amps, then Hz and rpm', () =>
    expect(cellsOf({ phases: 3, serviceVolts: 480 }).map((c) => c.key)).toEqual([
      'volts_ll L1-L2',
      'volts_ll L2-L3',
      'volts_ll L3-L1',
      'amps L1',
      'amps L2',
      'amps L3',
      'hz motor',
      'rpm motor',
    ]))
  it('of a single-phase machine: to neutral at 120 V, line to line above', () => {
    expect(cellsOf({ phases: 1, serviceVolts: 120 })[0]?.key).toBe('volts_ln L1-N')
    expect(cellsOf({ phases: 1, serviceVolts: 208 })[0]?.key).toBe('volts_ll L1-L2')
  })
  it('become readings; what is no figure, or below zero, does not', () => {
    const cells = cellsOf({ phases: 3, serviceVolts: 480 })
    expect(
      readingsOf(cells, {
        'amps L1': '13.6',
        'amps L2': '13,2',
        'amps L3': 'x',
        'hz motor': '-1',
        'volts_ll L1-L2': '',
      }),
    ).toEqual([
      { quantity: 'amps', position: 'L1', value: 13.6 },
      { quantity: 'amps', position: 'L2', value: 13.2 },
    ])
  })
})
