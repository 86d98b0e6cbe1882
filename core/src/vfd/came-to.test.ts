import { describe, expect, it } from 'vitest'
import { defaultPolicies } from '../limits/index.ts'
import { answeredFor, cameTo, knownSettings } from './came-to.ts'
import { plateForDrive } from './plate-for-drive.ts'
import type { ParameterSet } from './parameters.ts'

const plate = plateForDrive({ volts: '230/460', amps: '24.4/12.2', hz: '60', rpm: 1755, power: 10, sf: 1.15 }, 480, 460)
const right: ParameterSet = { 'plate-amps': 12.2, 'plate-volts': 460, 'overload-amps': 12.2, 'max-hz': 60, accel: 30 }
const of = (set: ParameterSet, last: ParameterSet | null = null, why = '', twin?: ParameterSet) =>
  cameTo(set, plate, defaultPolicies, last, why, twin ? [{ tag: 'SF-2', set: twin }] : [])

describe('what settings of a drive came to', () => {
  it('goes by the column of the nameplate that is in force', () =>
    expect(plate).toEqual({
      amps: 12.2,
      volts: 460,
      hz: 60,
      rpm: 1755,
      kw: expect.closeTo(7.457, 6),
      serviceFactor: 1.15,
    }))
  it('takes no frequency from a plate with two', () => expect(plateForDrive({ hz: '50/60' }, 400, null).hz).toBeNull())
  it('matches, and says nothing', () => expect(of(right)).toEqual({ settings: 'match', which: '' }))
  it('is off by what is wrong', () =>
    expect(of({ ...right, 'overload-amps': 21 })).toEqual({
      settings: 'off',
      which: 'Overload set for 21 A on a 12.2 A motor: it will not trip before the winding is hurt.',
    }))
  it('is changed when nobody says why, and matches when somebody does', () => {
    const now = { ...right, accel: 20 }
    expect(of(now, right)).toEqual({ settings: 'changed', which: 'Changed: Acceleration time 30 s → 20 s.' })
    expect(of(now, right, 'Balancer asked for it')).toEqual({ settings: 'match', which: '' })
    expect(of(right, { ...right, carrier: 4 }).settings).toBe('match')
  })
  it('goes by the settings that somebody answers for: a change read twice is still one', () => {
    const faster = { ...right, accel: 20 }
    const kept = (set: ParameterSet, why = '') => ({ set, why })
    expect(answeredFor([])).toBeNull()
    expect(answeredFor([kept(right), kept(faster), kept(faster)])).toEqual(right)
    expect(answeredFor([kept(right), kept(faster), kept(faster, 'Asked for')])).toEqual(faster)
    expect(answeredFor([kept(right), kept({ carrier: 4 })])).toEqual({ ...right, carrier: 4 })
    expect(answeredFor([kept(right), kept(faster), kept(right)])).toEqual(right)
  })
  it('is never a match where what protects the motor is not known', () => {
    expect(of({ accel: 30, 'plate-amps': 12.2 }).settings).toBeNull()
    expect(of({ accel: 30, 'overload-amps': 12.2 }).settings).toBeNull()
    const bare = plateForDrive(null, 480, null)
    expect(cameTo(right, bare, defaultPolicies, null, '', []).settings).toBeNull()
    // A wrong one is told, whatever else is not known.
    expect(of({ restarts: 9 }).settings).toBe('off')
  })
  it('takes what was not read again as it was last', () => {
    const kept = [
      { set: { ...right, 'overload-amps': 21 }, why: '' },
      { set: { accel: 30 }, why: '' },
    ]
    expect(knownSettings(kept)['overload-amps']).toBe(21)
    expect(of(knownSettings(kept)).settings).toBe('off')
  })
  it('is off where the twin is set otherwise', () =>
    expect(of(right, null, '', { ...right, 'max-hz': 55 })).toEqual({
      settings: 'off',
      which: 'Set differently from its twin SF-2: Maximum frequency 55 Hz → 60 Hz.',
    }))
  it('is never longer than a line of a visit', () => {
    const wrong = { ...right, 'plate-amps': 40, 'plate-volts': 230, 'plate-hz': 50, 'max-hz': 90, restarts: 9 }
    expect(of({ ...wrong, 'overload-amps': 60, 'overload-class': 0 }, right).which.length).toBe(400)
  })
})
