import { insulationFactor } from '../../../electrical/index.ts'
import { terminalPositions } from '../../../quantity/index.ts'
import type { Visit } from '../../../trend/index.ts'
import { earlierThan } from '../../past.ts'
import type { Context } from '../../context.ts'

/** One-minute insulation of a visit: the worst lead, as read and at 40 °C. Megohms. */
export interface InsulationFigure {
  readonly at: number
  readonly lead: string
  readonly megohms: number
  /** At 40 °C; as read where no temperature was taken or no correction holds. */
  readonly at40: number
  readonly corrected: boolean
  /** The tester showed its top: at least this. */
  readonly over: boolean
  /** Held for a minute: only then can it be good. */
  readonly minute: boolean
  readonly celsius: number | null
  readonly place: string | null
}

const leads = [...terminalPositions, 'all']

/** Every lead whose insulation a visit read, with what a curve says of all together; unsteady readings are none. */
export function insulationLeads(
  visit: Pick<Visit, 'at' | 'readings' | 'answers'>,
  system: Context['policies']['insulationSystem'],
): InsulationFigure[] {
  // Most visits read none, and a long history is asked at every key.
  if (!visit.readings.some((r) => r.quantity === 'megohms' || r.quantity === 'megohms_at')) return []
  const find = (quantity: string, position: string) =>
    visit.readings.find((r) => r.quantity === quantity && r.position === position)
  const curve = visit.readings.filter((r) => r.quantity === 'megohms_at')
  const oneMinute = curve.find((r) => r.position === '1min')
  const lowest = curve.reduce<(typeof curve)[number] | null>((a, b) => (a === null || b.value < a.value ? b : a), null)
  const ofCurve = oneMinute ?? lowest
  const together = find('megohms', 'all')
  // Read twice at a minute, the lower one counts.
  const twice = together && oneMinute && oneMinute.value < together.value ? oneMinute : together
  const read = leads.flatMap((lead) => {
    const r = lead === 'all' ? twice : find('megohms', lead)
    return r ? [{ r, lead, minute: true }] : []
  })
  const all =
    ofCurve && !read.some((x) => x.lead === 'all')
      ? [...read, { r: ofCurve, lead: 'all', minute: oneMinute !== undefined }]
      : read
  const celsius = find('temperature', 'winding')?.value ?? find('temperature', 'ambient')?.value ?? null
  const factor = celsius === null ? null : insulationFactor(celsius, system)
  return all.map(({ r, lead, minute }) => ({
    at: visit.at,
    lead,
    megohms: r.value,
    at40: r.value * (factor ?? 1),
    corrected: factor !== null,
    over: r.how === 'over-range',
    minute,
    celsius,
    place: visit.answers?.['insulation.place'] ?? null,
  }))
}

/** The insulation a visit found by its worst lead, or null when none was tested for a minute. */
export function insulationOf(
  visit: Pick<Visit, 'at' | 'readings' | 'answers'>,
  system: Context['policies']['insulationSystem'],
): InsulationFigure | null {
  return insulationLeads(visit, system)
    .filter((f) => f.minute)
    .reduce<InsulationFigure | null>((a, b) => (a === null || b.at40 < a.at40 ? b : a), null)
}

/** Every insulation test of this motor up to the visit, oldest first, the visit's own last. */
export function insulationHistory(
  c: Pick<Context, 'history' | 'visit' | 'motor' | 'policies' | 'work'>,
): InsulationFigure[] {
  const began = c.work.filter((w) => (w.kind === 'winding-dried' || w.kind === 'motor-replaced') && w.at <= c.visit.at)
  const since = Math.max(c.motor?.installedAt ?? -Infinity, ...began.map((w) => w.at))
  return [...earlierThan(c.history, c.visit), c.visit]
    .filter((s) => s.at >= since)
    .flatMap((s) => insulationOf(s, c.policies.insulationSystem) ?? [])
}
