import { findQuantity, show, writtenUnit, type QuantityCode, type Reading } from '../quantity/index.ts'

/** Quantities of which "over range" is an answer: an open circuit, or insulation beyond the tester. */
const openIsAnswer: readonly string[] = [
  'winding_ohms',
  'ground_ohms',
  'pole_ohms',
  'fuse_ohms',
  'megohms',
  'megohms_at',
]

/** Did the meter show over range where that is no figure at all? */
export const overRange = (r: Reading): boolean => r.how === 'over-range' && !openIsAnswer.includes(r.quantity)

/** Why a reading can never count as a pass, in words that follow its name; null when it can. */
export function doubtOf(r: Reading): string | null {
  if (overRange(r)) return 'over the range of the meter'
  if (r.how === 'unsteady') return r.spread === undefined ? 'not steady' : `not steady (± ${shownSpread(r)})`
  return null
}

const shownSpread = (r: Reading): string => {
  const unit = findQuantity(r.quantity)?.unit ?? ''
  const spread = r.spread ?? 0
  const size = Math.abs(spread)
  const figure =
    size >= 100 ? spread.toFixed(0) : size >= 1 ? spread.toFixed(1) : show.trimmed(spread, size >= 0.01 ? 3 : 6)
  return `${figure} ${writtenUnit(unit)}`
}

/** The figure that is safest to judge by where more is worse: what an unsteady reading reached at its highest. */
export const highest = (r: Reading): number => r.value + (r.how === 'unsteady' ? (r.spread ?? 0) : 0)

/** Places whose own word is no name on a page. */
const spots: Readonly<Record<string, string>> = {
  motor: 'motor shell',
  winding: 'winding',
  ambient: 'air',
  'bearing-de': 'drive-end bearing',
  'bearing-ode': 'opposite-end bearing',
  'ground-wire': 'ground wire',
  stack: 'stack',
  in: 'volts in',
  out: 'volts out',
  before: 'meter proven before',
  after: 'meter proven after',
}

/** A reading by its name on the page: `L1`, `L1-L2`, or its quantity where it has but one place. */
export const nameOf = (r: Pick<Reading, 'quantity' | 'position'>): string => {
  const quantity = findQuantity(r.quantity)
  return quantity && quantity.positions.length > 1 ? (spots[r.position] ?? r.position) : (quantity?.title ?? r.quantity)
}

/** What a check looked at while it judged. */
export class Looked {
  readonly #readings = new Set<Reading>()
  readonly #contradicted: () => ReadonlySet<Reading>

  /** @param contradicted readings that others of the same visit say cannot be true */
  constructor(contradicted: () => ReadonlySet<Reading>) {
    this.#contradicted = contradicted
  }

  note(reading: Reading | undefined): void {
    if (reading !== undefined) this.#readings.add(reading)
  }

  clear(): void {
    this.#readings.clear()
  }

  /** The readings that can never be a pass, as "L1 is not steady". */
  doubts(): readonly Doubted[] {
    const contradicted = this.#contradicted()
    const all: Doubted[] = []
    for (const reading of this.#readings) {
      const doubt = doubtOf(reading) ?? (contradicted.has(reading) ? 'contradicted by another reading' : null)
      if (doubt !== null) all.push({ reading, words: `${nameOf(reading)} is ${doubt}` })
    }
    return all
  }
}

interface Doubted {
  readonly reading: Reading
  readonly words: string
}

export type Find = (quantity: QuantityCode, position: string) => Reading | undefined
