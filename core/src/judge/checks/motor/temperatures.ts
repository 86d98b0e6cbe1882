import { practice, standard } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { scaleOf } from '../../scale.ts'
import { highest } from '../../evidence.ts'
import type { Verdict } from '../../verdict.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

const classLimit: Record<string, number> = { A: 105, B: 130, F: 155, H: 180 }
/** The winding's hot spot lies about so far above the shell. */
const insideOut = 25

/** The lowest class that motors are still made in: assumed where the nameplate does not say. */
const lowest = 'B'
/** A shell that no winding inside it survives for long, whatever its class. °C */
const neverOk = 130
const bearingLimit = 95

/** Shell and bearings by a spot meter, against the air and the insulation class, each spot by itself. */
const surface: Rule = {
  id: 'temperature',
  title: 'Temperatures',
  subject: 'motor',
  from: 'visit',
  running: true,
  applies: (c) =>
    ['motor', 'winding', 'bearing-de', 'bearing-ode'].some((p) => c.value('temperature', p) !== undefined),
  judge(c) {
    const at = (position: string) => {
      const r = c.reading('temperature', position)
      return r && highest(r)
    }
    const t = (celsius: number) => show.temperature(celsius, scaleOf(c))
    const shell = at('motor')
    const winding = at('winding')
    return [
      ...(winding === undefined ? [] : windingVerdict(c, this, winding)),
      ...(shell === undefined ? [] : [shellVerdict(c, this, shell)]),
      ...(['bearing-de', 'bearing-ode'] as const).flatMap((position) => {
        const celsius = at(position)
        if (celsius === undefined) return []
        const name = position === 'bearing-de' ? 'Drive-end bearing' : 'Opposite-end bearing'
        const hot = celsius > bearingLimit
        const burning = celsius > neverOk
        return [
          verdict(this, {
            level: burning ? 'stop' : hot ? 'fix' : 'ok',
            subject: 'bearings',
            positions: [position],
            value: celsius,
            limit: bearingLimit,
            basis: [practice('common practice: bearing housing up to about 95 °C')],
            because: `${name} ${t(celsius)}${hot ? `, over ${t(bearingLimit)}` : ''}.`,
            next: hot
              ? 'Run it with the belt off: cool and quiet then is belt tension, still hot is the bearing or its grease.'
              : 'Nothing to do.',
          }),
        ]
      }),
    ]
  },
}

/** The insulation class in force, whether the nameplate says it, and what its hottest spot may reach, °C. */
function classOf(c: Context): { known: boolean; most: number; named: string } {
  const printed = c.motor?.plate.insulationClass?.trim().toUpperCase() ?? ''
  const known = classLimit[printed] !== undefined
  const letter = known ? printed : lowest
  return {
    known,
    most: classLimit[letter] ?? 130,
    named: known ? `class ${letter}` : `class ${letter}, assumed: the nameplate does not say`,
  }
}

/** Read for the sake of the ohms and megohms: a cool winding proves nothing, a hot one is told. */
function windingVerdict(c: Context, check: Rule, celsius: number): Verdict[] {
  const { known, most, named } = classOf(c)
  if (celsius <= most - 20) return []
  const t = show.temperature(celsius, scaleOf(c))
  const over = celsius > most
  return [
    verdict(check, {
      level: over ? 'stop' : 'fix',
      positions: ['winding'],
      value: celsius,
      limit: over ? most : most - 20,
      basis: [standard(`${named}: ${most} °C`)],
      confidence: known ? 'full' : 'low',
      because: `Winding ${t}: ${over ? 'over' : 'close to'} what ${named} stands.`,
      next: over
        ? 'Leave it off until it has cooled, then test insulation and ohms before power.'
        : 'Read amps and volts: over the nameplate is overload, as usual is poor air over the motor.',
    }),
  ]
}

function shellVerdict(c: Context, check: Rule, shell: number): Verdict {
  const t = (celsius: number) => show.temperature(celsius, scaleOf(c))
  const ambient = c.value('temperature', 'ambient')
  const { known, most, named } = classOf(c)
  const touch = c.limit('surface-hot')
  const basis = [practice('the hot spot lies about 25 K above the shell'), standard(`${named}: ${most} °C`)]
  const degrees = scaleOf(c) === 'F' ? '°F' : 'K'
  const over = ambient === undefined ? null : (shell - ambient) * (scaleOf(c) === 'F' ? 1.8 : 1)
  const rise = over === null ? '' : `, ${Math.abs(over).toFixed(0)} ${degrees} ${over < 0 ? 'below' : 'above'} the air`
  const given = {
    positions: ['motor'],
    value: shell,
    basis,
    confidence: known && ambient !== undefined ? ('full' as const) : ('low' as const),
  }
  if (shell + insideOut > most || shell > neverOk)
    return verdict(check, {
      ...given,
      level: 'stop',
      limit: Math.min(most - insideOut, neverOk),
      because: `Shell ${t(shell)}${rise}: inside it is about ${t(shell + insideOut)}, over ${named}.`,
      next: 'Shut it down. Amps over the nameplate are overload; amps as usual are no air over the motor.',
    })
  if (shell + insideOut > most - 20)
    return verdict(check, {
      ...given,
      level: 'fix',
      limit: most - insideOut - 20,
      because: `Shell ${t(shell)}${rise}: inside about ${t(shell + insideOut)}, close to ${named}. Every ${scaleOf(c) === 'F' ? '18 °F' : '10 K'} halve its life.`,
      next: 'Read amps and volts: over the nameplate is overload, as usual is poor air over the motor.',
    })
  if (c.machine.phases === 1 && shell > touch.value)
    return verdict(check, {
      ...given,
      level: 'watch',
      limit: touch.value,
      basis: [touch.basis],
      because: `Shell ${t(shell)}: too hot to touch${rise}. A small motor this hot is overloaded or gets no air.`,
      next: 'Read amps against the nameplate: high is overload or a weak capacitor, as usual is poor air.',
    })
  return verdict(check, { ...given, level: 'ok', because: `Shell ${t(shell)}${rise}.`, next: 'Nothing to do.' })
}

export const temperatures: CheckDefinition = {
  id: 'temperatures',
  phase: 'live',
  title: 'Temperatures',
  how: 'Spot meter on the shell, on each bearing housing, and the air around.',
  caution: 'Above 60 °C (140 °F) gloves; keep clear of belt and wheel.',
  for: always,
  groups: () => [
    {
      title: 'Spots',
      asks: cells(
        'temperature',
        ['motor', 'bearing-de', 'bearing-ode', 'ambient'],
        ['Shell', 'Bearing DE', 'Bearing ODE', 'Air'],
      ),
    },
  ],
  judges: [surface],
}
