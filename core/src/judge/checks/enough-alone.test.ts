import { describe, expect, it } from 'vitest'
import type { Reading } from '../../quantity/index.ts'
import { at, say, type Given } from './say.test-help.ts'

describe('figures that say enough by themselves', () => {
  const legs = (a: number) => at('amps', ['L1', 'L2', 'L3'], [a, a, a])
  const level = (check: string, readings: Reading[], given: Given = {}) =>
    say(readings, given).verdicts.find((v) => v.check === check)?.level
  const vfd: Given = { machine: { hasVfd: true } }

  it('insulation that was only timed is judged as insulation', () => {
    const timed = (...values: number[]) => at('megohms_at', ['1min', '10min'], values)
    expect([timed(0.4, 0.9), timed(3, 7), timed(300, 700)].map((r) => level('insulation', r))).toEqual([
      'stop',
      'fix',
      'ok',
    ])
    // Entered twice, the lower one counts.
    expect(level('insulation', [...timed(0.4, 0.9), ...at('megohms', ['all'], [300])])).toBe('stop')
    expect(level('insulation', [...timed(300, 900), ...at('megohms', ['all'], [0.4])])).toBe('stop')
    // At 15 seconds it is lower than at a minute, but not nothing.
    expect(level('insulation', at('megohms_at', ['15s'], [0]))).toBe('stop')
  })
  // 230 V at 60 Hz is 3.833 V/Hz (definition); ±10 % of the nameplate: NEMA MG 1 §12.44. A plate of 460 V gives 230 V at 30 Hz.
  it.each([
    [460, 60, 'ok'],
    [230, 30, 'ok'],
    [252, 30, 'ok'],
    [256, 30, 'fix'],
    [460, 30, 'stop'],
    [600, 60, 'stop'],
    [400, 60, 'watch'],
    // A curve below the line saves at part speed.
    [180, 30, 'ok'],
    // Above the hertz of the nameplate the volts rise no more, and far below a drive lifts them on purpose.
    [460, 75, 'ok'],
    [60, 5, undefined],
  ])('the drive gives %d V at %d Hz: %s', (volts, hz, expected) => {
    const read = [...at('drive_volts', ['output'], [volts]), ...at('hz', ['motor'], [hz])]
    expect(level('volts-per-hertz', read, vfd)).toBe(expected)
  })
  it('output volts without hertz are only ever too many', () => {
    const alone = (v: number) => level('volts-per-hertz', at('drive_volts', ['output'], [v]), vfd)
    expect([300, 520, 700].map(alone)).toEqual([undefined, 'fix', 'stop'])
    expect(level('volts-per-hertz', [...at('drive_volts', ['output'], [2]), ...legs(9)], vfd)).toBe('watch')
  })
  it('input amps of a drive that feeds its motor come from somewhere, and are no more than it takes', () => {
    const input = (...amps: number[]) => [...at('input_amps', ['L1', 'L2', 'L3'], amps), ...legs(9.5)]
    expect([input(0), input(0, 0), input(0, 0, 0)].map((r) => level('drive-input', r, vfd))).toEqual([
      'fix',
      'fix',
      'watch',
    ])
    expect([input(7, 8, 8), input(60, 60, 60), input(60)].map((r) => level('drive-input', r, vfd))).toEqual([
      'ok',
      'watch',
      'watch',
    ])
    // A lost line drives the others far up: that is no misreading.
    expect([input(26, 26, 0), input(26, 0)].map((r) => level('drive-input', r, vfd))).toEqual(['stop', 'stop'])
    expect(level('drive-input', at('input_amps', ['L1'], [0]), vfd)).toBeUndefined()
  })
  it('what a start drew is more than what it draws when it runs', () => {
    expect(level('inrush', [...at('inrush', ['L1'], [0]), ...legs(9.5)])).toBe('watch')
    const single: Given = { machine: { phases: 1, serviceVolts: 240, drive: 'direct' } }
    const start = (a: number) => [...at('start_amps', ['L1'], [a]), ...at('amps', ['L1'], [2.6])]
    expect([0, 2, 2.7].map((a) => level('creeping-start', start(a), single))).toEqual(['watch', 'watch', 'ok'])
  })
  it('a capacitor that takes no current is none, and one under more volts than its rating will not last', () => {
    const run = { run: 7.5, second: null, volts: 370, tolerance: 0.06 }
    const single: Given = { machine: { phases: 1, serviceVolts: 240, drive: 'direct' }, controls: { capacitor: run } }
    const amps = at('amps', ['L1'], [2.6])
    expect(level('capacitor', [...at('capacitor_amps', ['run'], [0]), ...amps], single)).toBe('fix')
    expect(level('capacitor', at('capacitor_amps', ['run'], [0]), single)).toBeUndefined()
    const volts = (v: number) => level('capacitor-volts', at('capacitor_volts', ['run'], [v]), single)
    expect([360, 407, 410].map(volts)).toEqual(['ok', 'ok', 'fix'])
  })
  it('one shorted winding adds up to the other, and is shorted', () => {
    const single: Given = { machine: { phases: 1, serviceVolts: 240, drive: 'direct' } }
    const ohms = (...v: number[]) => at('winding_ohms', ['A-B', 'B-C', 'C-A'].slice(0, v.length), v)
    expect(level('psc-winding', ohms(0, 5, 5), single)).toBe('fix')
    expect(level('psc-winding', ohms(0), single)).toBe('fix')
    // Two open pairs say more than the short one.
    const open = [...at('winding_ohms', ['A-B'], [0]), ...at('winding_ohms', ['B-C', 'C-A'], ['OL', 'OL'])]
    expect(say(open, single).verdicts.find((v) => v.check === 'psc-winding')?.because).toContain('open')
  })
  it('one side of a transformer is held against its rating', () => {
    const given: Given = { controls: { transformer: { ratedIn: 480, ratedOut: 240 } } }
    const out = (v: number) => level('power-transformer', at('transformer_out', ['L1-L2'], [v]), given)
    // ±10 %.
    expect([240, 263, 265, 300, 200].map(out)).toEqual([undefined, undefined, 'fix', 'fix', 'fix'])
    expect(level('power-transformer', at('transformer_in', ['L1-L2'], [0]), given)).toBe('fix')
    // Beside a pair that is right.
    const right = [...at('transformer_in', ['L1-L2'], [480]), ...at('transformer_out', ['L1-L2'], [240])]
    expect(level('power-transformer', [...right, ...at('transformer_out', ['L2-L3'], [300])], given)).toBe('fix')
  })
  it('a fan that runs moves air', () => {
    expect(level('no-air', [...at('air_flow', ['fan'], [0]), ...legs(9.5)])).toBe('fix')
    expect(level('no-air', at('air_flow', ['fan'], [0]))).toBeUndefined()
    const still = at('static_pressure', ['supply', 'return'], [0, 0])
    expect([level('air-path', [...still, ...legs(9.5)]), level('air-path', still)]).toEqual(['watch', 'ok'])
  })
  it('amps with the leads rolled are amps', () => {
    const roll = (...v: number[]) =>
      level('roll-amps', at('roll_amps', ['1-L1', '1-L2', '1-L3', '2-L1', '2-L2', '2-L3'].slice(0, v.length), v))
    expect([roll(9, 9, 9), roll(14, 9, 9), roll(60, 60, 60), roll(9, 9, 9, 0, 15, 15)]).toEqual([
      'ok',
      'fix',
      'stop',
      'stop',
    ])
  })
})

describe('what a swap test and a drive say in words', () => {
  const given = (answers: Record<string, string>): Given => ({ machine: { hasVfd: true, hasTwin: true }, answers })
  const level = (check: string, answers: Record<string, string>) =>
    say(at('amps', ['L1', 'L2', 'L3'], [9.4, 9.5, 9.6]), given(answers)).verdicts.find((v) => v.check === check)
  it('condemns the motor or the drive, also once the leads are back', () => {
    const says = (word: string) => level('swap-result', { 'drive.swap-says': word, 'drive.swap': 'back' })
    expect([says('motor'), says('drive'), says('neither')].map((v) => [v?.level, v?.subject])).toEqual([
      ['fix', 'motor'],
      ['fix', 'drive'],
      ['watch', 'motor'],
    ])
  })
  it('a fault that is named is one, whatever the display shows now', () => {
    const shown = (answers: Record<string, string>) => level('drive-display', answers)?.level
    expect(shown({ 'drive.family': 'ground' })).toBe('fix')
    expect(shown({ 'drive.code': 'F12' })).toBe('fix')
    expect(shown({ 'drive.display': 'run', 'drive.family': 'ground' })).toBe('watch')
    expect(shown({ 'drive.display': 'run' })).toBe('ok')
  })
  it('guards that were off before power are off until they are entered as on', () => {
    const guards = (answers: Record<string, string>) => level('guards-off', answers)?.level
    expect(guards({ 'restore.guards': 'no' })).toBe('fix')
    expect(guards({ 'restore.guards': 'yes' })).toBe('ok')
    expect(guards({ 'restore.guards': 'no', 'leave.guards': 'yes' })).toBe('ok')
    // Left off is told by itself, as Stop.
    expect(guards({ 'restore.guards': 'no', 'leave.guards': 'no' })).toBeUndefined()
  })
})
