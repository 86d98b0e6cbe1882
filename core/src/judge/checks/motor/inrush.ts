import { codeLetter, lockedRotorAmps } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { legPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { cells, choice, type CheckDefinition } from '../check-definition.ts'

/** Peak of the start against the code letter. */
const inrushCheck: Rule = {
  id: 'inrush',
  title: 'Inrush',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.readings('inrush').length > 0 && c.fullAllowed !== null,
  judge(c) {
    const peaks = legPositions.flatMap((p) => c.value('inrush', p) ?? [])
    const top = Math.max(...peaks)
    const plate = c.fullAllowed?.amps ?? 1
    const letter = c.motor?.plate.code === undefined ? null : codeLetter(c.motor.plate.code)
    const hp = ((c.motor?.plate.power ?? 0) * (c.motor?.plate.powerUnit === 'kW' ? 1000 : 745.7)) / 745.7
    // The first half wave stands above the locked current by its direct component: up to about 1.4 times.
    const locked =
      letter && letter.to !== null && hp > 0
        ? lockedRotorAmps(letter.to, hp, c.fullAllowed?.columnVolts ?? 1, c.machine.phases)
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
          practice('a clamp’s peak reads up to 1.4 times the locked-rotor current'),
        ],
        because: `${times}: more than code letter ${letter?.letter ?? ''} gives (${show.amps(locked ?? 0)} A locked).`,
        next: 'Time the start: long is a windmilling wheel or low volts, short is shorted turns.',
      })
    const running = Math.max(0, ...c.legsRead.map((l) => l.amps))
    // Across the line no start stays below the nameplate; a drive may start softly, and still draws something.
    const least = Math.max(0.95 * running, (c.machine.hasVfd ? 0.05 : 1) * plate)
    if (top < least)
      return verdict(this, {
        level: 'watch',
        value: top,
        limit: least,
        basis: [practice('a motor draws more while it starts than when it runs')],
        because: `${times}${running > 0 ? `, and ${show.amps(running)} A when it runs` : ''}: the start was missed, or misread.`,
        next: 'Clamp on first, set the meter to peak or inrush, then start it.',
        confidence: 'low',
        settles: false,
      })
    if (top < low.value * plate)
      return verdict(this, {
        level: 'ok',
        value: top,
        limit: low.value * plate,
        basis: [low.basis],
        because: `${times}: low for an across-the-line start${c.machine.hasVfd ? ', normal on a drive' : ''}.`,
        next: c.machine.hasVfd ? 'Nothing to do.' : 'Was the clamp on before it started?',
        confidence: c.machine.hasVfd ? 'full' : 'low',
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

/** Seconds to speed, whether it came up at all, and how many tries it took. */
export const startTime: Rule = {
  id: 'start-time',
  title: 'Start',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.has('start_seconds') || c.answer('start.turned') !== undefined || c.has('start_tries'),
  judge(c) {
    const s = c.value('start_seconds', 'start')
    const tries = c.value('start_tries', 'start') ?? 1
    const turned = c.answer('start.turned')
    const misread =
      tries < 1
        ? '0 tries: it was not started.'
        : s !== undefined && s < 0.1
          ? `${s.toFixed(1)} s to speed: no fan is that quick.`
          : null
    const basis = [practice('common practice: up to about 10 s across the line; each start heats the winding')]
    const retried = tries > 1 ? ` after ${tries.toFixed(0)} tries` : ''
    if (turned === 'no')
      return verdict(this, {
        level: 'stop',
        value: s ?? null,
        basis,
        because: `It did not turn${retried || ' when it was started'}: locked-rotor current in the winding.`,
        next:
          c.machine.phases === 1
            ? 'Do not try again. Lock out and spin it by hand: stiff is mechanical; free, test the capacitor.'
            : 'Do not try again. Lock out and spin it by hand: stiff is mechanical; free, read the three volts ahead of the starter.',
      })
    if (turned === 'some' || tries > 1)
      return verdict(this, {
        level: 'fix',
        value: tries,
        limit: 1,
        basis,
        because: `It started${retried || ' only sometimes'}: it will fail to start one day.`,
        next: `Read the volts while it starts, then ${c.machine.phases === 1 ? 'test the capacitor' : 'see whether the wheel spins backward before it starts'}. Let it cool between tries.`,
      })
    if (misread !== null)
      return verdict(this, {
        level: 'watch',
        value: s ?? tries,
        basis,
        because: misread,
        next: 'Time the next start, or leave it blank.',
        confidence: 'low',
        settles: false,
      })
    if (s === undefined)
      return verdict(this, { level: 'ok', basis, because: 'It came up to speed.', next: 'Nothing to do.' })
    // A drive takes the seconds of its ramp.
    const long = s > 10 && !c.machine.hasVfd
    const far = s > 30 && !c.machine.hasVfd
    return verdict(this, {
      level: far ? 'fix' : long ? 'watch' : 'ok',
      value: s,
      limit: 10,
      basis,
      because: `${s.toFixed(0)} s to speed${long ? ': each second heats the overload and the winding' : ''}.`,
      next: long
        ? `Read the volts while it starts, then ${c.machine.phases === 1 ? 'test the capacitor' : 'spin it by hand, locked out'}.`
        : 'Nothing to do.',
    })
  },
}

/** Asked of every start: did it turn, and how many tries did it take. */
export const startAsks = {
  title: 'Did it turn',
  asks: [
    choice('start.turned', 'It turned', [
      ['yes', 'Yes, at once'],
      ['some', 'Sometimes'],
      ['no', 'No'],
    ]),
    ...cells('start_tries', ['start'], ['Tries']),
  ],
}

export const inrush: CheckDefinition = {
  id: 'inrush',
  phase: 'live',
  part: 'electric',
  title: 'Start',
  how: 'Clamp on peak, then start it; seconds until it is at speed.',
  caution: 'Do not start repeatedly: each start heats the winding. Let it cool between starts.',
  for: (m) => m.phases === 3,
  groups: () => [
    { title: 'Peak', asks: cells('inrush', legPositions) },
    { title: 'Time', asks: cells('start_seconds', ['start'], ['To speed']) },
    startAsks,
  ],
  judges: [inrushCheck, startTime],
}
