import { backFedPair, deadPair, lostLineByVolts } from '../electrical/index.ts'
import { standard, type Basis } from '../limits/index.ts'
import { allThree, linePositions } from '../quantity/index.ts'

/** A line that is lost, told by the volts between pairs: which one; one of two, where a load between these feeds it; or one at all. */
export type LostLine =
  | { readonly kind: 'line'; readonly line: number }
  | { readonly kind: 'back-fed'; readonly pair: number }
  | { readonly kind: 'dead pair'; readonly pair: number }

/**
 * @param pairs L1-L2, L2-L3, L3-L1 in volts; undefined where one was not read
 * @param full what a pair has when nothing is wrong, volts
 * @returns null where the volts tell of none
 */
export function lostLineOf(pairs: readonly (number | undefined)[], full: number): LostLine | null {
  const three = allThree(pairs)
  const line = three && lostLineByVolts(three)
  if (line !== null) return { kind: 'line', line }
  const fed = three && backFedPair(three)
  if (fed !== null) return { kind: 'back-fed', pair: fed }
  const dead = deadPair(pairs, full)
  return dead === null ? null : { kind: 'dead pair', pair: dead }
}

export const lostLineBasis: Basis = standard('three-phase geometry')

/** What the volts say of it, as the end of a sentence that begins with them. @param where the line is lost */
export function lostLineWords(lost: LostLine, where: string): string {
  if (lost.kind === 'line') return `L${lost.line + 1} is lost${where}.`
  const name = linePositions[lost.pair] ?? ''
  return lost.kind === 'back-fed'
    ? `next to nothing on ${name}, the other two pairs full. ${name.replace('-', ' or ')} is lost${where}; a load between them backfeeds it.`
    : `next to nothing on ${name} beside full volts on another pair. A line is lost${where}.`
}

/** How it is found. @param where fuses and lugs of what is looked at */
export const lostLineNext = (lost: LostLine, where: string): string =>
  lost.kind === 'back-fed'
    ? 'Read across each closed fuse and pole of these two lines: full volts means that it is open.'
    : where
