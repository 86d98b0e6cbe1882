import { mean, show } from '../quantity/index.ts'
import type { Drift, Usual } from '../trend/index.ts'
import { bounds } from './checks/over-amp.ts'
import { checks } from './checks/register.ts'
import { contextOf, type Context } from './context.ts'
import { deadGate, liveGate, restoreGate, type Gate } from './gates.ts'
import type { JudgeInput } from './input.ts'
import { rank, worse, type Level, type Verdict } from './verdict.ts'

/** What the load rail draws, in amperes. */
export interface Rail {
  readonly allowed: number | null
  readonly columnVolts: number | null
  readonly source: 'motor plate' | 'unit plate' | null
  readonly legs: readonly { readonly name: string; readonly amps: number }[]
  /** The machine's own usual range at the volts of this stop. */
  readonly usual: { readonly low: number; readonly high: number } | null
}

/** A whole stop, judged. `verdicts` are worst first. */
export interface Judgement {
  readonly level: Level
  readonly headline: string
  readonly verdicts: readonly Verdict[]
  readonly confidence: 'full' | 'low'
  readonly rail: Rail
  readonly drift: Drift
  readonly usual: Usual | null
  /** Up to which current the house calls it OK, amperes. */
  readonly okUpTo: number | null
  /** Dead, restore, live. */
  readonly gates: readonly Gate[]
}

/** Checks whose `stop` keeps the power off, and those whose `stop` keeps the motor off. */
const condemnsDead = ['winding-to-ground', 'winding-ohms', 'psc-winding', 'insulation', 'fuses', 'spin']
const condemnsLine = ['line-side', 'power-transformer', 'control-power', 'rotation']

function fine(c: Context, verdicts: readonly Verdict[]): string {
  const parts: string[] = []
  if (c.allowed && c.point) parts.push(`${show.percent(c.point.amps / c.allowed.amps)} of plate`)
  if (verdicts.some((v) => v.check === 'current-unbalance')) parts.push('even')
  if (verdicts.some((v) => v.check === 'change') && c.usual) parts.push('as usual')
  else if (c.point && c.past.length === 0) parts.push('first reading')
  const text = parts.join(', ')
  return text === '' ? (verdicts[0]?.because ?? 'Nothing read.') : `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}.`
}

/**
 * Judge a stop: every check that applies, worst first, with one sentence for the whole.
 * Pure: the same input gives the same judgement in the hand, on the server and in the report.
 * @throws RangeError when the machine's service volts are not above zero
 */
export function judge(input: JudgeInput): Judgement {
  const c = contextOf(input)
  const verdicts = checks
    .filter((check) => check.applies(c))
    .map((check) => check.judge(c))
    .sort((a, b) => rank(b.level) - rank(a.level))
  const level = verdicts.reduce<Level>((l, v) => worse(l, v.level), 'ok')
  const first = verdicts[0]
  const faults = (checks: readonly string[]) =>
    verdicts.filter((v) => v.level === 'stop' && checks.includes(v.check)).map((v) => v.because)
  const scale = c.point && c.point.normal > 0 ? c.point.amps / c.point.normal : 1
  const restore = restoreGate(c, faults(condemnsDead))
  return {
    level,
    headline: level === 'ok' ? fine(c, verdicts) : (first?.because ?? ''),
    verdicts,
    confidence: verdicts.some((v) => v.confidence === 'low') ? 'low' : 'full',
    rail: {
      allowed: c.allowed?.amps ?? null,
      columnVolts: c.allowed?.columnVolts ?? null,
      source: c.allowed?.source ?? null,
      legs: c.legsRead,
      usual: c.usual ? { low: c.usual.low * scale, high: c.usual.high * scale } : null,
    },
    drift: c.drift,
    usual: c.usual,
    okUpTo: c.allowed ? bounds(c).ok : null,
    gates: [deadGate(c), restore, liveGate(c, restore, faults(condemnsLine))],
  }
}

/** Mean of the legs as a share of the allowed current, or null. */
export function loadShare(rail: Rail): number | null {
  return rail.allowed !== null && rail.legs.length > 0 ? mean(rail.legs.map((l) => l.amps)) / rail.allowed : null
}
