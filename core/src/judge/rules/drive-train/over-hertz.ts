import { plateBasis } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Hertz of the nameplate; of the supply where it says none. */
const plateHz = (c: Context): number => c.circuit?.circuit.hz ?? c.supplyHz

/** A fan that a drive runs faster than the nameplate: volts rise no more, the power goes with the cube, wheel and bearings turn faster. */
export const overHertz: Rule = {
  id: 'over-hertz',
  title: 'Output frequency',
  subject: 'drive',
  from: 'visit',
  informs: true,
  needs: ['hz'],
  // None at all is a drive that is off, or misread.
  applies: (c) => c.machine.hasVfd && (c.hz ?? 0) >= 0.5,
  judge(c) {
    const hz = c.hz ?? 0
    const own = plateHz(c)
    const [high, most] = [c.limit('vfd-hz-over'), c.limit('vfd-hz-most')]
    const share = hz / own
    const told = `${show.trimmed(hz, 1)} Hz on a ${own} Hz motor`
    const power = Math.round(share ** 3 * 100)
    const basis = [plateBasis(`nameplate ${own} Hz`)]
    if (share > most.value)
      return verdict(this, {
        level: 'stop',
        value: share,
        limit: most.value,
        basis: [...basis, most.basis],
        because: `${told}: faster than any such motor is built to turn. Wheel and rotor can come apart.`,
        next: `Shut it down, nobody in line with the wheel. Set the maximum frequency to ${own} Hz, then inspect the wheel and hub before it runs again.`,
      })
    if (hz > own + 0.5)
      return verdict(this, {
        level: share > high.value ? 'fix' : 'watch',
        value: share,
        limit: share > high.value ? high.value : 1,
        basis: [...basis, high.basis],
        because: `${told}: the fan asks for ${power} % of its power at ${own} Hz, and the wheel turns faster than the motor’s nameplate.`,
        next: `Set the maximum frequency to ${own} Hz, unless wheel, shaft and motor are good for more and it is written down.`,
      })
    return verdict(this, {
      level: 'ok',
      value: share,
      limit: 1,
      basis,
      because: `${told}.`,
      next: 'Nothing to do.',
    })
  },
}
