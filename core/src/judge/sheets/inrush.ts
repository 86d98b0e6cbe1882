import { codeLetter, lockedRotorAmps } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { legPositions, show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { cells, type SheetCheck } from './sheet.ts'

/** Peak of the start against the code letter. */
const inrushCheck: Check = {
  id: 'inrush',
  title: 'Inrush',
  applies: (c) => c.has('inrush') && c.allowed !== null,
  judge(c) {
    const peaks = legPositions.flatMap((p) => c.value('inrush', p) ?? [])
    const top = Math.max(...peaks)
    const plate = c.allowed?.amps ?? 1
    const letter = c.motor?.plate.code === undefined ? null : codeLetter(c.motor.plate.code)
    const hp = ((c.motor?.plate.power ?? 0) * (c.motor?.plate.powerUnit === 'kW' ? 1000 : 745.7)) / 745.7
    // The first half wave stands above the locked current by its direct component: up to about 1.4 times.
    const locked =
      letter && letter.to !== null && hp > 0
        ? lockedRotorAmps(letter.to, hp, c.allowed?.columnVolts ?? 1, c.machine.phases)
        : null
    const limit = locked === null ? null : 1.45 * locked
    const low = c.limit('inrush-low')
    const times = `${show.amps(top)} A, ${(top / plate).toFixed(1)} times the plate`
    if (limit !== null && top > limit)
      return verdict(this, {
        level: 'watch',
        value: top,
        limit,
        basis: [
          standard('NEC Table 430.7(B)'),
          practice('a clamp’s peak stands up to 1.4 times above the locked current'),
        ],
        because: `${times}: more than code letter ${letter?.letter ?? ''} gives (${show.amps(locked ?? 0)} A locked).`,
        next: 'Does it start against a back-spinning wheel, on low volts, with shorted turns? Time the start.',
      })
    if (top < low.value * plate)
      return verdict(this, {
        level: 'ok',
        value: top,
        limit: low.value * plate,
        basis: [low.basis],
        because: `${times}: soft for a start across the line${c.machine.hasDrive ? ', as a drive makes it' : ''}.`,
        next: c.machine.hasDrive ? 'Nothing to do.' : 'Was the clamp on before it started?',
        confidence: c.machine.hasDrive ? 'full' : 'low',
      })
    return verdict(this, {
      level: 'ok',
      value: top,
      limit,
      basis: [standard('NEC Table 430.7(B)')],
      because: `${times}${locked === null ? '' : `; its code letter gives up to ${show.amps(locked)} A`}.`,
      next: 'Nothing to do.',
    })
  },
}

/** How long the start took. */
const startTime: Check = {
  id: 'start-time',
  title: 'Time to start',
  applies: (c) => c.has('start_seconds') && c.machine.phases === 3,
  judge(c) {
    const s = c.value('start_seconds', 'start') ?? 0
    const long = s > 10 && !c.machine.hasDrive
    return verdict(this, {
      level: long ? 'watch' : 'ok',
      value: s,
      limit: 10,
      basis: [practice('common practice: up to about 10 s across the line')],
      because: `${s.toFixed(0)} s to speed${long ? ': the relay and the winding feel every one of them' : ''}.`,
      next: long ? 'Volts while it starts, tight belt, dragging bearing; class of the overload.' : 'Nothing to do.',
    })
  },
}

export const inrush: SheetCheck = {
  id: 'inrush',
  phase: 'live',
  part: 'electric',
  title: 'Start',
  how: 'Clamp on peak, then start it; seconds until it is at speed.',
  caution: 'Not again and again: each start heats the winding. Let it cool between.',
  for: (m) => m.phases === 3,
  groups: () => [
    { title: 'Peak', asks: cells('inrush', legPositions) },
    { title: 'Time', asks: cells('start_seconds', ['start'], ['To speed']) },
  ],
  judges: [inrushCheck, startTime],
}
