import { busEmpties, longestPause, windingCools } from '../pauses.ts'
import { askedFor, inDays, limitOf, lastRead, latest, steadyPush, verdictOf, type TaskKind } from '../task.ts'

/** Megohms of the winding, locked out. */
export const insulationTask: TaskKind = {
  id: 'insulation',
  title: 'Insulation and winding',
  scope: 'dead',
  minutes: 25,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  for: () => true,
  rest: (f) => longestPause(busEmpties(f), windingCools(f)),
  wanted(f) {
    const days = limitOf(f, 'interval-insulation')
    const last = lastRead(f, 'megohms')
    const lastAt = latest(last?.at)
    const worry = verdictOf(f, 'insulation-trend') ?? verdictOf(f, 'insulation')
    const values = f.visits.flatMap((s) => {
      const own = s.readings.filter((r) => r.quantity === 'megohms').map((r) => r.value)
      return own.length === 0 ? [] : [Math.min(...own)]
    })
    return {
      lastAt,
      days,
      because: `every ${days} days`,
      pulls: [
        ...askedFor(f, 'insulation', 'winding', 'ground'),
        ...(worry && worry.level !== 'ok' && last ? [{ at: inDays(last.at, days / 4), because: worry.because }] : []),
      ],
      push: steadyPush(f, values, 0.25, lastAt, days, 'three tests in a row agree within a quarter'),
    }
  },
}
