import { loadByRatio } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { loadByCircuit } from '../../../machine/index.ts'
import { mean, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

const worked = new WeakMap<Context, ReturnType<typeof loadsOf>>()

/** Asked whether it applies and again what it says: solved once. */
function loads(c: Context) {
  const known = worked.get(c)
  if (known !== undefined) return known
  const found = loadsOf(c)
  worked.set(c, found)
  return found
}

/** Load through the circuit, and by amps over plate; null where amps, volts or circuit are not to be had. */
function loadsOf(c: Context): { circuit: number | null; ratio: number } | null {
  if (!c.circuit || !c.threeAmps || !c.threeVolts || !c.allowed || c.machine.hasVfd) return null
  const volts = mean(c.threeVolts)
  const amps = mean(c.threeAmps)
  if (volts <= 0 || amps <= 0) return null
  return {
    circuit: loadByCircuit(c.circuit.circuit, amps, volts, c.supplyHz),
    ratio: loadByRatio(amps, c.allowed.motorAmps ?? c.allowed.amps, volts, c.allowed.columnVolts).load ?? 0,
  }
}

/** What the shaft carries, told two ways: amps over plate overstate a light load. */
export const shaftLoad: Rule = {
  id: 'shaft-load',
  title: 'Shaft load',
  subject: 'motor',
  from: 'history',
  informs: true,
  applies: (c) => loads(c) !== null,
  judge(c) {
    const both = loads(c) ?? { circuit: null, ratio: 0 }
    const assumed = c.circuit?.assumed ?? []
    return verdict(this, {
      level: 'ok',
      value: both.circuit ?? both.ratio,
      basis: [
        standard('equivalent circuit estimated from the plate'),
        ...(assumed.length > 0 ? [practice(`assumed from ordinary motors: ${assumed.join(', ')}`)] : []),
      ],
      because:
        both.circuit === null
          ? `These amps are at or below the no-load amps; amps over nameplate give ${show.percent(both.ratio)}.`
          : `Shaft load ${show.percent(both.circuit)} by the motor model, ${show.percent(both.ratio)} by amps over nameplate.`,
      next: 'Nothing to do.',
    })
  },
}
