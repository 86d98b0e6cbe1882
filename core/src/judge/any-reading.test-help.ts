import { quantities, terminalPairs, wirePairs, type Reading } from '../quantity/index.ts'
import type { Given } from './checks/say.test-help.ts'
import type { Overall } from './index.ts'

export const rank: Record<Overall, number> = { 'not judged': 0, ok: 0, watch: 1, fix: 2, stop: 3 }
export const machines: readonly Given[] = [
  { controls: { transformer: { ratedIn: 480, ratedOut: 208 }, starter: 'contactor', poles: 3 } },
  { machine: { hasVfd: true } },
  { machine: { phases: 1, serviceVolts: 240, drive: 'direct' } },
]

export type Quantity = (typeof quantities)[number]
export type Value = number | 'over range'

/** Values near what is usual and far from it, zero and the end of the range. */
export function valuesOf({ code, range: [low, high] }: Quantity): Value[] {
  if (/amps/.test(code)) return [0, 0.02, 0.3, 2, 4, 6, 9, 11, 12, 12.6, 13.5, 16, 22, 60]
  if (code === 'control_volts') return [0, 3, 10, 20.8, 22, 24, 27, 32, 120, 208, 240, 380, 460, 480, 505, 600]
  if (/volts|line_|transformer|dead/.test(code))
    return [0, 3, 20, 60, 120, 208, 240, 277, 350, 410, 440, 458, 465, 480, 505, 540, 600].filter((v) => v <= high)
  if (code === 'capacitance') return [0, 3, 6.9, 7.5, 8, 38, 40, 45, 80]
  if (code === 'megohms') return [0, 0.05, 0.8, 2, 4.9, 8, 50, 500, 'over range']
  if (/ohms/.test(code)) return [0, 0.05, 0.5, 2, 4, 4.8, 5, 5.2, 6, 10, 100, 1e4, 'over range']
  return [0, 0.01, 0.1, 0.3, 0.6, 1].map((share) => low + (high - low) * share)
}

/** A winding has its pairs by the phases of its motor. */
export const placesOf = (q: Quantity, given: Given): readonly string[] =>
  q.code === 'winding_ohms' ? (given.machine?.phases === 1 ? wirePairs : terminalPairs) : q.positions

export const readingsOf = (q: Quantity, at: ReadonlyMap<string, Value>): Reading[] =>
  [...at].map(([position, v]) => ({
    quantity: q.code,
    position,
    value: v === 'over range' ? q.range[1] : v,
    ...(v === 'over range' ? { how: 'over-range' as const } : {}),
  }))
