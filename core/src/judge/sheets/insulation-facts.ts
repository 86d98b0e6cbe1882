import { insulationFactor } from '../../electrical/index.ts'
import { terminalPositions } from '../../quantity/index.ts'
import type { Stop } from '../../trend/index.ts'
import type { Context } from '../context.ts'

/** One-minute insulation of a stop: the worst lead, as read and at 40 °C. Megohms. */
export interface InsulationFigure {
  readonly at: number
  readonly lead: string
  readonly megohms: number
  /** At 40 °C; as read where no temperature was taken or no correction holds. */
  readonly at40: number
  readonly corrected: boolean
  /** The tester showed its top: at least this. */
  readonly over: boolean
  readonly celsius: number | null
  readonly place: string | null
}

/** Volts a winding is rated for: its column, or the supply. */
export const ratedVolts = (c: Pick<Context, 'allowed' | 'machine'>): number =>
  c.allowed?.columnVolts ?? c.machine.serviceVolts

const leads = [...terminalPositions, 'all']

/** The insulation a stop found, or null when none was tested. */
export function insulationOf(
  stop: Pick<Stop, 'at' | 'readings' | 'answers'>,
  system: Context['rules']['insulationSystem'],
): InsulationFigure | null {
  const find = (quantity: string, position: string) =>
    stop.readings.find((r) => r.quantity === quantity && r.position === position)
  const own = leads.flatMap((lead) => find('megohms', lead) ?? [])
  const curve = find('megohms_at', '1min')
  const all = own.length > 0 ? own : curve ? [{ ...curve, position: 'all' }] : []
  const worst = all.reduce<(typeof all)[number] | null>((a, b) => (a === null || b.value < a.value ? b : a), null)
  if (!worst) return null
  const celsius = find('temperature', 'winding')?.value ?? find('temperature', 'ambient')?.value ?? null
  const factor = celsius === null ? null : insulationFactor(celsius, system)
  return {
    at: worst.at ?? stop.at,
    lead: worst.position,
    megohms: worst.value,
    at40: worst.value * (factor ?? 1),
    corrected: factor !== null,
    over: worst.how === 'over-range',
    celsius,
    place: stop.answers?.['insulation.place'] ?? null,
  }
}

/** Every insulation test of this motor up to the stop, oldest first, the stop's own last. */
export function insulationHistory(
  c: Pick<Context, 'history' | 'stop' | 'motor' | 'rules' | 'work'>,
): InsulationFigure[] {
  const fitted = c.motor?.fittedAt ?? -Infinity
  const dried = Math.max(
    fitted,
    ...c.work.filter((w) => w.kind === 'winding-dried' && w.at <= c.stop.at).map((w) => w.at),
  )
  const own = insulationOf(c.stop, c.rules.insulationSystem)
  // A figure carried over from another stop of the history is not counted twice.
  const before = own?.at ?? c.stop.at
  const past = c.history
    .filter((s) => s.at < before && s.at >= dried)
    .sort((a, b) => a.at - b.at)
    .flatMap((s) => insulationOf(s, c.rules.insulationSystem) ?? [])
  return own ? [...past, own] : past
}
