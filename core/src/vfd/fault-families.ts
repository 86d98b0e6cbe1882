/** A kind of drive fault: what a display calls it differs by maker, this does not. */
export interface FaultFamily {
  readonly id: string
  readonly words: string
  /** What to look at first. */
  readonly first: string
}

const family = <const I extends string>(id: I, words: string, first: string) => ({ id, words, first })

/** Families of drive faults, with what to look at first. @source common practice */
export const faultFamilies = [
  family(
    'over-current-start',
    'Over-current while speeding up',
    'Check for a stuck or windmilling fan and an acceleration time that is too short. Then test motor and cable with the drive disconnected.',
  ),
  family(
    'over-current',
    'Over-current',
    'At start: check for a stuck or windmilling fan. While running: test motor and cable with the drive disconnected.',
  ),
  family(
    'over-voltage',
    'Bus too high',
    'Lengthen the deceleration time; check for a windmilling fan or high line volts.',
  ),
  family(
    'under-voltage',
    'Bus too low',
    'Read all three line volts at the drive under load: a low pair is the feed, all good is the drive’s input.',
  ),
  family('ground', 'Ground fault', 'Test each lead to ground with the drive disconnected: wet motor, cable or box.'),
  family('input-phase', 'Input phase lost', 'Read the three input volts under load: a low pair is the feed.'),
  family(
    'output-phase',
    'Output phase lost',
    'Lock out and read ohms at the drive’s output, then at the motor: open at both is the motor, open at the drive alone is the leads.',
  ),
  family('hot', 'Drive too hot', 'Check the drive’s cooling fan and filter, and the air around it.'),
  family(
    'motor-overload',
    'Motor overload',
    'Compare the amps entered in the drive with the nameplate, then read the real amps.',
  ),
  family(
    'interlock',
    'External interlock open',
    'Find which one is open: freeze, smoke, high pressure, door or end switch. Never bridge it; find why it opened.',
  ),
  family('reference', 'No command', 'Check the control wires, then for an open freeze, smoke or safety interlock.'),
] as const satisfies readonly FaultFamily[]

export type FaultFamilyId = (typeof faultFamilies)[number]['id']

export const faultFamily = (id: string | undefined): FaultFamily | undefined => faultFamilies.find((f) => f.id === id)
