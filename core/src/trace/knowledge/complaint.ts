/** What somebody reports of a fan. */
export interface Complaint {
  readonly id: string
  readonly words: string
  /** Causes that are usually behind it, each with its share. */
  readonly shares: Readonly<Record<string, number>>
}

/** @param per shares in per cent */
export const complaint = (id: string, words: string, per: Readonly<Record<string, number>>): Complaint => ({
  id,
  words,
  shares: Object.fromEntries(Object.entries(per).map(([cause, share]) => [cause, share / 100])),
})
