import dayjs from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat.js'
import timezone from 'dayjs/plugin/timezone.js'
import utc from 'dayjs/plugin/utc.js'

dayjs.extend(utc)
dayjs.extend(timezone)
dayjs.extend(customParseFormat)

/**
 * The instant of a time of the day by the clock of a zone. A time that the clock skips in spring is taken as an hour later.
 * @param local as `2026-03-14 09:30:00.000`
 */
export const instantIn = (local: string, zone: string): Date =>
  dayjs.tz(local, 'YYYY-MM-DD HH:mm:ss.SSS', zone).toDate()

/** By how many minutes the clock of a zone is ahead of UTC at an instant, ms since 1970. */
export const offsetAt = (ms: number, zone: string): number => dayjs(ms).tz(zone).utcOffset()

/** An instant by the clock of a zone. @param format dayjs's */
export const byClock = (at: Date | string, zone: string, format: string): string => dayjs(at).tz(zone).format(format)

/** The day of an instant in a zone, ISO. */
export const dayIn = (at: Date | string, zone: string): string => byClock(at, zone, 'YYYY-MM-DD')

/** How a day is written: `Nov 25, 2026`. */
export const dayFormat = 'MMM D, YYYY'

/** A day of the calendar, ISO, as it is written. */
export const dayWords = (day: string): string => dayjs.utc(day).format(dayFormat)

/** The day after, ISO. */
export const dayAfter = (day: string): string => dayjs.utc(day).add(1, 'day').format('YYYY-MM-DD')
