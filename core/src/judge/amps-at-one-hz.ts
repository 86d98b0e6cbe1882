import { mean } from '../quantity/index.ts'
import { usualRange, valueOf } from '../trend/index.ts'
import { ampsAtHz } from '../vfd/index.ts'
import type { AmpsHistory } from './amps-history.ts'
import { contextOf } from './context.ts'
import { fanOnDrive } from './fan-on-drive.ts'
import type { JudgeInput } from './input.ts'

/** Frequencies that differ by less are compared as they are. */
const alike = 2

/**
 * The amps of a fan on a drive as they would be at the nameplate's frequency, so that 41 Hz in March and 52 Hz in July stand side by
 * side. What meter and model leave is a few percent at full speed and more far below it.
 * @returns null where all was read at one frequency, or the nameplate gives no model
 */
export function atOneHz(
  input: JudgeInput,
  history: AmpsHistory,
): { readonly hz: number; readonly history: AmpsHistory } | null {
  const motor = fanOnDrive(contextOf(input))
  if (!motor) return null
  const hz = motor.plateHz
  const readAt = new Map(
    [...input.history, input.visit].flatMap((v) => {
      const read = valueOf(v.readings, 'hz')
      return read !== undefined && read >= 5 ? [[v.at, read] as const] : []
    }),
  )
  const all = [...readAt.values()]
  if (all.length < 2 || Math.max(...all) - Math.min(...all) < alike) return null
  const points = history.points.flatMap((p) => {
    const from = readAt.get(p.at)
    if (from === undefined) return []
    const legs = p.legs.flatMap((amps) => (amps > 0 ? (ampsAtHz(motor, { amps, hz: from }, hz)?.amps ?? []) : []))
    if (legs.length === 0 || legs.length < p.legs.length) return []
    return [{ ...p, legs, amps: mean(legs), normal: mean(legs), like: true }]
  })
  const baselines = history.baselines.map((b) => ({
    ...b,
    usual: usualRange(
      points
        .filter((p) => (b.since === null || p.at >= b.since) && (b.to === null || p.at < b.to))
        .map((p) => p.normal),
    ),
  }))
  return points.length < 2 ? null : { hz, history: { points, baselines } }
}
