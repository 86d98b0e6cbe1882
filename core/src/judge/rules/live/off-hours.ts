import { verdict, type Rule } from '../../rule.ts'
import type { LiveDay } from '../../../live/index.ts'
import { anySeen, dayTold, liveThrough, minutesTold, worstLately } from './lately.ts'

/** Minutes against its hours; null on a day without any. */
const ranOff = (d: LiveDay) => (d.offHours > 0 ? d.ranOff : null)
const tooFast = (d: LiveDay) => (d.slowHours > 0 ? d.tooFast : null)

/** Hours in which it should be off, or slow. */
export const liveOffHours: Rule = {
  id: 'live-off-hours',
  title: 'Running in its off hours',
  subject: 'controls',
  from: 'register',
  seenAt: liveThrough,
  applies: (c) => anySeen(c, liveOffHours, ranOff, tooFast),
  judge(c) {
    const limit = c.limit('live-minutes-wrong')
    const wrong = (m: number) => m > limit.value
    const ran = worstLately(c, this, ranOff, wrong)
    const fast = worstLately(c, this, tooFast, wrong)
    const bad = [ran, fast].find((x) => x && wrong(x.figure))
    const shared = { value: bad?.figure ?? 0, limit: limit.value, basis: [limit.basis] }
    if (!bad)
      return verdict(this, {
        ...shared,
        level: 'ok',
        because: 'It keeps its off hours and its night setback.',
        next: 'Nothing to do.',
      })
    return verdict(this, {
      ...shared,
      level: 'watch',
      since: bad.since,
      because:
        bad === ran
          ? `It ran ${minutesTold(bad.figure)} on ${dayTold(c, bad.day)} in hours in which it should be off.`
          : `It ran faster than its night setback for ${minutesTold(bad.figure)} on ${dayTold(c, bad.day)}.`,
      next: 'Look for an override or a switch in Hand, and compare the schedule of the building system and its clock with the off hours entered here.',
    })
  },
}
