import { z } from 'zod'
import { driveOutput } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { polesOf } from '../../plate/index.ts'
import { calculator } from '../calculator.ts'
import { amperes, hertz, known, ratio, rpm, volts } from '../fields.ts'

export const motorOnDriveCalc = calculator({
  id: 'motor-on-drive',
  title: 'Fan motor on a drive: speed and output amps',
  group: 'load',
  formula: 'ns = 120 f/p;  n = ns − slip · load · (n/nn)²;  I = √[I0² + (In² − I0²) (n/nn)⁴ load²];  P = load (n/nn)³',
  basis: [
    standard('torque of a fan by the square of its speed, volts by the hertz'),
    practice('compare input and output of a drive by power, never by amps'),
  ],
  fill: (m) => known({ plateAmps: m.plateAmps, plateRpm: m.plate?.rpm, plateVolts: m.columnVolts, plateHz: m.hz }),
  input: z.strictObject({
    hz: hertz.meta({ unit: 'Hz', title: 'Drive output' }),
    plateRpm: rpm.meta({ unit: 'rpm', title: 'Nameplate speed' }),
    plateAmps: amperes.positive().meta({ unit: 'A', title: 'Nameplate amps' }),
    noLoadAmps: amperes.meta({ unit: 'A', title: 'No-load amps' }),
    plateVolts: volts.default(460).meta({ unit: 'V', title: 'Nameplate volts' }),
    plateHz: hertz.default(60).meta({ unit: 'Hz', title: 'Nameplate frequency' }),
    load: ratio.min(0).max(2).default(1).meta({ unit: '%', title: 'Load at the nameplate speed' }),
  }),
  output: z.object({
    synchronous: z.number().meta({ unit: 'rpm', title: 'Synchronous speed' }),
    rpm: z.number().meta({ unit: 'rpm', title: 'Motor speed' }),
    volts: z.number().meta({ unit: 'V', title: 'Volts at the motor' }),
    amps: amperes.meta({ unit: 'A', title: 'Output amps' }),
    power: ratio.meta({ unit: '%', title: 'Shaft power, of rated' }),
  }),
  example: { hz: 45, plateRpm: 1755, plateAmps: 12.8, noLoadAmps: 5.4, plateVolts: 460, plateHz: 60, load: 0.9 },
  compute({ hz, load, ...plate }) {
    const poles = polesOf(plate.plateHz, plate.plateRpm)
    if (poles === null) throw new RangeError('plateRpm is not possible at that frequency')
    return driveOutput({ ...plate, poles }, hz, load)
  },
})
