import { requirePositive } from '../quantity/index.ts'

const letters: readonly (readonly [string, number])[] = [
  ['A', 3.15],
  ['B', 3.55],
  ['C', 4],
  ['D', 4.5],
  ['E', 5],
  ['F', 5.6],
  ['G', 6.3],
  ['H', 7.1],
  ['J', 8],
  ['K', 9],
  ['L', 10],
  ['M', 11.2],
  ['N', 12.5],
  ['P', 14],
  ['R', 16],
  ['S', 18],
  ['T', 20],
  ['U', 22.4],
]

/** Locked-rotor kVA per horsepower of a code letter: from, and up to the next letter. */
export interface CodeLetter {
  readonly letter: string
  readonly from: number
  /** As printed, 0.01 below the next letter; null for the open end at V. */
  readonly to: number | null
}

/**
 * What a code letter stands for.
 * @returns null for a letter that is not used (I, O, Q)
 * @source NEC Table 430.7(B)
 */
export function codeLetter(letter: string): CodeLetter | null {
  const wanted = letter.trim().toUpperCase()
  if (wanted === 'V') return { letter: 'V', from: 22.4, to: null }
  const i = letters.findIndex(([l]) => l === wanted)
  const own = letters[i]
  if (!own) return null
  return { letter: wanted, from: i === 0 ? 0 : (letters[i - 1]?.[1] ?? 0), to: Math.round((own[1] - 0.01) * 100) / 100 }
}

/**
 * The code letter of a locked-rotor kVA per horsepower; ranges are half-open, so that 3.145 takes the next letter.
 * @throws RangeError when kvaPerHp is not above zero
 * @source NEC Table 430.7(B)
 */
export function letterOf(kvaPerHp: number): string {
  requirePositive('kvaPerHp', kvaPerHp)
  return letters.find(([, next]) => kvaPerHp <= next - 0.01 + 1e-9)?.[0] ?? 'V'
}

/**
 * Locked-rotor amps from kVA per horsepower.
 * @throws RangeError when an argument is not above zero
 * @source NEC 430.7(B)
 */
export function lockedRotorAmps(kvaPerHp: number, hp: number, volts: number, phases: 1 | 3): number {
  requirePositive('kvaPerHp', kvaPerHp)
  requirePositive('hp', hp)
  requirePositive('volts', volts)
  return (kvaPerHp * hp * 1000) / ((phases === 3 ? Math.sqrt(3) : 1) * volts)
}
