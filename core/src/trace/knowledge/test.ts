/** Where a test puts the person who makes it, the least hazardous first. */
export const exposures = ['look', 'outside', 'locked out', 'live panel', 'beside it running'] as const
export type Exposure = (typeof exposures)[number]

/** What must stand before a test is made. */
export type Need = 'locked out' | 'discharged' | 'drive isolated' | 'powered' | 'running' | 'inhibited'

export interface Outcome {
  readonly id: string
  readonly words: string
  /** Share of unrelated faults that show it; all of a test's come to one. */
  readonly base: number
}

/** Something to look at, ask, read or do that tells causes apart. */
export interface Test {
  readonly id: string
  readonly title: string
  /** Where and how, one sentence. */
  readonly how: string
  readonly minutes: number
  readonly exposure: Exposure
  readonly needs: readonly Need[]
  readonly outcomes: readonly Outcome[]
  /** Share of its results that are misread. */
  readonly misread: number
}

interface Given {
  readonly how: string
  readonly minutes: number
  readonly needs?: readonly Need[]
  /** Per cent. */
  readonly misread: number
  /** By id: per cent of unrelated faults that show it, and how it is said. */
  readonly results: Readonly<Record<string, readonly [base: number, words: string]>>
}

type Add = (id: string, title: string, given: Given) => Test

/** The tests of one exposure. */
export const testsAt = (exposure: Exposure, list: (test: Add) => readonly Test[]): readonly Test[] =>
  list((id, title, { how, minutes, needs = [], misread, results }) => ({
    id,
    title,
    how,
    minutes,
    exposure,
    needs,
    misread: misread / 100,
    outcomes: Object.entries(results).map(([name, [base, words]]) => ({ id: name, words, base: base / 100 })),
  }))
