import type { LiveDay } from '../../../live/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { anySeen, dayTold, liveThrough, minutesTold, worstLately } from './lately.ts'

/** A day on which it was hardly called, or hardly left alone, shows nothing of how it answers. */
const enough = 20

/** Minutes a day against the call; null where the day says nothing of it. */
const uncalled = (d: LiveDay) => (d.callOff >= enough ? d.uncalled : null)
const unanswered = (d: LiveDay) => (d.callOn >= enough ? d.unanswered : null)

/** Does it do what it is called for? Running without a call is a welded contact or a switch in Hand; standing on one is a failure. */
export const liveCall: Rule = {
  id: 'live-call',
  title: 'Running against its call',
  subject: 'controls',
  from: 'register',
  seenAt: liveThrough,
  applies: (c) => anySeen(c, liveCall, uncalled, unanswered),
  judge(c) {
    const limit = c.limit('live-minutes-wrong')
    const wrong = (m: number) => m > limit.value
    const dead = worstLately(c, this, unanswered, wrong)
    const stuck = worstLately(c, this, uncalled, wrong)
    const basis = [limit.basis]
    if (dead && wrong(dead.figure))
      return verdict(this, {
        level: 'fix',
        value: dead.figure,
        limit: limit.value,
        basis,
        since: dead.since,
        because: `Called for and not running for ${minutesTold(dead.figure)} on ${dayTold(c, dead.day)}.`,
        next: 'Find the fault from the outside in: power, control power, safeties, contactor or drive, motor. Check the status sensor, too.',
      })
    if (stuck && wrong(stuck.figure))
      return verdict(this, {
        level: 'fix',
        value: stuck.figure,
        limit: limit.value,
        basis,
        since: stuck.since,
        because: `It ran ${minutesTold(stuck.figure)} on ${dayTold(c, stuck.day)} without a call.`,
        next: `Check the switch at the ${c.machine.hasVfd ? 'drive' : 'starter'}: Hand? If it is in Auto, treat the contactor as welded: it does not drop out, so open the disconnect and prove dead before any hand goes in.`,
      })
    return verdict(this, {
      level: 'ok',
      value: Math.max(dead?.figure ?? 0, stuck?.figure ?? 0),
      limit: limit.value,
      basis,
      because: 'It runs when it is called and stops when it is not.',
      next: 'Nothing to do.',
    })
  },
}
