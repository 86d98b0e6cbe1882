import { show } from '../../quantity/index.ts'
import { inDays, lastDone, latest, type DueFacts, type TaskKind } from '../task.ts'

/** Work for which a unit with a gas section is opened over its burners. */
const opened = ['motor-replaced', 'wheel-replaced', 'bearings-renewed', 'shaft-renewed', 'wheel-cleaned'] as const

/** By its figures: somebody's word is no test. */
const testedAt = (f: DueFacts) =>
  latest(
    f.burnedAt,
    f.visits.find((s) => ['flue_oxygen', 'flue_co'].every((q) => s.readings.some((r) => r.quantity === q)))?.at,
  )
const openedAt = (f: DueFacts) => lastDone(f, ...opened)

/** A combustion test after the fan of a gas unit was worked on: licensed work, by local code. */
export const combustionTask: TaskKind = {
  id: 'combustion',
  title: 'Combustion test',
  scope: 'full',
  minutes: 30,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  for(f) {
    const worked = openedAt(f)
    return f.machine.controls.gasSection && worked !== null && (testedAt(f) ?? -Infinity) < worked
  },
  wanted(f) {
    const worked = openedAt(f) ?? f.now
    return {
      lastAt: testedAt(f),
      days: 365,
      because: 'after gas work',
      pulls: [
        {
          at: inDays(worked, 7),
          because: `the fan over its burners was worked on ${show.day(worked, f.now, f.machine.zone)} and no test is on record`,
        },
      ],
      push: null,
    }
  },
}
