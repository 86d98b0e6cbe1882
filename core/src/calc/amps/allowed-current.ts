import { z } from 'zod'
import { plateBasis, practice } from '../../limits/index.ts'
import { allowedCurrent, readColumns } from '../../plate/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, known, volts } from '../fields.ts'

export const allowedCurrentCalc = calculator({
  id: 'allowed-current',
  title: 'Allowed current at a supply voltage',
  group: 'load',
  formula: 'the amps printed for the connected volts; the lower of motor and unit nameplate',
  fill: (m) =>
    known({
      plateVolts: m.plate?.volts,
      plateAmps: m.plate?.amps,
      serviceFactor: m.plate?.sf,
      serviceVolts: m.serviceVolts,
    }),
  basis: [plateBasis('the connected volts, the lower of motor and unit nameplate'), practice()],
  input: z.strictObject({
    plateVolts: z.string().max(60).describe('as printed, e.g. 208-230/460'),
    plateAmps: z.string().max(60).describe('as printed, e.g. 27.0-25.6/12.8'),
    serviceFactor: z.number().min(1).max(2).optional(),
    serviceVolts: volts,
    connectionVolts: volts.optional(),
    unitPlate: z.strictObject({ volts: z.string().max(60), amps: z.string().max(60) }).optional(),
  }),
  output: z.object({
    allowedAmps: amperes.nullable().meta({ unit: 'A', none: 'no nameplate volts fit this supply' }),
    columnVolts: z.number().nullable().meta({ unit: 'V' }),
    source: z.enum(['motor plate', 'unit plate']).nullable(),
    how: z.string().nullable(),
    serviceFactorAmps: z.number().nullable().meta({ unit: 'A' }),
  }),
  example: { plateVolts: '208-230/460', plateAmps: '27.0-25.6/12.8', serviceVolts: 480, serviceFactor: 1.15 },
  compute(i) {
    readColumns(i.plateVolts, i.plateAmps)
    if (i.unitPlate) readColumns(i.unitPlate.volts, i.unitPlate.amps)
    const plate = {
      volts: i.plateVolts,
      amps: i.plateAmps,
      ...(i.serviceFactor === undefined ? {} : { sf: i.serviceFactor }),
    }
    const a = allowedCurrent(plate, i.unitPlate ?? null, i.serviceVolts, i.connectionVolts)
    return {
      allowedAmps: a?.amps ?? null,
      columnVolts: a?.columnVolts ?? null,
      source: a?.source ?? null,
      how: a?.how ?? null,
      serviceFactorAmps: a?.sfa ?? null,
    }
  },
})
