import { history, standard } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { dayMs } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { broughtBasis } from './brought.ts'
import { fewerAmpsNext, moreAmpsNext } from './load-next.ts'

const method = standard('Theil-Sen slope with Sen 95 % limits')

/** Where the amps of this baseline are heading, and when they meet the plate. */
export const trend: Rule = {
  id: 'trend',
  title: 'Trend',
  subject: 'motor',
  from: 'history',
  // Without amps of its own a visit has nothing to add to the trend of the amps.
  // A step is no slope: fitted through one it would tell of a drift that never was.
  applies: (c) => c.point !== null && c.drift.kind !== 'too few' && c.step === null,
  judge(c) {
    const d = c.drift
    if (d.kind === 'too few') throw new RangeError('drift must be fitted')
    const perYear = `${show.signed(d.fit.perYear, 2)} A a year (${show.signed(d.fit.low, 2)} to ${show.signed(d.fit.high, 2)})`
    const basis = [
      method,
      history(`${d.fit.n} visits since ${show.month(d.fit.from.at)}`),
      ...broughtBasis(c),
      ...(c.season ? [standard(`a yearly swing of ± ${show.percent(c.season.half)} removed`)] : []),
    ]
    if (d.kind === 'none')
      return verdict(this, {
        level: 'ok',
        value: d.fit.perYear,
        basis,
        because: `No significant trend: ${perYear}.`,
        next: 'Nothing to do.',
      })
    if (d.kind === 'falling') {
      const lost = 1 - d.fit.to.value / d.fit.from.value
      const bad = lost > c.limit('change-watch').value
      return verdict(this, {
        level: bad ? 'watch' : 'ok',
        value: d.fit.perYear,
        basis,
        because: `Falling ${perYear}, ${show.percent(lost)} since ${show.month(d.fit.from.at)}.`,
        next: bad ? `A slow change: wear or dirt. ${fewerAmpsNext(c)}` : 'Nothing to do yet.',
      })
    }
    const horizon = c.limit('trend-horizon')
    if (!d.meets)
      return verdict(this, {
        level: 'watch',
        value: d.fit.perYear,
        basis,
        because: `Rising ${perYear}, and already at the limit.`,
        next: moreAmpsNext(c),
      })
    const days = (d.meets.at - c.visit.at) / dayMs
    const window =
      d.meets.latest === null
        ? `${show.month(d.meets.earliest)} at the earliest`
        : `${show.month(d.meets.earliest)} to ${show.month(d.meets.latest)}`
    const soon = days <= horizon.value
    // A steady rise is reported as a fall is: what drags today is not gone because the plate is far away.
    const gained = d.fit.to.value / d.fit.from.value - 1
    const bad = gained > c.limit('change-watch').value
    return verdict(this, {
      level: soon || bad ? 'watch' : 'ok',
      value: d.fit.perYear,
      limit: c.allowed?.amps ?? null,
      basis: [...basis, horizon.basis],
      because: `Rising ${perYear}, ${show.percent(gained)} since ${show.month(d.fit.from.at)}; reaches the nameplate in about ${Math.max(0, Math.round(days))} days (${window}).`,
      next: soon
        ? `Plan the work before then. ${moreAmpsNext(c)}`
        : bad
          ? `A slow change: wear or drag. ${moreAmpsNext(c)}`
          : 'Nothing to do yet.',
    })
  },
}
