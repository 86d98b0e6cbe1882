import { history, practice } from '../../../limits/index.ts'
import { mean, show, type QuantityCode } from '../../../quantity/index.ts'
import { comparableTo, usualRange, valuesAt, type Usual, type Visit } from '../../../trend/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'

const ownTrend = practice('input and output amps of a drive are different figures: each is compared with its own past')

interface Said {
  readonly at: number
  readonly amps: number
  readonly usual: Usual
  /** Outside of it, by more than the limit. */
  readonly out: boolean
}

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
  /** What this visit says; at a speed that was not read before, what was found wrong at the last one that says something still stands. */
  const said = (c: Context): Said | null => {
    const since = c.baseline.since ?? -Infinity
    const limit = c.limit('change-watch').value
    const own = [c.visit, ...c.earlier]
      .filter((v) => v.at >= since)
      .flatMap((v) => {
        const amps = read(v)
        return amps === null ? [] : [{ v, amps }]
      })
    for (const [i, { v, amps }] of own.entries()) {
      const like = comparableTo(v)
      const past = own.slice(i + 1).filter((o) => like(o.v))
      const usual = usualRange(past.map((o) => o.amps).reverse())
      if (!usual) continue
      const out = (amps < usual.low || amps > usual.high) && Math.abs(amps / usual.middle - 1) > limit
      return i === 0 || out ? { at: v.at, amps, usual, out } : null
    }
    return null
  }
  return {
    ...own,
    from: 'history',
    of: [quantity],
    informs: true,
    applies: (c) => c.machine.hasVfd && read(c.visit) !== null && said(c) !== null,
    judge(c) {
      const told = said(c)
      if (!told) throw new RangeError('a usual range must be there')
      const { amps, usual, out } = told
      const limit = c.limit('change-watch')
      const by = amps / usual.middle - 1
      const when =
        told.at === c.visit.at ? 'at this Hz' : `at its Hz on ${show.day(told.at, c.visit.at, c.machine.zone)}`
      const basis = [history(`${usual.n} visits ${when}`), ownTrend]
      const range = `usual ${when} ${show.amps(usual.low)} to ${show.amps(usual.high)} A`
      return verdict(this, {
        level: out ? 'watch' : 'ok',
        ...(out ? { since: told.at } : {}),
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
