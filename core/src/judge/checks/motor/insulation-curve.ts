import { absorption, insulationFloor, leastPolarisation } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { insulationTimes, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { ratedVolts } from '../../rated-volts.ts'
import { insulationOf } from './insulation-facts.ts'
import { insulation } from './insulation.ts'
import { cells, threePhase, type CheckDefinition } from '../check-definition.ts'

/** DAR and PI of a timed test, and when they mean nothing. */
const polarisation: Rule = {
  id: 'polarisation',
  title: 'Insulation curve',
  subject: 'motor',
  from: 'visit',
  applies: (c) =>
    c.reading('megohms_at', '1min') !== undefined &&
    (c.reading('megohms_at', '30s') ?? c.reading('megohms_at', '10min')) !== undefined,
  judge(c) {
    const point = (position: string) => {
      const r = c.reading('megohms_at', position)
      return r ? { megohms: r.value, over: r.how === 'over-range' } : null
    }
    const one = point('1min') ?? { megohms: 0, over: false }
    const f = insulationOf(c.visit, c.policies.insulationSystem)
    const at40 = f?.corrected && f.megohms > 0 ? one.megohms * (f.at40 / f.megohms) : one.megohms
    const half = point('30s')
    const ten = point('10min')
    const dar = half ? absorption(half, one, at40) : null
    const pi = ten ? absorption(one, ten, at40) : null
    const least = leastPolarisation(c.motor?.plate.insulationClass)
    const basis = [standard('IEEE 43'), practice('DAR words')]
    const meaningless = [dar, pi].find((a) => a?.kind === 'meaningless')
    if (meaningless?.kind === 'meaningless')
      return verdict(this, {
        level: meaningless.why === 'zero' ? 'watch' : 'ok',
        basis,
        because:
          meaningless.why === 'zero'
            ? 'Almost no insulation: the ratios are not meaningful.'
            : `The one-minute value is ${meaningless.why === 'over range' ? 'above the tester’s range' : 'above 5000 MΩ'}: the ratios are not meaningful at this value.`,
        next: 'Judge by the one-minute value.',
      })
    const darRatio = dar?.kind === 'ratio' ? dar.ratio : null
    const piRatio = pi?.kind === 'ratio' ? pi.ratio : null
    const parts = [
      darRatio === null ? '' : `DAR ${darRatio.toFixed(2)}`,
      piRatio === null ? '' : `PI ${piRatio.toFixed(2)}`,
    ].filter(Boolean)
    const falls = (darRatio !== null && darRatio < 1) || (piRatio !== null && piRatio < 1)
    // Absorption of random windings dies out in minutes: a flat curve at a high value is normal for a small motor.
    const flat = piRatio !== null && piRatio < least
    const floor = insulationFloor(c.policies.insulation, ratedVolts(c))
    const high = at40 >= 20 * floor
    if (falls)
      return verdict(this, {
        level: 'watch',
        value: piRatio ?? darRatio,
        limit: 1,
        basis,
        because: `${parts.join(', ')}: it falls while the voltage is on. Wet or dirty, whatever the one-minute value.`,
        next: 'Dry it, clean it, test again.',
      })
    if (flat && !high)
      return verdict(this, {
        level: 'watch',
        value: piRatio,
        limit: least,
        basis,
        because: `${parts.join(', ')}, under ${least.toFixed(1)} at ${show.megohms(at40)}: low absorption. Typical of damp or dirt.`,
        next: 'Compare with last time; dry and test again.',
        confidence: 'low',
      })
    return verdict(this, {
      level: 'ok',
      value: piRatio ?? darRatio,
      limit: piRatio === null ? null : least,
      basis,
      because: `${parts.join(', ')}.${flat ? ' Normal for a small random-wound motor at this value.' : ''}`,
      next: 'Nothing to do.',
    })
  },
}

/** The same test held for ten minutes: what a single value hides. */
export const insulationCurve: CheckDefinition = {
  id: 'insulation-curve',
  phase: 'dead',
  part: 'electric',
  title: 'Insulation over time',
  how: 'All leads together, voltage on: enter each point when the timer shows it, from 15 s to 10 min.',
  caution: insulation.caution,
  for: threePhase,
  groups: () => [
    {
      title: 'Megohms at',
      asks: cells(
        'megohms_at',
        insulationTimes.map(([name]) => name),
        insulationTimes.map(([name]) => name.replace(/(\d)([a-z])/, '$1 $2')),
      ),
    },
  ],
  judges: [polarisation],
}
