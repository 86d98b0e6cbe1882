import { noLoadAmps, type PlateCircuit } from '../machine/index.ts'
import type { AllowedCurrent } from '../plate/index.ts'
import { mean } from '../quantity/index.ts'
import { alikeButHertz, hertzOf, likenessOf, loadPoint, type Baseline } from '../trend/index.ts'
import { learnedNoLoad, type FanOnDrive } from '../vfd/index.ts'
import type { JudgeInput } from './input.ts'
import { keptOf } from './known.ts'

/** What of a visit's context it takes. */
interface OnDrive extends Pick<JudgeInput, 'machine' | 'history' | 'visit'> {
  readonly circuit: PlateCircuit | null
  readonly allowed: AllowedCurrent | null
  readonly baseline: Baseline
}

const kept = keptOf<number>()

/**
 * The motor of a fan on a drive as the model of its amps takes it: by its nameplate, and by what it read at several frequencies
 * since it went in. Null on the line, and where the nameplate gives no model.
 */
export function fanOnDrive(c: OnDrive): FanOnDrive | null {
  const { circuit, allowed, history, visit } = c
  if (!c.machine.hasVfd || !circuit || !allowed) return null
  const fan = {
    plateAmps: allowed.motorAmps ?? allowed.amps,
    plateHz: circuit.circuit.hz,
    noLoadAmps: noLoadAmps(circuit.circuit, allowed.columnVolts),
  }
  const since = c.baseline.since ?? -Infinity
  const learned = () => {
    const alike = alikeButHertz(visit)
    return learnedNoLoad(
      fan,
      history.flatMap((v) => {
        const hz = hertzOf(v)
        const read = loadPoint(v, null)
        if (hz === undefined || read?.legs.length !== 3 || v.at < since || v.at >= visit.at || !alike(v)) return []
        return [{ amps: mean(read.legs), hz }]
      }),
    )
  }
  return { ...fan, noLoadAmps: kept(history, [since, visit.at, fan.noLoadAmps, ...likenessOf(visit)], learned) }
}
