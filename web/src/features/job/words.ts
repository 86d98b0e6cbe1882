import type { JobRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { optionCosts, type JobStands } from '@motor-round/core/job'

/** Minutes as people say them: 45 min, 2 h, 4 h 50 min. */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes)
  const [h, m] = [Math.floor(whole / 60), whole % 60]
  return h === 0 ? `${m} min` : m === 0 ? `${h} h` : `${h} h ${m} min`
}

export const stateWords: Readonly<Record<JobStands['state'], string>> = {
  open: 'Not decided',
  told: 'Told',
  quoted: 'Quoted',
  approved: 'Approved',
  declined: 'Declined',
  postponed: 'Postponed',
  'at work': 'In work',
  paused: 'Interrupted',
  closed: 'Closed',
}
export const decisionWords = {
  told: 'Told',
  quoted: 'Quoted',
  approved: 'Approved',
  declined: 'Declined',
  postponed: 'Postponed',
} as const

/** Which option of which offer was chosen, with its price. */
export function chosenWords(
  job: JobRecord,
  chosen: { readonly offerId: string; readonly option: number } | null | undefined,
): string {
  const offer = job.steps.find((s) => s.id === chosen?.offerId)
  if (!chosen || offer?.kind !== 'offer') return ''
  const cost = optionCosts(offer)[chosen.option]
  return cost ? ` · ${cost.option.title}, ${show.dollars(cost.total)}` : ''
}
