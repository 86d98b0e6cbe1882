import { z } from 'zod'
import { bladeStandIn } from '../air/index.ts'
import { practice, standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { amperes, inches, ratio } from './fields.ts'

const count = z.number().int().min(2).max(12)
const degrees = z.number().min(5).max(55)

export const bladeStandInCalc = calculator({
  id: 'blade-stand-in',
  title: 'Another propeller blade on the same motor',
  group: 'air',
  formula: 'load ∝ D⁵ · blades^0.7 · sin(pitch)^1.5',
  basis: [standard('fan laws for the diameter'), practice('count and pitch: good to a fifth; the amps decide')],
  input: z.strictObject({
    oldDiameter: inches.meta({ unit: 'in', title: 'Old blade, diameter' }),
    oldBlades: count.meta({ title: 'its blades' }),
    oldPitch: degrees.meta({ unit: '°', title: 'its pitch' }),
    diameter: inches.meta({ unit: 'in', title: 'Other blade, diameter' }),
    blades: count.meta({ title: 'its blades' }),
    pitch: degrees.meta({ unit: '°', title: 'its pitch' }),
    load: ratio.positive().max(3).optional().meta({ unit: '%', title: 'Motor load with the old one' }),
    plateAmps: amperes.positive().optional().meta({ unit: 'A', title: 'Plate amps' }),
  }),
  output: z.object({
    power: ratio.meta({ unit: '%', title: 'Load, of the old one' }),
    air: ratio.meta({ unit: '%', title: 'Air, of the old one' }),
    load: ratio.nullable().meta({ unit: '%', title: 'Motor load then', none: 'no load given' }),
    may: z
      .enum(['it may', 'not: over the motor', 'measure: too near'])
      .nullable()
      .meta({ title: 'Stand in', none: 'no load given' }),
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
            ? ('not: over the motor' as const)
            : load > 0.9
              ? ('measure: too near' as const)
              : ('it may' as const),
    }
  },
})
