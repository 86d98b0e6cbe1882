import { practice, standard } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, cells, type SheetCheck } from './sheet.ts'

const classLimit: Record<string, number> = { A: 105, B: 130, F: 155, H: 180 }
/** The winding's hot spot lies about so far above the shell. */
const insideOut = 25

/** Shell and bearings by a spot meter, against the air and the insulation class. */
const surface: Check = {
  id: 'temperature',
  title: 'Temperatures',
  applies: (c) => ['motor', 'bearing-de', 'bearing-ode'].some((p) => c.value('temperature', p) !== undefined),
  judge(c) {
    const t = (celsius: number) => show.temperature(celsius, c.rules.temperature)
    const motor = c.value('temperature', 'motor')
    const ambient = c.value('temperature', 'ambient')
    const bearings = Math.max(c.value('temperature', 'bearing-de') ?? -99, c.value('temperature', 'bearing-ode') ?? -99)
    const letter = c.motor?.plate.insulationClass?.toUpperCase() ?? ''
    const most = classLimit[letter]
    const touch = c.limit('surface-hot')
    const basis = [
      practice('the hot spot lies about 25 K above the shell'),
      ...(most === undefined ? [] : [standard(`class ${letter}: ${most} °C`)]),
    ]
    const rise =
      motor !== undefined && ambient !== undefined
        ? `, ${((motor - ambient) * (c.rules.temperature === 'F' ? 1.8 : 1)).toFixed(0)} ${c.rules.temperature === 'F' ? 'F' : 'K'} over the air`
        : ''
    if (motor !== undefined && most !== undefined && motor + insideOut > most)
      return verdict(this, {
        level: 'stop',
        value: motor,
        limit: most - insideOut,
        basis,
        because: `Shell ${t(motor)}${rise}: inside it is about ${t(motor + insideOut)}, over its class ${letter}.`,
        next: 'Switch it off in order. Air over the motor, filters, amps, volts.',
      })
    if (motor !== undefined && most !== undefined && motor + insideOut > most - 20)
      return verdict(this, {
        level: 'fix',
        value: motor,
        limit: most - insideOut - 20,
        basis,
        because: `Shell ${t(motor)}${rise}: inside about ${t(motor + insideOut)}, close to its class ${letter}. Every 10 K halve its life.`,
        next: 'Amps and volts, then the air over the motor: a filter that is a wall cooks it.',
      })
    if (bearings > 95)
      return verdict(this, {
        level: 'fix',
        value: bearings,
        limit: 95,
        basis: [practice('common practice: bearing housing up to about 95 °C')],
        because: `A bearing at ${t(bearings)}.`,
        next: 'Belt tension, grease, too much of it too; listen with the belt off.',
      })
    if (motor !== undefined && c.machine.phases === 1 && motor > touch.value)
      return verdict(this, {
        level: 'watch',
        value: motor,
        limit: touch.value,
        basis: [touch.basis],
        because: `Shell ${t(motor)}: too hot to touch${rise}. A small motor this hot is overloaded or gets no air.`,
        next: 'Amps against the plate, capacitor, blade, air.',
      })
    const shown = [
      motor === undefined ? '' : `shell ${t(motor)}${rise}`,
      bearings > -99 ? `bearing ${t(bearings)}` : '',
    ]
      .filter(Boolean)
      .join(', ')
    return verdict(this, {
      level: 'ok',
      value: motor ?? bearings,
      basis,
      because: `${shown.replace(/^./, (x) => x.toUpperCase())}.`,
      next: 'Nothing to do.',
      confidence: ambient === undefined ? 'low' : 'full',
    })
  },
}

export const temperatures: SheetCheck = {
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
