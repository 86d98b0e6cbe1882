import {
  leastUnbalance,
  loadByRatio,
  negativeSequenceRatio,
  unbalanceDerating,
  voltageUnbalance,
} from '../../../electrical/index.ts'
import { standard } from '../../../limits/index.ts'
import { loadByCircuit } from '../../../machine/index.ts'
import { linePositions, mean, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { Verdict } from '../../verdict.ts'
import { lostLineOf } from '../../lost-line.ts'
import { ratedVolts } from '../../rated-volts.ts'

interface TwoPairs {
  readonly least: number
  readonly told: string
}

/** What two pairs of three already say, whatever the third has; null where that is nothing, or a line is lost. */
function betweenTwo(c: Context): TwoPairs | null {
  if (c.machine.phases !== 3) return null
  const volts = linePositions.map((p) => c.value('volts_ll', p))
  const read = linePositions.flatMap((name, i) => (volts[i] === undefined ? [] : [{ name, volts: volts[i] }]))
  const [a, b, more] = read
  if (!a || !b || more || lostLineOf(volts, ratedVolts(c)) !== null) return null
  if (a.volts === 0 && b.volts === 0) return null
  const least = leastUnbalance(a.volts, b.volts)
  if (least <= c.limit('voltage-unbalance-supply').value) return null
  const missing = linePositions.find((p) => p !== a.name && p !== b.name) ?? ''
  return {
    least,
    told: `${a.name} ${show.volts(a.volts)} V, ${b.name} ${show.volts(b.volts)} V: at least ${show.percent(least)} voltage unbalance, whatever ${missing} has.`,
  }
}

function ofTwo(rule: Rule, { least, told }: TwoPairs, c: Context): Verdict {
  const stop = c.limit('voltage-unbalance-stop')
  const limit = least > stop.value ? stop : c.limit('voltage-unbalance-supply')
  return verdict(rule, {
    level: limit === stop ? 'stop' : 'fix',
    value: least,
    limit: limit.value,
    basis: [limit.basis],
    because: `${told}${limit === stop ? ` Above ${show.percent(stop.value)} no motor should run.` : ''}`,
    next: `${limit === stop ? 'Shut it off. ' : ''}Read all three pairs, here and at the panel.`,
    confidence: 'low',
  })
}

/** Voltage unbalance by the NEMA definition, and what it leaves of the allowed load. */
export const voltageUnbalanceRule: Rule = {
  id: 'voltage-unbalance',
  title: 'Voltage unbalance',
  subject: 'supply',
  from: 'visit',
  applies: (c) =>
    c.threeVolts === null
      ? betweenTwo(c) !== null
      : Math.max(...c.threeVolts) > 0 && lostLineOf(c.threeVolts, ratedVolts(c)) === null,
  judge(c) {
    const two = c.threeVolts === null ? betweenTwo(c) : null
    if (two) return ofTwo(this, two, c)
    const volts = c.threeVolts ?? [0, 0, 0]
    const u = voltageUnbalance(volts)
    const visit = c.limit('voltage-unbalance-stop')
    const clean = c.limit('voltage-unbalance-clean')
    const supply = c.limit('voltage-unbalance-supply')
    const told = `${show.percent(u)} voltage unbalance (${volts.map(show.volts).join(', ')} V)`
    if (negativeSequenceRatio(volts) === null)
      return verdict(this, {
        level: 'watch',
        value: u,
        basis: [standard('three line voltages close a triangle')],
        because: `${volts.map(show.volts).join(', ')} V cannot be the three voltages of one supply. One was misread.`,
        next: 'Read all three again.',
        confidence: 'low',
        settles: false,
      })
    if (u > visit.value)
      return verdict(this, {
        level: 'stop',
        value: u,
        limit: visit.value,
        basis: [visit.basis],
        because: `${told}. Above ${show.percent(visit.value)} no motor should run.`,
        next: 'Shut it off. Find the fault in the supply or its transformer before anything on this panel runs.',
      })
    if (u <= clean.value)
      return verdict(this, {
        level: 'ok',
        value: u,
        limit: clean.value,
        basis: [clean.basis],
        because: `${told}.`,
        next: 'Nothing to do.',
      })
    const derate = unbalanceDerating(u) ?? 0
    const average = (volts[0] + volts[1] + volts[2]) / 3
    // The circuit tells the load better than amps over plate; without one the ratio has to do.
    const legs = c.legsRead.map((l) => l.amps)
    const amps = legs.length > 0 && Math.max(...legs) > 1e-6 ? mean(legs) : null
    const modelled = c.circuit && amps !== null ? loadByCircuit(c.circuit.circuit, amps, average, c.supplyHz) : null
    const loaded =
      amps !== null && c.allowed
        ? (modelled ?? loadByRatio(amps, c.allowed.amps, average, c.allowed.columnVolts).load ?? 0)
        : null
    const over = loaded !== null && loaded > derate
    const bad = over || u > supply.value
    return verdict(this, {
      level: bad ? 'fix' : 'watch',
      value: u,
      limit: clean.value,
      basis: [standard('NEMA MG 1, 14.36, derating curve', 'from memory'), ...(u > supply.value ? [supply.basis] : [])],
      because: `${told}: the motor may carry ${show.percent(derate)} of its load${over ? `, and carries ${show.percent(loaded)}` : ''}. The winding runs about ${show.percent(2 * u * u * 100)} hotter.`,
      next: bad
        ? 'Find the uneven load or bad connection in the supply; until then run the fan below the derated load.'
        : 'Read the volts at the panel too: unbalanced there is the supply, balanced there is this branch.',
    })
  },
}
