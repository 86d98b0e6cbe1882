import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { defaultPolicies } from '../limits/index.ts'
import { terminalPairs } from '../quantity/index.ts'
import { dayMs, type Visit, type WorkKindId } from '../trend/index.ts'
import { done, plain, visit, words } from './conditions/conditions.test-help.ts'
import { at, facts, now, plate } from './checks/say.test-help.ts'
import { judge, judgeMachine, unknownControls, type Closing } from './index.ts'

const ground = {
  machine: { ...facts, controls: unknownControls },
  motor: { plate, connectionVolts: null, installedAt: 0 },
  policies: defaultPolicies,
}
const copy = <T>(all: T): T => JSON.parse(JSON.stringify(all)) as T
const said = (all: unknown) => JSON.stringify(all)

const day = fc.integer({ min: 0, max: 40 })
const anyVisit = fc
  .tuple(day, fc.integer({ min: 0, max: 7 }), fc.double({ min: 9, max: 14, noNaN: true }))
  .map(
    ([d, kind, value]): Visit =>
      [
        () => plain(d, value),
        () => plain(d, value),
        () => ({ ...plain(d, value), state: { ...plain(d).state, panels: 'off' as const } }),
        () => words(d, { 'look.breaker': value > 11.5 ? 'tripped' : 'closed' }),
        () => words(d, { wires: value > 11.5 ? 'through' : 'good' }),
        () => visit(d, at('winding_ohms', terminalPairs, [1.3, 1.3, value > 12 ? 2 : 1.3])),
        () => visit(d, at('megohms', ['all'], [value > 12 ? 0.3 : 400])),
        () => visit(d, at('amps', ['L1', 'L2', 'L3'], [value, value, value / 3])),
      ][kind]?.() ?? plain(d),
  )
const kinds: readonly WorkKindId[] = ['motor-replaced', 'wiring-repaired', 'filters-changed', 'fuses-replaced']
const anyWork = fc.array(
  fc.tuple(day, fc.constantFrom(...kinds)).map(([d, kind]) => done(d, kind)),
  { maxLength: 4 },
)
const anyClosing = fc
  .tuple(day, fc.constantFrom('breaker-found@', 'wires@', 'change@', 'winding-ohms@T1-T2'), fc.boolean())
  .map(([d, key, open]): Closing => ({
    key,
    at: now + d * dayMs,
    kind: open ? 'reopened' : 'closed',
    by: 'Vale',
    reason: 'seen by hand',
  }))

describe('what is kept of a past that was gone through', () => {
  it('never changes what is said of a machine, in whatever order it is asked', () =>
    fc.assert(
      fc.property(
        fc.array(anyVisit, { minLength: 1, maxLength: 14 }),
        anyWork,
        fc.array(fc.array(anyClosing, { maxLength: 3 }), { minLength: 1, maxLength: 2 }),
        fc.array(fc.tuple(fc.nat(), fc.nat(), day, fc.boolean()), { minLength: 2, maxLength: 8 }),
        (some, work, closingsOf, asks) => {
          const visits = some.map((v, i) => ({ ...v, id: `v${i}` }))
          for (const [from, to, d, whole] of asks) {
            const own = visits.slice(from % visits.length).concat(visits.slice(0, to % visits.length))
            const asked = [...new Set(own)]
            const closings = closingsOf[to % closingsOf.length] ?? []
            const snapshot = { ...ground, visits: asked, work, closings }
            if (whole) {
              const through = now + d * dayMs
              expect(said(judgeMachine(snapshot, through))).toBe(said(judgeMachine(copy(snapshot), through)))
            } else {
              const typed = plain(d, 10 + (to % 40) / 10)
              const input = { ...ground, visit: typed, history: asked, work, closings }
              expect(said(judge(input))).toBe(said(judge(copy(input))))
            }
          }
        },
      ),
      { numRuns: 250 },
    ))
})
