import { transformerReading } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
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

export const controlPowerSheet: SheetCheck = {
  id: 'control-power',
  phase: 'restore',
  part: 'electric',
  title: 'Control transformer',
  how: 'Volts in and volts out, under load.',
  caution: null,
  for: always,
  groups: () => [{ title: 'Control', asks: cells('control_volts', ['in', 'out'], ['In', 'Out']) }],
  judges: [controlPower],
}
