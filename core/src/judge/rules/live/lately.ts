import type { LiveDay } from '../../../live/index.ts'
import { show } from '../../../quantity/index.ts'
import { dayMs } from '../../../trend/index.ts'
import { answersIt, workAnswers } from '../../conditions/work-answers.ts'
import type { Context } from '../../context.ts'
import type { Rule } from '../../rule.ts'

/**
 * What was seen on one of so many of the newest days stands; so many good ones clear it. A day that says nothing of it, because the fan
 * stood or nobody called it, is none.
 */
const latest = 3

type Of = Pick<Rule, 'id' | 'subject'>

/** When work last answered such a result; days before it say nothing any more. */
function answeredAt(c: Context, rule: Of): number {
  const of = { check: rule.id, subject: rule.subject }
  return c.work.reduce((a, w) => (answersIt(workAnswers[w.kind], of, '') ? Math.max(a, w.at) : a), -Infinity)
}

/** The days since work that answers this, oldest first. */
export function daysSince(c: Context, rule: Of): readonly LiveDay[] {
  const since = answeredAt(c, rule)
  return (c.live?.days ?? []).filter((d) => d.at >= since && (d.known > 0 || d.mostAmps !== null))
}

/** The last moment of the newest day, ms since 1970: work after it is not in these figures yet. */
export function liveThrough(c: Context): number {
  const last = c.live?.days.at(-1)
  return last ? last.at + dayMs - 1 : c.visit.at
}

interface Seen {
  readonly day: LiveDay
  readonly figure: number
}

/** The days that say something of a figure, oldest first. */
const seen = (c: Context, rule: Of, figure: (d: LiveDay) => number | null): readonly Seen[] =>
  daysSince(c, rule).flatMap((day) => {
    const own = figure(day)
    return own === null ? [] : [{ day, figure: own }]
  })

/** Does any of the days say something of one of these? */
export const anySeen = (c: Context, rule: Of, ...figures: readonly ((d: LiveDay) => number | null)[]): boolean =>
  figures.some((f) => seen(c, rule, f).length > 0)

/** The worst of the newest days by a figure, and since when each that says something of it was like it. */
export function worstLately(
  c: Context,
  rule: Of,
  figure: (d: LiveDay) => number | null,
  wrong: (figure: number) => boolean,
): (Seen & { readonly since: number }) | null {
  const all = seen(c, rule, figure)
  if (all.length === 0) return null
  const worst = all.slice(-latest).reduce((a, b) => (b.figure >= a.figure ? b : a))
  let since = worst.day.at
  for (let i = all.indexOf(worst); i >= 0; i--) {
    const own = all[i]
    if (!own || !wrong(own.figure)) break
    since = own.day.at
  }
  return { ...worst, since }
}

/** The day of a figure, as it is told. */
export const dayTold = (c: Context, d: LiveDay): string => show.day(d.at, liveThrough(c), c.machine.zone)

/** Minutes as they are told: hours where they are many. */
export const minutesTold = (m: number): string => (m < 120 ? `${m} min` : `${(m / 60).toFixed(1)} h`)
