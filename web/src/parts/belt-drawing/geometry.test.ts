import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { place, scaleFor, type Pair } from './geometry.ts'

const [width, height] = [372, 150]
const drawn = (p: Pair, all: readonly Pair[] = [p]) =>
  place(p, scaleFor(all, width, height), width, height, Math.max(...all.map((x) => x.driven)))

describe('the belt drawing', () => {
  it('keeps the proportions of both sheaves and the centers', () => {
    const at = drawn({ driver: 110, driven: 220, center: 560 })
    expect(at.fan.r / at.motor.r).toBeCloseTo(2, 9)
    expect((at.fan.x - at.motor.x) / at.fan.r).toBeCloseTo(560 / 110, 9)
  })
  it('lays the spans on both circles, square to their radii', () => {
    const at = drawn({ driver: 90, driven: 300, center: 420 })
    for (const [x1, y1, x2, y2] of at.spans) {
      expect(Math.hypot(x1 - at.motor.x, y1 - at.motor.y)).toBeCloseTo(at.motor.r, 9)
      expect(Math.hypot(x2 - at.fan.x, y2 - at.fan.y)).toBeCloseTo(at.fan.r, 9)
      const along = (x1 - at.motor.x) * (x2 - x1) + (y1 - at.motor.y) * (y2 - y1)
      expect(Math.abs(along)).toBeLessThan(1e-6)
    }
  })
  it('leaves the fan’s shaft in one place, so that what the base travels is seen', () => {
    const was: Pair = { driver: 120, driven: 220, center: 540 }
    const then: Pair = { driver: 100, driven: 220, center: 556 }
    expect(drawn(was, [was, then]).fan.x).toBe(drawn(then, [was, then]).fan.x)
    expect(drawn(then, [was, then]).motor.x).toBeLessThan(drawn(was, [was, then]).motor.x)
  })
  it('stays within its box, whatever the drive', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 400, noNaN: true }),
        fc.double({ min: 60, max: 900, noNaN: true }),
        fc.double({ min: 1.02, max: 4, noNaN: true }),
        (driver, driven, apart) => {
          const at = drawn({ driver, driven, center: ((driver + driven) / 2) * apart })
          expect(at.motor.x - at.motor.r).toBeGreaterThan(0)
          expect(at.fan.x + at.fan.r).toBeLessThan(width)
          expect(at.fan.y - Math.max(at.fan.r, at.motor.r)).toBeGreaterThan(0)
        },
      ),
    ))
})
