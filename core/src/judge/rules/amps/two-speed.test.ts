import { describe, expect, it } from 'vitest'
import { inputOf, judged, plate, visitAt, type Over } from '../../judged.test-help.ts'
import { contextOf } from '../../context.ts'

/** Two windings, 4 and 6 poles, on one nameplate. */
const twoSpeed = { ...plate, lowAmps: '15.0-14.2/7.1', lowRpm: 1165 }
const low = { mode: 'low speed' } as const
const tach = (rpm: number) => [{ quantity: 'rpm', position: 'motor', value: rpm }] as const
const told = (check: string, amps: number, state: object, over: Over, rpm?: number) =>
  judged(visitAt(0, [amps, amps, amps], undefined, state, rpm === undefined ? [] : [...tach(rpm)]), over).verdicts.find(
    (v) => v.check === check,
  )

describe('a motor of two speeds (common practice: each speed has its own amps and its own overload relay)', () => {
  it('is held at low speed against its low-speed amps, in the column of its volts', () => {
    expect(told('over-amp', 6.9, low, { plate: twoSpeed })).toMatchObject({
      level: 'ok',
      limit: 7.1,
      because: '97 % of the 460 V nameplate at low speed on all three legs: 6.9 of 7.1 A.',
    })
    // 9.5 A is three quarters of the full-speed nameplate, and a third over what the low-speed winding carries.
    expect(told('over-amp', 9.5, low, { plate: twoSpeed })?.level).toBe('fix')
    expect(told('over-amp', 10, low, { plate: twoSpeed })?.level).toBe('stop')
    expect(told('over-amp', 9.5, {}, { plate: twoSpeed })?.level).toBe('ok')
    expect(told('over-amp', 9.5, { mode: 'high speed' }, { plate: twoSpeed })?.level).toBe('ok')
  })
  it('passes nothing at a speed the nameplate has no amps for, but still tells what is over', () => {
    for (const [state, over] of [
      [low, { plate }],
      [{ mode: 'medium speed' }, { plate: twoSpeed }],
    ] as const) {
      const v = told('over-amp', 6, state, over)
      expect(v).toMatchObject({ level: 'watch', settles: false, ofVisit: true })
      expect(v?.next).toBe('Enter the low-speed amps from the nameplate, or read at full speed.')
      expect(told('over-amp', 14, state, over)?.level).toBe('fix')
      expect(told('far-below', 2, state, over)).toBeUndefined()
    }
  })
  it('keeps one winding with taps on the one figure of its nameplate, and says so', () => {
    const over: Over = {
      machine: { phases: 1, serviceVolts: 240, drive: 'direct' },
      plate: { volts: '230', amps: '4.8', phases: 1 },
    }
    const one = judged(
      {
        ...visitAt(0, []),
        state: { ...visitAt(0, []).state, mode: 'low speed' },
        readings: [
          { quantity: 'amps', position: 'L1', value: 3.1 },
          { quantity: 'volts_ll', position: 'L1-L2', value: 238 },
        ],
      },
      over,
    ).verdicts.find((v) => v.check === 'over-amp')
    expect([one?.level, one?.because]).toEqual(['ok', '65 % of the 230 V nameplate for full speed: 3.1 of 4.8 A.'])
  })
  it('turns at its low speed: 1165 rpm is no motor dragged down, 1000 rpm is', () => {
    expect(told('speed', 6.9, low, { plate: twoSpeed }, 1165)).toMatchObject({ level: 'ok', limit: 1200 })
    expect(told('speed', 6.9, low, { plate: twoSpeed }, 1000)?.level).toBe('fix')
    expect(told('speed', 6.9, low, { plate }, 1165)).toBeUndefined()
  })
  it('has the overload dial, the start and the circuit of full speed', () => {
    const at = contextOf(inputOf(visitAt(0, [6.9, 6.9, 6.9], undefined, low), { plate: twoSpeed }))
    expect([at.allowed?.amps, at.fullAllowed?.amps, at.circuit, at.plateRpm]).toEqual([7.1, 12.8, null, 1165])
  })
})
