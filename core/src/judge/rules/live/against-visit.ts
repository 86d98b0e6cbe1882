import { history } from '../../../limits/index.ts'
import { clampOffSensor, whereTheyDisagree } from '../../../live/index.ts'
import { legPositions, mean, show } from '../../../quantity/index.ts'
import { valueOf, valuesAt, type Visit } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

interface Both {
  readonly at: number
  readonly clamp: number
  readonly sensor: number
  /** Share of the larger by which they differ. */
  readonly off: number
}

/** What clamp and sensor read at a visit; null where they cannot be held against each other. */
function bothAt(c: Context, visit: Visit): Both | null {
  const beside = c.live?.beside.find((b) => b.at === visit.at)
  const legs = valuesAt(visit.readings, 'amps', legPositions).filter((x) => x !== undefined)
  if (beside?.amps == null || legs.length === 0 || visit.state.settled === false) return null
  const clamp = mean(legs)
  const off = clampOffSensor({ amps: clamp, hz: valueOf(visit.readings, 'hz') }, { amps: beside.amps, hz: beside.hz })
  return off === null ? null : { at: visit.at, clamp, sensor: beside.amps, off }
}

/** The newest visit that says something of it: one at which the sensor was silent answers nothing. */
const both = (c: Context): Both | null =>
  [c.visit, ...c.earlier].reduce<Both | null>((newest, v) => newest ?? bothAt(c, v), null)

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
    const { off } = read
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
      next: whereTheyDisagree(c.machine.hasVfd),
    })
  },
}
