import dayjs from 'dayjs'

/** Short local day: `Nov 18`, with the year when it is not this one. */
export const shortDay = (iso: string, now: number): string =>
  dayjs(iso).format(dayjs(iso).year() === dayjs(now).year() ? 'MMM D' : 'MMM D, YYYY')

const clock = new Intl.DateTimeFormat(undefined, { hour: 'numeric', minute: '2-digit' })
// Some locales set a narrow no-break space before AM: a plain one is found by searching and read by every font.
const plain = (text: string) => text.replace(/[\u202f\u00a0]/g, ' ')

/** Time of the day of an instant, by the clock of the browser's locale: `2:05 PM`, `14:05`. */
export const clockTime = (iso: string): string => plain(clock.format(new Date(iso)))

/** A minute of the day by the same clock. */
export const clockOf = (minute: number): string => plain(clock.format(new Date(2026, 0, 5, 0, Math.round(minute))))

/** Spans of the day: `7:00 AM–9:30 AM, 2:00 PM–3:00 PM`. */
export const spansText = (spans: readonly { readonly from: number; readonly to: number }[]): string =>
  spans.map((s) => `${clockOf(s.from)}–${clockOf(s.to)}`).join(', ')

/** The day it is at a site, ISO, wherever the person who looks is. */
export const siteDay = (now: number, zone: string): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date(now))

/** Day and time, local. */
export const dayTime = (iso: string): string => `${dayjs(iso).format('MMM D, YYYY')}, ${clockTime(iso)}`

/** When a machine wants a person, in the words of a foreman. */
export function dueWords(iso: string | null, now: number): { words: string; late: boolean } {
  if (iso === null) return { words: 'now', late: false }
  const days = dayjs(iso).startOf('day').diff(dayjs(now).startOf('day'), 'day')
  if (days < -1) return { words: `${-days} days late`, late: true }
  if (days <= 0) return { words: 'now', late: false }
  if (days <= 7) return { words: 'this week', late: false }
  return { words: shortDay(iso, now), late: false }
}
