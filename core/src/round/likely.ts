import { partSlots, type InstalledPart, type PartSlot } from '../installed/index.ts'
import { dayMs } from '../trend/index.ts'

/** How long a kind of part lives in this house, days; `early`: a quarter are gone by then. */
export interface KindLives {
  readonly slot: string
  readonly ended: number
  readonly early: number | null
}

/** A part that has outlived the first quarter of its kind. */
export interface LikelyPart {
  readonly slot: PartSlot
  /** In service, days. */
  readonly days: number
  readonly early: number
}

/** Fewer ends than these say nothing of a kind. */
const leastEnds = 3

/**
 * Parts that are likely to be wanted soon, the most overdue first: in service for longer than a quarter of their kind
 * lasted here.
 * @source the organization’s own lives of parts, product-limit estimate
 */
export function likelyParts(parts: readonly InstalledPart[], lives: readonly KindLives[], now: number): LikelyPart[] {
  return partSlots
    .flatMap((slot): LikelyPart[] => {
      const kind = lives.find((l) => l.slot === slot)
      const installed = parts.find((p) => p.slot === slot && p.removedAt === null)
      if (!kind || kind.early === null || kind.ended < leastEnds || !installed) return []
      const days = (now - installed.installedAt) / dayMs
      return days > kind.early ? [{ slot, days, early: kind.early }] : []
    })
    .sort((a, b) => b.days / b.early - a.days / a.early)
}
