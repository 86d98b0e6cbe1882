import { history } from '../../../limits/index.ts'
import { legPositions, mean, show } from '../../../quantity/index.ts'
import { valueOf, valuesAt, type Visit } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** A clamp that read so little says nothing of a ratio. */
const little = 0.5
/** Hertz that differ by more are another speed: the two were not read at the same time. */
const sameHz = 1.5

interface Both {
  readonly at: number
  readonly clamp: number
  readonly sensor: number
}

/** What clamp and sensor read at a visit; null where they cannot be held against each other. */
function bothAt(c: Context, visit: Visit): Both | null {
  const beside = c.live?.beside.find((b) => b.at === visit.at)
  const legs = valuesAt(visit.readings, 'amps', legPositions).filter((x) => x !== undefined)
  if (beside?.amps == null || legs.length === 0 || visit.state.settled === false) return null
  const hz = valueOf(visit.readings, 'hz')
  if (hz !== undefined && beside.hz !== null && Math.abs(hz - beside.hz) > sameHz) return null
  const clamp = mean(legs)
  return clamp < little && beside.amps < little ? null : { at: visit.at, clamp, sensor: beside.amps }
}

/** The newest visit that says something of it: one at which the sensor was silent answers nothing. */
const both = (c: Context): Both | null =>
  [c.visit, ...c.history.filter((v) => v.at < c.visit.at)].reduce<Both | null>((newest, v) => {
    if (newest !== null && v.at <= newest.at) return newest
    return bothAt(c, v) ?? newest
  }, null)

/** The clamp of a visit against what the building's sensor read in the same minutes. */
export const liveAgainstVisit: Rule = {
  id: 'live-against-visit',
  title: 'Clamp against live sensor',
  subject: 'visit',
  from: 'history',
  applies: (c) => both(c) !== null,
  judge(c) {
    const read = both(c)
    if (!read) throw new RangeError('both must be read')
    const limit = c.limit('live-disagrees')
    const off = Math.abs(read.clamp - read.sensor) / Math.max(read.clamp, read.sensor)
    const told = `clamp ${show.amps(read.clamp)} A, sensor ${show.amps(read.sensor)} A in the same minutes`
    const shared = { value: off, limit: limit.value, basis: [limit.basis, history('live data around the visit')] }
    if (off <= limit.value)
      return verdict(this, {
        ...shared,
        level: 'ok',
        because: `They agree: ${told}.`,
        next: 'Nothing to do.',
      })
    return verdict(this, {
      ...shared,
      level: 'watch',
      since: read.at,
      because: `They disagree: ${told}.`,
      next: c.machine.hasVfd
        ? 'Clamp again on the output leads with a true-RMS clamp for drives: input and output amps differ. If the clamp holds, correct the sensor or its unit.'
        : 'Clamp again, one conductor at a time, jaws closed. If the clamp holds, correct the sensor, its ratio or its unit.',
    })
  },
}
