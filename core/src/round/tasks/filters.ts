import {
  askedFor,
  hoursPush,
  inDays,
  limitOf,
  lastDone,
  lastRead,
  steadyPush,
  verdictOf,
  type TaskKind,
} from '../task.ts'

/** Filters: by the pressure over them where it is read, else by the calendar. */
export const filtersTask: TaskKind = {
  id: 'filters',
  title: 'Filters',
  scope: 'live',
  minutes: 12,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  for: (f) => f.unitKind !== 'EF' && f.unitKind !== 'condenser',
  wanted(f) {
    const days = limitOf(f, 'interval-filters')
    const lastAt = lastDone(f, 'filters-changed')
    const drop = verdictOf(f, 'filter-drop')
    const read = lastRead(f, 'filter_drop')
    const values = f.visits.flatMap((s) => s.readings.filter((r) => r.quantity === 'filter_drop').map((r) => r.value))
    const loaded = drop && drop.level !== 'ok' && read && (lastAt === null || read.at > lastAt)
    return {
      lastAt: lastAt ?? read?.at ?? null,
      days,
      because: `every ${days} days`,
      pulls: [
        ...askedFor(f, 'filters'),
        ...(loaded ? [{ at: drop.level === 'fix' ? read.at : inDays(read.at, 30), because: drop.because }] : []),
      ],
      push:
        hoursPush(f, lastAt, days) ??
        steadyPush(f, values, 0.2, lastAt ?? read?.at ?? null, days, 'their pressure drop hardly rises'),
    }
  },
}
