import { history } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { bounds } from '../amps/over-amp.ts'
import type { LiveDay } from '../../../live/index.ts'
import { anySeen, dayTold, liveThrough, worstLately } from './lately.ts'

const mostAmps = (d: LiveDay) => d.mostAmps

/** The highest ten minutes of the newest days against the amps that the policy in force allows. */
export const liveOverAmps: Rule = {
  id: 'live-over-amps',
  title: 'Live amps against nameplate',
  subject: 'motor',
  from: 'register',
  seenAt: liveThrough,
  applies: (c) => c.fullAllowed !== null && anySeen(c, liveOverAmps, mostAmps),
  judge(c) {
    // The sensor does not say at which speed of a motor with two: it may draw what its high speed may.
    const { ok, watch, policyChoice } = bounds(c, c.fullAllowed)
    const worst = worstLately(c, this, mostAmps, (a) => a > ok)
    if (!worst) throw new RangeError('live amps must be known')
    const told = `${show.amps(worst.figure)} A over ten minutes on ${dayTold(c, worst.day)}, ${show.percent(worst.figure / (c.fullAllowed?.amps ?? 1))} of allowed amps`
    const basis = [history('the sensor of the building or drive, minute by minute'), history(policyChoice)]
    if (worst.figure <= ok)
      return verdict(this, {
        level: 'ok',
        value: worst.figure,
        limit: ok,
        basis,
        because: `At most ${told}.`,
        next: 'Nothing to do.',
      })
    return verdict(this, {
      level: worst.figure > watch ? 'fix' : 'watch',
      value: worst.figure,
      limit: ok,
      basis,
      since: worst.since,
      because: `The building’s sensor shows ${told}.`,
      next: 'Clamp all legs at that load. If the clamp agrees, slow the fan down or find what loads it; if not, check the sensor and its unit.',
    })
  },
}
