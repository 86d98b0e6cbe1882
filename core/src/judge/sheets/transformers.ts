import { transformerReading } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { linePositions, show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, cells, type SheetCheck } from './sheet.ts'

const ratioBasis = standard('turns ratio')

/** Control transformer: its ratio tells whether it or what feeds it is at fault. */
const controlPower: Check = {
  id: 'control-power',
  title: 'Control power',
  applies: (c) => c.value('control_volts', 'out') !== undefined,
  judge(c) {
    const out = c.value('control_volts', 'out') ?? 0
    const into = c.value('control_volts', 'in')
    const rated = c.machine.controls.controlVolts ?? (out > 60 ? 120 : 24)
    const window = c.limit('control-volts')
    const stray = c.limit('transformer-ratio')
    const ratedIn = c.machine.serviceVolts === 480 ? 460 : c.machine.serviceVolts === 600 ? 575 : c.machine.serviceVolts
    const away = out / rated - 1
    const low = `${show.volts(out)} V of ${show.volts(rated)} V`
    if (into !== undefined && into > 0) {
      const r = transformerReading({ in: into, out, ratedIn, ratedOut: rated }, stray.value + 0.05, window.value)
      const told = `${show.volts(out)} V out of ${show.volts(into)} V in`
      if (r.fault === 'transformer')
        return verdict(this, {
          level: 'fix',
          value: r.off,
          limit: stray.value,
          basis: [ratioBasis, stray.basis],
          because: `${told} is not the ratio of a ${show.volts(ratedIn)}/${show.volts(rated)} V transformer: it, its fuse or its tap is at fault.`,
          next: 'Secondary fuse and taps, then the transformer.',
        })
      if (r.fault === 'upstream')
        return verdict(this, {
          level: r.supply > 1.15 ? 'stop' : 'fix',
          value: r.supply - 1,
          limit: window.value,
          basis: [ratioBasis],
          because: `${told} is the ratio of a healthy ${show.volts(ratedIn)}/${show.volts(rated)} V transformer. The fault lies ahead of it${r.supply > 1.15 ? ', and what hangs below is being destroyed' : ''}.`,
          next:
            r.supply > 1.15
              ? 'Switch off what hangs on it, then the three volts ahead.'
              : 'Do not order a transformer. Read the three volts ahead of it.',
        })
    }
    if (Math.abs(away) > window.value + 1e-9)
      return verdict(this, {
        level: 'fix',
        value: away,
        limit: window.value,
        basis: [window.basis],
        because: `${low}: ${show.percent(Math.abs(away))} ${away < 0 ? 'low' : 'high'}. Contactors chatter and burn on this.`,
        next:
          into === undefined
            ? 'Read the primary too: the ratio tells which side is at fault.'
            : 'Look for what loads it.',
        confidence: into === undefined ? 'low' : 'full',
      })
    return verdict(this, {
      level: 'ok',
      value: away,
      limit: window.value,
      basis: [window.basis],
      because: `Control power ${low}.`,
      next: 'Nothing to do.',
    })
  },
}

/** The unit's own power transformer, pair by pair. */
const powerTransformer: Check = {
  id: 'power-transformer',
  title: 'Power transformer',
  applies: (c) =>
    c.machine.controls.transformer !== null &&
    linePositions.some((p) => (c.value('transformer_in', p) ?? 0) > 0 && c.value('transformer_out', p) !== undefined),
  judge(c) {
    const rated = c.machine.controls.transformer ?? { ratedIn: 1, ratedOut: 1 }
    const stray = c.limit('transformer-ratio')
    const pairs = linePositions.flatMap((p) => {
      const into = c.value('transformer_in', p)
      const out = c.value('transformer_out', p)
      if (into === undefined || out === undefined || into <= 0) return []
      return [
        {
          p,
          into,
          out,
          r: transformerReading({ in: into, out, ...rated }, stray.value / 2, c.limit('volts-motor-window').value),
        },
      ]
    })
    const broken = pairs.filter((x) => x.r.fault === 'transformer')
    const worst = (broken.length > 0 ? broken : pairs).reduce((a, b) => (Math.abs(b.r.off) > Math.abs(a.r.off) ? b : a))
    const told = pairs.map((x) => `${x.p} ${show.volts(x.into)} in, ${show.volts(x.out)} out`).join('; ')
    const over = pairs.filter((x) => x.out > rated.ratedOut * (1 + c.limit('volts-motor-window').value))
    if (broken.length > 0)
      return verdict(this, {
        level: 'stop',
        value: worst.r.off,
        limit: stray.value / 2,
        basis: [ratioBasis, stray.basis],
        because: `${told}: ${broken.map((x) => `${x.p} ${show.signed(x.r.off * 100, 0)} %`).join(', ')} off the ${show.volts(rated.ratedIn)}/${show.volts(rated.ratedOut)} V ratio. A winding or its neutral is broken${over.length > 0 ? ', and what hangs on the high pairs burns' : ''}.`,
        next: 'Switch off everything this transformer feeds, then the transformer itself at its primary.',
      })
    if (pairs.some((x) => x.r.fault === 'upstream'))
      return verdict(this, {
        level: 'fix',
        value: worst.r.supply - 1,
        basis: [ratioBasis],
        because: `${told}: its ratio is right. What comes in is not.`,
        next: 'Leave the transformer alone; read the board that feeds it.',
      })
    return verdict(this, {
      level: 'ok',
      value: worst.r.off,
      limit: stray.value / 2,
      basis: [ratioBasis],
      because: `${told}: its ratio is right.`,
      next: 'Nothing to do.',
    })
  },
}

export const controlPowerSheet: SheetCheck = {
  id: 'control-power',
  phase: 'restore',
  title: 'Control transformer',
  how: 'Volts in and volts out, under load.',
  caution: null,
  for: always,
  groups: () => [{ title: 'Control', asks: cells('control_volts', ['in', 'out'], ['In', 'Out']) }],
  judges: [controlPower],
}

export const powerTransformerSheet: SheetCheck = {
  id: 'power-transformer',
  phase: 'restore',
  title: 'Power transformer',
  how: 'Each pair in, each pair out. The ratio tells which side the fault is on.',
  caution: 'Full supply behind the covers: qualified people, by local code.',
  for: (m) => m.controls.transformer !== null,
  groups: () => [
    { title: 'In', asks: cells('transformer_in', linePositions) },
    { title: 'Out', asks: cells('transformer_out', linePositions) },
  ],
  judges: [powerTransformer],
}
