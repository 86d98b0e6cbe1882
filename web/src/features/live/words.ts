import type { LiveDay, OffHours } from '@motor-round/core/live'
import { clockOf } from '../../app/dates.ts'

const names = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/** Days of the week as people say them. */
export function daysWords(days: readonly number[]): string {
  const sorted = [...days].sort((a, b) => a - b)
  if (sorted.length === 7) return 'Every day'
  if (sorted.join('') === '12345') return 'Mon to Fri'
  if (sorted.join('') === '67') return 'Sat and Sun'
  return sorted.map((d) => names[d - 1] ?? '').join(', ')
}

export const dayOptions = names.map((label, i) => ({ value: i + 1, label }))

/** Off hours in one line. */
export const offHoursWords = (o: OffHours): string =>
  `${daysWords(o.days)}, ${clockOf(o.from)} to ${clockOf(o.to)}${o.to <= o.from ? ' the next day' : ''}: ${o.hz === null ? 'off' : `at most ${o.hz} Hz`}`

/** Hours that a day ran; a dash where most of it did not come, today is as far as it is. */
export function ranWords(d: LiveDay, now: number): string {
  if (now < d.at + d.minutes * 60_000) return `${(d.ran / 60).toFixed(1)} so far`
  return d.known < 0.5 * d.minutes ? '–' : (d.ran / 60).toFixed(1)
}

const minutes = (m: number) => (m < 120 ? `${m} min` : `${(m / 60).toFixed(1)} h`)

/** What was not as it should be on a day. */
export const wrongWords = (d: LiveDay): string =>
  [
    d.uncalled > 15 ? `ran ${minutes(d.uncalled)} without a call` : '',
    d.unanswered > 15 ? `did not run for ${minutes(d.unanswered)} although called` : '',
    d.ranOff > 15 ? `ran ${minutes(d.ranOff)} in off hours` : '',
    d.tooFast > 15 ? `too fast for ${minutes(d.tooFast)} at night` : '',
  ]
    .filter((t) => t !== '')
    .join(', ')

/** How long ago something came, in words. */
export function agoWords(at: string, now: number): string {
  const m = Math.round((now - Date.parse(at)) / 60_000)
  if (m < 2) return 'now'
  if (m < 120) return `${m} minutes ago`
  if (m < 48 * 60) return `${Math.round(m / 60)} hours ago`
  return `${Math.round(m / 1440)} days ago`
}
