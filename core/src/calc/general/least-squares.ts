import { z } from 'zod'
import { standard } from '../../limits/index.ts'
import { leastSquares } from '../../trend/index.ts'
import { calculator } from '../calculator.ts'
import { numbersIn, ratio } from '../fields.ts'

const list = z.string().trim().min(1).max(4000)

export const leastSquaresCalc = calculator({
  id: 'least-squares',
  title: 'Straight line through points, with prediction range',
  group: 'trend',
  formula: 'b1 = Sxy/Sxx;  ŷ ± t s √(1 + 1/n + (x − x̄)²/Sxx), t two-sided 95 % with n − 2 degrees of freedom',
  basis: [standard('least squares, centered sums'), standard('Student’s t')],
  input: z.strictObject({
    x: list.meta({ title: 'X values, spaces between' }),
    y: list.meta({ title: 'Y values, spaces between' }),
    at: z.number().min(-1e12).max(1e12).optional().meta({ title: 'Predict at x' }),
  }),
  output: z.object({
    slope: z.number().meta({ title: 'Slope' }),
    intercept: z.number().meta({ title: 'At x = 0' }),
    deviation: z.number().nullable().meta({ title: 'Standard deviation from the line', none: 'not with two points' }),
    explained: ratio.meta({ unit: '%', title: 'Explained, R²' }),
    y: z.number().nullable().meta({ title: 'Line at x', none: 'x not entered' }),
    low: z.number().nullable().meta({ title: 'Next point, 95 % range, from', none: '–' }),
    high: z.number().nullable().meta({ title: 'to', none: '–' }),
    line: z.number().nullable().meta({ title: 'Line, 95 % range, ±', none: '–' }),
  }),
  example: { x: '1 2 3 4 5 6 7 8', y: '2.1 2.4 2.2 2.9 3.1 3 3.6 3.5', at: 10 },
  compute(i) {
    const fit = leastSquares(numbersIn('x', i.x), numbersIn('y', i.y))
    const { y, point, line } = i.at === undefined ? { y: null, point: null, line: null } : fit.at(i.at)
    return {
      slope: fit.slope,
      intercept: fit.intercept,
      deviation: fit.deviation,
      explained: fit.explained,
      y,
      low: y === null || point === null ? null : y - point,
      high: y === null || point === null ? null : y + point,
      line,
    }
  },
})
