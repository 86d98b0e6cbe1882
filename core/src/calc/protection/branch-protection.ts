import { z } from 'zod'
import { branchProtection, conductorAmpacity, fullLoadCurrent } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, horsepower, hpOf, known, phasesField, volts } from '../fields.ts'

export const branchCalc = calculator({
  id: 'branch-protection',
  title: 'Fuse, breaker and conductor for one motor',
  group: 'protection',
  formula: 'table current × 1.75 (time-delay fuse), 3.0 (fuse), 2.5 (breaker), then the next size; conductor × 1.25',
  basis: [standard('NEC 430.52, 430.22, 240.6, Tables 430.248 and 430.250')],
  fill: (m) => known({ phases: m.phases, hp: hpOf(m), volts: m.serviceVolts }),
  input: z.strictObject({ phases: phasesField, hp: horsepower, volts }),
  output: z.object({
    tableAmps: amperes,
    conductor: amperes.meta({ unit: 'A', title: 'Conductor, at least' }),
    timeDelayFuse: amperes.nullable().meta({ unit: 'A', title: 'Time-delay fuse' }),
    fuse: amperes.nullable().meta({ unit: 'A', title: 'Non-time-delay fuse' }),
    breaker: amperes.nullable().meta({ unit: 'A', title: 'Breaker' }),
  }),
  example: { phases: 3, hp: 10, volts: 480 },
  compute(i) {
    const row = fullLoadCurrent(i.phases, i.hp, i.volts)
    if (!row) throw new RangeError('hp has no row, or volts no column, in the printed tables: use the unit nameplate')
    return {
      tableAmps: row.amps,
      conductor: conductorAmpacity(row.amps),
      timeDelayFuse: branchProtection('time-delay fuse', row.amps).rating,
      fuse: branchProtection('non-time-delay fuse', row.amps).rating,
      breaker: branchProtection('breaker', row.amps).rating,
    }
  },
})
