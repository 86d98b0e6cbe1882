import { history, practice } from '../../../limits/index.ts'
import { mean, show, type QuantityCode } from '../../../quantity/index.ts'
import { comparableTo, usualRange, valuesAt, type Visit } from '../../../trend/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'

const ownTrend = practice('input and output amps of a drive are different figures: each is compared with its own past')

/** One side of a drive against its own past at like Hz. Input amps are never held against output amps. */
function againstItsPast(
  more: Pick<Rule, 'id' | 'title' | 'subject'> & {
    readonly quantity: QuantityCode
    readonly positions: readonly string[]
    readonly side: string
    readonly next: string
  },
): Rule {
  const { quantity, positions, side, next, ...own } = more
  const read = (v: Visit): number | null => {
    const values = valuesAt(v.readings, quantity, positions)
    return values.every((x) => x !== undefined) ? mean(values) : null
  }
  const usualOf = (c: Context) => {
    const since = c.baseline.since ?? -Infinity
    const like = comparableTo(c.visit)
    const past = c.history
      .filter((v) => v.at >= since && v.at < c.visit.at && like(v))
      .sort((a, b) => a.at - b.at)
      .flatMap((v) => read(v) ?? [])
    return usualRange(past)
  }
  return {
    ...own,
    from: 'history',
    of: [quantity],
    informs: true,
    applies: (c) => c.machine.hasVfd && read(c.visit) !== null && usualOf(c) !== null,
    judge(c) {
      const usual = usualOf(c)
      const amps = read(c.visit)
      if (!usual || amps === null) throw new RangeError('both must be there')
      const limit = c.limit('change-watch')
      const by = amps / usual.middle - 1
      const basis = [history(`${usual.n} visits at this Hz`), ownTrend]
      const range = `usual at this Hz ${show.amps(usual.low)} to ${show.amps(usual.high)} A`
      const out = (amps < usual.low || amps > usual.high) && Math.abs(by) > limit.value
      return verdict(this, {
        level: out ? 'watch' : 'ok',
        value: amps,
        limit: usual.middle,
        basis: out ? [...basis, limit.basis] : basis,
        because: out
          ? `${side} ${show.amps(amps)} A: ${by < 0 ? 'down' : 'up'} ${show.percent(Math.abs(by))}; ${range}.`
          : `${side} ${show.amps(amps)} A; ${range}.`,
        next: out ? next : 'Nothing to do.',
        confidence: out ? 'low' : 'full',
      })
    },
  }
}

/** Ahead of the drive, by the clamp. */
export const driveInputPast = againstItsPast({
  id: 'drive-input-past',
  title: 'Input amps against their past',
  subject: 'supply',
  quantity: 'input_amps',
  positions: ['L1', 'L2', 'L3'],
  side: 'Input',
  next: 'Read the output amps and the line volts. Output changed as well: the fan takes more or less. Output as usual: a capacitor, a leg or the rectifier of the drive.',
})

/** Behind it, by the drive's own display. */
export const driveOutputPast = againstItsPast({
  id: 'drive-output-past',
  title: 'Output amps against their past',
  subject: 'motor',
  quantity: 'drive_amps',
  positions: ['output'],
  side: 'Output by the drive',
  next: 'Clamp the output leads with a true-RMS clamp made for drives. It agrees: find what changed at the fan. It does not: the clamp or the drive’s own sensor.',
})
