import { practice } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { startAsks } from './inrush.ts'
import { cells, singlePhase, type CheckDefinition } from '../check-definition.ts'

/** A single-phase motor that creeps before it settles. */
const creeping: Rule = {
  id: 'creeping-start',
  title: 'Start of a single-phase motor',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.machine.phases === 1 && c.value('start_amps', 'L1') !== undefined,
  judge(c) {
    const first = c.value('start_amps', 'L1') ?? 0
    const then = c.value('amps', 'L1')
    const seconds = c.value('start_seconds', 'start')
    const limit = c.limit('creep-ratio')
    const ratio = then !== undefined && then > 0 ? first / then : null
    const slow = seconds === undefined || seconds > 2
    const took = seconds === undefined ? '' : ` for ${seconds.toFixed(0)} s`
    if (c.visit.state.turning === 'not turning' || then === undefined || ratio === null)
      return verdict(this, {
        level: then === undefined ? 'watch' : 'stop',
        settles: then !== undefined,
        value: first,
        basis: [limit.basis],
        because:
          then === undefined
            ? `${show.amps(first)} A while it starts; settled amps were not read.`
            : `${show.amps(first)} A and not turning.`,
        next:
          then === undefined
            ? 'Let it settle and read again.'
            : 'Shut it off, lock out and spin it by hand: stiff is mechanical; free, test the capacitor.',
        confidence: 'low',
      })
    if (ratio < 0.95)
      return verdict(this, {
        level: 'watch',
        value: ratio,
        basis: [practice('a motor draws more while it starts than when it runs')],
        because: `${show.amps(first)} A while it starts, then ${show.amps(then)} A: the start was missed, or misread.`,
        next: 'Clamp on first, set the meter to hold the peak, then start it.',
        confidence: 'low',
        settles: false,
      })
    const plate = c.fullAllowed?.amps ?? null
    if (ratio > limit.value && slow) {
      const weak = c.has('capacitance', 'capacitor_amps')
      return verdict(this, {
        level: plate !== null && first > plate ? 'fix' : 'watch',
        value: ratio,
        limit: limit.value,
        basis: [limit.basis],
        because: `It draws ${show.amps(first)} A${took} before it settles at ${show.amps(then)} A${plate === null ? '' : ` on a ${show.amps(plate)} A plate`}: slow to start. Motor too small for its blade, or a weak capacitor.`,
        next: `${weak ? '' : 'Measure the capacitor first. '}If it is good, use the next size by nameplate amps, not by horsepower.`,
      })
    }
    return verdict(this, {
      level: 'ok',
      value: ratio,
      limit: limit.value,
      basis: [limit.basis],
      because: `Normal start: ${show.amps(first)} A${took}, then ${show.amps(then)} A.`,
      next: 'Nothing to do.',
    })
  },
}

export const singleStart: CheckDefinition = {
  id: 'single-start',
  phase: 'live',
  part: 'electric',
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
    startAsks,
  ],
  judges: [creeping],
}
