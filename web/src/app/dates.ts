import dayjs from 'dayjs'

/** Short local day: `18 Nov`, with the year when it is not this one. */
export const shortDay = (iso: string, now: number): string =>
  dayjs(iso).format(dayjs(iso).year() === dayjs(now).year() ? 'D MMM' : 'D MMM YYYY')

/** Day and time, local. */
export const dayTime = (iso: string): string => dayjs(iso).format('D MMM YYYY HH:mm')

/** When a machine wants a person, in the words of a foreman. */
export function dueWords(iso: string | null, now: number): { words: string; late: boolean } {
  if (iso === null) return { words: 'now', late: false }
  const days = dayjs(iso).startOf('day').diff(dayjs(now).startOf('day'), 'day')
  if (days < -1) return { words: `${-days} days late`, late: true }
  if (days <= 0) return { words: 'now', late: false }
  if (days <= 7) return { words: 'this week', late: false }
  return { words: shortDay(iso, now), late: false }
}
