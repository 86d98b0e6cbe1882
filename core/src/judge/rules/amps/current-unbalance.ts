import { currentUnbalance, leastUnbalance, lostLegByAmps, voltageUnbalance } from '../../../electrical/index.ts'
import { standard } from '../../../limits/index.ts'
import { closesTriangle, explainUnbalance, type ExplainedUnbalance } from '../../../machine/index.ts'
import { legPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { Level, Verdict } from '../../verdict.ts'
import { lostLineOf } from '../../lost-line.ts'
import { ratedVolts } from '../../rated-volts.ts'

/** What the supply makes of it by the motor's own circuit; null where circuit, volts or load are not to be had. */
function byCircuit(c: Context): ExplainedUnbalance | null {
  if (!c.circuit || !c.threeVolts || !c.threeAmps || c.machine.hasVfd) return null
  if (!closesTriangle(c.threeVolts)) return null
  if (lostLineOf(c.threeVolts, ratedVolts(c)) !== null) return null
  return explainUnbalance(c.circuit.circuit, c.threeVolts, c.threeAmps, c.supplyHz)
}

interface TwoLegs {
  /** The least unbalance there is, whatever the third leg carries. */
  readonly least: number
  readonly names: string
  readonly missing: string
}

/** What two legs of three already say; null where that is nothing, or one of them is lost. */
function betweenTwo(c: Context): TwoLegs | null {
  const [a, b, more] = c.legsRead
  if (c.machine.phases !== 3 || !a || !b || more) return null
  const [low, high] = [Math.min(a.amps, b.amps), Math.max(a.amps, b.amps)]
  if (high === 0 || low <= c.limit('lost-leg').value * high) return null
  const least = leastUnbalance(low, high)
  if (least <= c.limit('current-unbalance-fix').value) return null
  return {
    least,
    names: `${a.name} ${show.amps(a.amps)} A, ${b.name} ${show.amps(b.amps)} A`,
    missing: legPositions.find((p) => p !== a.name && p !== b.name) ?? '',
  }
}

function ofTwo(rule: Rule, { least, names, missing }: TwoLegs, c: Context): Verdict {
  const stop = c.limit('current-unbalance-stop')
  const fix = c.limit('current-unbalance-fix')
  const limit = least > stop.value ? stop : fix
  return verdict(rule, {
    level: limit === stop ? 'stop' : 'fix',
    value: least,
    limit: limit.value,
    basis: [limit.basis],
    because: `${names}: at least ${show.percent(least)} current unbalance, whatever ${missing} carries.`,
    next: `${limit === stop ? 'Switch off: a leg is failing. ' : ''}Read ${missing} and the three volts in the same state.`,
    confidence: 'low',
  })
}

/** Evenness of the three currents, and whether the supply explains it. */
export const currentUnbalanceRule: Rule = {
  id: 'current-unbalance',
  title: 'Current unbalance',
  subject: 'motor',
  from: 'visit',
  running: true,
  applies: (c) =>
    c.threeAmps === null ? betweenTwo(c) !== null : lostLegByAmps(c.threeAmps, c.limit('lost-leg').value) === null,
  judge(c) {
    const two = c.threeAmps === null ? betweenTwo(c) : null
    if (two) return ofTwo(this, two, c)
    const amps = c.threeAmps ?? [0, 0, 0]
    const i = currentUnbalance(amps)
    const watch = c.limit('current-unbalance-watch')
    const fix = c.limit('current-unbalance-fix')
    const visit = c.limit('current-unbalance-stop')
    const ratio = c.limit('unbalance-ratio-supply')
    let level: Level = 'ok'
    if (i > watch.value) level = 'watch'
    if (i > fix.value) level = 'fix'
    if (i > visit.value) level = 'stop'
    const u = c.threeVolts && Math.max(...c.threeVolts) > 0 ? voltageUnbalance(c.threeVolts) : null
    const told = `${show.percent(i)} current unbalance`
    let because = `${told}${u === null ? '' : `, ${show.percent(u)} voltage unbalance`}.`
    let next = 'Nothing to do.'
    const basis = [level === 'stop' ? visit.basis : level === 'fix' ? fix.basis : watch.basis]
    if (level !== 'ok') {
      if (u === null) {
        because = `${told}; volts not read, so the supply is not ruled out.`
        next = 'Read the three volts in the same state.'
      } else {
        const model = byCircuit(c)
        const left = c.limit('load-explained')
        const times = u >= 0.003 ? i / u : null
        const bySize = times !== null && times <= ratio.value
        // The size alone may be chance; the circuit also knows on which legs. Where both agree, twice the rest is let pass.
        const supply = model ? model.left <= left.value * (bySize ? 2 : 1) : bySize
        const rule = times === null ? '' : `, ${times.toFixed(0)} times`
        const circuit = model
          ? ` By the motor model the supply causes ${show.percent(model.expectedUnbalance)} of it; unexplained: ${show.percent(model.left)}.`
          : ''
        because = `${told} on ${show.percent(u)} voltage unbalance${rule}: ${supply ? 'the supply explains it' : 'look at the motor and its lugs, not the supply'}.${circuit}`
        next = supply
          ? 'Repair the supply; the motor is not the cause.'
          : 'Roll the leads: a high leg that stays with the line is the supply, one that moves with the lead is the motor.'
        basis.push(model ? standard('equivalent circuit, symmetrical components') : ratio.basis)
      }
      if (level === 'stop') next = `Switch off: a leg is failing. ${next}`
    }
    return verdict(this, {
      level,
      value: i,
      limit: level === 'stop' ? visit.value : level === 'fix' ? fix.value : watch.value,
      basis,
      because,
      next,
      confidence: u === null || c.visit.state.settled === false ? 'low' : 'full',
    })
  },
}
