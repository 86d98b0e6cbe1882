import { beltsSettle } from '../pauses.ts'
import {
  askedFor,
  beltsFresh,
  hoursPush,
  inDays,
  lastAnswered,
  lastDone,
  latest,
  limitOf,
  verdictOf,
  type TaskKind,
} from '../task.ts'

/** What is reported of a drive train by eye, hand and straightedge. */
const driveChecks = ['belts', 'belt-tension', 'alignment', 'bearings', 'keys', 'wheel', 'belts-carry']

/** Belts, sheaves, bearings, keys and wheel by eye and hand, locked out. */
export const beltsTask: TaskKind = {
  id: 'belts',
  title: 'Belts, bearings and wheel',
  scope: 'drive',
  minutes: 30,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  for: () => true,
  settle: beltsSettle,
  wanted(f) {
    const days = limitOf(f, 'interval-belts')
    const seen = lastAnswered(f, 'belt.wear', 'bearing.de', 'wheel.blades')
    const renewed = lastDone(f, 'belts-renewed')
    const worries = driveChecks.flatMap((c) => verdictOf(f, c) ?? [])
    return {
      lastAt: latest(seen?.at, renewed),
      days,
      because: `every ${days} days`,
      pulls: [
        ...askedFor(f, 'tension', 'alignment', 'bearings', 'keys', 'wheel', 'spin'),
        ...(renewed !== null && beltsFresh(f)
          ? [{ at: inDays(renewed, 2), because: 'a new belt set stretches in its first days: tension again' }]
          : []),
        ...worries
          .filter((v) => v.level !== 'ok')
          .map((v) => ({
            at: v.level === 'watch' ? inDays(seen?.at ?? f.now, days / 3) : (seen?.at ?? f.now),
            because: v.because,
          })),
      ],
      push: hoursPush(f, latest(seen?.at, renewed), days),
    }
  },
}
