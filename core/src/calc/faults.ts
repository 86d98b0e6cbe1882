import { z } from 'zod'
import {
  groundReturn,
  inputKilowatts,
  leadRoll,
  loadFromSlip,
  singlePhasing,
  transformerReading,
} from '../electrical/index.ts'
import { practice, standard } from '../limits/index.ts'
import { synchronousSpeed, polesOf } from '../plate/index.ts'
import { calculator } from './calculator.ts'
import { amperes, hertz, known, meanOf, phasesField, ratio, rpm, threeAmps, volts } from './fields.ts'

export const singlePhasingCalc = calculator({
  id: 'single-phasing',
  title: 'What a lost line puts on the others',
  group: 'faults',
  formula: 'lines √3 · I;  delta 2/3 and 1/3 of the line;  behind a transformer 2 : 1 : 1',
  basis: [standard('constant shaft power; field values are higher')],
  fill: (m) => known({ amps: meanOf(m.lineAmps) }),
  input: z.strictObject({ amps: amperes.positive().meta({ unit: 'A', title: 'Healthy, each line' }) }),
  output: z.object({
    lines: amperes.meta({ unit: 'A', title: 'The two lines left' }),
    wyePhases: amperes.meta({ unit: 'A', title: 'Two phases of a wye' }),
    deltaPhase: amperes.meta({ unit: 'A', title: 'The delta phase across the live pair' }),
    deltaNormal: amperes.meta({ unit: 'A', title: 'That phase when healthy' }),
    openPrimary: threeAmps.meta({ title: 'Lost ahead of a transformer' }),
  }),
  example: { amps: 14 },
  compute({ amps }) {
    const s = singlePhasing(amps)
    return { ...s, openPrimary: [...s.openPrimary] as [number, number, number] }
  },
})

export const leadRollCalc = calculator({
  id: 'lead-roll',
  title: 'Roll the leads: supply or motor?',
  group: 'faults',
  formula: 'line effect = mean on that line − mean of all nine; lead effect likewise',
  basis: [standard('additive model of a Latin square'), practice('common practice: the test')],
  input: z.strictObject({
    asItWas: threeAmps.meta({ title: 'L1-T1, L2-T2, L3-T3' }),
    movedOnce: threeAmps.meta({ title: 'L1-T3, L2-T1, L3-T2' }),
    movedTwice: threeAmps.meta({ title: 'L1-T2, L2-T3, L3-T1' }),
  }),
  output: z.object({
    blames: z.enum(['supply', 'motor', 'neither']),
    odd: z.string().nullable().meta({ title: 'The odd one', none: 'none' }),
    lineRange: ratio.meta({ unit: '%', title: 'Lines differ by' }),
    leadRange: ratio.meta({ unit: '%', title: 'Leads differ by' }),
  }),
  example: { asItWas: [20.1, 18, 22], movedOnce: [21.9, 20.2, 18.1], movedTwice: [18, 22.1, 20] },
  compute(i) {
    const r = leadRoll([i.asItWas, i.movedOnce, i.movedTwice])
    return {
      blames: r.blames,
      odd: r.blames === 'neither' ? null : `${r.blames === 'supply' ? 'L' : 'T'}${r.odd + 1}`,
      lineRange: r.lineRange,
      leadRange: r.leadRange,
    }
  },
})

export const groundReturnCalc = calculator({
  id: 'ground-return',
  title: 'Ground fault: what returns another way',
  group: 'faults',
  formula: '|I line − I ground| ≤ I other ≤ I line + I ground',
  basis: [standard('phasor sum; magnitudes give bounds only')],
  input: z.strictObject({
    lineAmps: amperes.positive().meta({ unit: 'A', title: 'Out by the line' }),
    groundWireAmps: amperes.meta({ unit: 'A', title: 'Back by the grounding conductor' }),
  }),
  output: z.object({
    otherLow: amperes.meta({ unit: 'A', title: 'Another way, at least' }),
    otherHigh: amperes.meta({ unit: 'A', title: 'at most' }),
    share: ratio.meta({ unit: '%', title: 'Share another way, in phase' }),
  }),
  example: { lineAmps: 2.37, groundWireAmps: 1.73 },
  compute: (i) => groundReturn(i.lineAmps, i.groundWireAmps),
})

export const transformerCalc = calculator({
  id: 'transformer-ratio',
  title: 'A transformer by its ratio',
  group: 'faults',
  formula: 'out / in against rated out / rated in',
  basis: [standard('turns ratio'), practice('10 % stray')],
  input: z.strictObject({
    in: volts.meta({ unit: 'V', title: 'In' }),
    out: z.number().nonnegative().max(1e5).meta({ unit: 'V', title: 'Out' }),
    ratedIn: volts.meta({ unit: 'V', title: 'Rated in' }),
    ratedOut: volts.meta({ unit: 'V', title: 'Rated out' }),
  }),
  output: z.object({
    fault: z.enum(['none', 'upstream', 'transformer']).meta({ title: 'The fault is' }),
    off: ratio.meta({ unit: '%', title: 'Off its ratio' }),
    supply: ratio.meta({ unit: '%', title: 'In, of rated' }),
  }),
  example: { in: 137, out: 7, ratedIn: 460, ratedOut: 24 },
  compute(i) {
    const { fault, off, supply } = transformerReading(i)
    return { fault, off, supply }
  },
})

export const slipCalc = calculator({
  id: 'load-from-slip',
  title: 'Shaft load from speed',
  group: 'load',
  formula: '(ns − n) / [(ns − n plate)(V plate / V)²]',
  basis: [standard('the form printed in public motor-load guides'), practice('no better than ±20 %')],
  fill: (m) =>
    known({ plateRpm: m.plate?.rpm, hz: m.hz, volts: meanOf(m.lineVolts) ?? m.columnVolts, plateVolts: m.columnVolts }),
  input: z.strictObject({ measuredRpm: rpm, plateRpm: rpm, hz: hertz.default(60), volts, plateVolts: volts }),
  output: z.object({ load: ratio, synchronous: z.number().meta({ unit: 'rpm', title: 'Synchronous' }) }),
  example: { measuredRpm: 1770, plateRpm: 1750, hz: 60, volts: 460, plateVolts: 460 },
  compute(i) {
    const poles = polesOf(i.hz, i.plateRpm)
    if (poles === null) throw new RangeError('plateRpm does not lie just below a synchronous speed')
    const synchronous = synchronousSpeed(i.hz, poles)
    return {
      synchronous,
      load: loadFromSlip(
        { measured: i.measuredRpm, plate: i.plateRpm, synchronous },
        { measured: i.volts, plate: i.plateVolts },
      ),
    }
  },
})

export const inputPowerCalc = calculator({
  id: 'input-power',
  title: 'Electrical input',
  group: 'load',
  formula: 'P = √3 · V · I · pf',
  basis: [standard('definition')],
  fill: (m) =>
    known({
      volts: meanOf(m.lineVolts),
      amps: meanOf(m.lineAmps),
      powerFactor: m.plate?.powerFactor,
      phases: m.phases,
    }),
  input: z.strictObject({
    volts,
    amps: amperes,
    powerFactor: z.number().positive().max(1),
    phases: phasesField.default(3),
  }),
  output: z.object({ kilowatts: z.number().meta({ unit: 'kW' }) }),
  example: { volts: 461, amps: 10.4, powerFactor: 0.78, phases: 3 },
  compute: (i) => ({ kilowatts: inputKilowatts(i.volts, i.amps, i.powerFactor, i.phases) }),
})
