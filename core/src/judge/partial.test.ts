import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { quantities } from '../quantity/index.ts'
import { machines, placesOf, rank, readingsOf, valuesOf, type Quantity, type Value } from './any-reading.test-help.ts'
import { inputFor, type Given } from './checks/say.test-help.ts'
import { judge } from './index.ts'

// A reading that was left out never hides what the others prove: whatever it would have been, the visit would have come to that level.

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
