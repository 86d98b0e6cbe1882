import { history, practice } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { workWords, type WorkKindId } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Work that should leave the amps about where they were, and what it means when they are not. */
const keeps: Partial<Record<WorkKindId, { readonly down: string; readonly up: string }>> = {
  'belts-renewed': {
    down: 'The new belts slip: check the tension, and the grooves with a gauge.',
    up: 'Tighter than the old ones, or the old ones slipped: set the tension calculated for this span.',
  },
  'belts-tensioned': {
    down: 'It still slips: check grooves and belt; more tension will not help.',
    up: 'It slipped before, or it is too tight now: measure the tension.',
  },
  'wheel-replaced': {
    down: 'Check that the wheel is installed the right way around: a backward wheel moves some air at fewer amps. Compare its hand with the arrow on the scroll.',
    up: 'The wheel differs from the old one, or it rubs: compare diameter and blades, then check the gap.',
  },
  'shaft-renewed': {
    down: 'Check that the wheel is the right way around and its hub tight.',
    up: 'It drags: center the wheel by the gap all around.',
  },
  'bearings-renewed': {
    down: 'Check belt tension, and that the wheel is the right way around.',
    up: 'It drags: check the alignment of the housings and the amount of grease.',
  },
  'sheaves-aligned': { down: 'Check the belt tension.', up: 'Measure the tension.' },
}

/** Amps after work that should have left them alone, against the usual before it. */
export const afterWork: Rule = {
  id: 'after-work',
  title: 'After the work',
  subject: 'motor',
  from: 'history',
  running: true,
  applies: (c) =>
    c.point !== null &&
    c.point.legs.length === c.machine.phases &&
    c.visit.state.settled !== false &&
    c.before !== null &&
    c.baseline.startedBy !== null &&
    keeps[c.baseline.startedBy] !== undefined,
  judge(c) {
    const { point, before } = c
    const kind = c.baseline.startedBy
    if (!point || !before || kind === null) throw new RangeError('before must be known')
    const by = point.normal / before.middle - 1
    const limit = c.limit('change-fix')
    const when = c.baseline.since === null ? '' : ` of ${show.day(c.baseline.since, c.visit.at, c.machine.zone)}`
    const basis = [history(`${before.n} comparable visits before the ${workWords(kind)}${when}`), limit.basis]
    const told = `${show.amps(point.normal)} A since the ${workWords(kind)}${when}, ${show.amps(before.middle)} A before it`
    if (Math.abs(by) <= limit.value)
      return verdict(this, {
        level: 'ok',
        value: point.normal,
        limit: before.middle,
        basis,
        because: `${told}.`,
        next: 'Nothing to do.',
      })
    return verdict(this, {
      level: 'fix',
      value: point.normal,
      limit: before.middle,
      basis: [...basis, practice('this work should not change the amps much')],
      because: `${told}: ${by < 0 ? 'down' : 'up'} ${show.percent(Math.abs(by))}.`,
      next: keeps[kind]?.[by < 0 ? 'down' : 'up'] ?? '',
    })
  },
}
