import { describe, expect, it } from 'vitest'
import { canStart, type Starting } from './can-start.ts'

const motor: Starting = { phases: 3, hz: 60, hp: 15, rpm: 1765, wheel: 85, fanRpm: 1250, volts: 1, load: 1 }

describe('will it start', () => {
  it('time by inertia and torque: worked by hand', () => {
    // Wheel at the motor 85 × (1250 ÷ 1765)² = 42.63, rotor 2.25, in all 44.88 lb·ft². Full torque 5252 × 15 ÷ 1765 = 44.63;
    // mean 44.63 × (1.5 − 1/3) = 52.07. 44.88 × 1765 ÷ (308 × 52.07) = 4.94 s.
    const r = canStart(motor)
    expect(r.referred).toBeCloseTo(42.63, 2)
    expect(r.seconds).toBeCloseTo(4.94, 2)
    expect(r).toMatchObject({ starts: true, limit: 10 })
  })
  it('torque goes with the square of the volts', () => {
    // At 92 %: 44.63 × (1.5 × 0.8464 − 1/3) = 41.79 lb·ft; 6.155 s.
    expect(canStart({ ...motor, volts: 0.92 }).seconds).toBeCloseTo(6.155, 2)
  })
  it.each([
    [{ volts: 0.89 }, 'volts'],
    [{ wheel: 190 }, 'time'],
    // 15 hp at 1800 rpm starts 75.9 lb·ft² at its shaft: 155 × 0.5016 = 77.7 in 8.8 s.
    [{ wheel: 155 }, 'inertia'],
    [{ volts: 0.95, load: 4.1 }, 'torque'],
    [{ phases: 1 as const, hp: 1, wheel: 4 }, 'it starts'],
    [{ phases: 1 as const, hp: 1, wheel: 9 }, 'time'],
  ])('%j: %s', (over, because) => {
    expect(canStart({ ...motor, ...over }).because).toBe(because)
  })
  it('is refused for figures that cannot be', () => {
    expect(() => canStart({ ...motor, hp: 0 })).toThrow('hp')
    expect(() => canStart({ ...motor, wheel: -1 })).toThrow('wheel')
  })
})
