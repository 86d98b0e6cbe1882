import { usUnits } from '@motor-round/core/quantity'
import { judge } from '@motor-round/core/judge'
import { judgeInput, speaking } from '@motor-round/contract'
import { defaultPolicies } from '@motor-round/core/limits'
import type { Reading } from '@motor-round/core/quantity'
import { describe, expect, it } from 'vitest'
import { pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { wayBack } from './speed-change-line.tsx'
import { historiesOf } from './histories.ts'
import { driveParts } from '../../test/drive.test-help.ts'

const uuid = (n: number) => `00000000-0000-7000-8000-0000000009${String(n).padStart(2, '0')}`
const amps = (v: number): Reading[] => [
  ...['L1-L2', 'L2-L3', 'L3-L1'].map((position): Reading => ({ quantity: 'volts_ll', position, value: 478 })),
  ...['L1', 'L2', 'L3'].map((position): Reading => ({ quantity: 'amps', position, value: v })),
]
const visit = (n: number, day: string, more: Reading[], v = 11) =>
  visitRecord({ id: uuid(n), takenAt: `2026-${day}T09:00:00Z`, readings: [...amps(v), ...more] })
const judged = (page: ReturnType<typeof pageOf>) => {
  const known = { ...page, motors: page.motor ? [page.motor] : [], policies: defaultPolicies }
  const standing = speaking(page)
  if (!standing) throw new Error('it was read')
  const input = judgeInput(known, standing)
  return { input, judgement: judge(input) }
}

describe('what a machine’s page shows over time besides amps', () => {
  it('is each quantity read twice or more, with the judge’s own sentence and what it is compared with', () => {
    const shaking = (v: number): Reading[] => [{ quantity: 'vibration', position: 'DE-H', value: v }]
    const page = pageOf({
      visits: [
        visit(2, '06-01', shaking(0.14)),
        visit(1, '01-01', [...shaking(0.12), { quantity: 'sound', position: 'fan', value: 70 }]),
      ],
    })
    const list = historiesOf(page, judged(page).judgement, usUnits)
    expect(list.map((h) => h.id)).toEqual(['vibration'])
    expect(list[0]?.points.map((p) => p.value)).toEqual([0.12, 0.14])
    expect(list[0]?.sentence).toMatch(/^0\.14 in\/s peak at DE-H/)
    expect(list[0]?.limit).toBeGreaterThan(0.2)
  })
  it('shows the warmer bearing in the site’s temperature scale', () => {
    const warm = (de: number, ode: number): Reading[] => [
      { quantity: 'temperature', position: 'bearing-de', value: de },
      { quantity: 'temperature', position: 'bearing-ode', value: ode },
      { quantity: 'temperature', position: 'motor', value: 60 },
    ]
    const page = pageOf({ visits: [visit(2, '06-01', warm(50, 40)), visit(1, '01-01', warm(40, 45))] })
    const of = (scale: 'F' | 'C') => historiesOf(page, judged(page).judgement, { system: 'us', temperature: scale })[0]
    expect(of('F')).toMatchObject({ id: 'bearings', unit: '°F' })
    expect(of('F')?.points.map((p) => p.value)).toEqual([113, 122])
    expect(of('C')).toMatchObject({ unit: '°C', digits: 0 })
    expect(of('C')?.points.map((p) => p.value)).toEqual([45, 50])
  })
  it('adds both sides of the fan to one pressure, and leaves out a side alone', () => {
    const pressure = (...v: number[]): Reading[] =>
      v.map((value, i) => ({ quantity: 'static_pressure', position: i === 0 ? 'supply' : 'return', value }))
    const page = pageOf({
      visits: [
        visit(3, '09-01', pressure(0.9)),
        visit(2, '06-01', pressure(0.9, 0.6)),
        visit(1, '01-01', pressure(1, 0.5)),
      ],
    })
    const [own] = historiesOf(page, judged(page).judgement, usUnits)
    expect(own?.points.map((p) => p.value)).toEqual([1.5, 1.5])
  })
  it('says when it was last read where work since has ended what it said', () => {
    const note = (v: number): Reading[] => [{ quantity: 'belt_force', position: 'span', value: v }]
    const tensioned = {
      id: uuid(9),
      doneAt: '2026-07-01T09:00:00Z',
      kind: 'belts-tensioned',
      note: '',
      by: 'x',
    } as const
    const read = pageOf({ visits: [visit(3, '09-01', []), visit(2, '06-01', note(9)), visit(1, '01-01', note(9))] })
    const page = { ...read, work: [{ ...tensioned, machineId: read.machine.id }] }
    const [own] = historiesOf(page, judged(page).judgement, usUnits)
    expect(own?.sentence).toMatch(/^Last read Jun 1/)
  })
})

describe('the way back under the nameplate by a speed change', () => {
  const at = (v: number, parts = driveParts()) => {
    const page = pageOf({ parts, visits: [visit(1, '06-01', [], v)] })
    const { input, judgement } = judged(page)
    return wayBack(input, judgement, [])
  }
  it('is the fewest turns that do it', () => {
    const way = at(13.2)
    expect(way?.turns).toBe(2.5)
    expect(way?.option.change).toEqual({ kind: 'turns', turns: 3 })
    expect(way?.option.prediction.amps ?? 99).toBeLessThan(12.8)
  })
  it('is none where there is no need, or where nothing is known of the sheaves', () => {
    expect(at(11)).toBeNull()
    expect(at(13.2, [])).toBeNull()
  })
})
