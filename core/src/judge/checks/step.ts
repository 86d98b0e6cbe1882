import { history, standard } from '../../limits/index.ts'
import { show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { down, up } from './by-wheel.ts'

/** A level that changed once, and nobody wrote down why. */
export const step: Check = {
  id: 'step',
  title: 'A step in the amps',
  applies: (c) => c.step !== null,
  judge(c) {
    const s = c.step
    if (!s) throw new RangeError('step must be found')
    const [from, to] = s.between
    const wheel = c.wheel?.type ?? 'forward-curved'
    return verdict(this, {
      level: 'watch',
      value: s.after,
      limit: s.before,
      basis: [standard('Pettitt’s change point'), history(`${c.past.length + 1} comparable stops`)],
      because: `${s.by < 0 ? 'Down' : 'Up'} ${show.percent(Math.abs(s.by))} between ${show.day(from, c.stop.at)} and ${show.day(to, c.stop.at)}, and no work in the book.`,
      next: `${(s.by < 0 ? down : up)[wheel]} Write down what it was, and the trend begins anew.`,
      confidence: c.wheel === null ? 'low' : 'full',
    })
  },
}
