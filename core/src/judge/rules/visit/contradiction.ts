import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Readings of this visit that cannot all be true. */
export const contradiction: Rule = {
  id: 'contradiction',
  title: 'Readings that contradict each other',
  subject: 'visit',
  from: 'visit',
  applies: (c) => c.contradictions.length > 0,
  judge(c) {
    return c.contradictions.map((k) =>
      verdict(this, {
        level: 'watch',
        positions: [k.id],
        basis: [practice('two readings that cannot both be true are both repeated')],
        because: k.because,
        next: k.next,
        confidence: 'low',
        settles: false,
        ofVisit: true,
      }),
    )
  },
}
