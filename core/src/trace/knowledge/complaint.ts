import type { Feature } from '../features.ts'

/** What somebody reports of a fan. */
export interface Complaint {
  readonly id: string
  readonly words: string
  /** Causes that are usually behind it, each with its share. */
  readonly shares: Readonly<Record<string, number>>
  /** What a machine must have for it to be reported; null: any machine. */
  readonly fits: Feature | null
}

/** @param per shares in per cent */
export const complaint = (
  id: string,
  words: string,
  per: Readonly<Record<string, number>>,
  fits: Feature | null = null,
): Complaint => ({
  id,
  words,
  fits,
  shares: Object.fromEntries(Object.entries(per).map(([cause, share]) => [cause, share / 100])),
})
