import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Visit } from '../trend/index.ts'
import { judged, levelOf, visitAt, type Over } from './judged.test-help.ts'
import { rank } from './index.ts'

describe('properties', () => {
  const amps = fc.double({ min: 0, max: 60, noNaN: true })
  const volts = fc.double({ min: 0, max: 700, noNaN: true })
  const any3 = (x: fc.Arbitrary<number>) => fc.tuple(x, x, x)
  const state = fc.record({
    settled: fc.constantFrom(true, false, null),
    twin: fc.constantFrom('running' as const, 'off' as const, null),
    panels: fc.constantFrom('on' as const, 'off' as const, null),
    turning: fc.constantFrom('right way' as const, 'backwards' as const, 'not turning' as const, null),
  })
  const policyChoice = fc.constantFrom('plate' as const, 'service factor' as const, 'trim below plate' as const)

  it('no NaN and no infinity leaves a judgement, whatever was read', () => {
    fc.assert(
      fc.property(
        any3(amps),
        any3(volts),
        state,
        policyChoice,
        fc.array(any3(amps), { maxLength: 15 }),
        (a, v, s, overAmp, past) => {
          const history = past.map((p, i) => visitAt(i * 20, p))
          const j = judged(visitAt(400, a, v, s), { history, policies: { overAmp } })
          // JSON writes NaN and infinity as null: comparing with a deep copy finds them.
          const numbers = JSON.stringify(j, (_k, x: unknown) =>
            typeof x === 'number' && !Number.isFinite(x) ? 'not finite' : x,
          )
          expect(numbers).not.toContain('not finite')
          expect(numbers).not.toMatch(/NaN|Infinity|undefined/)
        },
      ),
      { numRuns: 300 },
    )
  })

  const check = (id: string, visit: Visit, over: Over = {}) => rank(levelOf(visit, id, over) ?? 'ok')

  it('more amps never make the verdict on amps better', () => {
    fc.assert(
      fc.property(
        any3(amps),
        fc.integer({ min: 0, max: 2 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        policyChoice,
        state,
        (a, leg, more, overAmp, s) => {
          // Next to no current is no good reading: the motor is not running.
          fc.pre(Math.max(...a) > 0.3)
          const worse = a.map((x, i) => (i === leg ? x + more : x))
          expect(check('over-amp', visitAt(0, worse, undefined, s), { policies: { overAmp } })).toBeGreaterThanOrEqual(
            check('over-amp', visitAt(0, a, undefined, s), { policies: { overAmp } }),
          )
        },
      ),
    )
  })
  it('volts farther apart never make the verdict on unbalance better', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        any3(amps),
        (d, more, a) => {
          const at = (x: number) => visitAt(0, a, [470 - x, 470, 470 + x])
          expect(check('voltage-unbalance', at(d + more))).toBeGreaterThanOrEqual(check('voltage-unbalance', at(d)))
        },
      ),
    )
  })
  it('volts farther off never make the verdict on volts better', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.constantFrom(1, -1),
        (d, more, side) => {
          const at = (x: number) =>
            visitAt(
              0,
              [8, 8, 8],
              [480, 480, 480].map((v) => v + side * x),
            )
          // Around the plate's 460 V the service's own 480 V is the nearest fault-free point.
          fc.pre(side > 0 || d >= 24)
          expect(check('service-voltage', at(d + more))).toBeGreaterThanOrEqual(check('service-voltage', at(d)))
        },
      ),
    )
  })
  it('amps farther apart never make the verdict on evenness better', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }), (d, more) => {
        const at = (x: number) => visitAt(0, [10 - x, 10, 10 + x])
        expect(check('current-unbalance', at(d + more))).toBeGreaterThanOrEqual(check('current-unbalance', at(d)))
      }),
    )
  })
  it('an unsafe state is never OK', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 40, noNaN: true }),
        fc.integer({ min: 0, max: 2 }),
        state,
        policyChoice,
        (a, leg, s, overAmp) => {
          const lost = [a, a, a].map((x, i) => (i === leg ? 0.05 * x : x * 1.73))
          expect(judged(visitAt(0, lost, undefined, s), { policies: { overAmp } }).level).toBe('stop')
        },
      ),
    )
  })
})
