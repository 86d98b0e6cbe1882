import { z } from 'zod'
import {
  backFedPair,
  lostLineByVolts,
  negativeSequenceRatio,
  notOneSupply,
  unbalanceDerating,
  unbalanceRise,
  voltageUnbalance,
} from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import type { ThreePhase } from '../../quantity/index.ts'
import { calculator } from '../calculator.ts'
import { horsepower, hpOf, known, ratio, threeVolts } from '../fields.ts'

const lostLines = ['L1', 'L2', 'L3', 'L1 or L2', 'L2 or L3', 'L3 or L1'] as const

/** The line that is lost; one of two where a load between these feeds it. */
function lostLine(lineVolts: ThreePhase): (typeof lostLines)[number] | null {
  const open = lostLineByVolts(lineVolts)
  if (open !== null) return lostLines[open] ?? null
  const pair = backFedPair(lineVolts)
  return pair === null ? null : (lostLines[3 + pair] ?? null)
}

export const voltageUnbalanceCalc = calculator({
  id: 'voltage-unbalance',
  title: 'Voltage unbalance and derating',
  group: 'supply',
  formula:
    'u = max |V − V mean| / V mean;  V2/V1 = √[(1 − √(3 − 6β)) / (1 + √(3 − 6β))], β = ΣV⁴/(ΣV²)²;  extra rise = 2 u² %, u in %',
  fill: (m) =>
    known({
      lineVolts: m.lineVolts === null ? null : ([...m.lineVolts] as [number, number, number]),
      hp: hpOf(m),
    }),
  curve({ lineVolts }) {
    const u = Math.max(...lineVolts) > 0 ? voltageUnbalance(lineVolts) : null
    const at = u === null ? null : unbalanceDerating(u)
    return {
      x: { title: 'Voltage unbalance', unit: '%' },
      y: { title: 'Allowed load', unit: '%' },
      lines: [
        {
          name: 'derating curve',
          points: [0, 0.01, 0.02, 0.03, 0.04, 0.05].map((x) => [x, unbalanceDerating(x) ?? 0] as const),
        },
      ],
      marks: u !== null && at !== null ? [{ name: 'here', x: u, y: at }] : [],
    }
  },
  basis: [
    standard('NEMA MG 1, 14.36'),
    standard('derating curve, read from the figure', 'from memory'),
    practice('rise by 2 u²: a rule of thumb'),
    standard('IEC 61000-4-30 (negative over positive sequence)'),
  ],
  input: z.strictObject({
    lineVolts: threeVolts,
    hp: horsepower.optional().meta({ unit: 'hp', title: 'Motor power' }),
  }),
  output: z.object({
    unbalance: ratio.meta({ unit: '%', title: 'Unbalance by NEMA' }),
    negativeSequence: ratio
      .nullable()
      .meta({ unit: '%', title: 'Negative over positive sequence', none: 'a line is lost' }),
    derating: ratio.nullable().meta({ unit: '%', title: 'Allowed load', none: 'do not run' }),
    derated: horsepower.nullable().meta({ unit: 'hp', title: 'That is', none: 'power not entered, or do not run' }),
    rise: ratio.nullable().meta({ unit: '%', title: 'Temperature rise increases by about', none: 'a line is lost' }),
    lostLine: z.enum(lostLines).nullable().meta({ title: 'Line lost', none: 'none' }),
  }),
  example: { lineVolts: [460, 467, 450] },
  compute({ lineVolts, hp }) {
    const unbalance = voltageUnbalance(lineVolts)
    const lost = lostLine(lineVolts)
    const negativeSequence = negativeSequenceRatio(lineVolts)
    if (negativeSequence === null && lost === null) throw new RangeError(`lineVolts ${notOneSupply}`)
    const derating = lost === null ? unbalanceDerating(unbalance) : null
    return {
      unbalance,
      negativeSequence,
      derating,
      derated: derating === null || hp === undefined ? null : derating * hp,
      rise: lost === null ? unbalanceRise(unbalance) : null,
      lostLine: lost,
    }
  },
})
