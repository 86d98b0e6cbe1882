import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import {
  atDistance,
  balanceGrade,
  beltHertz,
  exposure,
  fanCategories,
  fanLimits,
  fanVibration,
  hoursAllowed,
  inchPeakFromRms,
  nameFrequency,
  permissibleUnbalance,
  rmsFromInchPeak,
  singlePlane,
  soundOfSpeed,
  sumLevels,
  suspects,
  ventilationCategory,
  withoutBackground,
} from './index.ts'

describe('vibration', () => {
  it('r.m.s., peak and inches: 1.4, 2.8, 4.5 mm/s; 0.25 and 0.65 in/s', () => {
    near(inchPeakFromRms(1.4), 0.07795)
    near(inchPeakFromRms(2.8), 0.1559)
    near(inchPeakFromRms(4.5), 0.2505)
    near(rmsFromInchPeak(0.25), 4.49)
    near(rmsFromInchPeak(0.65), 11.67)
  })
  it('limits of a fan over 5 hp (ISO 14694 and AMCA 204, from memory)', () => {
    expect([100, 3000, 7460].map(ventilationCategory)).toEqual(['BV-1', 'BV-2', 'BV-3'])
    const l = fanLimits('BV-3', 'rigid')
    near(l.startUp, 4.5, 3e-3)
    near(l.alarm, 7.1, 2e-2)
    near(l.shutdown, 9, 3e-3)
    expect(fanLimits('BV-2', 'flexible').shutdown).toBeNull()
    expect(fanVibration(3, 'BV-3', 'rigid').stands).toBe('as new')
    expect(fanVibration(6, 'BV-3', 'rigid').stands).toBe('above start-up')
    expect(fanVibration(8, 'BV-3', 'rigid').stands).toBe('alarm')
    expect(fanVibration(10, 'BV-3', 'rigid').stands).toBe('shutdown')
    expect(() => fanVibration(-1, 'BV-3', 'rigid')).toThrow(/^rms/)
  })
  it('a finer category never allows more, springs never less than a rigid mount', () => {
    for (const mounting of ['rigid', 'flexible'] as const)
      fanCategories.slice(1).forEach((c, i) => {
        const coarser = fanCategories[i] ?? 'BV-1'
        expect(fanLimits(c, mounting).alarm).toBeLessThanOrEqual(fanLimits(coarser, mounting).alarm)
      })
    for (const c of fanCategories) expect(fanLimits(c, 'flexible').alarm).toBeGreaterThan(fanLimits(c, 'rigid').alarm)
  })
  it('shaking harder never reads better', () => {
    const order = ['as new', 'above start-up', 'alarm', 'shutdown']
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.constantFrom(...fanCategories),
        (a, more, category) => {
          const rank = (v: number) => order.indexOf(fanVibration(v, category, 'flexible').stands)
          expect(rank(a + more)).toBeGreaterThanOrEqual(rank(a))
        },
      ),
    )
  })
})

describe('balance', () => {
  it('G 6.3, 40 kg, 950 rpm: 2533 g·mm, 63.32 µm, 25.07 N', () => {
    const u = permissibleUnbalance(balanceGrade['BV-3'], 40, 950)
    near(u.unbalance, 2533)
    near(u.eccentricity, 63.32)
    near(u.force, 25.07)
  })
  it('G 16, 22 kg, 1100 rpm: 3056 g·mm, 138.9 µm, 40.55 N', () => {
    const u = permissibleUnbalance(16, 22, 1100)
    near(u.unbalance, 3056)
    near(u.eccentricity, 138.9)
    near(u.force, 40.55)
  })
  it('one plane: 6.2∠40°, 15 g at 120° gives 4.1∠95°: 18.21 g at 161.1°', () => {
    const s = singlePlane({ size: 6.2, degrees: 40 }, { size: 4.1, degrees: 95 }, { size: 15, degrees: 120 })
    near(s.influence.size, 0.3405)
    near(s.influence.degrees, 58.89)
    near(s.correction.size, 18.21)
    near(s.correction.degrees, 161.1)
    expect(() => singlePlane({ size: 6, degrees: 40 }, { size: 6, degrees: 40 }, { size: 15, degrees: 0 })).toThrow(
      /^withTrial/,
    )
  })
  it('the correction put on leaves nothing', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        (size, degrees, alpha, lag) => {
          const on = (w: number, at: number) => ({
            re: size * Math.cos((degrees * Math.PI) / 180) + alpha * w * Math.cos(((at + lag) * Math.PI) / 180),
            im: size * Math.sin((degrees * Math.PI) / 180) + alpha * w * Math.sin(((at + lag) * Math.PI) / 180),
          })
          const t = on(10, 0)
          const found = singlePlane(
            { size, degrees },
            { size: Math.hypot(t.re, t.im), degrees: (Math.atan2(t.im, t.re) * 180) / Math.PI },
            { size: 10, degrees: 0 },
          )
          const left = on(found.correction.size, found.correction.degrees)
          expect(Math.hypot(left.re, left.im)).toBeLessThan(1e-6 * size)
        },
      ),
    ))
})

describe('frequencies', () => {
  it('a 69.3 in belt on 4.2 in at 1755 rpm turns 5.569 times a second', () => near(beltHertz(4.2, 1755, 69.3), 5.569))
  it('names what a peak is', () => {
    const all = suspects({ fanRpm: 900, motorRpm: 1755, supplyHz: 60, beltHz: 5.569, blades: 42 })
    expect(nameFrequency(15.1, all)?.id).toBe('fan 1x')
    expect(nameFrequency(29.3, all)?.id).toBe('motor 1x')
    expect(nameFrequency(120, all)?.id).toBe('electrical')
    expect(nameFrequency(11.1, all)?.id).toBe('belt 2x')
    expect(nameFrequency(630, all)?.id).toBe('blade pass')
    expect(nameFrequency(77, all)).toBeNull()
    expect(suspects({ fanRpm: 900, motorRpm: 1755, supplyHz: 50 })).toHaveLength(5)
  })
})

describe('sound', () => {
  it('sums: 74 + 74, 80 + 74, 68 + 71 + 75', () => {
    near(sumLevels([74, 74]), 77.01)
    near(sumLevels([80, 74]), 80.97)
    near(sumLevels([68, 71, 75]), 77.03)
    expect(() => sumLevels([])).toThrow(/^levels/)
  })
  it('background: 78 less 73 is 76.35; within 3 dB nothing can be said', () => {
    near(withoutBackground(78, 73), 76.35)
    expect(withoutBackground(75, 73)).toBeNull()
  })
  it('fan 900 to 1000 rpm is 2.288 dB; 3 to 10 ft is −10.46 dB', () => {
    near(soundOfSpeed(1000 / 900), 2.288)
    near(atDistance(0, 3, 10), -10.46)
  })
  it('hours by NIOSH and OSHA at 85, 88, 91, 100 dBA', () => {
    expect([85, 88, 91, 100].map((l) => hoursAllowed(l, 'NIOSH'))).toEqual([8, 4, 2, 0.25])
    near(hoursAllowed(88, 'OSHA'), 10.56)
    near(hoursAllowed(91, 'OSHA'), 6.964)
    expect(hoursAllowed(100, 'OSHA')).toBe(2)
  })
  it('3 h at 88, 2 at 93, 3 at 82: 252.5 % by NIOSH, 37.89 % by OSHA, 78.68 % for its action level', () => {
    const day = [
      { level: 88, hours: 3 },
      { level: 93, hours: 2 },
      { level: 82, hours: 3 },
    ]
    near(exposure(day, 'NIOSH').dose, 2.525)
    near(exposure(day, 'NIOSH').average, 89.02)
    near(exposure(day, 'OSHA').dose, 0.3789)
    near(exposure(day, 'OSHA').average, 83)
    near(exposure(day, 'OSHA action level').dose, 0.7868)
    near(exposure(day, 'OSHA action level').average, 88.27)
    expect(() => exposure([{ level: 90, hours: -1 }], 'NIOSH')).toThrow(/^hours/)
  })
})
