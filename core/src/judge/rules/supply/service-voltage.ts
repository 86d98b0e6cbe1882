import { deadPair } from '../../../electrical/index.ts'
import { linePositions, show } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { lostLineOf } from '../../lost-line.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Does the check for a lost leg tell these volts? */
const lineLost = (c: Context, full: number): boolean =>
  c.has('volts_ll')
    ? lostLineOf(
        linePositions.map((p) => c.value('volts_ll', p)),
        full,
      ) !== null
    : deadPair(
        c.volts.map((v) => v.volts),
        full,
      ) !== null

/** Every line voltage against the plate's window and the service range. */
export const serviceVoltage: Rule = {
  id: 'service-voltage',
  title: 'Volts at the motor',
  subject: 'supply',
  from: 'visit',
  running: true,
  applies: (c) => c.volts.length > 0 && c.volts.some((v) => v.volts > 0),
  judge(c) {
    const pairs = c.machine.phases === 3 ? 3 : 1
    const settles = c.volts.length >= pairs
    const plate = c.allowed?.columnVolts ?? null
    const window = c.limit('volts-motor-window')
    const service = c.limit('volts-service-range')
    const nominal = c.machine.serviceVolts
    const reference = plate ?? nominal
    const off = (v: number) => Math.abs(v / reference - 1)
    // Volts that are low because a line is lost are told as that, and those that are right prove nothing.
    const lost = c.machine.phases === 3 && lineLost(c, reference)
    const asked = lost ? c.volts.filter((v) => v.volts > reference * (1 + window.value + 1e-9)) : c.volts
    if (asked.length === 0) return []
    const worst = asked.reduce((a, b) => (off(b.volts) > off(a.volts) ? b : a))
    const away = worst.volts / reference - 1
    const told = `${worst.name} ${show.volts(worst.volts)} V is ${show.percent(Math.abs(away))} ${away < 0 ? 'below' : 'above'} the ${show.volts(reference)} V ${plate === null ? 'supply' : 'nameplate'}`
    if (Math.abs(away) > window.value + 1e-9)
      return verdict(this, {
        level: away > 0.15 ? 'stop' : 'fix',
        value: worst.volts,
        limit: reference * (1 + Math.sign(away) * window.value),
        basis: [window.basis],
        because:
          Math.abs(away) > 0.3
            ? `${told}. Is the right nameplate column recorded, or the right supply?`
            : `${told}; the motor’s range is ${show.percent(window.value)}.`,
        next:
          away < 0
            ? 'Read the volts at the panel: low there is the supply, good there is drop on the way.'
            : 'Do not run it on this. Check the transformer taps and the connection of the motor.',
      })
    const outside = c.volts.filter((v) => Math.abs(v.volts / nominal - 1) > service.value + 1e-9)
    const first = outside[0]
    if (first)
      return verdict(this, {
        level: 'watch',
        settles,
        value: first.volts,
        limit: nominal * (1 + Math.sign(first.volts - nominal) * service.value),
        basis: [service.basis],
        because: `${first.name} ${show.volts(first.volts)} V on a ${nominal} V service, outside its ${show.percent(service.value)}; still inside the motor’s range.`,
        next: 'Re-read at another time of day; if it stays, notify whoever maintains the supply.',
      })
    return verdict(this, {
      level: 'ok',
      settles,
      value: worst.volts,
      limit: reference * (1 + window.value),
      basis: [window.basis, service.basis],
      because: `Volts in range: ${told}.`,
      next: 'Nothing to do.',
    })
  },
}
