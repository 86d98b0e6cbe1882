import type { AirMover } from '@motor-round/contract'
import { describe, expect, it } from 'vitest'
import { counted, balanceOf, moversOf } from './balance.ts'

const fan = (tag: string, air: AirMover['air'], flow: number | null, outsideShare: number | null = null): AirMover => ({
  machineId: '00000000-0000-7000-8000-000000000001',
  unitTag: tag,
  tag: 'F',
  purpose: '',
  air,
  outsideShare,
  flow,
  at: null,
  level: 'ok',
  headline: '',
})

describe('the air of an area', () => {
  it('balances as the worked examples: OA 900, make-up 1000, exhaust 3100 is −1200 cfm (check values E14.8)', () => {
    const list = [fan('AHU', 'supply', 4500, 0.2), fan('MAU', 'make-up', 1000), fan('EF', 'exhaust', 3100)]
    const l = balanceOf(list, 0.8, null)
    expect(l.coming).toBeCloseTo(1900, 6)
    expect(l.over).toBeCloseTo(-1200, 6)
    // 0.3303 in wg over 0.8 ft² with the handbook's constant.
    expect(l.pressure).toBeLessThan(-0.32)
    expect(l.pressure).toBeGreaterThan(-0.34)
  })
  it('what recirculated or was not measured counts for nothing; a share nobody measured is a fifth (common practice)', () => {
    const list = [fan('RF', 'inside', 5000), fan('EF', 'exhaust', null), fan('RTU', 'supply', 5000)]
    expect(moversOf(list).map((m) => m.name)).toEqual(['RTU / F'])
    expect(list.map(counted)).toEqual([null, null, 1000])
  })
  it('says who must follow when one fan changes: a tenth more exhaust asks for as much make-up', () => {
    const list = [fan('MAU', 'make-up', 3000), fan('EF', 'exhaust', 3000)]
    const l = balanceOf(list, null, { name: 'EF / F', speed: 1.1 })
    expect(l.over).toBeCloseTo(0, 6)
    expect(l.after?.over).toBeCloseTo(-300, 6)
    expect(l.after?.follow).toBeCloseTo(300, 6)
    expect(balanceOf(list, null, { name: 'none', speed: 1.1 }).after).toBeNull()
  })
})
