import { leastUnbalance, voltageUnbalance } from '../../../electrical/index.ts'
import { practice, standard, type LimitInForce } from '../../../limits/index.ts'
import { closesTriangle } from '../../../machine/index.ts'
import { allThree, legPositions, linePositions, mean, show, type ThreePhase } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { Verdict } from '../../verdict.ts'
import { lostLineBasis, lostLineNext, lostLineOf, lostLineWords } from '../../lost-line.ts'
import { ratedVolts } from '../../rated-volts.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

const threeAt = (c: Context, quantity: 'line_ll' | 'line_lg', positions: readonly string[]): ThreePhase | null =>
  allThree(positions.map((p) => c.value(quantity, p)))

const pairsOf = (c: Context): readonly string[] => (c.machine.phases === 3 ? linePositions : linePositions.slice(0, 1))

/** The supply ahead of the starter, before anything is put on it. */
const lineSide: Rule = {
  id: 'line-side',
  title: 'Line-side volts',
  subject: 'supply',
  from: 'visit',
  applies: (c) => c.has('line_ll', 'line_lg'),
  judge(c) {
    const read = pairsOf(c).flatMap((p) => {
      const volts = c.value('line_ll', p)
      return volts === undefined ? [] : [{ p, volts }]
    })
    const shown = `${read.map((r) => show.volts(r.volts)).join(', ')} V on the line side`
    const window = c.limit('volts-motor-window')
    const reference = ratedVolts(c)
    const volts = threeAt(c, 'line_ll', linePositions)
    const missing = pairsOf(c).filter((p) => !read.some((r) => r.p === p))
    if (read.length > 0 && read.every((r) => r.volts === 0)) {
      const legs = c.readings('line_lg').filter((r) => r.value > 0.4 * reference * 0.5)
      if (c.machine.phases === 1 && legs.length === 2)
        return verdict(this, {
          level: 'stop',
          basis: [standard('one leg reaches the other through the winding')],
          because: `0 V across and ${legs.map((r) => `${r.position} ${show.volts(r.value)} V`).join(', ')} to ground: one leg is lost, and the other feeds back through the winding.`,
          next: 'Do not start it. Check breaker, fuse and lug of each leg back to the panel.',
        })
      return verdict(this, {
        level: 'watch',
        basis: [practice('outside in')],
        because: `${shown}: no supply.`,
        next: 'Ask who opened it. Then read volts from the outside in until they stop: panel, breaker, disconnect, fuses.',
        settles: false,
      })
    }
    const pairs = pairsOf(c).map((p) => c.value('line_ll', p))
    const lost = c.machine.phases === 3 ? lostLineOf(pairs, reference) : null
    if (lost)
      return verdict(this, {
        level: 'stop',
        basis: [lostLineBasis],
        because: `${shown}: ${lostLineWords(lost, ' ahead of the starter')}`,
        next: `Do not start it. ${lostLineNext(lost, `${missing.length > 0 ? `Read ${missing.join(' and ')}. ` : ''}Check the fuses and lugs of ${lost.kind === 'line' ? 'that line' : 'each line'} back to the panel.`)}`,
      })
    if (volts && !closesTriangle(volts))
      return verdict(this, {
        level: 'watch',
        basis: [standard('three line voltages close a triangle')],
        because: `${shown}: these cannot be the three voltages of one supply. One was misread.`,
        next: 'Read all three pairs again.',
        confidence: 'low',
        settles: false,
      })
    if (volts) {
      const visit = c.limit('voltage-unbalance-stop')
      const u = voltageUnbalance(volts)
      if (u > visit.value) {
        const high = volts.filter((v) => v > reference * (1 + window.value)).length
        return verdict(this, {
          level: 'stop',
          value: u,
          limit: visit.value,
          basis: [visit.basis, window.basis],
          because: `${shown}: ${show.percent(u)} unbalance${high > 0 ? `, and ${high === 1 ? 'one pair' : `${high} pairs`} over the motor’s limit` : ''}. This supply damages everything on it. Suspect the transformer or its taps.`,
          next: 'Shut off everything on this supply. Then read the transformer ahead of it, each pair in and out.',
        })
      }
    }
    // Two pairs of three: the least unbalance there is, whatever the third has.
    const [one, other] = read
    const least = missing.length === 1 && one && other ? leastUnbalance(one.volts, other.volts) : 0
    const far = c.limit('voltage-unbalance-stop')
    const supplyLimit = c.limit('voltage-unbalance-supply')
    const apart = (limit: LimitInForce): Verdict =>
      verdict(this, {
        level: limit === far ? 'stop' : 'fix',
        value: least,
        limit: limit.value,
        basis: [limit.basis],
        because: `${shown}: at least ${show.percent(least)} unbalance, whatever ${missing.join(' and ')} has.${limit === far ? ' This supply damages everything on it.' : ''}`,
        next: `${limit === far ? 'Start nothing on it. ' : ''}Read ${missing.join(' and ')}, then the transformer ahead of it.`,
        confidence: 'low',
      })
    if (least > far.value) return apart(far)
    const worst = read.reduce<(typeof read)[number] | null>(
      (a, b) => (a === null || Math.abs(b.volts / reference - 1) > Math.abs(a.volts / reference - 1) ? b : a),
      null,
    )
    const away = worst ? worst.volts / reference - 1 : 0
    if (worst && Math.abs(away) > window.value + 1e-9)
      return verdict(this, {
        level: away > 0.15 ? 'stop' : 'fix',
        value: worst.volts,
        limit: reference * (1 + Math.sign(away) * window.value),
        basis: [window.basis],
        because: `${shown}: ${show.percent(Math.abs(away))} ${away > 0 ? 'over' : 'under'} the ${show.volts(reference)} V nameplate.`,
        next:
          away > 0
            ? 'Start nothing on it. Check the taps of the transformer ahead of it.'
            : 'Re-read under load, and at the panel.',
      })
    if (least > supplyLimit.value) return apart(supplyLimit)
    if (missing.length > 0)
      return verdict(this, {
        level: 'watch',
        basis: [practice('read every pair before any start')],
        because: `${read.length === 0 ? 'No pair' : `Only ${read.map((r) => r.p).join(' and ')}`} read on the line side.`,
        next: `Read ${missing.join(' and ')} before any bump.`,
        confidence: 'low',
        settles: false,
      })
    const legs = threeAt(c, 'line_lg', legPositions)
    if (legs && Math.max(...legs) > 1.2 * Math.min(...legs))
      return verdict(this, {
        level: 'watch',
        value: Math.max(...legs),
        basis: [practice('to ground the three should agree')],
        because: `${shown}, but ${legs.map(show.volts).join(', ')} V to ground: a corner or center-grounded service, or a ground fault.`,
        next: 'Find out which service this is before you continue: an open delta reads like this, a grounded leg too.',
      })
    if (!volts)
      return verdict(this, {
        level: 'ok',
        value: worst?.volts ?? null,
        limit: reference * (1 + window.value),
        basis: [window.basis],
        because: `${shown}, within ${show.percent(window.value)} of the ${show.volts(reference)} V nameplate.`,
        next: 'Nothing to do.',
      })
    const u = voltageUnbalance(volts)
    const clean = c.limit('voltage-unbalance-clean')
    if (u > clean.value)
      return verdict(this, {
        level: u > supplyLimit.value ? 'fix' : 'watch',
        value: u,
        limit: clean.value,
        basis: [u > supplyLimit.value ? supplyLimit.basis : clean.basis],
        because: `${shown}: ${show.percent(u)} unbalance at the supply itself, not the branch.`,
        next: 'Notify whoever maintains the supply; reduce the load until then.',
      })
    return verdict(this, {
      level: 'ok',
      value: u,
      limit: clean.value,
      basis: [clean.basis],
      because: `${shown}, balanced within ${show.percent(u)}.`,
      next: 'Nothing to do.',
    })
  },
}

/** What is lost between line side and motor. */
const branchDrop: Rule = {
  id: 'branch-drop',
  title: 'Loss between line side and motor',
  subject: 'wiring',
  from: 'visit',
  running: true,
  applies: (c) => threeAt(c, 'line_ll', linePositions) !== null && c.threeVolts !== null && !c.machine.hasVfd,
  judge(c) {
    const ahead = threeAt(c, 'line_ll', linePositions) ?? [1, 1, 1]
    const at = c.threeVolts ?? [1, 1, 1]
    const lost = ahead.map((v, i) => v - (at[i] ?? v))
    const worst = lost.reduce((best, v, i) => (v > (lost[best] ?? 0) ? i : best), 0)
    const share = (lost[worst] ?? 0) / Math.max(1, mean(ahead))
    const basis = [practice('common practice: branch loss up to 3 %')]
    const told = `${linePositions[worst] ?? ''} loses ${show.volts(Math.max(0, lost[worst] ?? 0))} V between line side and motor`
    return verdict(this, {
      level: share > 0.05 ? 'fix' : share > 0.03 ? 'watch' : 'ok',
      value: share,
      limit: 0.03,
      basis,
      because: `${told}${share > 0.03 ? `, ${show.percent(share)}` : ''}.`,
      next:
        share > 0.03 ? 'Measure the drop across each contact and lug of that pair while it runs.' : 'Nothing to do.',
    })
  },
}

export const lineSideCheck: CheckDefinition = {
  id: 'line-side',
  phase: 'restore',
  title: 'Line-side volts',
  how: 'Line side of the starter or drive: every pair, then each leg to ground. Before any bump.',
  caution: 'Energized panel: qualified people only, under local code. Insulated probes, one hand, no metal worn.',
  for: always,
  groups: (m) => [
    {
      title: m.phases === 1 && m.serviceVolts < 180 ? 'Line to neutral' : 'Line to line',
      asks: cells(
        'line_ll',
        m.phases === 3 ? linePositions : linePositions.slice(0, 1),
        m.phases === 1 && m.serviceVolts < 180 ? ['L1-N'] : undefined,
      ),
    },
    {
      title: 'Line to ground',
      asks: cells(
        'line_lg',
        m.phases === 3 ? legPositions : legPositions.slice(0, 2),
        m.phases === 1 && m.serviceVolts < 180 ? ['L1', 'N'] : undefined,
      ),
      also: true,
    },
  ],
  judges: [lineSide, branchDrop],
}
