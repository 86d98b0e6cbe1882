import { show } from '../../quantity/index.ts'
import { dayMs } from '../../trend/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'

const near = 45 * dayMs

/** The sister read nearest in time to this stop, while both ran. */
function sisterOf(c: Context) {
  if (!c.machine.hasSister || c.stop.state.sister === 'off') return null
  const read = (c.sisters ?? []).filter((s) => Math.abs(s.at - c.stop.at) <= near)
  return read.reduce<(typeof read)[number] | null>(
    (a, b) => (a === null || Math.abs(b.at - c.stop.at) < Math.abs(a.at - c.stop.at) ? b : a),
    null,
  )
}

/** Load against the sister fan in the same unit. */
export const twin: Check = {
  id: 'twin',
  title: 'Against its sister',
  subject: 'motor',
  from: 'history',
  applies: (c) =>
    c.allowed !== null &&
    c.point !== null &&
    c.legsRead.length === c.machine.phases &&
    c.stop.state.settled !== false &&
    sisterOf(c) !== null,
  judge(c) {
    const sister = sisterOf(c)
    const own = (c.point?.amps ?? 0) / (c.allowed?.amps ?? 1)
    const other = sister?.load ?? own
    const limit = c.limit('twin-differs')
    const off = Math.abs(own - other) / Math.max(own, other, 1e-9)
    const told = `${show.percent(own)} of its plate, its sister ${sister?.tag ?? ''} ${show.percent(other)}`
    if (off > limit.value)
      return verdict(this, {
        level: 'watch',
        value: off,
        limit: limit.value,
        basis: [limit.basis],
        because: `It carries ${told}: twins on one duct should carry alike.`,
        next: `Look at the ${own < other ? 'lower one, this' : 'lower one, the sister'}: belt, wheel, direction, Hz, its damper.`,
        confidence: c.stop.state.sister === null ? 'low' : 'full',
      })
    return verdict(this, {
      level: 'ok',
      value: off,
      limit: limit.value,
      basis: [limit.basis],
      because: `It carries ${told}: alike.`,
      next: 'Nothing to do.',
    })
  },
}
