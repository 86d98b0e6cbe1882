/** How likely some causes show one outcome of a test. */
export interface Row {
  readonly test: string
  readonly outcome: string
  readonly likely: number
  readonly causes: readonly string[]
}

/** A way to write rows in which a name can stand for several causes. */
export const causesOf =
  (sets: Readonly<Record<string, readonly string[]>>) =>
  (test: string, outcome: string, likely: number, causes: readonly string[]): Row => ({
    test,
    outcome,
    likely,
    causes: causes.flatMap((c) => sets[c] ?? [c]),
  })
