import { ohmsAt, phaseOhms, windingPattern, windingUnbalance } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { show, terminalPairs, terminalPositions, type ThreePhase } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { cells, choice, threePhase, type SheetCheck } from './sheet.ts'

const T = (i: number) => terminalPositions[i] ?? ''
const pairName = (i: number) => terminalPairs[i] ?? ''
const readings = (c: Context) => terminalPairs.map((p) => c.reading('winding_ohms', p))

/** Leads that the ohm scale sees to the frame, with their ohms. */
export function groundedLeads(c: Context): { lead: string; ohms: number }[] {
  const limit = c.limit('ground-ohms').value
  return terminalPositions.flatMap((lead) => {
    const r = c.reading('ground_ohms', lead)
    return r && r.how !== 'over-range' && r.value < limit ? [{ lead, ohms: r.value }] : []
  })
}

/** Past even readings of this winding at 25 °C, newest first. */
function pastMean(c: Context): number | null {
  for (const s of [...c.history].sort((a, b) => b.at - a.at)) {
    if (s.at >= c.stop.at || s.at < (c.motor?.fittedAt ?? -Infinity)) continue
    const own = terminalPairs.map((p) => s.readings.find((r) => r.quantity === 'winding_ohms' && r.position === p))
    if (own.some((r) => r === undefined || r.how === 'over-range')) continue
    const t = s.readings.find((r) => r.quantity === 'temperature' && r.position === 'winding')?.value
    const values = own.map((r) => (t === undefined ? (r?.value ?? 0) : ohmsAt(r?.value ?? 0, t, 25)))
    return values.reduce((a, b) => a + b, 0) / 3
  }
  return null
}

/** Three pairs, even and steady. */
const windingOhms: Check = {
  id: 'winding-ohms',
  title: 'Winding ohms',
  applies: (c) => c.machine.phases === 3 && readings(c).some((r) => r !== undefined),
  judge(c) {
    const even = c.limit('winding-even')
    const reject = c.limit('winding-reject')
    const wander = c.limit('ohms-wander')
    const own = readings(c)
    const given = own.filter((r) => r !== undefined)
    if (given.length < 3)
      return verdict(this, {
        level: 'watch',
        basis: [practice('three pairs, each once')],
        because: `Only ${given.map((r) => r.position).join(' and ')} read. Two pairs of a winding say nothing of the third.`,
        next: 'Read the missing pair; look that no pair was read twice.',
        confidence: 'low',
      })
    const wandering = given.filter(
      (r) => r.how === 'unsteady' && (r.spread ?? 0) > wander.value * Math.max(r.value, 1e-9),
    )
    const pairs = given.map((r) => r.value) as unknown as ThreePhase
    const open = given.map((r) => r.how === 'over-range') as unknown as [boolean, boolean, boolean]
    const shown = given.map((r) => (r.how === 'over-range' ? 'open' : show.ohms(r.value))).join(', ')
    const pattern = windingPattern(pairs, open, reject.value)
    const clear = groundedLeads(c).length === 0 && c.has('ground_ohms') ? ' Nothing to ground.' : ''
    const bad = (because: string, next: string) =>
      verdict(this, {
        level: 'stop',
        limit: reject.value,
        basis: [standard('circuit theory of wye and delta windings'), reject.basis],
        because: `${shown}: ${because}${clear}`,
        next,
      })
    const locked =
      'Leave it locked out: on two legs it hums and burns. Check the lugs once more, then it wants a motor.'
    if (pattern.kind === 'all open')
      return bad('all three open. The winding is burnt out, or the leads are off.', locked)
    if (pattern.kind === 'lead open')
      return bad(`open at ${T(pattern.lead)}. That phase or its lead is burnt through.`, locked)
    if (pattern.kind === 'delta branch open')
      return bad(`two to one to one: the branch across ${pairName(pattern.pair)} of a delta is open.`, locked)
    if (wandering.length > 0)
      return verdict(this, {
        level: 'fix',
        basis: [wander.basis],
        because: `${wandering.map((r) => r.position).join(' and ')} will not settle (±${show.ohms(wandering[0]?.spread ?? 0)}). A reading that wanders is as bad as an open one.`,
        next: 'Clean the contact, hold the rotor still, read again; if it still wanders, the joint or the winding is failing.',
      })
    const u = windingUnbalance(pairs)
    const phases = Math.min(...pairs) > 0 ? phaseOhms(pairs) : null
    const before = pastMean(c)
    const t = c.value('temperature', 'winding')
    const now = pairs.reduce((a, b) => a + (t === undefined ? b : ohmsAt(b, t, 25)), 0) / 3
    const since = before !== null && before > 0 && Math.abs(now / before - 1) > 0.1
    const compare = since
      ? ` Not like last time, when the mean was ${show.ohms(before)}${t === undefined ? '' : ' at 25 °C'}.`
      : ''
    const per = phases ? ` As a wye each phase is ${phases.wye.map(show.ohms).join(', ')}.` : ''
    const said = { value: u, limit: even.value, basis: [even.basis] }
    if (u > reject.value) {
      const where = pattern.kind === 'low pair' || pattern.kind === 'high pair' ? pairName(pattern.pair) : ''
      const low = pattern.kind === 'low pair'
      return verdict(this, {
        level: 'fix',
        value: u,
        limit: reject.value,
        basis: [reject.basis],
        because: `${shown}: ${show.percent(u)} uneven, ${where} ${low ? 'low: turns are shorted there' : 'high: a bad joint or a broken strand'}.${compare}`,
        next: low
          ? 'Clean and read again with the leads off; if it stays, it will burn: plan the motor.'
          : 'Lugs and splices first, then read again.',
      })
    }
    if (since)
      return verdict(this, {
        level: 'watch',
        ...said,
        because: `${shown}: even within ${show.percent(u)}.${compare}`,
        next: 'Another motor than in the book, another connection, a warm winding, or the leads of the meter: which?',
        confidence: t === undefined ? 'low' : 'full',
      })
    if (u > even.value)
      return verdict(this, {
        level: 'watch',
        ...said,
        because: `${shown}: ${show.percent(u)} uneven.${per}${compare}`,
        next: 'Connections first; read again. Some windings are made so: compare with last time.',
      })
    return verdict(this, {
      level: 'ok',
      ...said,
      because: `${shown}: even within ${show.percent(u)}.${clear}${compare} Good ohms do not clear the insulation.`,
      next: 'Go on to insulation.',
    })
  },
}

/** Each lead to the frame on the ohm scale: only a dead fault shows. */
const toGround: Check = {
  id: 'winding-to-ground',
  title: 'Leads to ground, ohm scale',
  applies: (c) => c.has('ground_ohms'),
  judge(c) {
    const limit = c.limit('ground-ohms')
    const grounded = groundedLeads(c)
    if (grounded.length > 0)
      return verdict(this, {
        level: 'stop',
        value: Math.min(...grounded.map((g) => g.ohms)),
        limit: limit.value,
        basis: [limit.basis],
        because: `${grounded.map((g) => `${g.lead} ${show.ohms(g.ohms)}`).join(', ')} to the frame: the winding is to ground.`,
        next: 'Do not close any breaker on it. Leave it locked out and tagged; the motor is to be changed.',
      })
    return verdict(this, {
      level: 'ok',
      limit: limit.value,
      basis: [limit.basis],
      because:
        'Nothing to ground on the ohm scale: that rules out a dead fault only, not wet or carbonised insulation.',
      next: 'Test the insulation with its own tester.',
    })
  },
}

export const winding: SheetCheck = {
  id: 'winding',
  phase: 'dead',
  part: 'electric',
  title: 'Winding ohms',
  how: 'Leads off; three different pairs, let each settle; then each lead to the bare frame.',
  caution: 'Only on a proven dead, disconnected motor. Never through a connected drive.',
  for: threePhase,
  groups: () => [
    { title: 'Pair to pair', asks: cells('winding_ohms', terminalPairs) },
    { title: 'To the frame, ohm scale', asks: cells('ground_ohms', terminalPositions) },
    { title: 'Winding at', asks: cells('temperature', ['winding'], ['Winding']), also: true },
    {
      title: 'Where',
      asks: [
        choice('ohms.place', 'Read at', [
          ['motor', 'Motor leads'],
          ['plug', 'Plug'],
          ['contactor', 'Contactor'],
        ]),
      ],
      also: true,
    },
  ],
  judges: [windingOhms, toGround],
}
