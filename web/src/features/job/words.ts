import type { JobStands } from '@motor-round/core/job'

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
