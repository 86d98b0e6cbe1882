/** A result that was entered in a trace and that nobody struck out. */
export interface TracedResult {
  readonly id: string
  readonly at: number
  readonly by: string
  readonly test: string
  readonly outcome: string
  /** Its trace is finished, and what it ended with was closed with what was done. */
  readonly settled: boolean
}

/** A trace that nobody has finished. */
export interface OpenTrace {
  readonly id: string
  readonly at: number
  readonly by: string
  /** What was reported; null where nothing was. */
  readonly complaint: string | null
  /** The same in the caller's words; empty where nobody wrote them down. */
  readonly words: string
}

/** What traces of a machine found, beside its visits. */
export interface Traced {
  readonly results: readonly TracedResult[]
  readonly open: readonly OpenTrace[]
}
