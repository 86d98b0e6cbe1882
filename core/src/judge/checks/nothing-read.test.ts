import { describe, expect, it } from 'vitest'
import { legPositions } from '../../quantity/index.ts'
import { at, told } from './say.test-help.ts'

const drive = { machine: { hasVfd: true } }
const single = {
  machine: { phases: 1 as const, serviceVolts: 240 },
  controls: { capacitor: { run: 7.5, second: null, volts: 440, tolerance: null } },
}
const three = (amps: number) => at('amps', legPositions, [amps, amps, amps])

// Common practice: a meter that is off, on a wrong range, or not where it should be shows next to nothing.
describe('a figure of nothing passes nothing', () => {
  it.each([
    ['inrush', at('inrush', legPositions, [0, 0, 0]), {}],
    ['inrush', at('inrush', legPositions, [12.7, 12, 12]), {}],
    ['inrush', at('inrush', legPositions, [0.5, 0.5, 0.5]), drive],
    ['start-time', at('start_seconds', ['start'], [0]), {}],
    ['start-time', at('start_tries', ['start'], [0]), {}],
  ] as const)('%s %j', (check, readings, given) => {
    expect(told(check, [...readings], given)).toMatchObject({ level: 'watch', settles: false })
  })
  it('a start that was read is judged as ever', () => {
    expect(told('inrush', at('inrush', legPositions, [70, 68, 71])).level).toBe('ok')
    expect(told('inrush', at('inrush', legPositions, [3, 3, 3]), drive).level).toBe('ok')
    expect(told('start-time', at('start_seconds', ['start'], [4])).level).toBe('ok')
    expect(told('start-time', at('start_tries', ['start'], [2])).level).toBe('fix')
  })
  it('no volts across the capacitor of a running motor: it is not at work', () => {
    const across = (volts: number, amps = 2.4) =>
      told('capacitor-volts', [...at('capacitor_volts', ['run'], [volts]), ...at('amps', ['L1'], [amps])], single)
    expect(across(119)).toMatchObject({ level: 'fix', limit: 120 })
    expect(across(120).level).toBe('ok')
    expect(across(0, 0).level).toBe('ok') // off
    expect(across(500).level).toBe('fix') // over its rating
  })
  it('a drive at no hertz runs nothing', () => {
    const zero = at('hz', ['motor'], [0])
    const contradicted = (readings: typeof zero, state: object = {}) =>
      told('contradiction', readings, { ...drive, state }).because
    expect(contradicted([...zero, ...three(8)])).toContain('0 Hz, and 8.0, 8.0, 8.0 A')
    expect(contradicted(zero, { turning: 'right way' })).toContain('0 Hz, and it turns')
    expect(() => contradicted([...zero, ...three(0)], { turning: 'not turning' })).toThrow('said nothing')
  })
})

// NEMA MG 1 12.52 (from memory): 25 to 50 % over its speed, in an emergency. Common practice: over the nameplate's only where it is meant.
describe('a fan that a drive runs faster than the nameplate', () => {
  it.each([
    [30, 'ok'],
    [60.5, 'ok'],
    [60.6, 'watch'],
    [63, 'watch'],
    [63.1, 'fix'],
    [90, 'fix'],
    [90.1, 'stop'],
    [120, 'stop'],
  ] as const)('%f Hz on a 60 Hz motor: %s', (hz, level) =>
    expect(told('over-hertz', at('hz', ['motor'], [hz]), drive).level).toBe(level),
  )
  it('says what the fan asks for: the cube of its speed', () =>
    expect(told('over-hertz', at('hz', ['motor'], [75]), drive).because).toContain(
      '75 Hz on a 60 Hz motor: the fan asks for 195 %',
    ))
  it('is known by its hertz alone', () => expect(() => told('over-hertz', three(8), drive)).toThrow('said nothing'))
})
