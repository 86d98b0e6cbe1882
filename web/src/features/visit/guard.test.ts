import type { VisitRecord } from '@motor-round/contract'
import type { QuantityCode, Reading } from '@motor-round/core/quantity'
import { describe, expect, it } from 'vitest'
import { visitRecord } from '../../test/machine-page.test-help.ts'
import { slipAt } from './guard.ts'

const visit = (n: number, quantity: QuantityCode, position: string, value: number, over: Partial<VisitRecord> = {}) =>
  visitRecord({
    id: `s${n}`,
    takenAt: `2026-0${(n % 9) + 1}-01T00:00:00Z`,
    readings: [{ quantity, position, value }],
    ...over,
  })
const plate = { amps: 12.8, volts: 480 }
const ask = (reading: Reading, visits: VisitRecord[] = [], meant: string[] = []) =>
  slipAt(reading, [reading], visits, plate, meant)?.slip.asks ?? null

describe('the slip guard at a cell', () => {
  const past = Array.from({ length: 6 }, (_, i) => visit(i, 'amps', 'L1', 11.9))
  it('asks about ten times and a tenth of the usual, by the record or before there is one by the plate', () => {
    expect(ask({ quantity: 'amps', position: 'L1', value: 119 }, past)).toContain('ten times')
    expect(ask({ quantity: 'amps', position: 'L1', value: 1.19 }, past)).toContain('tenth')
    expect(ask({ quantity: 'amps', position: 'L1', value: 128 })).not.toBeNull()
    expect(ask({ quantity: 'amps', position: 'L1', value: 12.1 }, past)).toBeNull()
  })
  it('holds the line side against the supply', () =>
    expect(ask({ quantity: 'line_ll', position: 'L1-L2', value: 48 })).not.toBeNull())
  it('is silent once it was said to be meant', () => {
    const reading: Reading = { quantity: 'amps', position: 'L1', value: 119 }
    const asked = slipAt(reading, [reading], past, plate, [])
    expect(ask(reading, past, [asked?.token ?? ''])).toBeNull()
  })
  it('never holds against its past what may be anything: proof of dead, insulation, ground current', () => {
    for (const [quantity, position] of [
      ['dead_lg', 'L1'],
      ['megohms', 'all'],
      ['ground_amps', 'ground-wire'],
      ['stored_volts', 'bus'],
    ] as const) {
      const small = Array.from({ length: 6 }, (_, i) => visit(i, quantity, position, 0.1))
      expect(ask({ quantity, position, value: 90 }, small)).toBeNull()
    }
  })
  it('does not count what was over range, or corrected since', () => {
    const open = Array.from({ length: 6 }, (_, i) =>
      visit(i, 'winding_ohms', 'T1-T2', 100000, {
        readings: [{ quantity: 'winding_ohms', position: 'T1-T2', value: 100000, how: 'over-range' }],
      }),
    )
    expect(ask({ quantity: 'winding_ohms', position: 'T1-T2', value: 1.3 }, open)).toBeNull()
    const corrected = past.map((s) => ({
      ...s,
      readings: [{ quantity: 'amps' as const, position: 'L1', value: 119 }],
      supersededBy: 'y',
    }))
    expect(ask({ quantity: 'amps', position: 'L1', value: 12 }, corrected)).toBeNull()
  })
  it('asks nothing of an open circuit or an empty cell', () => {
    expect(ask({ quantity: 'winding_ohms', position: 'T1-T2', value: 100000, how: 'over-range' })).toBeNull()
    expect(slipAt({ quantity: 'amps', position: 'L2' }, [], past, plate, [])).toBeNull()
  })
})
