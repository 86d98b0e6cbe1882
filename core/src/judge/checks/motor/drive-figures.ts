import { overloadSetting } from '../../../electrical/index.ts'
import { plateBasis, practice } from '../../../limits/index.ts'
import { legPositions, mean } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'
import { driveInputPast, driveOutputPast } from './drive-amps-history.ts'
import { driveInput } from './drive-input.ts'
import { voltsPerHertz } from './volts-per-hertz.ts'

const a = (v: number) => `${Math.round(v * 10) / 10} A`

/** Clamp and drive may differ by so much of the larger: both have their error. @source common practice */
const apart = 0.12

/** The amps that the drive says it gives, against the nameplate and against a clamp on its output. */
const output: Rule = {
  id: 'drive-output',
  title: 'Output amps',
  subject: 'motor',
  from: 'visit',
  informs: true,
  running: true,
  needs: ['drive_amps'],
  applies: (c) => c.machine.hasVfd && c.value('drive_amps', 'output') !== undefined,
  judge(c) {
    const amps = c.value('drive_amps', 'output') ?? 0
    const basis = [
      plateBasis('nameplate amps'),
      practice('a drive shows its output amps; its input amps are another figure'),
    ]
    const { allowed } = c
    const greatest = allowed ? overloadSetting(allowed.amps, allowed.sf ?? 1).greatest : Infinity
    if (allowed && amps > allowed.amps)
      return verdict(this, {
        level: amps > greatest ? 'stop' : 'fix',
        basis,
        value: amps,
        limit: allowed.amps,
        because: `The drive gives ${a(amps)}, the nameplate allows ${a(allowed.amps)}.`,
        next: `${amps > greatest ? 'Stop it: no overload may be set this high. ' : ''}Read all three output leads with a clamp made for drives; look for what loads the fan.`,
      })
    const clamp = c.threeAmps ? mean(c.threeAmps) : null
    // Without a nameplate and without a clamp there is nothing to hold it against.
    if (!allowed && clamp === null) return []
    if (clamp !== null && Math.abs(clamp - amps) > apart * Math.max(clamp, amps))
      return verdict(this, {
        level: 'watch',
        basis,
        value: amps,
        because: `The clamp reads ${a(clamp)} and the drive says ${a(amps)}. On the input side amps are lower; on the output many clamps read wrong.`,
        next: 'Clamp the output leads with a true-RMS clamp made for drives, near the drive, and read again.',
      })
    return verdict(this, {
      level: 'ok',
      basis,
      value: amps,
      ...(allowed ? { limit: allowed.amps } : {}),
      because: `The drive gives ${a(amps)}${allowed ? ` of ${a(allowed.amps)}` : ''}.`,
      next: 'Nothing to do.',
    })
  },
}

/** Mean of a rectified three-phase line over its volts. @source 3√2/π; √2 without load */
const rectified = (3 * Math.SQRT2) / Math.PI

/** Bus volts while it runs, against what the line gives. */
const bus: Rule = {
  id: 'drive-bus',
  title: 'Bus volts',
  subject: 'supply',
  from: 'visit',
  informs: true,
  running: true,
  needs: ['bus_volts'],
  applies: (c) => c.machine.hasVfd && c.machine.phases === 3 && c.value('bus_volts', 'bus') !== undefined,
  judge(c) {
    const volts = c.value('bus_volts', 'bus') ?? 0
    const line = c.threeVolts ? mean(c.threeVolts) : c.machine.serviceVolts
    const gives = rectified * line
    const [low, high] = [c.limit('vfd-bus-low'), c.limit('vfd-bus-high')]
    const told = `Bus ${Math.round(volts)} V; ${Math.round(line)} V line gives about ${Math.round(gives)} V.`
    const basis = [low.basis]
    if (volts < low.value * gives)
      return verdict(this, {
        level: 'fix',
        basis,
        value: volts,
        limit: low.value * gives,
        because: `${told} Too low.`,
        next: 'Read all three line volts at the drive under load: a low pair is the feed, all good is the drive’s input.',
      })
    if (volts > high.value * gives)
      return verdict(this, {
        level: 'watch',
        basis,
        value: volts,
        limit: high.value * gives,
        because: `${told} Too high.`,
        next: 'Read line volts; check for a windmilling fan and a deceleration time that is too short.',
      })
    return verdict(this, { level: 'ok', basis, value: volts, because: told, next: 'Nothing to do.' })
  },
}

/** What the drive itself shows while it runs. */
export const driveFigures: CheckDefinition = {
  id: 'drive-figures',
  phase: 'live',
  part: 'electric',
  title: 'Drive, while it runs',
  how: 'Read off its display, or by “Read the drive”: output amps are those of the motor. Input amps are clamped on the line side and kept apart.',
  caution: null,
  for: (m) => m.hasVfd,
  groups: (m) => [
    {
      title: 'The drive shows',
      asks: [
        ...cells('drive_amps', ['output'], ['Output amps']),
        ...cells('drive_volts', ['output'], ['Output volts']),
        ...cells('bus_volts', ['bus'], ['Bus volts']),
      ],
      also: true,
    },
    // Their own figures: they are never taken for those of the motor.
    ...(m.phases === 3 ? [{ title: 'Input amps', asks: cells('input_amps', legPositions), also: true }] : []),
  ],
  judges: [output, voltsPerHertz, bus, driveInput, driveInputPast, driveOutputPast],
}
