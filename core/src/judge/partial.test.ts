import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { quantities, terminalPairs, wirePairs, type Reading } from '../quantity/index.ts'
import { inputFor, type Given } from './checks/say.test-help.ts'
import { judge, type Overall } from './index.ts'

// A reading that was left out never hides what the others prove: whatever it would have been, the visit would have come to that level.

const rank: Record<Overall, number> = { 'not judged': 0, ok: 0, watch: 1, fix: 2, stop: 3 }
const machines: readonly Given[] = [
  { controls: { transformer: { ratedIn: 480, ratedOut: 208 }, starter: 'contactor', poles: 3 } },
  { machine: { hasVfd: true } },
  { machine: { phases: 1, serviceVolts: 240, drive: 'direct' } },
]

type Quantity = (typeof quantities)[number]
type Value = number | 'over range'

/** Values near what is usual and far from it, zero and the end of the range. */
function valuesOf({ code, range: [low, high] }: Quantity): Value[] {
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
const placesOf = (q: Quantity, given: Given): readonly string[] =>
  q.code === 'winding_ohms' ? (given.machine?.phases === 1 ? wirePairs : terminalPairs) : q.positions

const readingsOf = (q: Quantity, at: ReadonlyMap<string, Value>): Reading[] =>
  [...at].map(([position, v]) => ({
    quantity: q.code,
    position,
    value: v === 'over range' ? q.range[1] : v,
    ...(v === 'over range' ? { how: 'over-range' as const } : {}),
  }))

const levelOf = (given: Given, q: Quantity, at: ReadonlyMap<string, Value>): number =>
  rank[judge(inputFor(readingsOf(q, at), { ...given, state: { turning: 'right way', panels: 'on' } })).level]

/** The least level that any value at that place comes to; below Fix nothing lower is looked for. */
function leastWith(given: Given, q: Quantity, known: ReadonlyMap<string, Value>, place: string): number {
  const figures = [...known.values()].filter((v) => v !== 'over range')
  const sum = figures.reduce((a, b) => a + b, 0)
  // Of a capacitor-run motor two of three windings add up to the third.
  const between = [sum, sum / Math.max(1, figures.length), Math.abs(2 * Math.max(0, ...figures) - sum)]
  let least = rank.stop
  for (const v of [...valuesOf(q), ...figures, ...between]) {
    least = Math.min(least, levelOf(given, q, new Map([...known, [place, v]])))
    if (least < rank.fix) return least
  }
  return least
}

describe('a place that was not read', () => {
  it.each(quantities.filter((q) => q.positions.length > 1 && q.positions.length < 10))(
    'hides nothing of what the others prove: $code',
    (q) => {
      const random = seeded(q.code.length * 7296 + q.positions.length)
      for (const given of machines)
        for (let n = 0; n < 8; n++) {
          const own = placesOf(q, given)
          const places = own.filter(() => own.length < 4 || random.next() < 0.6).slice(0, 4)
          const all = new Map(places.map((p) => [p, random.pick(valuesOf(q))]))
          for (const place of places) {
            const known = new Map([...all].filter(([p]) => p !== place))
            if (known.size === 0) continue
            const least = leastWith(given, q, known, place)
            if (least >= rank.fix)
              expect({ known: [...known], place, held: levelOf(given, q, known) >= least }).toMatchObject({
                held: true,
              })
          }
        }
    },
  )
})
