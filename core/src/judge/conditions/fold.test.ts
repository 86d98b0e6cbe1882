import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayMs, workKinds, type Answers, type Visit, type WorkDone } from '../../trend/index.ts'
import { now } from '../checks/say.test-help.ts'
import { done, machine, plain, words } from './conditions.test-help.ts'

describe('properties of the fold', () => {
  const answers: readonly Answers[] = [
    { wires: 'through' },
    { wires: 'whole' },
    { lugs: 'burnt' },
    { lugs: 'tight' },
    { 'wheel.blades': 'cracked' },
    { 'wheel.blades': 'whole' },
    { 'bearing.de': 'growls' },
    { 'bearing.de': 'quiet' },
    { 'look.running': 'hums' },
    { 'look.running': 'runs' },
  ]
  const some = fc.array(fc.integer({ min: 0, max: answers.length - 1 }), { minLength: 1, maxLength: 12 })
  const visitsOf = (list: readonly number[]) => [plain(0), ...list.map((n, i) => words(i + 1, answers[n] ?? {}))]
  const kinds = fc.array(
    fc.tuple(
      fc.integer({ min: 0, max: 12 }),
      fc.constantFrom(...workKinds.map((k) => k.id).filter((k) => k !== 'note')),
    ),
    { maxLength: 4 },
  )
  const workOf = (list: readonly (readonly [number, WorkDone['kind']])[]) => list.map(([d, k]) => done(d + 0.5, k))

  it('the order in which visits arrive does not matter', () =>
    fc.assert(
      fc.property(some, kinds, fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (list, work, random) => {
        const visits = visitsOf(list)
        const keys = new Map(visits.map((v) => [v.id, random.next().value as number]))
        const shuffled = [...visits].sort((a, b) => (keys.get(a.id) ?? 0) - (keys.get(b.id) ?? 0))
        const given = { work: workOf(work) }
        expect(machine(shuffled, given).conditions).toEqual(machine(visits, given).conditions)
      }),
      { numRuns: 60 },
    ))
  it('a visit that does not touch a condition leaves it as it was', () =>
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 14 }), (list, day) => {
        const visits = visitsOf(list)
        const quiet = { ...words(0, { 'belt.set': 'one' }), id: 'quiet', at: now + (day + 0.25) * dayMs }
        expect(machine([...visits, quiet]).conditions).toEqual(machine(visits).conditions)
      }),
      { numRuns: 60 },
    ))
  it('visits at one instant are told as they would be a minute apart', () => {
    const hints: readonly Answers[] = [
      ...answers,
      { 'look.smell': 'burnt winding' },
      { 'look.smell': 'none' },
      { 'look.breaker': 'tripped' },
      { 'look.breaker': 'closed' },
    ]
    const told = (visits: Visit[]) => machine(visits).conditions.map((k) => `${k.key} ${k.level}`)
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: hints.length - 1 }), { minLength: 1, maxLength: 8 }),
        fc.boolean(),
        (list, read) => {
          const visits = [plain(0), ...list.map((n, i) => words(i + 1, hints[n] ?? {})), ...(read ? [plain(20)] : [])]
          expect(told(visits.map((v) => ({ ...v, at: now })))).toEqual(
            told(visits.map((v, i) => ({ ...v, at: now + i * 60_000 }))),
          )
        },
      ),
      { numRuns: 200 },
    )
  })
  it('by question the newest answer decides, as a plain list of them would say', () =>
    fc.assert(
      fc.property(some, (list) => {
        const newest = new Map<string, string>()
        for (const n of list) for (const [q, a] of Object.entries(answers[n] ?? {})) newest.set(q, a)
        const bad = [...newest].filter(([, a]) => ['through', 'burnt', 'cracked', 'growls', 'hums'].includes(a))
        expect(machine(visitsOf(list)).conditions).toHaveLength(bad.length)
      }),
      { numRuns: 60 },
    ))
  it('the level is the worst of what stands', () =>
    fc.assert(
      fc.property(some, kinds, (list, work) => {
        const j = machine(visitsOf(list), { work: workOf(work) })
        const order = ['ok', 'watch', 'fix', 'stop']
        expect(j.level).toBe(order[Math.max(0, ...j.conditions.map((k) => order.indexOf(k.level)))])
      }),
      { numRuns: 60 },
    ))
})
