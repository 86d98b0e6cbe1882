import { describe, expect, it } from 'vitest'
import { clampOffSensor } from './index.ts'

describe('a clamp against the building’s sensor', () => {
  const off = (clamp: number, sensor: number, hz: readonly [number | null, number | null] = [null, null]) =>
    clampOffSensor({ amps: clamp, hz: hz[0] }, { amps: sensor, hz: hz[1] })
  it('is a share of the larger of the two, whichever that is', () => {
    expect(off(10, 9)).toBeCloseTo(0.1, 9)
    expect(off(9, 10)).toBeCloseTo(0.1, 9)
    expect(off(8, 8)).toBe(0)
    // One leg of three, a sensor of another motor: as far off as can be.
    expect(off(0, 8)).toBe(1)
  })
  it('is nothing where both read next to nothing, and where the speed was another', () => {
    expect(off(0.3, 0.1)).toBeNull()
    expect(off(9, 6, [52, 44])).toBeNull()
    expect(off(9, 6, [52, 51])).toBeCloseTo(1 / 3, 9)
    expect(off(9, 6, [52, null])).toBeCloseTo(1 / 3, 9)
  })
})
