import { describe, expect, it } from 'vitest'
import { defaultPolicies } from '../limits/index.ts'
import { checkSettings, differences, differenceWords, twinDifferences, type PlateForDrive } from './check-settings.ts'
import { parameters, type ParameterId, type ParameterSet } from './parameters.ts'

const plate: PlateForDrive = { amps: 12.2, volts: 460, hz: 60, rpm: 1755, kw: 7.457, serviceFactor: 1.15 }
const right: ParameterSet = {
  'plate-amps': 12.2,
  'plate-volts': 460,
  'plate-hz': 60,
  'plate-rpm': 1755,
  'plate-power': 7.5,
  'overload-amps': 12.2,
  'overload-class': 20,
  accel: 30,
  decel: 40,
  'min-hz': 15,
  'max-hz': 60,
  direction: 0,
  carrier: 4,
  restarts: 0,
  'skip-low': 0,
  'skip-high': 0,
}
const line = (id: ParameterId, value: number, p = plate) => {
  const found = checkSettings({ ...right, [id]: value }, p, defaultPolicies).find((l) => l.id === id)
  if (!found) throw new Error(id)
  return found
}
const levels = (id: ParameterId, values: readonly number[]) => values.map((v) => line(id, v).level)

describe('settings of a drive against the nameplate', () => {
  it('are all fine where they match', () =>
    expect(checkSettings(right, plate, defaultPolicies).map((l) => [l.id, l.level])).toEqual(
      parameters.map((p) => [p.id, 'ok']),
    ))
  it('names an overload that will not trip', () =>
    expect(line('overload-amps', 21)).toMatchObject({
      level: 'fix',
      wants: '12.2 A, at most 15.3 A',
      because: 'Overload set for 21 A on a 12.2 A motor: it will not trip before the winding is hurt.',
    }))
  // NEC 430.32(A)(1): 125 % of 12.2 A is 15.25 A with a service factor of 1.15, 115 % is 14.03 A without.
  it('goes by the limit of the code for the overload', () => {
    expect(line('overload-amps', 0)).toMatchObject({ level: 'fix', because: expect.stringContaining('it is off') })
    expect(levels('overload-amps', [15.3, 15.2, 12.3, 11.1, 10.9])).toEqual(['fix', 'watch', 'ok', 'ok', 'watch'])
    const low = { ...plate, serviceFactor: 1 }
    expect([14.1, 14].map((v) => line('overload-amps', v, low).level)).toEqual(['fix', 'watch'])
    expect([14.1, 14].map((v) => line('overload-amps', v, { ...plate, serviceFactor: null }).level)).toEqual([
      'fix',
      'watch',
    ])
  })
  // Common practice, with the limits of the register.
  it.each<[ParameterId, readonly [value: number, level: string][]]>([
    ['plate-amps', [[12.5, 'ok'], [12.6, 'fix'], [11.8, 'fix']]], // prettier-ignore
    ['plate-volts', [[230, 'fix'], [460, 'ok'], [480, 'fix']]], // prettier-ignore
    [
      'plate-hz',
      [
        [50, 'fix'],
        [60, 'ok'],
      ],
    ],
    ['plate-rpm', [[1755, 'ok'], [1160, 'fix'], [1780, 'ok']]], // prettier-ignore
    [
      'plate-power',
      [
        [7.5, 'ok'],
        [11, 'fix'],
      ],
    ],
    ['overload-class', [[0, 'fix'], [10, 'ok'], [20, 'ok'], [30, 'watch']]], // prettier-ignore
    ['accel', [[9, 'watch'], [10, 'ok'], [180, 'ok'], [181, 'watch']]], // prettier-ignore
    ['decel', [[5, 'watch'], [30, 'ok'], [600, 'watch']]], // prettier-ignore
    [
      'min-hz',
      [
        [9, 'watch'],
        [10, 'ok'],
      ],
    ],
    ['max-hz', [[60, 'ok'], [62, 'watch'], [63, 'watch'], [66, 'fix'], [14, 'fix']]], // prettier-ignore
    [
      'direction',
      [
        [0, 'ok'],
        [1, 'watch'],
      ],
    ],
    [
      'carrier',
      [
        [8, 'ok'],
        [12, 'watch'],
      ],
    ],
    ['restarts', [[0, 'ok'], [1, 'watch'], [3, 'watch'], [4, 'fix']]], // prettier-ignore
  ])('%s', (id, cases) => {
    expect(levels(id, cases.map(([v]) => v))).toEqual(cases.map(([, level]) => level)) // prettier-ignore
  })
  it('says how much more a fan asks for above its frequency', () =>
    // Fan law: (75 / 60)³ = 1.953.
    expect(line('max-hz', 75).because).toMatch(/^At 75 Hz the fan asks for 195 % of its power at 60 Hz/))
  it('sees a skipped band that is none', () => {
    const found = checkSettings({ ...right, 'skip-low': 32, 'skip-high': 28 }, plate, defaultPolicies)
    expect(found.find((l) => l.id === 'skip-high')?.level).toBe('watch')
  })
  it('judges nothing that was not read or is not on the nameplate', () => {
    expect(checkSettings({}, plate, defaultPolicies).every((l) => l.level === 'not judged')).toBe(true)
    const bare: PlateForDrive = { amps: null, volts: null, hz: null, rpm: null, kw: null, serviceFactor: null }
    for (const id of ['plate-amps', 'overload-amps', 'max-hz', 'plate-power'] as const)
      expect([id, line(id, 20, bare).level]).toEqual([id, 'not judged'])
  })
  it('goes by the limits of the organization', () => {
    const own = { ...defaultPolicies, limits: { ...defaultPolicies.limits, 'vfd-ramp-short': 5, 'vfd-restarts': 5 } }
    const found = checkSettings({ ...right, accel: 6, restarts: 5 }, plate, own)
    expect(found.find((l) => l.id === 'accel')?.level).toBe('ok')
    expect(found.find((l) => l.id === 'restarts')?.level).toBe('watch')
  })
})

describe('two sets of settings', () => {
  it('differ in what is not the same, rounding aside', () => {
    const { carrier: _, ...rest } = right
    const found = differences(right, { ...rest, 'max-hz': 70, accel: 30.000001 })
    expect(found.map(differenceWords)).toEqual([
      'Maximum frequency 60 Hz → 70 Hz',
      'Carrier frequency 4 kHz → not known',
    ])
  })
  it('of twins must be alike in speeds and times, and may differ in the rest', () => {
    const twin = { ...right, 'max-hz': 55, 'plate-amps': 11, direction: 1 }
    expect(twinDifferences(right, twin).map((d) => d.id)).toEqual(['max-hz'])
  })
})
