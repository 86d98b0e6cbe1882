import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { agreedSpeed, speedByEar, type HeardFan } from './index.ts'

const rate = 44_100
interface Sound {
  readonly rpm: number
  readonly blades: number
  readonly noise?: number
  readonly hum?: number
  readonly neighbor?: { readonly rpm: number; readonly blades: number; readonly loud: number }
  readonly seconds?: number
  readonly seed?: number
}

/** A fan as a phone hears it: blade tone with overtones, rush of air, hum of the supply, a neighbor. */
function heard({ rpm, blades, noise = 0.3, hum = 0, neighbor, seconds = 1.5, seed = 1 }: Sound): Float32Array {
  let drawn = 16_807 * (seed + 1)
  /** Three numbers of a linear generator together: near enough to a bell. */
  const bell = () => {
    let sum = 0
    for (let k = 0; k < 3; k++) {
      drawn = (drawn * 16_807) % 2_147_483_647
      sum += drawn / 1_073_741_823 - 1
    }
    return sum
  }
  const tone = (hz: number, t: number) => Math.sin(2 * Math.PI * hz * t) + 0.4 * Math.sin(4 * Math.PI * hz * t + 1)
  let rush = 0
  return Float32Array.from({ length: Math.round(seconds * rate) }, (_, i) => {
    const t = i / rate
    // The rush of air is louder the lower.
    rush = 0.97 * rush + bell()
    return (
      0.1 * tone((rpm * blades) / 60, t) +
      hum * (Math.sin(2 * Math.PI * 120 * t) + 0.5 * Math.sin(2 * Math.PI * 60 * t)) +
      (neighbor ? 0.1 * neighbor.loud * tone((neighbor.rpm * neighbor.blades) / 60, t) : 0) +
      0.1 * noise * rush
    )
  })
}
const fan = (over: Partial<HeardFan> = {}): HeardFan => ({ blades: 40, expectedRpm: 900, mains: 60, ...over })

describe('the speed of a fan by ear', () => {
  it('is that of its blade tone, within a half per cent, through rush of air and hum', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.78, max: 1.08, noNaN: true }),
        fc.constantFrom(4, 6, 12, 40, 48),
        fc.constantFrom(600, 900, 1150),
        fc.nat(1000),
        (share, blades, expectedRpm, seed) => {
          const rpm = share * expectedRpm
          // What lies under the hum of the supply cannot be told from it.
          const hz = (rpm * blades) / 60
          fc.pre(Math.abs(hz - Math.round(hz / 60) * 60) > 1.5)
          const s = speedByEar(heard({ rpm, blades, hum: 0.2, seed }), rate, fan({ blades, expectedRpm }))
          expect(s).not.toBeNull()
          if (!s) return
          expect(Math.abs(s.rpm / rpm - 1)).toBeLessThan(0.005)
          expect(s.low <= s.rpm && s.rpm <= s.high).toBe(true)
        },
      ),
      { numRuns: 40 },
    ))
  it('is not heard in rush of air alone', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const quiet = heard({ rpm: 0, blades: 40, noise: 1, seed })
      expect(speedByEar(quiet, rate, fan())).toBeNull()
    }
  })
  it('is not taken from the hum of the supply', () => {
    // Sixteen blades at 450 rpm would be 120 Hz.
    const s = speedByEar(heard({ rpm: 0, blades: 16, hum: 2 }), rate, fan({ blades: 16, expectedRpm: 450 }))
    expect(s).toBeNull()
  })
  it('is not clear where another fan is as loud, and is where it is far off', () => {
    const beside = { rpm: 850, blades: 40, loud: 0.9 }
    expect(speedByEar(heard({ rpm: 910, blades: 40, neighbor: beside }), rate, fan())).toBeNull()
    // At 900 rpm its tone lies under 600 Hz of the supply: the neighbor is not taken for it.
    expect(speedByEar(heard({ rpm: 900, blades: 40, neighbor: beside }), rate, fan())).toBeNull()
    const far = { rpm: 850, blades: 40, loud: 0.25 }
    expect(speedByEar(heard({ rpm: 910, blades: 40, neighbor: far }), rate, fan())?.rpm).toBeCloseTo(910, 0)
  })
  it('needs a second of sound, and a tone the microphone can carry', () => {
    expect(speedByEar(heard({ rpm: 900, blades: 40, seconds: 0.5 }), rate, fan())).toBeNull()
    expect(speedByEar(heard({ rpm: 900, blades: 40 }), rate, fan({ expectedRpm: 40_000 }))).toBeNull()
    expect(() => speedByEar(new Float32Array(9), rate, fan({ blades: 0 }))).toThrow(/^blades/)
  })
  it('is taken when three captures agree', () => {
    const at = (rpm: number) => ({ rpm, low: rpm - 1, high: rpm + 1 })
    expect(agreedSpeed([at(900), at(903)])).toBeNull()
    expect(agreedSpeed([at(900), at(903), at(898)])).toMatchObject({ low: 897, high: 904 })
    expect(agreedSpeed([at(900), at(930), at(898)])).toBeNull()
    expect(agreedSpeed([at(500), at(900), at(903), at(898)])?.rpm).toBeCloseTo(900.3, 1)
  })
})
