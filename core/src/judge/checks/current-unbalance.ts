import { currentUnbalance, lostLegByAmps, voltageUnbalance } from '../../electrical/index.ts'
import { show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Level } from '../verdict.ts'

/** Evenness of the three currents, and whether the supply explains it. */
export const currentUnbalanceCheck: Check = {
  id: 'current-unbalance',
  title: 'Current unbalance',
  applies: (c) => c.threeAmps !== null && lostLegByAmps(c.threeAmps, c.limit('lost-leg').value) === null,
  judge(c) {
    const amps = c.threeAmps ?? [0, 0, 0]
    const i = currentUnbalance(amps)
    const watch = c.limit('current-unbalance-watch')
    const fix = c.limit('current-unbalance-fix')
    const stop = c.limit('current-unbalance-stop')
    const ratio = c.limit('unbalance-ratio-supply')
    let level: Level = 'ok'
    if (i > watch.value) level = 'watch'
    if (i > fix.value) level = 'fix'
    if (i > stop.value) level = 'stop'
    const u = c.threeVolts && Math.max(...c.threeVolts) > 0 ? voltageUnbalance(c.threeVolts) : null
    const told = `${show.percent(i)} current unbalance`
    let because = `${told}${u === null ? '' : `, ${show.percent(u)} voltage unbalance`}.`
    let next = 'Nothing to do.'
    const basis = [level === 'stop' ? stop.basis : level === 'fix' ? fix.basis : watch.basis]
    if (level !== 'ok') {
      if (u === null) {
        because = `${told}; no volts read, so the supply is neither blamed nor cleared.`
        next = 'Read the three volts in the same state.'
      } else if (u >= 0.003 && i / u <= ratio.value) {
        because = `${told} on ${show.percent(u)} voltage unbalance, ${(i / u).toFixed(0)} times: the supply explains it.`
        next = 'Mend the supply; the motor is not the cause.'
        basis.push(ratio.basis)
      } else {
        because = `${told} on ${show.percent(u)} voltage unbalance: look at the motor and its lugs, not the supply.`
        next = 'Lock out; lugs, contactor poles, then winding ohms. Rolling the leads settles it.'
        basis.push(ratio.basis)
      }
      if (level === 'stop') next = `Switch off: a leg is failing. ${next}`
    }
    return verdict(this, {
      level,
      value: i,
      limit: level === 'stop' ? stop.value : level === 'fix' ? fix.value : watch.value,
      basis,
      because,
      next,
      confidence: u === null || c.stop.state.settled === false ? 'low' : 'full',
    })
  },
}
