/** Something that was done and can be taken back. */
export interface Undoable {
  readonly n: number
  /** What was done: `Entry deleted`. */
  readonly text: string
  readonly undo: () => void | Promise<unknown>
}

let next = 1
const listeners = new Set<(u: Undoable) => void>()

/** Say what was done, with a button that takes it back, for ten seconds. */
export function offerUndo(text: string, undo: Undoable['undo']): void {
  const offer: Undoable = { n: next++, text, undo }
  for (const tell of listeners) tell(offer)
}
export function onUndoable(tell: (u: Undoable) => void): () => void {
  listeners.add(tell)
  return () => listeners.delete(tell)
}
