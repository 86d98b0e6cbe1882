import { z } from 'zod'
import { alignmentLimit, gapOfAngle, misalignment } from '../../drivetrain/index.ts'
import { practice } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { inches } from '../fields.ts'

const gap = z.number().min(0).max(10)

export const alignmentCalc = calculator({
  id: 'sheave-alignment',
  title: 'Sheave alignment: four gaps at a straightedge',
  group: 'drive train',
  formula: 'angle = atan(Δgap / face);  limit ½° over the center distance',
  basis: [practice('V-belts ½°, about 1/10 in a foot; joined belts half of that')],
  input: z.strictObject({
    gaps: z.tuple([gap, gap, gap, gap]).meta({
      unit: 'in',
      title: 'Gap to the straightedge',
      labels: ['Motor, outer rim', 'Motor, inner rim', 'Fan, inner rim', 'Fan, outer rim'],
    }),
    motorFace: inches.meta({ unit: 'in', title: 'Motor sheave, across the rims' }),
    fanFace: inches.meta({ unit: 'in', title: 'Fan sheave, across the rims' }),
    center: inches.meta({ unit: 'in', title: 'Center distance' }),
  }),
  output: z.object({
    angle: z.number().meta({ unit: '°', title: 'Angle between the sheaves' }),
    offset: z.number().meta({ unit: 'in', title: 'Fan sheave offset' }),
    allowed: z.number().meta({ unit: 'in', title: 'Limit at this center distance' }),
    first: z.enum(['turn the motor', 'slide a sheave', 'nothing']).meta({ title: 'Correct first' }),
  }),
  example: { gaps: [0, 0, 0.05, 0.16], motorFace: 4, fanFace: 9, center: 22 },
  compute(i) {
    const m = misalignment(
      { motorNear: i.gaps[0], motorFar: i.gaps[1], fanNear: i.gaps[2], fanFar: i.gaps[3] },
      { motor: i.motorFace, fan: i.fanFace },
    )
    const angle = Math.abs(m.fanAngle - m.motorAngle)
    const allowed = gapOfAngle(alignmentLimit, i.center)
    return {
      angle,
      offset: m.offset,
      allowed,
      first:
        angle > alignmentLimit
          ? ('turn the motor' as const)
          : Math.abs(m.offset) > allowed
            ? ('slide a sheave' as const)
            : ('nothing' as const),
    }
  },
})
