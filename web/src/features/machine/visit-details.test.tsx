import { usUnits, type ShownUnits } from '@motor-round/core/quantity'
import type { VisitRecord } from '@motor-round/contract'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { visitRecord as visit } from '../../test/machine-page.test-help.ts'
import { hasDetails, VisitDetails } from './visit-details.tsx'

const metricUnits = { system: 'metric', temperature: 'C' } as const

const text = (s: VisitRecord, units: ShownUnits = usUnits) =>
  renderToStaticMarkup(<VisitDetails visit={s} units={units} />)
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')

describe('all that was read at a visit', () => {
  it('is more than its row only when there is more', () => {
    expect(hasDetails(visit({}))).toBe(false)
    expect(hasDetails(visit({ answers: { lugs: 'loose' } }))).toBe(true)
    expect(hasDetails(visit({ passes: [{ gate: 'dead', by: 'x', reason: 'y' }] }))).toBe(true)
    expect(hasDetails(visit({ readings: [{ quantity: 'megohms', position: 'all', value: 90 }] }))).toBe(true)
  })
  it('shows every figure with its unit and how it was taken', () => {
    const t = text(
      visit({
        readings: [
          { quantity: 'megohms', position: 'T1', value: 2200 },
          { quantity: 'winding_ohms', position: 'T1-T2', value: 1.305, how: 'unsteady', spread: 0.1 },
          { quantity: 'winding_ohms', position: 'T2-T3', value: 100000, how: 'over-range' },
          { quantity: 'inrush', position: 'L1', value: 84, how: 'peak' },
          { quantity: 'temperature', position: 'motor', value: 46 },
          { quantity: 'capacitance', position: 'run', value: 7.49 },
          { quantity: 'dead_lg', position: 'L1', value: 0.2 },
        ],
      }),
    )
    for (const figure of [
      'T1 2.2 GΩ',
      'T1-T2 1.30 Ω unsteady',
      'T2-T3 open',
      'L1 84.0 A peak',
      'motor 115 °F',
      'run section 7.49 µF',
      'L1 0.2 V',
    ])
      expect(t).toContain(figure)
  })
  it('shows temperatures in the site’s temperature scale', () =>
    expect(
      text(visit({ readings: [{ quantity: 'temperature', position: 'motor', value: 46 }] }), metricUnits),
    ).toContain('46 °C'))
  it('shows answers in the words they were asked in, and passed gates with name and reason', () => {
    const t = text(
      visit({
        answers: { windmill: 'held', 'lock.number': '17', 'psc.body': 'hot' },
        passes: [{ gate: 'dead', by: 'A. Person', reason: 'second lock on' }],
      }),
    )
    expect(t).toContain('The wheel is Held or chocked')
    expect(t).toContain('Lock or tag number 17')
    expect(t).toContain('Touched Too hot to touch')
    expect(t).toContain('Override: dead A. Person: second lock on')
  })
})
