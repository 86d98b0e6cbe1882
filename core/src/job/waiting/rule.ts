/** A figure that a cost of waiting is worked out from. */
export interface WaitingField {
  readonly key: string
  readonly title: string
  readonly unit: string
  readonly min: number
  readonly max: number
  /** A start value where one is usual; null: it is read or known on site. */
  readonly usual: number | null
}

/** One way in which waiting costs money. */
export interface WaitingRule {
  readonly id: string
  readonly title: string
  readonly fields: readonly WaitingField[]
  /**
   * Money lost in one month of waiting.
   * @param figures by field key @param month 0 for the first
   */
  readonly month: (figures: Figures, month: number) => number
  /** What it rests on, each in one sentence. */
  readonly assumptions: readonly string[]
}

export type Figures = Readonly<Record<string, number>>

/** A figure of a rule. @throws RangeError where it is not given */
export function figure(figures: Figures, key: string): number {
  const value = figures[key]
  if (value === undefined || !Number.isFinite(value)) throw new RangeError(`${key}: enter a number`)
  return value
}

/** Hours that a machine runs in a month, and what a kilowatt-hour costs. */
export const energyFields: readonly WaitingField[] = [
  { key: 'hours', title: 'Hours it runs in a month', unit: 'h', min: 0, max: 744, usual: 400 },
  { key: 'price', title: 'Price of a kilowatt-hour', unit: '$', min: 0, max: 5, usual: 0.12 },
]
