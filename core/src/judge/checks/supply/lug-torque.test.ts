import { describe, expect, it } from 'vitest'
import { judged, visitAt } from '../../judged.test-help.ts'

const set = (position: string, value: number) => ({ quantity: 'lug_torque' as const, position, value })
const torque = (...readings: ReturnType<typeof set>[]) =>
  judged(visitAt(0, [], [], {}, readings)).verdicts.filter((v) => v.check === 'lug-torque')

// The smallest terminal screws: about 4.4 lbf·in, 0.5 N·m (common practice). 1 N·m = 8.851 lbf·in.
describe('the torque that lugs were set to', () => {
  it('is told in both units, each place by itself, for the label to be held against', () => {
    expect(torque(set('line', 4), set('motor', 2.5)).map((v) => [v.level, v.because])).toEqual([
      ['ok', 'Line lugs set to 35.4 lbf·in (4.00 N·m).'],
      ['ok', 'Motor lugs set to 22.1 lbf·in (2.50 N·m).'],
    ])
  })
  it('that no power lug has passes nothing', () => {
    expect(torque(set('line', 0), set('load', 0.49), set('motor', 0.5)).map((v) => [v.level, v.settles])).toEqual([
      ['watch', false],
      ['watch', false],
      ['ok', true],
    ])
    // 50 lbf·ft for 50 lbf·in.
    expect(torque(set('line', 67.8))[0]).toMatchObject({
      level: 'watch',
      because: expect.stringContaining('600.1 lbf·in'),
    })
    expect(torque(set('line', 67.7))[0]?.level).toBe('ok')
  })
})
