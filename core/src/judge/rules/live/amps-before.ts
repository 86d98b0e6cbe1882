import { history } from '../../../limits/index.ts'
import { againstBefore, type LiveDay } from '../../../live/index.ts'
import { show } from '../../../quantity/index.ts'
import { baselineAt } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { dayTold, daysSince, liveThrough } from './lately.ts'

/** So many days at the start of a baseline say what it drew then. */
const beginning = 3
const newest = 2

/** The first days after the latest work that the amps depend on, and the newest two. */
function sides(c: Context): { readonly before: readonly LiveDay[]; readonly now: readonly LiveDay[] } | null {
  const through = liveThrough(c)
  const since = Math.max(baselineAt(c.work, 'amps', through).since ?? -Infinity, c.motor?.installedAt ?? -Infinity)
  const own = daysSince(c, liveAmpsBefore).filter((d) => d.bins.length > 0 && d.at >= since)
  const before = own.slice(0, Math.max(0, Math.min(beginning, own.length - newest)))
  return before.length === 0 ? null : { before, now: own.slice(-newest) }
}

/** Amps of the newest days against the first ones after the latest work, at equal hertz. */
export const liveAmpsBefore: Rule = {
  id: 'live-amps-before',
  title: 'Live amps against before, at equal Hz',
  subject: 'motor',
  from: 'register',
  seenAt: liveThrough,
  applies(c) {
    const s = sides(c)
    return s !== null && againstBefore(s.before, s.now) !== null
  },
  judge(c) {
    const s = sides(c)
    const found = s && againstBefore(s.before, s.now)
    if (!s || !found) throw new RangeError('live amps must be known')
    const [up, down] = [c.limit('live-creep'), c.limit('live-no-air')]
    const moved = found.ratio - 1
    const [first] = s.before
    const told = `${show.amps(found.now)} A${found.hz === null ? '' : ` at about ${found.hz} Hz`}, ${show.amps(found.before)} A on ${first ? dayTold(c, first) : 'the first days'}`
    const basis = [history(`${s.before.length + s.now.length} days of live data`), (moved < 0 ? down : up).basis]
    const since = Math.min(...s.now.map((d) => d.at))
    if (moved < -down.value)
      return verdict(this, {
        level: 'fix',
        value: moved,
        limit: -down.value,
        basis,
        since,
        because: `It runs and hardly works: ${told}.`,
        next:
          c.machine.drive === 'belt'
            ? 'Look whether the wheel turns: belt gone or slipping, wheel loose on its shaft. Then dampers and filters: the air path may be shut.'
            : 'Look whether the wheel turns with the shaft. Then dampers and filters: the air path may be shut.',
      })
    if (moved > up.value)
      return verdict(this, {
        level: 'watch',
        value: moved,
        limit: up.value,
        basis,
        since,
        because: `It draws ${show.percent(moved)} more than before at equal speed: ${told}.`,
        next: 'Clamp it, then check bearings and belt tension. Filters out or a door open load a forward-curved wheel.',
      })
    return verdict(this, {
      level: 'ok',
      value: moved,
      limit: up.value,
      basis,
      because: `As before at equal speed: ${told}.`,
      next: 'Nothing to do.',
    })
  },
}
