import { standard } from '../../../limits/index.ts'
import { isSlow } from '../../../plate/index.ts'
import { show } from '../../../quantity/index.ts'
import { amongPeers } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** Spreads from the middle past which a machine is asked about. */
const far = 4

const among = (c: Context) => {
  const own = c.point && c.allowed ? c.point.amps / c.allowed.amps : null
  const found = own === null ? null : amongPeers(own, c.peers ?? [])
  return own === null || !found ? null : { own, ...found }
}

/**
 * Load against others of the same plate, supply, drive and kind of unit. Their duty may differ, and they are read on other
 * days: it asks a question and raises no level.
 */
export const peers: Rule = {
  id: 'peers',
  title: 'Against similar machines',
  subject: 'motor',
  from: 'history',
  informs: true,
  applies: (c) =>
    c.legsRead.length === c.machine.phases &&
    c.visit.state.settled !== false &&
    !isSlow(c.visit.state.mode) &&
    among(c) !== null,
  judge(c) {
    const a = among(c)
    if (!a) throw new RangeError('peers must be known')
    const loads = c.peers ?? []
    const odd = Math.abs(a.off) > far
    return verdict(this, {
      level: 'ok',
      value: a.own,
      limit: a.middle,
      basis: [standard('median and median absolute deviation of the others')],
      because: `${show.percent(a.own)} of allowed amps; ${a.n} similar machines carry ${show.percent(Math.min(...loads))} to ${show.percent(Math.max(...loads))}, median ${show.percent(a.middle)}${odd ? `: far ${a.off > 0 ? 'above' : 'below'} them` : ''}.`,
      next: odd ? 'Compare its duty. If it is the same, check the sheave setting first.' : 'Nothing to do.',
      confidence: 'low',
    })
  },
}
