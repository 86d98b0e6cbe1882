import { allowedCurrent, isSlow, plateAtSpeed, supplyHertz, type AllowedCurrent } from '../plate/index.ts'
import type { JudgeInput } from './input.ts'

export interface Nameplate {
  readonly allowed: AllowedCurrent | null
  readonly ownAmps: boolean
  readonly rpm: number | undefined
  readonly supplyHz: 50 | 60
}

const nobody = {}

const nameplates = new WeakMap<object, WeakMap<object, Map<string | null, Nameplate>>>()

/** What the nameplate allows on this supply, read once a motor, machine and speed: a nameplate is text, and every visit asks for it. */
export function nameplateOf(
  machine: JudgeInput['machine'],
  motor: JudgeInput['motor'],
  mode: JudgeInput['visit']['state']['mode'],
): Nameplate {
  const key = motor ?? nobody
  const own = nameplates.get(machine) ?? new WeakMap<object, Map<string | null, Nameplate>>()
  nameplates.set(machine, own)
  const speeds = own.get(key) ?? new Map<string | null, Nameplate>()
  own.set(key, speeds)
  const speed = isSlow(mode) ? mode : null
  const known = speeds.get(speed)
  if (known) return known
  const at = plateAtSpeed(motor?.plate ?? {}, speed)
  const made: Nameplate = {
    allowed: allowedCurrent(
      motor ? at.plate : null,
      machine.unitPlate,
      machine.serviceVolts,
      motor?.connectionVolts ?? undefined,
    ),
    ownAmps: at.own,
    rpm: at.plate.rpm,
    supplyHz: supplyHertz(machine.serviceVolts, motor?.plate.hz, machine.serviceHz),
  }
  speeds.set(speed, made)
  return made
}
