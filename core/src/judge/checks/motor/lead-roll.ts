import { leadRoll, type LeadRoll } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { allThree, rollPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

function square(c: Context): LeadRoll | null {
  const v = rollPositions.map((p) => c.value('roll_amps', p))
  const [a, b, c3] = [0, 3, 6].map((i) => allThree(v.slice(i, i + 3)))
  return a && b && c3 ? [a, b, c3] : null
}

/** Supply or motor, by nine amps. */
const roll: Rule = {
  id: 'lead-roll',
  title: 'Leads rolled',
  subject: 'motor',
  from: 'visit',
  informs: true,
  applies: (c) => {
    const s = square(c)
    return s !== null && s.flat().some((a) => a > 0)
  },
  judge(c) {
    const s = square(c)
    if (!s) throw new RangeError('nine amps must have been read')
    const r = leadRoll(s)
    const basis = [standard('additive model of a Latin square'), practice()]
    const told = `Lines differ by ${show.percent(r.lineRange)}, leads by ${show.percent(r.leadRange)}`
    const both = Math.min(r.lineRange, r.leadRange) > 0.5 * Math.max(r.lineRange, r.leadRange)
    if (r.blames === 'neither')
      return verdict(this, {
        level: 'ok',
        value: Math.max(r.lineRange, r.leadRange),
        basis,
        because: `${told}: even.`,
        next: 'Nothing to do.',
      })
    return verdict(this, {
      level: 'watch',
      value: Math.max(r.lineRange, r.leadRange),
      basis,
      because: `${told}: the odd current ${r.blames === 'supply' ? `stays on line L${r.odd + 1}. It is the supply` : `goes with lead T${r.odd + 1}. It is the motor`}.`,
      next:
        r.blames === 'supply'
          ? 'The motor is cleared. Read the volts on both sides of the contactor on that line.'
          : 'Check lugs and splice of that lead, then the winding.',
      confidence: both ? 'low' : 'full',
    })
  },
}

export const leadRollCheck: CheckDefinition = {
  id: 'lead-roll',
  phase: 'live',
  part: 'electric',
  title: 'Roll the leads',
  how: 'Lock out, move all three leads over by one, run and read; do it twice. The rotation stays the same.',
  caution: 'Lock out and prove de-energized for every move.',
  for: (m) => m.phases === 3 && !m.hasVfd,
  groups: () => [
    {
      title: 'As it was: L1-T1, L2-T2, L3-T3',
      asks: cells('roll_amps', rollPositions.slice(0, 3), ['L1', 'L2', 'L3']),
    },
    {
      title: 'Moved once: L1-T3, L2-T1, L3-T2',
      asks: cells('roll_amps', rollPositions.slice(3, 6), ['L1', 'L2', 'L3']),
    },
    {
      title: 'Moved twice: L1-T2, L2-T3, L3-T1',
      asks: cells('roll_amps', rollPositions.slice(6, 9), ['L1', 'L2', 'L3']),
    },
  ],
  judges: [roll],
}
