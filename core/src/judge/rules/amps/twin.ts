import { show } from '../../../quantity/index.ts'
import { dayMs } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { Twin } from '../../input.ts'

const near = 45 * dayMs

/**
 * Twins carry alike only at the same frequency and in the same state: both running, in the same mode, panels alike. On drives a
 * frequency that nobody read says that nothing can be said.
 */
function comparableTo(c: Context, twin: Twin): boolean {
  const { state } = c.visit
  const other = twin.state ?? null
  const hz = c.machine.hasVfd ? c.hz : (c.hz ?? c.supplyHz)
  const otherHz = twin.hz ?? (c.machine.hasVfd ? null : c.supplyHz)
  if (hz === undefined || otherHz === null || Math.abs(hz - otherHz) > 1) return false
  return (
    other === null ||
    (other.twin !== 'off' &&
      other.settled !== false &&
      (other.turning ?? 'right way') === (state.turning ?? 'right way') &&
      (other.mode ?? 'normal') === (state.mode ?? 'normal') &&
      (other.panels ?? 'on') === (state.panels ?? 'on'))
  )
}

/** The twin read nearest in time to this visit, while both ran alike. */
function twinOf(c: Context): Twin | null {
  if (!c.machine.hasTwin || c.visit.state.twin === 'off' || c.visit.state.turning === 'not turning') return null
  const read = (c.twins ?? []).filter((s) => Math.abs(s.at - c.visit.at) <= near && comparableTo(c, s))
  return read.reduce<(typeof read)[number] | null>(
    (a, b) => (a === null || Math.abs(b.at - c.visit.at) < Math.abs(a.at - c.visit.at) ? b : a),
    null,
  )
}

/** Load against the twin fan in the same unit. */
export const twin: Rule = {
  id: 'twin',
  title: 'Against its twin fan',
  subject: 'motor',
  from: 'history',
  applies: (c) =>
    c.allowed !== null &&
    c.point !== null &&
    c.legsRead.length === c.machine.phases &&
    c.visit.state.settled !== false &&
    twinOf(c) !== null,
  judge(c) {
    const twin = twinOf(c)
    const own = (c.point?.amps ?? 0) / (c.allowed?.amps ?? 1)
    const other = twin?.load ?? own
    const limit = c.limit('twin-differs')
    const off = Math.abs(own - other) / Math.max(own, other, 1e-9)
    const told = `${show.percent(own)} of nameplate, its twin ${twin?.tag ?? ''} ${show.percent(other)}`
    if (off > limit.value)
      return verdict(this, {
        level: 'watch',
        value: off,
        limit: limit.value,
        basis: [limit.basis],
        because: `It carries ${told}: twin fans on one duct should carry the same load.`,
        next: `Look at the ${own < other ? 'lower one, this' : 'lower one, the twin'}: turning the right way and at the same Hz? Then read its rpm: low is the belt, right is its wheel or damper.`,
        confidence: c.visit.state.twin === null ? 'low' : 'full',
      })
    return verdict(this, {
      level: 'ok',
      value: off,
      limit: limit.value,
      basis: [limit.basis],
      because: `It carries ${told}: the same.`,
      next: 'Nothing to do.',
    })
  },
}
