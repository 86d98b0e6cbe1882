import { leadRoll, overloadSetting, type LeadRoll } from '../../../electrical/index.ts'
import { plateBasis, practice, standard } from '../../../limits/index.ts'
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

/** Amps of one connection, as far as they were read. */
const connection = (c: Context, n: number) =>
  rollPositions
    .filter((p) => p.startsWith(`${n}-`))
    .flatMap((p) => {
      const amps = c.value('roll_amps', p)
      return amps === undefined ? [] : [{ p, line: p.slice(2), amps }]
    })

/** What is read with the leads rolled is drawn by the motor all the same. */
const rolledAmps: Rule = {
  id: 'roll-amps',
  title: 'Amps with leads rolled',
  subject: 'motor',
  from: 'visit',
  informs: true,
  needs: ['roll_amps'],
  applies: (c) => c.allowed !== null && rollPositions.some((p) => c.value('roll_amps', p) !== undefined),
  judge(c) {
    const allowed = c.allowed
    if (!allowed) throw new RangeError('allowed must be known')
    const all = [1, 2, 3].map((n) => connection(c, n))
    const { greatest } = overloadSetting(allowed.amps, allowed.sf ?? 1)
    const lost = all
      .filter((legs) => legs.length > 1)
      .flatMap((legs) => {
        const top = Math.max(...legs.map((l) => l.amps))
        return top > 0.1 * allowed.amps ? legs.filter((l) => l.amps <= c.limit('lost-leg').value * top) : []
      })[0]
    if (lost)
      return verdict(this, {
        level: 'stop',
        value: lost.amps,
        basis: [c.limit('lost-leg').basis],
        because: `${lost.line} carries ${show.amps(lost.amps)} A in connection ${lost.p[0] ?? ''} while the others carry: that leg is lost.`,
        next: 'Shut it off at the source. Check the fuse, lug and lead of that leg before it is started again.',
      })
    const top = all.flat().reduce((a, b) => (b.amps > a.amps ? b : a))
    if (top.amps <= allowed.amps)
      return verdict(this, {
        level: 'ok',
        value: top.amps,
        limit: allowed.amps,
        basis: [plateBasis(allowed.source)],
        because: `${show.amps(top.amps)} A at most with the leads rolled.`,
        next: 'Nothing to do.',
        settles: all.every((legs) => legs.length === 3),
      })
    return verdict(this, {
      level: top.amps > greatest ? 'stop' : 'fix',
      value: top.amps,
      limit: allowed.amps,
      basis: [plateBasis(allowed.source)],
      because: `${show.amps(top.amps)} A on ${top.line} in connection ${top.p[0] ?? ''}, over the ${show.amps(allowed.amps)} A of the nameplate.`,
      next: 'Reduce the load before it runs on, then read amps on every leg.',
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
  judges: [roll, rolledAmps],
}
