import { practice } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
import { breaksTrend, workWords } from '../../trend/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'

const later = (c: Context) =>
  c.work.filter((w) => w.at > c.stop.at && breaksTrend(w.kind, 'amps')).sort((a, b) => b.at - a.at)[0]

/** Work after a reading that changes the air or the drive makes the reading stale. */
export const stale: Check = {
  id: 'stale',
  title: 'Read since the last work',
  applies: (c) => later(c) !== undefined,
  judge(c) {
    const w = later(c)
    if (!w) throw new RangeError('work must hold something later')
    return verdict(this, {
      level: 'watch',
      basis: [practice('a repair that is not read again is not proven')],
      because: `Read before the last work: ${workWords(w.kind)} on ${show.day(w.at, c.stop.at)}. These amps no longer count.`,
      next: 'Read again in the same state.',
      confidence: 'low',
    })
  },
}
