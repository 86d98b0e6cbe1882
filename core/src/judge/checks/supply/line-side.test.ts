import { describe, expect, it } from 'vitest'
import { legPositions, linePositions } from '../../../quantity/index.ts'
import { at, told } from '../say.test-help.ts'

const ahead = (...volts: number[]) => at('line_ll', linePositions.slice(0, volts.length), volts)
const single = { machine: { phases: 1 as const, serviceVolts: 240 } }

describe('the supply ahead of the starter (nameplate 460 V, ± 10 % by NEMA MG 1 12.44; unbalance by 14.36)', () => {
  it.each([
    // In window and even.
    [[460, 461, 459], 'ok', /balanced within/],
    [[414, 414, 414], 'ok', /balanced/],
    [[506, 506, 506], 'ok', /balanced/],
    // Outside of the window: low is to fix, far over is never started on.
    [[413, 413, 413], 'fix', /10 % under the 460 V nameplate/],
    [[507, 507, 507], 'fix', /10 % over/],
    [[529, 529, 529], 'fix', /15 % over/],
    [[530, 530, 530], 'stop', /15 % over/],
    // Uneven: watch over 1 %, fix over 3 %, stop over 5 %.
    [[460, 460, 466], 'ok', /balanced/],
    [[460, 460, 468], 'watch', /1\.2 % unbalance at the supply itself/],
    [[460, 460, 481], 'watch', /3\.0 % unbalance/],
    [[460, 460, 482.5], 'fix', /3\.2 % unbalance/],
    [[460, 460, 495], 'fix', /4\.9 % unbalance/],
    [[460, 460, 500], 'stop', /5\.6 % unbalance\. This supply/],
    [[460, 480, 530], 'stop', /unbalance, and one pair over the motor’s limit/],
    [[430, 530, 535], 'stop', /and 2 pairs over/],
    // A line gone, a misread, nothing at all, a pair not read.
    [[230, 230, 460], 'stop', /is lost ahead of the starter/],
    [[480, 480, 970], 'watch', /cannot be the three voltages/],
    // Two lines on one phase: nothing between them, full volts to the third (common practice: a blown fuse, backfed).
    [[0, 460, 460], 'stop', /next to nothing on L1-L2.*L1 or L2 is lost/],
    [[467, 12, 450], 'stop', /L2 or L3 is lost/],
    [[455, 460, 60], 'stop', /L3 or L1 is lost/],
    [[0, 0, 0], 'watch', /no supply/],
    [[460, 461], 'watch', /Only L1-L2 and L2-L3 read/],
    [[460, 410], 'stop', /at least 5\.7 % unbalance, whatever L3-L1 has/],
    [[460, 3], 'stop', /next to nothing on L2-L3 beside full volts on another pair\. A line is lost ahead/],
    [[460, 20, 300], 'stop', /next to nothing on L2-L3 beside full volts/],
  ] as const)('%j: %s', (volts, level, because) => {
    const v = told('line-side', ahead(...volts))
    expect([v.level, v.because]).toEqual([level, expect.stringMatching(because)])
  })
  it('says which way it is off and what bound it passed', () => {
    expect(told('line-side', ahead(413, 413, 413))).toMatchObject({
      limit: 414,
      next: expect.stringMatching(/under load/),
    })
    expect(told('line-side', ahead(507, 507, 507)).limit).toBeCloseTo(506, 6)
    expect(told('line-side', ahead(530, 530, 530)).next).toMatch(/^Start nothing on it/)
  })
  it('three even pairs with legs far apart to ground: a grounded corner or a leaking leg', () => {
    const legs = (...v: number[]) => at('line_lg', legPositions, v)
    expect(told('line-side', [...ahead(460, 460, 460), ...legs(265, 266, 267)]).level).toBe('ok')
    expect(told('line-side', [...ahead(460, 460, 460), ...legs(240, 288, 260)]).level).toBe('ok')
    expect(told('line-side', [...ahead(460, 460, 460), ...legs(240, 289, 260)])).toMatchObject({
      level: 'watch',
      value: 289,
    })
  })
  it('single-phase: one pair; nothing across and full volts to ground on both is one leg through the winding', () => {
    expect(told('line-side', ahead(231), single)).toMatchObject({ level: 'ok' })
    expect(told('line-side', ahead(200), single)).toMatchObject({ level: 'fix' })
    const through = [...ahead(0), ...at('line_lg', ['L1', 'L2'], [120, 119])]
    expect(told('line-side', through, single)).toMatchObject({ level: 'stop' })
    expect(told('line-side', [...ahead(0), ...at('line_lg', ['L1', 'L2'], [120, 0])], single).level).toBe('watch')
  })
})

describe('loss between line side and motor (common practice: 3 %)', () => {
  const loses = (motor: readonly number[]) =>
    told('branch-drop', [...ahead(470, 470, 470), ...at('volts_ll', linePositions, motor)])
  it.each([
    [[470, 470, 470], 'ok', 0],
    [[470, 456, 470], 'ok', 14 / 470],
    [[470, 455.5, 470], 'watch', 14.5 / 470],
    [[447, 470, 470], 'watch', 23 / 470],
    [[470, 470, 446], 'fix', 24 / 470],
    [[471, 472, 473], 'ok', -1 / 470],
  ] as const)('%j at the motor: %s', (motor, level, share) => {
    const v = loses(motor)
    expect(v.level).toBe(level)
    expect(v.value).toBeCloseTo(share, 9)
    expect(/Measure the drop/.test(v.next)).toBe(level !== 'ok')
  })
  it('names the pair that loses most, and never less than nothing', () => {
    expect(loses([460, 470, 440]).because).toMatch(/^L3-L1 loses 30\.0 V .*, 6\.4 %/)
    expect(loses([471, 472, 473]).because).toMatch(/ loses 0(\.0+)? V/)
  })
})
