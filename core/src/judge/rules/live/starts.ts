import { verdict, type Rule } from '../../rule.ts'
import type { LiveDay } from '../../../live/index.ts'
import { anySeen, dayTold, liveThrough, worstLately } from './lately.ts'

/** A fan that stood all day shows nothing of how it starts. */
const mostStarts = (d: LiveDay) => (d.ran > 0 ? d.mostStarts : null)

/** Short cycling: the most starts within an hour. */
export const liveStartsRule: Rule = {
  id: 'live-starts',
  title: 'Starts in an hour',
  subject: 'controls',
  from: 'register',
  seenAt: liveThrough,
  applies: (c) => anySeen(c, liveStartsRule, mostStarts),
  judge(c) {
    const limit = c.limit('live-starts')
    const worst = worstLately(c, this, mostStarts, (n) => n > limit.value)
    if (!worst) throw new RangeError('starts must be known')
    const n = worst.figure
    const shared = { value: n, limit: limit.value, basis: [limit.basis] }
    if (n <= limit.value)
      return verdict(this, {
        ...shared,
        level: 'ok',
        because: n === 0 ? 'No starts lately.' : `At most ${n} start${n === 1 ? '' : 's'} in an hour lately.`,
        next: 'Nothing to do.',
      })
    return verdict(this, {
      ...shared,
      level: n > 2 * limit.value ? 'fix' : 'watch',
      since: worst.since,
      because: `It short cycles: ${n} starts in an hour on ${dayTold(c, worst.day)}, ${worst.day.starts} that day.`,
      next: 'Find what drops it out: thermostat differential, a safety that chatters, a loose control wire, a drive that restarts. Then check the contacts and the belts.',
    })
  },
}
