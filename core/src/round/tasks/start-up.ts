import { show } from '../../quantity/index.ts'
import { busEmpties } from '../pauses.ts'
import type { DueFacts, TaskKind } from '../task.ts'

const cools = ['RTU', 'condenser', 'AHU']

/** First day of the season before which a unit is to be ready: May for cooling, October for gas heat. */
function seasonOf(f: DueFacts): number {
  const year = new Date(f.now).getUTCFullYear()
  const begins = (y: number) => [
    ...(cools.includes(f.unitKind) ? [Date.UTC(y, 4, 1)] : []),
    ...(f.machine.controls.gasSection ? [Date.UTC(y, 9, 1)] : []),
  ]
  const soon = [...begins(year - 1), ...begins(year), ...begins(year + 1)]
  // The season that is coming, or that began and was not met.
  return soon.find((at) => at + 30 * 86_400_000 > f.now) ?? f.now
}

/** A whole walk before the season in which it is needed. */
export const startUpTask: TaskKind = {
  id: 'start-up',
  title: 'Seasonal start-up',
  scope: 'full',
  minutes: 45,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  rest: busEmpties,
  months: [3, 4, 5, 9, 10],
  for: (f) => !f.indoors && (f.unitKind === 'RTU' || f.unitKind === 'condenser' || f.machine.controls.gasSection),
  wanted(f) {
    const season = seasonOf(f)
    const full = f.visits.find((s) => s.answers?.['scope'] === 'full')?.at ?? null
    const met = full !== null && full > season - 90 * 86_400_000
    return {
      lastAt: full,
      days: 365,
      because: 'before its season',
      pulls: met ? [] : [{ at: season, because: `its season begins ${show.day(season, f.now)}` }],
      push: null,
    }
  },
}
