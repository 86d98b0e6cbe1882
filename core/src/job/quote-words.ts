import { show } from '../quantity/index.ts'
import type { OptionCost, OptionKind } from './option.ts'
import { waitingCost, waitingRuleOf, type Waiting } from './waiting/register.ts'

/** What an option is called. */
export const optionWords: Readonly<Record<OptionKind, string>> = {
  repair: 'Repair',
  replace: 'Replace',
  rebuild: 'Rebuild',
  bypass: 'Bypass for now',
  leave: 'Leave as it is',
}

/** How long an option lasts: `6 months`, `a year`, `15 years`. */
export function lastsWords(years: number): string {
  if (years < 1) return show.count(Math.max(1, Math.round(12 * years)), 'month')
  return years === 1 ? 'a year' : `${show.trimmed(years, 1)} years`
}

/** What an option’s price is made of, in one line. */
export function costWords({ option, labor, parts, access, down, waiting }: OptionCost): string {
  return [
    ...(labor > 0
      ? [
          `labor ${show.dollars(labor)} (${show.count(option.hours, 'hour')}, ${option.people === 1 ? '1 person' : `${option.people} people`})`,
        ]
      : []),
    ...(parts > 0 ? [`parts ${show.dollars(parts)}`] : []),
    ...(access > 0 ? [`lift and access ${show.dollars(access)}`] : []),
    ...(option.down > 0 ? [`${show.count(option.down, 'hour')} down${down > 0 ? ` ${show.dollars(down)}` : ''}`] : []),
    ...(waiting > 0 ? [`cost of waiting ${show.dollars(waiting)}`] : []),
  ].join(', ')
}

/** What waiting costs, after some months each. */
export const waitingWords = (list: readonly Waiting[]): string =>
  [1, 3, 12].map((m) => `${show.dollars(waitingCost(list, m))} in ${show.count(m, 'month')}`).join(', ')

/** What that rests on, each in one sentence. */
export const assumptionsOf = (list: readonly Waiting[]): readonly string[] => [
  ...new Set(list.flatMap((w) => waitingRuleOf.get(w.rule)?.assumptions ?? [])),
]
