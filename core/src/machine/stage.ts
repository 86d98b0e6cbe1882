import { mean, requireMagnitude, requirePositive, three, type ThreePhase } from '../quantity/index.ts'
import type { MotorCircuit } from './circuit.ts'
import type { MotorSupply } from './operate.ts'

/** What stands between the supply and a motor of a rig. */
export type Stage =
  /** Closed contacts; ohms of each pole, well under a tenth when sound. */
  | { readonly kind: 'contactor'; readonly ohms: ThreePhase }
  /** A power transformer of the unit's own: volts out over volts in, by pair. */
  | { readonly kind: 'transformer'; readonly ratio: ThreePhase }
  /** A drive: volts over hertz up to the motor's own, then hertz alone; its output stage may have lost a leg. */
  | {
      readonly kind: 'drive'
      readonly hz: number
      /** Mean amps at which it holds back; it then runs at fewer hertz than set. */
      readonly limit: number
      readonly dead: 0 | 1 | 2 | null
    }

/** What reaches the motor, and what is lost on the way. */
export interface Staged {
  readonly supply: MotorSupply
  readonly hz: number
  /** Volts across each closed pole. */
  readonly drop: ThreePhase
}

const none: ThreePhase = [0, 0, 0]
/** A pole's drop lies in phase with its current, a pair's is what two poles lose across sixty degrees. */
const across = Math.sqrt(3) / 2

/** Of one pair a drive makes so much of its volts. @source what a sagging bus leaves, common practice */
const ofOnePair = 0.85

/** What a drive makes of its supply: its own three, even ones, also of the two lines that are left of three. */
function byDrive(c: MotorCircuit, supply: MotorSupply, stage: Extract<Stage, { kind: 'drive' }>, hz: number): Staged {
  requirePositive('hz', stage.hz)
  requirePositive('limit', stage.limit)
  // The line's volts only bound what a drive can give.
  const ahead = supply.kind === 'three lines' ? mean(supply.lineVolts) : ofOnePair * supply.volts
  const volts = Math.min(c.volts, ahead) * Math.min(1, hz / c.hz)
  return {
    supply:
      stage.dead === null
        ? { kind: 'three lines', lineVolts: [volts, volts, volts] }
        : { kind: 'line open', open: stage.dead, volts },
    hz,
    drop: none,
  }
}

/**
 * The supply behind a stage, at the amps that flow.
 * @param amps by leg, for what contacts lose @param hz what the drive runs at now, where it holds back below its set hertz
 * @throws RangeError when ohms or hertz are out of range, or a ratio is not above zero
 * @source Ohm's law on each pole; constant volts over hertz, common practice of fan drives
 */
export function staged(
  c: MotorCircuit,
  supply: MotorSupply,
  line: number,
  stage: Stage | null,
  amps: ThreePhase,
  hz = line,
): Staged {
  if (stage?.kind === 'drive') return byDrive(c, supply, stage, hz)
  if (stage === null || supply.kind !== 'three lines') return { supply, hz: line, drop: none }
  const [ab, bc, ca] = supply.lineVolts
  switch (stage.kind) {
    case 'contactor': {
      stage.ohms.forEach((r) => requireMagnitude('ohms', r))
      const drop = three(stage.ohms.map((r, k) => r * (amps[k] ?? 0)))
      const lost = (a: number, b: number) => across * (a + b)
      const volts: ThreePhase = [
        Math.max(1, ab - lost(drop[0], drop[1])),
        Math.max(1, bc - lost(drop[1], drop[2])),
        Math.max(1, ca - lost(drop[2], drop[0])),
      ]
      return { supply: { kind: 'three lines', lineVolts: volts }, hz: line, drop }
    }
    case 'transformer': {
      stage.ratio.forEach((r) => requirePositive('ratio', r))
      return {
        supply: { kind: 'three lines', lineVolts: [ab * stage.ratio[0], bc * stage.ratio[1], ca * stage.ratio[2]] },
        hz: line,
        drop: none,
      }
    }
  }
}
