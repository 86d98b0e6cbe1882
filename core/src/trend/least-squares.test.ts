import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { leastSquares, student95 } from './index.ts'

const norris =
  '0.1 0.2; 338.8 337.4; 118.1 118.2; 888 884.6; 9.2 10.1; 228.1 226.5; 668.5 666.3; 998.5 996.3; 449.1 448.6; 778.9 777; 559.2 558.2; 0.3 0.4; 0.1 0.6; 778.1 775.5; 668.8 666.9; 339.3 338; 448.9 447.5; 10.8 11.6; 557.7 556; 228.3 228.1; 998 995.8; 888.8 887.6; 119.6 120.2; 0.3 0.3; 0.6 0.3; 557.6 556.8; 339.3 339.1; 888 887.2; 998.5 999; 778.9 779; 10.2 11.1; 117.6 118.3; 228.9 229.2; 668.4 669.1; 449.2 448.9; 0.2 0.5'

describe('least squares', () => {
  it('NIST StRD Norris, certified to many digits', () => {
    const points = norris.split(';').map((p) => p.trim().split(' ').map(Number))
    const fit = leastSquares(
      points.map(([, x = NaN]) => x),
      points.map(([y = NaN]) => y),
    )
    near(fit.intercept, -0.262323073774029, 1e-9)
    near(fit.slope, 1.00211681802045, 1e-12)
    near(fit.deviation ?? 0, 0.884796396144373, 1e-9)
    near(fit.explained, 0.999993745883712, 1e-12)
  })
  it('Anscombe I: 3.00 + 0.500 x, R² 0.667', () => {
    const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5]
    const fit = leastSquares(x, [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68])
    near(fit.intercept, 3.00009, 1e-5)
    near(fit.slope, 0.500091, 1e-5)
    near(fit.explained, 0.666542, 1e-5)
    near(fit.deviation ?? 0, 1.2366, 1e-4)
  })
  it('two points have a line and no range; all at one x have none', () => {
    expect(leastSquares([1, 2], [3, 5]).at(3)).toEqual({ y: 7, point: null, line: null })
    expect(() => leastSquares([2, 2, 2], [1, 2, 3])).toThrow(/^x must not be all the same/)
    expect(() => leastSquares([1], [1])).toThrow(/^x/)
    expect(() => leastSquares([1, 2], [1])).toThrow(/^y/)
  })
  it('goes through the middle of the points, and its residuals sum to nothing', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: -1000, max: 1000 }), { minLength: 3, maxLength: 30 }),
        fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: 30, maxLength: 30 }),
        (x, noise) => {
          const y = x.map((v, i) => 3 - 0.5 * v + (noise[i] ?? 0))
          const fit = leastSquares(x, y)
          const sum = x.reduce((s, v, i) => s + (y[i] ?? 0) - fit.at(v).y, 0)
          expect(Math.abs(sum)).toBeLessThan(1e-6)
          // A further point is always less sure than the line, and both widen away from the middle.
          const { point, line } = fit.at(2000)
          expect(point ?? 0).toBeGreaterThanOrEqual(line ?? 0)
          expect(fit.at(4000).line ?? 0).toBeGreaterThanOrEqual(line ?? 0)
        },
      ),
    ))
})

describe('Student’s t, two-sided 95 % (printed tables)', () => {
  it.each([
    [1, 12.706],
    [4, 2.776],
    [11, 2.201],
    [18, 2.101],
    [25, 2.06],
    [40, 2.021],
    [1e9, 1.96],
  ])('%d degrees of freedom: %d', (freedom, t) => near(student95(freedom), t, 1e-3))
  it('refuses none', () => expect(() => student95(0)).toThrow(/^freedom/))
})
