import {
  loadByRatio,
  lostLineByVolts,
  negativeSequenceRatio,
  unbalanceDerating,
  voltageUnbalance,
} from '../../../electrical/index.ts'
import { standard } from '../../../limits/index.ts'
import { loadByCircuit } from '../../../machine/index.ts'
import { mean, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Voltage unbalance by the NEMA definition, and what it leaves of the allowed load. */
export const voltageUnbalanceRule: Rule = {
  id: 'voltage-unbalance',
  title: 'Voltage unbalance',
  subject: 'supply',
  from: 'visit',
  applies: (c) => c.threeVolts !== null && Math.max(...c.threeVolts) > 0 && lostLineByVolts(c.threeVolts) === null,
  judge(c) {
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
