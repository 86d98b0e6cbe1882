import { ampsTimes } from './dangers/danger.ts'
import { running, speed } from './healthy.ts'
import { anyMachine, written, type Machine } from './machines.ts'
import type { Random } from './random.ts'
import { nothing, read, state, type Draft } from './visit.ts'

/** A machine with a motor of two speeds, and what is true of it at the lower one. */
export interface TwoSpeed {
  readonly machine: Machine
  /** The same machine on its low-speed winding: what that may draw, and how fast it turns. */
  readonly low: Machine
}

/** Two windings or one that is reconnected: at low speed it may draw a third to two thirds of the full-speed amps. */
export function twoSpeed(r: Random): TwoSpeed {
  for (;;) {
    const m = anyMachine(r)
    if (m.facts.phases !== 3 || m.facts.hasVfd) continue
    const [rpm, lowRpm] = r.one([
      [1750, 1160],
      [1750, 865],
      [1160, 865],
    ] as const)
    const share = r.between(0.35, 0.65)
    const printed = (m.plate.amps ?? '').match(/[\d.]+/g) ?? []
    const figures = printed.map((a) => (Number(a) * share).toFixed(1))
    const at = printed.findIndex((a) => Number(a) === m.allowed)
    const plate = { ...m.plate, rpm, lowRpm, lowAmps: written(m.plate.volts ?? '', figures) }
    return {
      machine: { ...m, plate },
      low: { ...m, plate: { ...plate, rpm: lowRpm }, allowed: Number(figures[at]) },
    }
  }
}

/** Running at low speed, with its tachometer now and then. */
export const atLowSpeed = (r: Random, m: TwoSpeed, visit: Draft = nothing): Draft =>
  state(r.chance(0.5) ? speed(r, m.low, running(r, m.low, visit)) : running(r, m.low, visit), { mode: 'low speed' })

/** Over what the low-speed winding may carry, and well under the amps printed for full speed. */
export const overAtLowSpeed = (r: Random, m: TwoSpeed): Draft => {
  const least = m.low.serviceFactor * 1.12
  const most = (m.machine.allowed / m.low.allowed) * 0.97
  return read(atLowSpeed(r, m), 'amps', ampsTimes(r, m.low, r.between(Math.min(least, most), most)))
}
