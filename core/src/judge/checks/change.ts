import { history } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
import { workWords } from '../../trend/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Level } from '../verdict.ts'

/** Amps against the last comparable stop and the machine's own usual range in this epoch. */
export const change: Check = {
  id: 'change',
  title: 'Change since last time',
  applies: (c) =>
    c.point !== null && c.point.legs.length === c.machine.phases && c.stop.state.settled !== false && c.past.length > 0,
  judge(c) {
    const point = c.point
    const last = c.past[c.past.length - 1]
    if (!point || !last) throw new RangeError('past must not be empty')
    const reference = c.usual?.middle ?? last.normal
    const moved = point.normal / reference - 1
    const watch = c.limit('change-watch')
    const fix = c.limit('change-fix')
    const inBand = c.usual !== null && point.normal >= c.usual.low && point.normal <= c.usual.high
    let level: Level = 'ok'
    if (!inBand && Math.abs(moved) > watch.value) level = 'watch'
    if (!inBand && Math.abs(moved) > fix.value) level = 'fix'
    const when = show.day(last.at, point.at)
    const from = c.usual ? `the usual ${show.amps(c.usual.middle)} A` : `${show.amps(last.amps)} A on ${when}`
    const since =
      c.epoch.startedBy && c.epoch.from !== null
        ? `, since the ${workWords(c.epoch.startedBy)} on ${show.day(c.epoch.from, point.at)}`
        : ''
    const basis = [
      history(c.usual ? `${c.usual.n} comparable stops${since}` : `the stop of ${when}`),
      level === 'fix' ? fix.basis : watch.basis,
    ]
    if (level === 'ok')
      return verdict(this, {
        level,
        value: point.normal,
        limit: reference,
        basis,
        because: c.usual
          ? `${show.amps(point.normal)} A against ${from}${since}.`
          : Math.abs(moved) < 0.005
            ? `As on ${when}.`
            : `${show.signed(moved * 100, 0)} % since ${when}.`,
        next: 'Nothing to do.',
      })
    const hint =
      moved < 0
        ? 'Slipping belt, blocked filter or coil, or lost load: look at the belt and the air path.'
        : 'Faster, tighter, dirtier or dragging: look at the sheave, belt, bearings and wheel, and whether a door was open.'
    return verdict(this, {
      level,
      value: point.normal,
      limit: reference,
      basis,
      because: `${moved < 0 ? 'Down' : 'Up'} ${show.percent(Math.abs(moved))} from ${from}, nothing in the book since ${when} that explains it.`,
      next: hint,
    })
  },
}
