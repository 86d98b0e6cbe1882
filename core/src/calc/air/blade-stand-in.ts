import { z } from 'zod'
import { bladeStandIn } from '../../air/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, inches, ratio } from '../fields.ts'

const count = z.number().int().min(2).max(12)
const degrees = z.number().min(5).max(55)

export const bladeStandInCalc = calculator({
  id: 'blade-stand-in',
  title: 'Substitute propeller blade',
  group: 'air',
  formula: 'load ∝ D⁵ · blades^0.7 · sin(pitch)^1.5',
  basis: [standard('fan laws for the diameter'), practice('blade count and pitch: within about 20 %; the amps decide')],
  input: z.strictObject({
    oldDiameter: inches.meta({ unit: 'in', title: 'Old blade, diameter' }),
    oldBlades: count.meta({ title: 'number of blades' }),
    oldPitch: degrees.meta({ unit: '°', title: 'pitch' }),
    diameter: inches.meta({ unit: 'in', title: 'New blade, diameter' }),
    blades: count.meta({ title: 'number of blades' }),
    pitch: degrees.meta({ unit: '°', title: 'pitch' }),
    load: ratio.positive().max(3).optional().meta({ unit: '%', title: 'Motor load with the old blade' }),
    plateAmps: amperes.positive().optional().meta({ unit: 'A', title: 'Plate amps' }),
  }),
  output: z.object({
    power: ratio.meta({ unit: '%', title: 'Load, % of old blade' }),
    air: ratio.meta({ unit: '%', title: 'Airflow, % of old blade' }),
    load: ratio.nullable().meta({ unit: '%', title: 'Motor load after', none: 'load not entered' }),
    may: z
      .enum(['yes', 'no: overloads the motor', 'marginal: measure amps'])
      .nullable()
      .meta({ title: 'Can be used', none: 'load not entered' }),
  }),
  example: { oldDiameter: 22, oldBlades: 3, oldPitch: 27, diameter: 22, blades: 4, pitch: 23, load: 0.9 },
  compute(i) {
    const r = bladeStandIn(
      { diameter: i.oldDiameter, blades: i.oldBlades, pitch: i.oldPitch },
      { diameter: i.diameter, blades: i.blades, pitch: i.pitch },
    )
    const load = i.load === undefined ? null : i.load * r.power
    return {
      ...r,
      load,
      may:
        load === null
          ? null
          : load > 1.1
            ? ('no: overloads the motor' as const)
            : load > 0.9
              ? ('marginal: measure amps' as const)
              : ('yes' as const),
    }
  },
})
