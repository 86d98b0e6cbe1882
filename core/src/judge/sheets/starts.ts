import { codeLetter, lockedRotorAmps } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { legPositions, show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { cells, singlePhase, type SheetCheck } from './sheet.ts'

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

/** A single-phase motor that creeps before it settles. */
const creeping: Check = {
  id: 'creeping-start',
  title: 'Start of a single-phase motor',
  applies: (c) => c.machine.phases === 1 && c.has('start_amps'),
  judge(c) {
    const first = c.value('start_amps', 'L1') ?? 0
    const then = c.value('amps', 'L1')
    const seconds = c.value('start_seconds', 'start')
    const limit = c.limit('creep-ratio')
    const ratio = then !== undefined && then > 0 ? first / then : null
    const slow = seconds === undefined || seconds > 2
    const took = seconds === undefined ? '' : ` for ${seconds.toFixed(0)} s`
    if (c.stop.state.turning === 'not turning' || then === undefined || ratio === null)
      return verdict(this, {
        level: then === undefined ? 'watch' : 'stop',
        value: first,
        basis: [limit.basis],
        because:
          then === undefined
            ? `${show.amps(first)} A while it starts; what it settles at was not read.`
            : `${show.amps(first)} A and it does not turn: open winding, dead capacitor or stuck shaft.`,
        next:
          then === undefined
            ? 'Let it settle and read again.'
            : 'Switch off, spin by hand locked out, capacitor, winding.',
        confidence: 'low',
      })
    const plate = c.allowed?.amps ?? null
    if (ratio > limit.value && slow) {
      const weak = c.has('capacitance', 'capacitor_amps')
      return verdict(this, {
        level: plate !== null && first > plate ? 'fix' : 'watch',
        value: ratio,
        limit: limit.value,
        basis: [limit.basis],
        because: `It draws ${show.amps(first)} A${took} before it settles at ${show.amps(then)} A${plate === null ? '' : ` on a ${show.amps(plate)} A plate`}: it creeps. Too small for its blade, or a weak capacitor.`,
        next: `${weak ? '' : 'Measure the capacitor first. '}If that is good: the next size by plate amps, not by the horsepower printed.`,
      })
    }
    return verdict(this, {
      level: 'ok',
      value: ratio,
      limit: limit.value,
      basis: [limit.basis],
      because: `It starts briskly: ${show.amps(first)} A${took}, then ${show.amps(then)} A.`,
      next: 'Nothing to do.',
    })
  },
}

export const singleStart: SheetCheck = {
  id: 'single-start',
  phase: 'live',
  title: 'Start',
  how: 'Amps while it comes up, seconds until they fall, then the settled amps.',
  caution: null,
  for: singlePhase,
  groups: () => [
    {
      title: 'Start',
      asks: [
        ...cells('start_amps', ['L1'], ['While it starts']),
        ...cells('start_seconds', ['start'], ['Until settled']),
      ],
    },
  ],
  judges: [creeping],
}
