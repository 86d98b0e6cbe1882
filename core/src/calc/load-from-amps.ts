import { z } from 'zod'
import { loadByLine, loadByRatio, loadByRoot } from '../electrical/index.ts'
import { practice, standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { amperes, volts } from './fields.ts'

export const loadFromAmpsCalc = calculator({
  id: 'load-from-amps',
  title: 'Shaft load from amps, three forms',
  basis: [
    standard('the form printed in public motor-load guides (ratio)'),
    practice('square root and straight line, with the no-load current known'),
  ],
  input: z.strictObject({
    amps: amperes,
    plateAmps: amperes.positive(),
    noLoadAmps: amperes.optional(),
    volts,
    plateVolts: volts,
  }),
  output: z.object({
    byRatio: z.number().nullable(),
    byRoot: z.number().nullable().describe('null: no-load current not given, or current at or below it'),
    byLine: z.number().nullable(),
    note: z.string().nullable(),
  }),
  example: { amps: 9.6, plateAmps: 12.8, noLoadAmps: 5.4, volts: 472, plateVolts: 460 },
  compute(i) {
    const root = i.noLoadAmps === undefined ? null : loadByRoot(i.amps, i.plateAmps, i.noLoadAmps).load
    return {
      byRatio: loadByRatio(i.amps, i.plateAmps, i.volts, i.plateVolts).load,
      byRoot: root,
      byLine: i.noLoadAmps === undefined ? null : loadByLine(i.amps, i.plateAmps, i.noLoadAmps).load,
      note:
        i.noLoadAmps !== undefined && root === null
          ? 'At or below the no-load current.'
          : i.amps > 1.3 * i.plateAmps
            ? 'Far over the plate: no load can be told from these amps.'
            : i.amps < 0.6 * i.plateAmps
              ? 'The ratio overstates the load down here.'
              : null,
    }
  },
})
