import { history, practice } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
import { workWords, type WorkKindId } from '../../trend/index.ts'
import { verdict, type Check } from '../check.ts'

/** Work that should leave the amps about where they were, and what it means when they are not. */
const keeps: Partial<Record<WorkKindId, { readonly down: string; readonly up: string }>> = {
  'belts-renewed': {
    down: 'The new belts slip: tension, and grooves under a gauge.',
    up: 'Tighter than the old ones, or those slipped: tension by the figure for this span.',
  },
  'belts-tensioned': {
    down: 'It slips still: grooves and belt, not more tension.',
    up: 'It slipped before, or it is drum-tight now: measure the tension.',
  },
  'wheel-replaced': {
    down: 'Is the wheel in the right way round? A backward one moves some air on fewer amps. Hand against the arrow on the scroll.',
    up: 'Another wheel than the old one, or it rubs: diameter, blades, pitch, gap.',
  },
  'shaft-renewed': {
    down: 'Is the wheel in the right way round, and its hub tight?',
    up: 'It drags: centre it by the gap all round.',
  },
  'bearings-renewed': {
    down: 'Belt back to its tension? The wheel the right way round?',
    up: 'It drags: collar, alignment of the housings, too much grease.',
  },
  'sheaves-aligned': { down: 'Belt back to its tension?', up: 'Measure the tension.' },
}

/** Amps after work that should have left them alone, against the usual before it. */
export const afterWork: Check = {
  id: 'after-work',
  title: 'After the work',
  subject: 'motor',
  from: 'history',
  running: true,
  applies: (c) =>
    c.point !== null &&
    c.point.legs.length === c.machine.phases &&
    c.stop.state.settled !== false &&
    c.before !== null &&
    c.epoch.startedBy !== null &&
    keeps[c.epoch.startedBy] !== undefined,
  judge(c) {
    const { point, before } = c
    const kind = c.epoch.startedBy
    if (!point || !before || kind === null) throw new RangeError('before must be known')
    const by = point.normal / before.middle - 1
    const limit = c.limit('change-fix')
    const when = c.epoch.from === null ? '' : ` of ${show.day(c.epoch.from, c.stop.at, c.machine.zone)}`
    const basis = [history(`${before.n} comparable stops before the ${workWords(kind)}${when}`), limit.basis]
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
      basis: [...basis, practice('that work should leave the amps about where they were')],
      because: `${told}: ${by < 0 ? 'down' : 'up'} ${show.percent(Math.abs(by))}.`,
      next: keeps[kind]?.[by < 0 ? 'down' : 'up'] ?? '',
    })
  },
}
