import { busEmpties } from '../pauses.ts'
import {
  askedFor,
  inDays,
  limitOf,
  lastAnswered,
  lastDone,
  lastRead,
  latest,
  verdictOf,
  type TaskKind,
} from '../task.ts'

/** Lugs to torque, contacts, fuses. */
export const terminalsTask: TaskKind = {
  id: 'terminals',
  title: 'Lugs and contacts',
  scope: 'dead',
  minutes: 15,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  for: (f) => f.machine.phases === 3,
  rest: busEmpties,
  wanted(f) {
    const days = limitOf(f, 'interval-terminals')
    const last = latest(
      lastAnswered(f, 'lugs')?.at,
      lastRead(f, 'lug_torque', 'pole_ohms', 'contact_drop')?.at,
      lastDone(f, 'terminals-tightened', 'contactor-renewed'),
    )
    const fresh = lastDone(f, 'drive-repaired', 'motor-replaced')
    const again = limitOf(f, 'vfd-lugs-again')
    const uneven = verdictOf(f, 'current-unbalance')
    return {
      lastAt: last,
      days,
      because: `every ${days} days`,
      pulls: [
        // Lugs of a new drive or motor settle in the first weeks.
        ...(fresh !== null && f.machine.hasVfd && (last === null || last < inDays(fresh, again))
          ? [{ at: inDays(fresh, again), because: 'new lugs on a drive are torqued again' }]
          : []),
        ...askedFor(f, 'terminals', 'poles', 'fuses', 'line', 'control', 'transformer', 'off'),
        ...(uneven && uneven.level !== 'ok' && f.visits[0]
          ? [{ at: inDays(f.visits[0].at, 7), because: uneven.because }]
          : []),
      ],
      push: null,
    }
  },
}
