import { requireMagnitude, requirePositive } from '../quantity/index.ts'
import { waitingCost, type Waiting } from './waiting/register.ts'

export const optionKinds = ['repair', 'replace', 'rebuild', 'bypass', 'leave'] as const
export type OptionKind = (typeof optionKinds)[number]

/** One way to answer a finding. Money in one currency. */
export interface JobOption {
  readonly kind: OptionKind
  readonly title: string
  /** Hours on site, and people. */
  readonly hours: number
  readonly people: number
  readonly parts: readonly { readonly name: string; readonly count: number; readonly price: number }[]
  /** Lift, crane, permits. */
  readonly access: number
  /** Hours without this fan. */
  readonly down: number
  /** Years until the same has to be done again. */
  readonly years: number
  /** What can go wrong with it, in plain words. */
  readonly risk: string
}

/** What was offered: the options, their rates, and what waiting costs. */
export interface Offer {
  /** One line for the person who pays. */
  readonly words: string
  /** Money for an hour of one person, and for an hour without this fan. */
  readonly rate: number
  readonly downHour: number
  readonly options: readonly JobOption[]
  readonly waiting: readonly Waiting[]
}

export interface OptionCost {
  readonly option: JobOption
  readonly labor: number
  readonly parts: number
  readonly access: number
  readonly down: number
  /** What waiting costs while it lasts; only where the thing is left as it is. */
  readonly waiting: number
  readonly total: number
  /** For each year that it lasts. */
  readonly perYear: number
  /** Cheapest by the year, or within a tenth of it. */
  readonly best: boolean
  /** Why it is not to be chosen; empty where it may be. */
  readonly barred: string
}

/** So close is no difference: the figures are not better than that. @source common practice */
const tie = 1.1

function costOf(option: JobOption, { rate, downHour, waiting }: Offer) {
  requirePositive('years', option.years)
  for (const [name, value] of Object.entries({ rate, downHour, hours: option.hours, access: option.access }))
    requireMagnitude(name, value)
  const labor = option.hours * option.people * rate
  const parts = option.parts.reduce((sum, p) => sum + p.count * p.price, 0)
  const down = option.down * downHour
  const waits = option.kind === 'leave' ? waitingCost(waiting, Math.round(12 * option.years)) : 0
  const total = labor + parts + option.access + down + waits
  return { option, labor, parts, access: option.access, down, waiting: waits, total, perYear: total / option.years }
}

/**
 * What each option costs, dearest parts told apart, and which is cheapest by the year it lasts.
 * @param stands what stands at the machine as to stop: with it, nothing is left as it is
 * @source labor + parts + access + hours down; waiting: the sum of its months
 */
export function optionCosts(offer: Offer, stands: readonly string[] = []): readonly OptionCost[] {
  const [stop] = stands
  const costs = offer.options.map((o) => ({
    ...costOf(o, offer),
    barred: o.kind === 'leave' && stop !== undefined ? `It may not run as it is: ${stop}` : '',
  }))
  const least = Math.min(...costs.filter((c) => c.barred === '').map((c) => c.perYear))
  return costs.map((c) => ({ ...c, best: c.barred === '' && c.perYear <= least * tie }))
}
