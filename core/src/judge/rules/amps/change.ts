import { history } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { workWords } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { asRead, broughtBasis } from './brought.ts'
import { fewerAmpsNext, moreAmpsNext } from './load-next.ts'

/** Amps against what this machine's own past lets expect. A change stands until it is explained, or is gone. */
export const change: Rule = {
  id: 'change',
  title: 'Change from the usual',
  subject: 'motor',
  from: 'history',
  applies: (c) =>
    c.point !== null &&
    c.point.legs.length === c.machine.phases &&
    c.visit.state.settled !== false &&
    // One visit at another frequency says no more than the nameplate does.
    (c.usual !== null || c.past.some(asRead)),
  judge(c) {
    const { point, usual } = c
    if (!point) throw new RangeError('amps must be read')
    const fix = c.limit('change-fix')
    const watch = c.limit('change-watch')
    const begun =
      c.baseline.startedBy && c.baseline.since !== null
        ? ` since the ${workWords(c.baseline.startedBy)} on ${show.day(c.baseline.since, c.visit.at, c.machine.zone)}`
        : ''
    if (!usual) {
      const last = c.past.findLast(asRead)
      if (!last) throw new RangeError('past must not be empty')
      // With fewer than four readings there is no range yet: only a gross change from the last one speaks.
      const by = point.normal / last.normal - 1
      const when = show.day(last.at, point.at, c.machine.zone)
      const gross = Math.abs(by) > fix.value
      return verdict(this, {
        level: gross ? 'watch' : 'ok',
        value: point.amps,
        limit: last.amps,
        basis: [history(`the visit of ${when}`), fix.basis],
        because: gross
          ? `${by < 0 ? 'Down' : 'Up'} ${show.percent(Math.abs(by))} from ${show.amps(last.amps)} A on ${when}, and no work recorded that explains it.`
          : Math.abs(by) < 0.005
            ? `As on ${when}.`
            : `${show.signed(by * 100, 0)} % since ${when}.`,
        next: gross ? 'Re-read in the same state, then find what changed.' : 'Nothing to do.',
        confidence: 'low',
      })
    }
    const range = `95 % range ${show.amps(usual.low)} to ${show.amps(usual.high)} A`
    const basis = [history(`${usual.n} comparable visits${begun}`), ...broughtBasis(c)]
    if (!c.change)
      return verdict(this, {
        level: 'ok',
        value: point.amps,
        limit: usual.middle,
        basis,
        because: `${show.amps(point.amps)} A, ${range}.`,
        next: 'Nothing to do.',
      })
    const { by, since } = c.change
    const serious = Math.abs(by) > fix.value
    const stepped = c.step ? `, in one step after ${show.day(c.step.between[0], c.visit.at, c.machine.zone)}` : ''
    return verdict(this, {
      level: serious ? 'fix' : 'watch',
      since,
      value: point.amps,
      limit: usual.middle,
      basis: [...basis, serious ? fix.basis : watch.basis],
      because: `${by < 0 ? 'Down' : 'Up'} ${show.percent(Math.abs(by))} from the usual ${show.amps(usual.middle)} A (${range}) since ${show.day(since, c.visit.at, c.machine.zone)}${stepped}; no work recorded that explains it.`,
      next: `${by < 0 ? fewerAmpsNext(c) : moreAmpsNext(c)} Record the cause, or close it with a reason.`,
      confidence: c.wheel === null ? 'low' : 'full',
    })
  },
}
