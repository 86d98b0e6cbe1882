import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jobKindOf, jobKinds } from './kinds.ts'
import { planJob, type PlannedStep } from './plan.ts'
import { schedule } from './schedule.ts'

const on = { hasVfd: false }
const step = (
  id: string,
  minutes: number,
  after: readonly string[] = [],
  over: Partial<PlannedStep> = {},
): PlannedStep => ({
  id,
  title: id,
  right: '',
  minutes,
  after,
  waits: [],
  kind: null,
  ...over,
})

describe('critical path', () => {
  // Textbook network: A3 then B4 and C2, D5 after B, E6 after C, F2 after both. Worked by hand: 3 + 4 + 5 + 2.
  const network = [
    step('A', 3),
    step('B', 4, ['A']),
    step('C', 2, ['A']),
    step('D', 5, ['B']),
    step('E', 6, ['C']),
    step('F', 2, ['D', 'E']),
  ]
  it('is what a crew that is large enough takes', () => expect(schedule(network, 3).minutes).toBe(14))
  it('alone it is the sum of all steps', () => expect(schedule(network, 1).minutes).toBe(22))
  it('hands are free while oil soaks', () => {
    const soaked = [
      step('oil', 5),
      step('pull', 10, ['oil'], { waits: [{ after: 'oil', minutes: 20, why: '' }] }),
      step('clean', 15),
    ]
    expect(schedule(soaked, 1).minutes).toBe(35)
    expect(schedule(soaked, 1).labor).toBe(30)
  })
  it('what two carry takes one half as long again, and where something would fall it takes two', () => {
    const lift = [step('lift', 20, [], { people: 2 })]
    expect(schedule(lift, 1)).toMatchObject({ minutes: 30, short: [] })
    expect(schedule(lift, 2)).toMatchObject({ minutes: 20, labor: 40 })
    expect(schedule([step('lift', 20, [], { people: 2, support: 'it falls' })], 1).short).toEqual(['lift'])
  })
  it('refuses steps that wait for each other, and no crew', () => {
    expect(() => schedule([step('a', 1, ['b']), step('b', 1, ['a'])], 1)).toThrow(/wait for each other/)
    expect(() => schedule(network, 0)).toThrow(/crew/)
  })
})

// Minutes from start to end with the usual crew, and minutes of hands; common practice, added up by hand.
describe('the usual jobs take', () => {
  it.each([
    ['direct-motor', 260, 305],
    ['belt-motor', 290, 340],
    ['psc-motor', 161, 151],
    ['propeller', 161, 146],
    ['wheels', 370, 495],
    ['shaft', 375, 430],
    ['sheaves', 250, 230],
    ['capacitor', 81, 71],
    ['contactor', 136, 126],
    ['drive', 275, 290],
    ['wiring', 156, 146],
    ['transformer', 136, 126],
    ['filters', 109, 89],
    ['cleaning', 325, 285],
    ['deck', 265, 295],
  ])('%s: %d min, %d of hands', (id, minutes, labor) => {
    const s = schedule(planJob([id], { hasVfd: id === 'drive' }), jobKindOf.get(id)?.crew ?? 1)
    expect([s.minutes, s.labor]).toEqual([minutes, labor])
  })
  it.each([
    ['blank', 'TB4', 111],
    ['bypass', 'TB3', 106],
  ])('a temporary %s: %s left out, %d min', (_, out, minutes) =>
    expect(schedule(planJob(['temporary'], on, [out]), 1).labor).toBe(minutes),
  )
})

describe('any job, any crew', () => {
  const kinds = jobKinds.map((k) => k.id)
  it('breaks no order, uses nobody twice, and waits as long as is asked', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...kinds), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 4 }),
        fc.boolean(),
        (ids, crew, hasVfd) => {
          const steps = planJob(ids, { hasVfd })
          const { steps: done } = schedule(steps, crew)
          const by = new Map(done.map((s) => [s.id, s]))
          expect(done.length).toBe(new Set(steps.map((s) => s.id)).size)
          for (const s of steps) {
            const own = by.get(s.id)
            for (const a of s.after)
              expect(own?.start, `${a} before ${s.id}`).toBeGreaterThanOrEqual(by.get(a)?.end ?? Infinity)
            for (const w of s.waits)
              expect(own?.start).toBeGreaterThanOrEqual((by.get(w.after)?.end ?? Infinity) + w.minutes)
          }
          for (let hand = 0; hand < crew; hand++) {
            const mine = done.filter((s) => s.hands.includes(hand)).sort((a, b) => a.start - b.start || a.end - b.end)
            mine.forEach((s, i) => expect(s.start).toBeGreaterThanOrEqual(mine[i - 1]?.end ?? 0))
          }
        },
      ),
      { seed: 5, numRuns: 300 },
    ))
})
