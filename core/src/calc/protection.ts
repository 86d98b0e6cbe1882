import { z } from 'zod'
import {
  branchProtection,
  codeLetter,
  conductorAmpacity,
  fullLoadCurrent,
  lockedRotorAmps,
  overloadSetting,
} from '../electrical/index.ts'
import { standard } from '../limits/index.ts'
import { calculator } from './calculator.ts'
import { amperes, horsepower, hpOf, known, phasesField, volts } from './fields.ts'

export const overloadCalc = calculator({
  id: 'overload-setting',
  title: 'Overload relay: greatest setting',
  group: 'protection',
  formula: '125 % of the plate with service factor 1.15 or more, else 115 %; 140 or 130 % where it will not start',
  basis: [standard('NEC 430.32(A)(1) and (C)')],
  fill: (m) => known({ plateAmps: m.plateAmps, serviceFactor: m.plate?.sf }),
  input: z.strictObject({ plateAmps: amperes.positive(), serviceFactor: z.number().min(1).max(2).default(1) }),
  output: z.object({
    setting: amperes.meta({ unit: 'A', title: 'Greatest setting' }),
    greatest: amperes.meta({ unit: 'A', title: 'Never above' }),
  }),
  example: { plateAmps: 12.8, serviceFactor: 1.15 },
  compute: (i) => overloadSetting(i.plateAmps, i.serviceFactor),
})

export const branchCalc = calculator({
  id: 'branch-protection',
  title: 'Fuse, breaker and conductor of one motor',
  group: 'protection',
  formula: 'table current × 1.75 (time-delay fuse), 3.0 (fuse), 2.5 (breaker), then the next size; conductor × 1.25',
  basis: [standard('NEC 430.52, 430.22, 240.6, Tables 430.248 and 430.250')],
  fill: (m) => known({ phases: m.phases, hp: hpOf(m), volts: m.serviceVolts }),
  input: z.strictObject({ phases: phasesField, hp: horsepower, volts }),
  output: z.object({
    tableAmps: amperes,
    conductor: amperes.meta({ unit: 'A', title: 'Conductor, at least' }),
    timeDelayFuse: amperes.nullable().meta({ unit: 'A', title: 'Time-delay fuse' }),
    fuse: amperes.nullable().meta({ unit: 'A', title: 'Fuse without delay' }),
    breaker: amperes.nullable().meta({ unit: 'A', title: 'Breaker' }),
  }),
  example: { phases: 3, hp: 10, volts: 480 },
  compute(i) {
    const row = fullLoadCurrent(i.phases, i.hp, i.volts)
    if (!row) throw new RangeError('hp has no row, or volts no column, in the printed tables: go by the unit’s plate')
    return {
      tableAmps: row.amps,
      conductor: conductorAmpacity(row.amps),
      timeDelayFuse: branchProtection('time-delay fuse', row.amps).rating,
      fuse: branchProtection('non-time-delay fuse', row.amps).rating,
      breaker: branchProtection('breaker', row.amps).rating,
    }
  },
})

export const lockedRotorCalc = calculator({
  id: 'locked-rotor',
  title: 'Locked-rotor amps from the code letter',
  group: 'protection',
  formula: 'I = kVA/hp · hp · 1000 / (√3 V)',
  basis: [standard('NEC Table 430.7(B)')],
  fill: (m) => known({ code: m.plate?.code, hp: hpOf(m), volts: m.columnVolts ?? m.serviceVolts, phases: m.phases }),
  input: z.strictObject({ code: z.string().min(1).max(1), hp: horsepower, volts, phases: phasesField.default(3) }),
  output: z.object({
    from: amperes,
    to: amperes.nullable().meta({ unit: 'A', none: 'open end' }),
  }),
  example: { code: 'G', hp: 10, volts: 460, phases: 3 },
  compute(i) {
    const letter = codeLetter(i.code)
    if (!letter) throw new RangeError('code is not a letter of the table (I, O and Q are not used)')
    return {
      from: letter.from === 0 ? 0 : lockedRotorAmps(letter.from, i.hp, i.volts, i.phases),
      to: letter.to === null ? null : lockedRotorAmps(letter.to, i.hp, i.volts, i.phases),
    }
  },
})
