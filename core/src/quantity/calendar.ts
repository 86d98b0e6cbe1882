const calendars = new Map<string, Intl.DateTimeFormat>()
/** Making one costs more than judging a visit: each zone has its own once. */
function calendarOf(zone: string): Intl.DateTimeFormat {
  const known = calendars.get(zone)
  if (known) return known
  const made = new Intl.DateTimeFormat('en-US', { timeZone: zone, year: 'numeric', month: 'numeric', day: 'numeric' })
  calendars.set(zone, made)
  return made
}

/** The day of an instant (ms since 1970) by the calendar of a zone. @throws RangeError for a zone that does not exist */
export function dateIn(zone: string, at: number): { year: number; month: number; day: number } {
  const part = new Map(
    calendarOf(zone)
      .formatToParts(at)
      .map((p) => [p.type, Number(p.value)]),
  )
  return { year: part.get('year') ?? NaN, month: part.get('month') ?? NaN, day: part.get('day') ?? NaN }
}

const quarterHour = 900_000
const hour = 4 * quarterHour

const dayIn = (zone: string, at: number): number => {
  const { year, month, day } = dateIn(zone, at)
  return Date.UTC(year, month - 1, day)
}

/**
 * The instant at which a day of the calendar is over by the clock of a site, ms since 1970. Clocks are ahead of UTC or behind it by
 * quarters of an hour, 14 hours at most.
 * @param day ISO date @param zone IANA name
 * @throws RangeError for a day or a zone that does not exist
 */
export function dayEnds(day: string, zone: string): number {
  const begins = Date.parse(`${day}T00:00:00Z`)
  if (Number.isNaN(begins)) throw new RangeError('day must be an ISO date')
  let before = begins + 9 * hour
  let after = begins + 39 * hour
  while (after - before > quarterHour) {
    const middle = before + Math.floor((after - before) / 2 / quarterHour) * quarterHour
    if (dayIn(zone, middle) > begins) after = middle
    else before = middle
  }
  return after
}
