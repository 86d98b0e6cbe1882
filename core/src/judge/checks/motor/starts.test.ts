import { describe, expect, it } from 'vitest'
import { legPositions } from '../../../quantity/index.ts'
import { at, plate, told, type Given } from '../say.test-help.ts'

const single: Given = { machine: { phases: 1, serviceVolts: 240 } }
const driven: Given = { machine: { hasVfd: true } }
const start = (seconds: number, tries?: number) => [
  ...at('start_seconds', ['start'], [seconds]),
  ...(tries === undefined ? [] : at('start_tries', ['start'], [tries])),
]

describe('a start (common practice: up to about 10 s across the line)', () => {
  it.each([
    [10, 'ok', /^10 s to speed\.$/],
    [11, 'watch', /^11 s to speed: each second heats/],
    [30, 'watch', /^30 s/],
    [31, 'fix', /^31 s/],
  ] as const)('%d s: %s', (seconds, level, because) => {
    const v = told('start-time', start(seconds))
    expect([v.level, v.because, v.limit]).toEqual([level, expect.stringMatching(because), 10])
  })
  it('on a drive takes the seconds of its ramp', () => expect(told('start-time', start(45), driven).level).toBe('ok'))
  it('that failed is level Stop, one that took tries is to fix, and each says what to test for its kind of motor', () => {
    const no = (given: Given) => told('start-time', [], { ...given, answers: { 'start.turned': 'no' } })
    expect(no({})).toMatchObject({ level: 'stop', next: expect.stringMatching(/three volts ahead of the starter/) })
    expect(no(single)).toMatchObject({ level: 'stop', next: expect.stringMatching(/test the capacitor/) })
    const some = (given: Given) => told('start-time', [], { ...given, answers: { 'start.turned': 'some' } })
    expect(some({})).toMatchObject({ level: 'fix', because: expect.stringMatching(/^It started only sometimes/) })
    expect(some({}).next).not.toContain('capacitor')
    expect(some(single).next).toContain('capacitor')
    expect(told('start-time', start(5, 3))).toMatchObject({
      level: 'fix',
      value: 3,
      because: expect.stringMatching(/^It started after 3 tries/),
    })
    expect(told('start-time', start(5, 1)).level).toBe('ok')
    expect(told('start-time', [], { answers: { 'start.turned': 'yes' } })).toMatchObject({
      level: 'ok',
      because: 'It came up to speed.',
    })
    expect(told('start-time', start(15), single).next).toContain('capacitor')
    expect(told('start-time', start(15)).next).toContain('spin it by hand')
  })
})

describe('inrush against the code letter (NEC Table 430.7(B): H is 7.09 kVA/hp at most, 10 hp on 460 V 89 A locked)', () => {
  const peak = (amps: number, given: Given = {}) =>
    told('inrush', at('inrush', legPositions, [amps * 0.9, amps, amps * 0.95]), given)
  // 1.45 times 89.0 A is 129 A; three times 12.8 A is 38.4 A.
  it.each([
    [128, 'ok', /10\.0 times the plate; its code letter gives up to 89\.0 A/],
    [130, 'watch', /more than code letter H gives \(89\.0 A locked\)/],
    [39, 'ok', /3\.0 times the plate; its code letter/],
    [38, 'ok', /low for an across-the-line start\.$/],
  ] as const)('a peak of %d A: %s', (amps, level, because) => {
    const v = peak(amps)
    expect([v.level, v.because, v.value]).toEqual([level, expect.stringMatching(because), amps])
  })
  it('soft is as a drive makes it, and doubted without one', () => {
    expect(peak(20)).toMatchObject({ confidence: 'low', next: 'Was the clamp on before it started?' })
    expect(peak(20, driven)).toMatchObject({
      confidence: 'full',
      next: 'Nothing to do.',
      because: expect.stringContaining('normal on a drive'),
    })
  })
  it('without a letter or a power there is no bound above', () => {
    const { code: _code, ...bare } = plate
    expect(peak(400, { plate: bare })).toMatchObject({ level: 'ok', limit: null })
    expect(peak(400, { plate: { ...plate, code: 'V' } })).toMatchObject({ level: 'ok', limit: null })
    const { power: _power, ...noPower } = plate
    expect(peak(400, { plate: noPower })).toMatchObject({ level: 'ok', limit: null })
  })
  it('goes by kilowatts where the nameplate does', () =>
    expect(peak(130, { plate: { ...plate, power: 7.457, powerUnit: 'kW' } })).toMatchObject({
      level: 'watch',
      limit: expect.closeTo(129.03, 1),
    }))
})
