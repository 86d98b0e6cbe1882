import type { JobFact } from './facts.ts'
import { optionCosts } from './option.ts'

type Fact<K extends JobFact['kind']> = Extract<JobFact, { kind: K }>

/** What a job was to cost and did cost. Money in one currency; null: not known. */
export interface JobOutcome {
  readonly quoted: number | null
  readonly cost: number | null
  /** Hours of all hands. */
  readonly quotedHours: number | null
  readonly hours: number | null
}

/**
 * Quote against cost, both without what the air was worth while the fan stood: that nobody pays.
 * @param facts of one job
 */
export function jobOutcome(facts: readonly JobFact[]): JobOutcome {
  const ordered = [...facts].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const closed = ordered.findLast((f): f is Fact<'closed'> => f.kind === 'closed')
  const chosen = ordered.findLast((f): f is Fact<'decision'> => f.kind === 'decision' && f.chosen != null)?.chosen
  const offer = ordered.find((f): f is Fact<'offer'> => f.kind === 'offer' && f.id === chosen?.offerId)
  const option = offer && chosen ? optionCosts(offer)[chosen.option] : undefined
  const hours = closed?.hours ?? null
  const money = closed?.money ?? null
  return {
    quoted: option ? option.labor + option.parts + option.access : null,
    quotedHours: option ? option.option.hours * option.option.people : null,
    hours,
    // Without the rate of an offer hours are no money.
    cost: hours === null || money === null || !offer ? null : hours * offer.rate + money,
  }
}

/** How often the expected cause was right, of jobs that say so. */
export function causeRecord(closed: readonly Pick<Fact<'closed'>, 'cause'>[]): {
  readonly right: number
  readonly wrong: number
  readonly notKnown: number
} {
  const of = (cause: Fact<'closed'>['cause']) => closed.filter((c) => c.cause === cause).length
  return { right: of('right'), wrong: of('wrong'), notKnown: of('not known') }
}
