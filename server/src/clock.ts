/** The clock of the server: the machine's, or one that stands still for tests and pictures. */
export const clock = (fixed: string | undefined): (() => Date) => {
  if (fixed === undefined) return () => new Date()
  return () => new Date(fixed)
}
