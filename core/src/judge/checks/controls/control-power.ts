import { transformerReading } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { always, cells, choice, type CheckDefinition } from '../check-definition.ts'

const ratioBasis = standard('turns ratio')

/** Control transformer: its ratio tells whether it or what feeds it is at fault. */
const controlPower: Rule = {
  id: 'control-power',
  title: 'Control power',
  subject: 'controls',
  from: 'visit',
  applies: (c) => c.has('control_volts'),
  judge(c) {
    const into = c.value('control_volts', 'in')
    const read = c.value('control_volts', 'out')
    const fed = into === undefined ? null : into / tapOf(c) - 1
    if (
      read === undefined &&
      into !== undefined &&
      fed !== null &&
      Math.abs(fed) > c.limit('control-volts').value + 1e-9
    )
      return verdict(this, {
        level: 'fix',
        value: fed,
        limit: c.limit('control-volts').value,
        basis: [c.limit('control-volts').basis],
        because: `${show.volts(into)} V into a ${show.volts(tapOf(c))} V primary: what feeds it is at fault, whatever comes out.`,
        next: 'Read the secondary under load, then the volts ahead of the transformer.',
        confidence: 'low',
      })
    if (read === undefined)
      return verdict(this, {
        level: 'watch',
        basis: [practice('in and out, under load')],
        because: `${into === undefined ? 'Control volts' : `${show.volts(into)} V in; volts out`} not read.`,
        next: 'Read the secondary under load.',
        confidence: 'low',
        settles: false,
      })
    const out = read
    const rated = c.machine.controls.controlVolts ?? (out > 60 ? 120 : 24)
    const window = c.limit('control-volts')
    const high = c.limit('control-volts-high')
    const stray = c.limit('transformer-ratio')
    const tap = tapOf(c)
    if (into !== undefined && into < 1 && out < 1)
      return verdict(this, {
        level: 'fix',
        value: 0,
        basis: [ratioBasis],
        because: '0 V in and 0 V out: no supply to the control transformer. It is not the transformer.',
        next: 'Check its primary fuse, then read the volts at the feed ahead of it.',
      })
    const away = out / rated - 1
    if (into !== undefined && into > 0) {
      const r = transformerReading({ in: into, out, ratedIn: tap, ratedOut: rated }, stray.value + 0.05, window.value)
      const told = `${show.volts(out)} V out of ${show.volts(into)} V in`
      if (r.fault === 'transformer')
        return verdict(this, {
          level: 'fix',
          value: r.off,
          limit: stray.value,
          basis: [ratioBasis, stray.basis],
          because: `${told} is not the ratio of a ${show.volts(tap)}/${show.volts(rated)} V transformer: the transformer, its fuse or its tap is at fault.`,
          next: 'Check the secondary fuse and the taps, then replace the transformer.',
        })
      if (r.fault === 'upstream' || away > high.value || away < -window.value)
        return verdict(this, {
          level: r.supply > 1.15 || away > 0.2 ? 'stop' : 'fix',
          value: r.supply - 1,
          limit: away > 0 ? high.value : window.value,
          basis: [ratioBasis, away > 0 ? high.basis : window.basis],
          because: `${told} is the ratio of a healthy ${show.volts(tap)}/${show.volts(rated)} V transformer. The fault is in what feeds it${r.supply > 1.15 ? ', and the controls on it are being damaged' : ''}.`,
          next:
            r.supply > 1.15
              ? 'Switch off what it feeds, then read the three volts ahead of it.'
              : 'Do not order a transformer. Check the primary tap and read the volts ahead of it.',
        })
    }
    const low = `${show.volts(out)} V on a ${show.volts(rated)} V control circuit`
    if (away > high.value + 1e-9 || away < -window.value - 1e-9)
      return verdict(this, {
        level: 'fix',
        value: away,
        limit: away > 0 ? high.value : window.value,
        basis: [away > 0 ? high.basis : window.basis],
        because: `${low}: ${show.percent(Math.abs(away))} ${away < 0 ? 'low: contactors chatter and burn' : 'high: coils overheat and burn out'}.`,
        next:
          into === undefined
            ? 'Read the primary too: the ratio tells which side is at fault.'
            : 'Find what overloads it: take its loads off one at a time.',
        confidence: into === undefined ? 'low' : 'full',
      })
    return verdict(this, {
      level: 'ok',
      value: away,
      limit: away > 0 ? high.value : window.value,
      basis: [window.basis],
      because: `${low}.`,
      next: 'Nothing to do.',
    })
  },
}

/** The primary tap that is connected: the one entered at this visit, else the one that fits the supply. */
function tapOf(c: Context): number {
  const entered = Number(c.answer('control.tap'))
  if (Number.isFinite(entered) && entered > 0) return entered
  const { serviceVolts } = c.machine
  return serviceVolts === 480 ? 460 : serviceVolts === 600 ? 575 : serviceVolts
}

export const controlPowerCheck: CheckDefinition = {
  id: 'control-power',
  phase: 'restore',
  part: 'electric',
  title: 'Control transformer',
  how: 'Volts in and volts out, under load.',
  caution: null,
  for: always,
  groups: () => [
    { title: 'Control', asks: cells('control_volts', ['in', 'out'], ['In', 'Out']) },
    {
      title: 'Primary tap connected',
      asks: [
        choice(
          'control.tap',
          'Tap',
          ['120', '208', '230', '240', '277', '400', '460', '480', '575', '600'].map((v) => [v, `${v} V`] as const),
        ),
      ],
      also: true,
    },
  ],
  judges: [controlPower],
}
