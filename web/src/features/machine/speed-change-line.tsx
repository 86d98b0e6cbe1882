import {
  missesOf,
  speedOptions,
  todayOf,
  usuallyTold,
  type Option,
  type PastChange,
} from '@motor-round/core/speed-change'
import type { JudgeInput, Judgement } from '@motor-round/core/judge'
import { show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import type { LengthUnit } from '../../app/lengths.ts'
import { changeWords } from '../speed-change/index.ts'

/** The nearest change that brings a machine over its plate back under it; null where there is none, or no need. */
export function wayBack(
  input: JudgeInput,
  judgement: Judgement,
  changes: readonly PastChange[],
): { option: Option; turns: number | null } | null {
  const { allowed } = judgement.rail
  const over = judgement.verdicts.some((v) => v.check === 'over-amp' && v.level !== 'ok')
  // A lost leg or a bad supply is no matter of speed.
  const otherwise = judgement.verdicts.some((v) => v.level === 'stop')
  if (!over || otherwise || allowed === null) return null
  const today = todayOf(input, usuallyTold, missesOf(changes))
  if (typeof today === 'string') return null
  const option = speedOptions(today, { kind: 'amps', value: allowed }).options.find((o) => o.no.length === 0)
  return option ? { option, turns: today.drive?.adjustable?.turns ?? null } : null
}

/** What a speed change would do about it, in one line. */
export function SpeedChangeLine({
  way,
  machineId,
  unit,
}: {
  way: { option: Option; turns: number | null }
  machineId: string
  unit: LengthUnit
}) {
  const p = way.option.prediction
  return (
    <p className="ruled calc-line">
      <Link to={`/speed-change?machine=${machineId}`}>Speed change</Link>:{' '}
      {changeWords(way.option.change, way.turns, unit).toLowerCase()}: <b>{show.amps(p.amps)} A</b> ({show.amps(p.low)}{' '}
      to {show.amps(p.high)}), {Math.round(p.fanRpm)} rpm, {show.signed((p.airShare - 1) * 100, 0)} % air.
    </p>
  )
}
