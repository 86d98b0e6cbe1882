import { ohmsAt, phaseOhms, windingPattern, windingUnbalance } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { show, terminalPairs, terminalPositions, three } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { fewPairs } from './few-pairs.ts'
import { badMeterLeads } from './meter-leads.ts'
import { away, leadName, pairName, pastMean, placeOf, possibleOhms, toSplit, unevenPair } from './winding-facts.ts'
import type { Context } from '../../context.ts'
import { cells, choice, threePhase, type CheckDefinition } from '../check-definition.ts'

const readings = (c: Context) => terminalPairs.map((p) => c.reading('winding_ohms', p))

/** Leads that the ohm scale sees to the frame, with their ohms. */
export function groundedLeads(c: Context): { lead: string; ohms: number }[] {
  const limit = c.limit('ground-ohms').value
  return terminalPositions.flatMap((lead) => {
    const r = c.reading('ground_ohms', lead)
    return r && r.how !== 'over-range' && r.value < limit ? [{ lead, ohms: r.value }] : []
  })
}

/** Three pairs, balanced and steady. */
const windingOhms: Rule = {
  id: 'winding-ohms',
  title: 'Winding resistance',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.machine.phases === 3 && readings(c).some((r) => r !== undefined),
  judge(c) {
    const even = c.limit('winding-even')
    const reject = c.limit('winding-reject')
    const wander = c.limit('ohms-wander')
    const positions = [placeOf(c)]
    const subject = away(c) ? ('wiring' as const) : ('motor' as const)
    const own = readings(c)
    const given = own.filter((r) => r !== undefined)
    const wandering = given.filter(
      (r) => r.how === 'unsteady' && (r.spread ?? Infinity) > wander.value * Math.max(r.value, 1e-9),
    )
    const shown = given.map((r) => (r.how === 'over-range' ? 'open' : show.ohms(r.value))).join(', ')
    const opens = given.filter((r) => r.how === 'over-range')
    const possible = possibleOhms(c)
    if (given.length < 3) return fewPairs(this, c, given, { positions, subject })
    // The leads of the meter are part of what it shows; what they show by themselves is taken off.
    const leads = c.value('lead_ohms', 'leads') ?? 0
    const pairs = three(given.map((r) => (r.how === 'over-range' ? r.value : Math.max(0, r.value - leads))))
    const open = three(given.map((r) => r.how === 'over-range'))
    const pattern = windingPattern(pairs, open, reject.value)
    const clear = groundedLeads(c).length === 0 && c.has('ground_ohms') ? ' Nothing to ground.' : ''
    const condemned = (because: string, next: string) =>
      verdict(this, {
        level: away(c) ? 'fix' : 'stop',
        positions,
        subject,
        limit: reject.value,
        basis: [standard('circuit theory of wye and delta windings'), reject.basis],
        because: `${shown}: ${because}${clear}${away(c) ? ` Read at the ${placeOf(c)}.` : ''}`,
        next: away(c) ? toSplit : next,
      })
    const again = (because: string, next: string) =>
      verdict(this, {
        level: 'fix',
        positions,
        subject,
        limit: reject.value,
        basis: [practice('an impossible set is repeated')],
        because: `${shown}: ${because}${clear}`,
        next,
        confidence: 'low',
        settles: false,
      })
    const burnt = c.answer('lugs') === 'burnt'
    const locked =
      'Leave it locked out: on two legs it hums and burns out. Check the lugs once more; if it stays open, replace the motor.'
    if (pattern.kind === 'all open')
      return condemned('all three open. The winding is burnt out, or the leads are off.', locked)
    if (pattern.kind === 'lead open')
      return burnt
        ? verdict(this, {
            level: 'fix',
            positions,
            subject: 'wiring',
            basis: [standard('circuit theory of wye and delta windings')],
            because: `${shown}: open at ${leadName(pattern.lead)}, and a lug is burnt. Repair the lug before you judge the winding.`,
            next: 'Cut back to clean copper, new lug, and read again at the motor’s own leads before the motor is condemned.',
          })
        : condemned(`open at ${leadName(pattern.lead)}. That phase or its lead is open.`, locked)
    if (pattern.kind === 'delta branch open')
      return condemned(`two to one to one: the branch across ${pairName(pattern.pair)} of a delta is open.`, locked)
    if (opens.length > 0)
      return again(
        `${opens.map((r) => r.position).join(' and ')} open while both other pairs read: not possible for a winding. One was misread, or a lug is intermittent.`,
        burnt || away(c) ? toSplit : 'Clean the leads and read all three pairs again, each once.',
      )
    if (wandering.length > 0)
      return verdict(this, {
        level: 'fix',
        positions,
        subject,
        basis: [wander.basis],
        because: `${wandering.map((r) => r.position).join(' and ')} does not settle${wandering[0]?.spread === undefined ? '' : ` (±${show.ohms(wandering[0].spread)})`}. An unsteady reading is as bad as an open circuit.`,
        next: 'Clean the contact, hold the rotor still, re-read; if it still drifts, the connection or the winding is failing.',
        settles: false,
      })
    const top = Math.max(...pairs)
    if (top === 0 || (possible && Math.min(...pairs) < possible.least))
      return again(
        'shorted, or too low for this meter to tell.',
        'Touch the probes together, take that off, read again with a low-ohm meter. If it stays near zero, the winding is shorted.',
      )
    if (possible && top > possible.most)
      return again(
        `more than a motor of this nameplate can have (${show.ohms(possible.most)} at most). A bad contact, the wrong range, or measured through a coil or a drive.`,
        'Check the range, clean the leads, disconnect everything else and read again.',
      )
    const u = windingUnbalance(pairs)
    const phases = Math.min(...pairs) > 0 ? phaseOhms(pairs) : null
    const before = pastMean(c)
    const t = c.value('temperature', 'winding')
    const now = pairs.reduce((a, b) => a + (t === undefined ? b : ohmsAt(b, t, 25)), 0) / 3
    const since = before !== null && before > 0 && Math.abs(now / before - 1) > 0.1
    const compare = since ? ` Last time the mean was ${show.ohms(before)}${t === undefined ? '' : ' at 25 °C'}.` : ''
    const per = phases ? ` As a wye each phase is ${phases.wye.map(show.ohms).join(', ')}.` : ''
    const told = { value: u, limit: even.value, basis: [even.basis], positions, subject }
    if (u > reject.value) {
      const odd = pattern.kind === 'low pair' || pattern.kind === 'high pair' ? pattern.pair : 0
      const at25 = three(pairs.map((v) => (t === undefined ? v : ohmsAt(v, t, 25))))
      const { because, next } = unevenPair(at25, odd, before)
      return verdict(this, {
        ...told,
        level: 'fix',
        limit: reject.value,
        basis: [reject.basis],
        because: `${shown}: ${show.percent(u)} unbalance, ${because}.${compare}`,
        next,
      })
    }
    // What is uneven is so with bad leads, too; what is even is not yet.
    const doubted = badMeterLeads(this, c, positions)
    if (doubted) return doubted
    if (since)
      return verdict(this, {
        ...told,
        level: 'watch',
        because: `${shown}: balanced within ${show.percent(u)}.${compare}`,
        next: 'Check the meter leads and the winding temperature first, then the motor and its connection.',
        confidence: t === undefined ? 'low' : 'full',
      })
    if (u > even.value)
      return verdict(this, {
        ...told,
        level: 'watch',
        because: `${shown}: ${show.percent(u)} unbalance.${per}${compare}`,
        next: 'Check the connections and re-read. Some windings are made this way: compare with the last reading.',
      })
    return verdict(this, {
      ...told,
      level: 'ok',
      because: `${shown}: balanced within ${show.percent(u)}.${clear}${compare} Good ohms do not prove the insulation.`,
      next: 'Go on to insulation.',
    })
  },
}

/** Ohms to the frame that an ohmmeter may see and insulation still has failed. */
const insulated = 1e6

/** Each lead to the frame on the ohm scale: only a solid fault shows. */
const toGround: Rule = {
  id: 'winding-to-ground',
  title: 'Leads to ground, ohm scale',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.has('ground_ohms'),
  judge(c) {
    const limit = c.limit('ground-ohms')
    const grounded = groundedLeads(c)
    const leaky = c
      .readings('ground_ohms')
      .filter((r) => r.how !== 'over-range' && r.value >= limit.value && r.value < insulated)
    const clear = c.readings('ground_ohms').filter((r) => r.how === 'over-range' || r.value >= insulated)
    return [
      ...(grounded.length === 0
        ? []
        : [
            verdict(this, {
              level: 'stop',
              positions: grounded.map((g) => g.lead),
              value: Math.min(...grounded.map((g) => g.ohms)),
              limit: limit.value,
              basis: [limit.basis],
              because: `${grounded.map((g) => `${g.lead} ${show.ohms(g.ohms)}`).join(', ')} to the frame: the winding is to ground.`,
              next: away(c)
                ? 'Do not close any breaker on it. Disconnect there and read at the motor’s own leads: motor or wiring.'
                : 'Do not close any breaker on it. Leave it locked out and tagged; the motor is to be replaced.',
            }),
          ]),
      ...(leaky.length === 0
        ? []
        : [
            verdict(this, {
              level: 'fix',
              positions: leaky.map((r) => r.position),
              value: Math.min(...leaky.map((r) => r.value)),
              limit: insulated,
              basis: [limit.basis, practice('an ohmmeter that sees anything under 1 MΩ sees failed insulation')],
              because: `${leaky.map((r) => `${r.position} ${show.ohms(r.value)}`).join(', ')} to the frame on the ohm scale: under 1 MΩ the insulation has failed, wet or burnt.`,
              next: 'Read it with the insulation tester, then dry it or replace the motor. No power before that.',
            }),
          ]),
      ...(clear.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: clear.map((r) => r.position),
              limit: limit.value,
              basis: [limit.basis],
              because: `${clear.length === 3 ? 'Nothing' : `${clear.map((r) => r.position).join(' and ')}: nothing`} to ground on the ohm scale: no solid fault; wet or carbonized insulation is not ruled out.`,
              next: 'Test the insulation with an insulation tester.',
            }),
          ]),
    ]
  },
}

export const winding: CheckDefinition = {
  id: 'winding',
  phase: 'dead',
  part: 'electric',
  title: 'Winding ohms',
  how: 'Leads disconnected: read three pairs, let each settle; then each lead to the bare frame.',
  caution: 'Only on a disconnected motor proven de-energized. Never through a connected drive.',
  for: threePhase,
  groups: () => [
    { title: 'Pair to pair', asks: cells('winding_ohms', terminalPairs) },
    { title: 'To the frame, ohm scale', asks: cells('ground_ohms', terminalPositions) },
    {
      title: 'Winding and meter leads',
      asks: [
        ...cells('temperature', ['winding'], ['Winding']),
        ...cells('lead_ohms', ['leads'], ['Meter leads alone']),
      ],
      also: true,
    },
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
