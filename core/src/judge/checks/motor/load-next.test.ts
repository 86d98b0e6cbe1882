import { describe, expect, it } from 'vitest'
import type { WheelType } from '../../../air/index.ts'
import { legPositions, linePositions, type Reading } from '../../../quantity/index.ts'
import { dayMs } from '../../../trend/index.ts'
import { at, now, onDrive, visitOf, told, type Given } from '../say.test-help.ts'

const volts = at('volts_ll', linePositions, [478, 478, 478])
const amps = (value: number) => at('amps', legPositions, [value, value, value])
const pressure = (supply: number, back: number) => at('static_pressure', ['supply', 'return'], [supply, back])
const wheelOf = (type: WheelType): Given => ({
  ...onDrive,
  parts: (onDrive.parts ?? []).map((p) => (p.slot === 'wheel' ? { ...p, spec: { ...p.spec, type } } : p)),
})
/** The motor at its plate speed on 110 to 220 mm, 1 % creep: 868.7 rpm. */
const rpm = (fan: number): Reading[] => at('rpm', ['motor', 'driven'], [1755, fan])
const over = (more: readonly Reading[] = [], given: Given = onDrive) =>
  told('over-amp', [...volts, ...amps(13.6), ...more], given).next

describe('more amps than the plate: next is what the readings point to (power curve of the wheel, common practice)', () => {
  it('nothing read besides: it names what tells the causes apart, by the wheel, and lists none', () => {
    expect(over()).toMatch(/^Read the pressure across the fan and its rpm/)
    expect(over([], wheelOf('backward-inclined'))).toMatch(/^Read the fan rpm: higher is/)
    expect(over([], wheelOf('propeller'))).toMatch(/^Check for a blocked coil first/)
  })
  it.each([
    ['bearing.de', 'growls', 'The drive-end bearing growls: it drags.'],
    ['bearing.ode', 'rough', 'The opposite-end bearing is rough: it drags.'],
  ])('a bearing that is heard is named: %s %s', (question, answer, said) =>
    expect(over([], { ...onDrive, answers: { [question]: answer } })).toContain(said),
  )
  it('one that is quiet is not', () =>
    expect(over([], { ...onDrive, answers: { 'bearing.de': 'quiet' } })).not.toContain('bearing'))
  it('heat at a housing is that bearing', () => {
    expect(over(at('temperature', ['bearing-de'], [82]))).toContain('The drive-end bearing is at 180 °F: it drags')
    expect(over(at('temperature', ['bearing-ode', 'ambient'], [62, 25]))).toContain('The opposite-end bearing')
    expect(over(at('temperature', ['bearing-ode', 'ambient'], [45, 25]))).not.toContain('bearing is at')
    expect(over([], { ...onDrive, answers: { 'bearing.ode': 'growls' } })).toContain('opposite-end bearing growls')
    expect(over([], { ...onDrive, answers: { 'bearing.ode': 'quiet' } })).toMatch(/^Read the pressure/)
  })
  it('speed against the sheaves: faster is the sheaves, as they say is drag', () => {
    expect(over(rpm(930))).toMatch(/^The fan turns 7.1 % faster than by its sheaves/)
    expect(over(rpm(869))).toMatch(/^The speed is unchanged, so something drags: check belt tension/)
  })
  it('pressure against the last time', () => {
    const history = [visitOf([...volts, ...amps(11), ...pressure(0.8, 0.4)], -30)]
    const since = (more: readonly Reading[], given: Given = onDrive) => over(more, { ...given, history })
    expect(since(pressure(0.81, 0.4))).toMatch(/^The pressure is unchanged, so something drags/)
    expect(since(pressure(0.6, 0.3))).toMatch(/^Lower pressure with more amps: more air/)
    expect(since(pressure(1, 0.5))).toMatch(/^Higher pressure with more amps: it runs faster/)
    expect(since(pressure(1, 0.5), wheelOf('propeller'))).toMatch(/^Higher pressure with more amps on this wheel/)
  })
  it('what was done to the speed or the belts, where the amps went up with it', () => {
    const history = [-200, -170, -140, -110].map((day) => visitOf([...volts, ...amps(12)], day))
    const work = (kind: 'sheave-turned' | 'belts-renewed' | 'filters-changed', day: number) => [
      { at: now + day * dayMs, kind, note: '' },
    ]
    expect(over([], { ...onDrive, history, work: work('sheave-turned', -60) })).toMatch(
      /^It came with that speed change/,
    )
    expect(over([], { ...onDrive, history, work: work('belts-renewed', -60) })).toMatch(/^It came with the new belts/)
    // It was as high before.
    const high = history.map((s) => ({ ...s, readings: [...volts, ...amps(13.6)] }))
    expect(over([], { ...onDrive, history: high, work: work('sheave-turned', -60) })).toMatch(/^Read the pressure/)
  })
  it('an open panel and low volts come before all', () => {
    expect(
      told('over-amp', [...volts, ...amps(13.6), ...rpm(930)], { ...onDrive, state: { panels: 'off' } }).next,
    ).toMatch(/^Put the panels on/)
    const low = at('volts_ll', linePositions, [425, 425, 425])
    expect(told('over-amp', [...low, ...amps(13.4)], onDrive).next).toMatch(/^The low volts explain it/)
    // Too far over for the volts alone.
    expect(told('over-amp', [...low, ...amps(15)], onDrive).next).not.toMatch(/volts/)
  })
})

describe('fewer amps than usual', () => {
  const history = Array.from({ length: 6 }, (_, i) =>
    visitOf([...volts, ...amps(11 + (i % 2) * 0.05), ...pressure(0.8, 0.4)], -180 + i * 30),
  )
  const fewer = (more: readonly Reading[] = [], given: Given = onDrive) =>
    told('change', [...volts, ...amps(9), ...more], { ...given, history }).next
  it('names what to read, or what the readings say', () => {
    expect(fewer()).toMatch(/^Read the pressure across the fan and its rpm: lower rpm is the belt/)
    expect(fewer([], wheelOf('backward-inclined'))).toMatch(/^Read the fan rpm: lower is belt or sheave/)
    expect(fewer([], wheelOf('propeller'))).toMatch(/an open door or a broken blade/)
    expect(fewer(rpm(790))).toMatch(/^The fan turns 9.1 % slower than by its sheaves: the belt slips/)
    expect(fewer(pressure(1, 0.5))).toMatch(/^Higher pressure with fewer amps: less air. Check filters/)
    expect(fewer(pressure(0.6, 0.3))).toMatch(/^Lower pressure with fewer amps: it runs slower/)
    expect(fewer(pressure(0.6, 0.3), wheelOf('propeller'))).toMatch(/less restriction/)
  })
})
