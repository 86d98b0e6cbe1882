import { z } from 'zod'
import {
  arcFactor,
  arcOfContact,
  beltLength,
  beltSection,
  deflectionForces,
  deflectionOf,
  driveTension,
  hertzFromTension,
  powerAtTension,
  rimSpeed,
  shaftPull,
  spanLength,
  tensionByPlay,
} from '../../drivetrain/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { convert } from '../../quantity/index.ts'
import { sectionField } from './belt-length.ts'
import { calculator } from '../calculator.ts'
import { horsepower, hpOf, inches, known, pounds, ratio, rpm } from '../fields.ts'

export const beltTensionCalc = calculator({
  id: 'belt-tension',
  title: 'Belt tension: deflection, frequency and play',
  group: 'drive train',
  formula:
    'Ts = 16 500 (2.5 − Kθ)/Kθ · hp/(N V) + w (V/60)²/32.2;  q = t/64;  F = (Ts + Y)/16 to (1.5 Ts + Y)/16;  f = √(32.2 Ts/w)/2t; V in ft/min, w in lb/ft, t in ft for f',
  basis: [
    standard('belt tension by 5 : 1 tight to slack side'),
    practice('belt mass and stiffness are middle values of the section: the maker’s govern'),
    practice('a thumb pushes with about 9 lbf'),
  ],
  fill: (m) => known({ hp: hpOf(m), motorRpm: m.plate?.rpm }),
  input: z.strictObject({
    hp: horsepower.meta({ unit: 'hp', title: 'Motor power' }),
    service: z.number().min(1).max(2).default(1.2).meta({ title: 'Service factor of the drive' }),
    motorRpm: rpm.meta({ unit: 'rpm', title: 'Motor speed' }),
    small: inches.meta({ unit: 'in', title: 'Motor sheave, pitch diameter' }),
    large: inches.meta({ unit: 'in', title: 'Fan sheave, pitch diameter' }),
    center: inches.meta({ unit: 'in', title: 'Center distance' }),
    section: sectionField.default('A').meta({ title: 'Section' }),
    belts: z.number().int().min(1).max(12).default(1).meta({ title: 'Belts' }),
  }),
  output: z.object({
    tension: pounds.meta({ unit: 'lbf', title: 'Static tension, each belt' }),
    deflection: z.number().meta({ unit: 'in', title: 'Deflection at mid-span' }),
    least: pounds.meta({ unit: 'lbf', title: 'Force at least, run-in belt' }),
    greatest: pounds.meta({ unit: 'lbf', title: 'Force at most, new belt' }),
    note: z.number().meta({ unit: 'Hz', title: 'Frequency of the plucked span' }),
    pull: pounds.meta({ unit: 'lbf', title: 'Shaft load from belts' }),
    halfInch: ratio.meta({ unit: '%', title: 'Half an inch of play, % of that tension' }),
    carries: ratio.meta({ unit: '%', title: 'Half an inch of play, % of design power' }),
  }),
  example: { hp: 10, service: 1.2, motorRpm: 1755, small: 4.6, large: 9.4, center: 24, section: 'B', belts: 2 },
  compute(i) {
    const s = beltSection(i.section)
    const speed = rimSpeed(convert(i.small, 'in', 'm'), i.motorRpm)
    const arc = arcOfContact(i.small, i.large, i.center)
    const factor = arcFactor(arc)
    const span = spanLength(i.small, i.large, i.center)
    const watts = convert(i.hp * i.service, 'hp', 'W')
    const { static: tension } = driveTension(watts, speed, i.belts, factor, s.mass)
    // A single belt's stiffness counts by the share of the span in its length.
    const stiffness = i.belts > 1 ? s.stiffness : (s.stiffness * span) / beltLength(i.small, i.large, i.center)
    const forces = deflectionForces(tension, stiffness)
    const metres = convert(span, 'in', 'm')
    const play = tensionByPlay(metres)
    const lbf = (n: number) => convert(n, 'N', 'lbf')
    return {
      tension: lbf(tension),
      deflection: deflectionOf(span),
      least: lbf(forces.least),
      greatest: lbf(forces.greatest),
      note: hertzFromTension(tension, metres, s.mass),
      pull: lbf(shaftPull(tension, i.belts, arc)),
      halfInch: play / tension,
      carries: powerAtTension(play, speed, i.belts, factor, s.mass) / watts,
    }
  },
})
