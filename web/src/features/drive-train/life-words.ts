/** A time in service in the words of a foreman: months up to two years, then years. */
export const ageWords = (days: number): string =>
  days < 60
    ? `${Math.round(days)} days`
    : days < 730
      ? `${Math.round(days / 30.4)} months`
      : `${(days / 365.25).toFixed(1)} years`

/** A life as the half of them that it is reported of. */
export const lifeWords = (days: number): string => `median life ${ageWords(days)}`

/** The middle half of the lives, where enough have ended to tell it. */
export const spreadWords = (early: number | null, late: number | null): string =>
  early === null || late === null ? '' : `, middle half ${ageWords(early)} to ${ageWords(late)}`
