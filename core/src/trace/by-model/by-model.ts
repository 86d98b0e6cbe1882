/** Chances of the outcomes of a test under a cause: by test, by cause, in the order of the test's outcomes. */
export type ByModel = Readonly<Record<string, Readonly<Record<string, readonly number[]>>>>
