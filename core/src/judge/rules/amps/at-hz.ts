import { history, practice } from '../../../limits/index.ts'
import { legPositions, mean, show } from '../../../quantity/index.ts'
import { alikeButHertz, hertzOf, median, valuesAt } from '../../../trend/index.ts'
import { ampsAtHz, type ExpectedAmps } from '../../../vfd/index.ts'
import type { Context } from '../../context.ts'
import { fanOnDrive } from '../../fan-on-drive.ts'
import { verdict, type Rule } from '../../rule.ts'
import { asRead } from './brought.ts'
import { fewerAmpsNext, moreAmpsNext } from './load-next.ts'

/** So many visits at other frequencies say what is to be expected at this one; the newest count. */
const [fewest, newest] = [2, 8]

/** What visits at other hertz, all else alike, let expect at these. */
function expectedFrom(c: Context, hz: number): readonly ExpectedAmps[] {
  const motor = fanOnDrive(c)
  if (!motor) return []
  const alike = alikeButHertz(c.visit)
  const since = c.baseline.since ?? -Infinity
  return c.earlier
    .filter((v) => v.at >= since)
    .flatMap((v) => {
      const then = hertzOf(v)
      const legs = valuesAt(v.readings, 'amps', legPositions).filter((x) => x !== undefined)
      if (then === undefined || legs.length < 3 || then < 5 || Math.abs(then - hz) <= 1) return []
      if (!alike(v)) return []
      const amps = mean(legs)
      return (amps > 0 ? ampsAtHz(motor, { amps, hz: then }, hz) : null) ?? []
    })
    .slice(0, newest)
}

/**
 * A fan on a drive seldom runs twice at the same frequency. What it drew at others says what is to be expected at this one, within
 * what meter and model leave: only more than that is told.
 */
export const atHz: Rule = {
  id: 'amps-at-hz',
  title: 'Amps at this frequency',
  subject: 'motor',
  from: 'history',
  informs: true,
  applies: (c) =>
    c.machine.hasVfd &&
    c.machine.phases === 3 &&
    c.past.filter(asRead).length < 4 &&
    c.threeAmps !== null &&
    c.hz !== undefined &&
    c.hz >= 5 &&
    c.visit.state.settled !== false &&
    expectedFrom(c, c.hz).length >= fewest,
  judge(c) {
    const hz = c.hz ?? 0
    const amps = mean(c.threeAmps ?? [0, 0, 0])
    const all = expectedFrom(c, hz)
    const low = median(all.map((e) => e.low))
    const high = median(all.map((e) => e.high))
    const basis = [
      history(`${all.length} visits at other frequencies`),
      practice('torque of a fan goes with the square of its speed; magnetizing current stays'),
    ]
    const told = `${show.amps(amps)} A at ${hz.toFixed(1)} Hz; its visits at other frequencies say ${show.amps(low)} to ${show.amps(high)} A`
    if (amps >= low && amps <= high)
      return verdict(this, { level: 'ok', value: amps, basis, because: `${told}.`, next: 'Nothing to do.' })
    return verdict(this, {
      level: 'watch',
      value: amps,
      limit: amps < low ? low : high,
      basis,
      because: `${told}.`,
      next: `${amps < low ? fewerAmpsNext(c) : moreAmpsNext(c)} Read where the clamp was: on the output leads, not ahead of the drive.`,
      confidence: 'low',
    })
  },
}
