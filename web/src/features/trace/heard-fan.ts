import { drivenRpm, usualCreep } from '@motor-round/core/drivetrain'
import { driveAt, partAt } from '@motor-round/core/installed'
import type { JudgeInput } from '@motor-round/core/judge'
import { supplyHertz } from '@motor-round/core/plate'

/** What listening to a machine's fan needs: blades, what it should turn, and the hum it is not. */
export interface FanToHear {
  readonly blades: number
  readonly expectedRpm: number
  readonly mains: 50 | 60
  readonly belt: boolean
}

/** Null where blades, speed or sheaves are not on record. */
export function fanToHear(input: JudgeInput): FanToHear | null {
  const { machine, motor, visit } = input
  const blades = partAt(input.parts ?? [], 'wheel', visit.at)?.blades ?? null
  const rpm = motor?.plate.rpm
  if (blades === null || blades < 1 || rpm === undefined || !(rpm > 0)) return null
  const mains = supplyHertz(machine.serviceVolts, motor?.plate.hz, machine.serviceHz)
  if (machine.drive === 'direct') return { blades, expectedRpm: rpm, mains, belt: false }
  const train = input.layout ? driveAt(input.parts ?? [], input.work, input.layout, visit.at) : null
  return train
    ? { blades, expectedRpm: drivenRpm(rpm, train.driver, train.driven, usualCreep), mains, belt: true }
    : null
}
