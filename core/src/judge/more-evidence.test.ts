import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { linePositions, quantities, type Reading } from '../quantity/index.ts'
import { dayMs } from '../trend/index.ts'
import { machines, placesOf, rank, readingsOf, valuesOf, type Quantity, type Value } from './any-reading.test-help.ts'
import { inputFor, now, type Given } from './checks/say.test-help.ts'
import { judge, judgeMachine } from './index.ts'

type Random = ReturnType<typeof seeded>

/** Readings of one quantity at places of its own, alike or each by itself. */
function anySet(random: Random, q: Quantity, given: Given): Reading[] {
  const values = valuesOf(q)
  const alike = random.next() < 0.4 ? random.pick(values) : null
  const places = placesOf(q, given).filter((_, i) => i < 3 || random.next() < 0.4)
  return readingsOf(q, new Map(places.map((p) => [p, alike ?? random.pick(values)])))
}

const levelOf = (given: Given, readings: Reading[]): number => rank[judge(inputFor(readings, given)).level]

/** How a machine stands after visits on days that follow each other. */
function levelAfter(given: Given, visits: readonly Reading[][]): number {
  const { visit, history: _none, ...machine } = inputFor([], given)
  const state = { ...visit.state, turning: 'right way' as const, panels: 'on' as const }
  const made = visits.map((readings, n) => ({ ...visit, id: `v${n}`, at: now + n * dayMs, state, readings }))
  return rank[judgeMachine({ ...machine, visits: made })?.level ?? 'not judged']
}

describe('more that was read', () => {
  it('never lowers what a quantity says: another beside it, whatever it reads', () => {
    const random = seeded(8128)
    let judged = 0
    for (const given of machines)
      for (let n = 0; n < 500; n++) {
        const [one, other] = [random.pick(quantities), random.pick(quantities)]
        // Between the lines overrules to neutral, and a contradiction of the two is told as one.
        if (one.code === other.code || (one.code === 'volts_ln' && other.code === 'volts_ll')) continue
        const own = anySet(random, one, given)
        const alone = levelOf(given, own)
        if (alone < rank.fix) continue
        judged++
        const more = anySet(random, other, given)
        const held = levelOf(given, [...own, ...more]) >= alone
        expect({ own, more, held }).toMatchObject({ held: true })
      }
    expect(judged).toBeGreaterThan(200)
  })

  // Quantities of one place only are answered where they were read, and nowhere else there is anything to read.
  const several = quantities.filter((q) => q.positions.length > 1 && q.positions.length < 10)
  it.each(several)('elsewhere answers nothing of what was found at one place: $code', (q) => {
    const [given = {}] = machines
    const places = placesOf(q, given)
    const volts = quantities.find((x) => x.code === 'volts_ll')
    const plain = volts ? readingsOf(volts, new Map(linePositions.map((p) => [p, 480]))) : []
    const values = valuesOf(q)
    const random = seeded(q.code.length * 31 + places.length)
    let usual = 0
    for (const good of values) {
      if (usual === 2) break
      const all = new Map<string, Value>(places.map((p) => [p, good]))
      if (levelAfter(given, [readingsOf(q, all)]) > rank.watch) continue
      usual++
      for (const place of places.slice(0, 3))
        for (const odd of [0, 1, 2, 3, 4].map(() => random.pick(values)).filter((v) => v !== good)) {
          const found = readingsOf(q, new Map([...all, [place, odd]]))
          const level = levelAfter(given, [found])
          if (level < rank.fix) continue
          // All leads together are a reading of each.
          const rest = readingsOf(q, new Map([...all].filter(([p]) => p !== place && p !== 'all')))
          // Volts between the lines are the proper answer to volts to neutral.
          const later = q.code.startsWith('volts_') ? rest : [...rest, ...plain]
          expect({ good, place, odd, held: levelAfter(given, [found, later]) >= level }).toMatchObject({ held: true })
        }
    }
  })
})
