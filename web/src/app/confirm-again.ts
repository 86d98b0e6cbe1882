/** Asks for the password once more. @returns whether it was entered */
type Asker = () => Promise<boolean>

let asker: Asker | null = null

/** The page that asks, while it is shown. @returns how it leaves */
export function answerFor(ask: Asker): () => void {
  asker = ask
  return () => {
    if (asker === ask) asker = null
  }
}

/** Have the password entered once more; false where nobody is there to ask. */
export const confirmAgain = (): Promise<boolean> => asker?.() ?? Promise.resolve(false)
