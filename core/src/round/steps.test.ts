import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { planRoute } from './plan-route.ts'
import { problemOf, usualMinutes, type PlannedVisit } from './problem-of.ts'
import { pausesOf, stepId, stepOf, stepState } from './steps.ts'
import { minutesTook, roundVisitState, type RoundEventFact } from './visit-state.ts'

const noCare = { windows: [], people: 1 as const, critical: false }
type PlannedTask = PlannedVisit['tasks'][number]
const task = (over: Partial<PlannedTask> = {}): PlannedTask => ({
  dueAt: '2026-11-20T09:00:00Z',
  minutes: 25,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  rest: null,
  settle: null,
  ...over,
})
const visit = (id: string, tasks: PlannedTask[], over: Partial<PlannedVisit> = {}): PlannedVisit => ({
  machineId: id,
  unitId: `unit of ${id}`,
  areaId: 'roof',
  care: noCare,
  tasks,
  minutes: usualMinutes(tasks),
  levelBefore: 'ok',
  ...over,
})
const areas = [
  {
    id: 'roof',
    siteId: 'site',
    kind: 'roof' as const,
    map: {
      width: 40,
      depth: 20,
      units: { 'unit of a': { x: 5, y: 5, w: 2, h: 2 }, 'unit of b': { x: 20, y: 5, w: 2, h: 2 } },
      edge: [],
      hatches: [{ id: 'h', name: 'Hatch', x: 1, y: 1 }],
      ladders: [],
      obstacles: [],
      underlay: null,
    },
  },
]
const day = {
  day: '2026-11-25',
  people: [{ id: 'p', name: 'Mosi Okonjo', from: 420, to: 900 }],
  heat: null,
  storm: null,
}
const bus = { minutes: 15, because: 'the bus empties' }
const seat = { minutes: 20, because: 'belts seat' }

describe('what the planner orders of a machine', () => {
  it('is one step where nothing is waited for', () => {
    const { steps } = problemOf(day, [visit('a', [task()])], areas)
    expect(steps).toHaveLength(1)
    expect(steps[0]).toMatchObject({ id: 'a', minutes: 25, lock: 'unit of a', after: null })
  })
  it('is a lock, the work and a proof where it waits before and after', () => {
    const { steps } = problemOf(day, [visit('a', [task({ rest: bus, settle: seat })])], areas)
    expect(steps.map((v) => v.id)).toEqual(['a:lock', 'a', 'a:proof'])
    expect(steps[0]).toMatchObject({ lock: 'unit of a', serves: 'a', after: null })
    expect(steps[1]).toMatchObject({ lock: null, after: { step: 'a:lock', wait: 15 } })
    expect(steps[2]).toMatchObject({ people: 1, after: { step: 'a', wait: 20 } })
    expect(new Set(steps.map((v) => v.place))).toEqual(new Set([1]))
  })
  it('fills the longer wait with the machine beside it', () => {
    const visits = [visit('a', [task({ rest: bus, settle: seat })]), visit('b', [task()])]
    const route = planRoute(problemOf(day, visits, areas), seeded(1), 60)
    expect(route.left).toEqual([])
    expect(route.order[0]?.steps).toHaveLength(4)
    const at = (v: string) => route.steps.find((x) => x.step === v)
    expect((at('a')?.start ?? 0) - (at('a:lock')?.end ?? 0)).toBeGreaterThanOrEqual(15)
    expect((at('a:proof')?.start ?? 0) - (at('a')?.end ?? 0)).toBeGreaterThanOrEqual(20)
    // The longer of both waits is worked away, 15 min at the drive are left.
    expect(route.cost.waiting).toBeLessThanOrEqual(15)
  })
  it('stays beside a unit that may stop in several windows, and stops it in none but these', () => {
    const windows = [
      { from: 420, to: 500 },
      { from: 800, to: 860 },
    ]
    const care = { ...noCare, windows }
    const { steps } = problemOf(day, [visit('a', [task({ rest: bus })], { care })], areas)
    expect(steps).toHaveLength(1)
    expect(steps[0]).toMatchObject({ minutes: 40, windows, lock: 'unit of a' })
    const one = problemOf(
      day,
      [visit('a', [task({ rest: bus, settle: seat })], { care: { ...care, windows: windows.slice(0, 1) } })],
      areas,
    )
    expect(one.steps.map((v) => v.windows.length)).toEqual([1, 1, 0])
  })
  it('takes the longest pause of its tasks', () => {
    const tasks = [task({ rest: bus }), task({ rest: { minutes: 30, because: 'it cools' } }), task()]
    expect(pausesOf(tasks)).toEqual({ rest: { minutes: 30, because: 'it cools' }, settle: null })
  })
  it('asks two people for all of it but the walking beside', () => {
    const { steps } = problemOf(day, [visit('a', [task({ people: 2, settle: seat })])], areas)
    expect(steps.map((v) => v.people)).toEqual([2, 1])
  })
  it('is worth more the worse and the longer overdue the machine is', () => {
    const value = (levelBefore: PlannedVisit['levelBefore'], dueAt: string) =>
      problemOf(day, [visit('a', [task({ dueAt })], { levelBefore })], areas).steps[0]?.value ?? 0
    expect(value('stop', '2026-11-25T09:00:00Z')).toBeGreaterThan(value('fix', '2026-11-25T09:00:00Z'))
    expect(value('ok', '2026-08-25T09:00:00Z')).toBeGreaterThan(value('ok', '2026-11-25T09:00:00Z'))
    expect(value('ok', '2020-08-25T09:00:00Z')).toBe(5)
    const care = { ...noCare, critical: true }
    expect(problemOf(day, [visit('a', [task()], { care })], areas).steps[0]?.value).toBeGreaterThan(
      value('ok', '2026-11-20T09:00:00Z'),
    )
  })
  it('counts opening and closing once for tasks that are done together', () => {
    expect(usualMinutes([task({ minutes: 8 })])).toBe(8)
    expect(usualMinutes([task({ minutes: 8 }), task({ minutes: 25 }), task({ minutes: 10 })])).toBe(37)
    expect(usualMinutes([task({ minutes: 2 })])).toBe(5)
  })
})

describe('what became of a step', () => {
  const event = (kind: RoundEventFact['kind'], minute: number, visitId: string | null = null) => ({
    machineId: 'a',
    kind,
    at: `2026-11-25T08:${String(minute).padStart(2, '0')}:00Z`,
    visitId,
  })
  const states = (...events: ReturnType<typeof event>[]) =>
    (['lock', 'work', 'proof'] as const).map((part) => stepState(events, stepId('a', part)))
  it('goes from locked out over done to read again', () => {
    expect(states()).toEqual(['open', 'open', 'open'])
    expect(states(event('began', 1))).toEqual(['done', 'began', 'open'])
    const done = [event('began', 1), event('done', 30, 's1')]
    expect(states(...done)).toEqual(['done', 'done', 'open'])
    expect(states(...done, event('began', 55))).toEqual(['done', 'done', 'began'])
    expect(states(...done, event('began', 55), event('done', 59, 's2'))).toEqual(['done', 'done', 'done'])
  })
  it('tells a proof that is skipped from a machine that is', () => {
    expect(states(event('skipped', 5))).toEqual(['skipped', 'skipped', 'skipped'])
    expect(states(event('done', 30, 's1'), event('skipped', 50))).toEqual(['done', 'done', 'skipped'])
  })
  it('takes one visit told twice for one', () => {
    expect(states(event('done', 30, 's1'), event('done', 30, 's1'))).toEqual(['done', 'done', 'open'])
  })
  it('stays done where another phone skips it later', () => {
    expect(roundVisitState([event('done', 30, 's1'), event('skipped', 50)], 'a')).toBe('done')
    expect(roundVisitState([event('done', 30, 's1')], 'b')).toBe('open')
  })
  it('took the minutes from coming to the work to the first time it was done', () => {
    expect(minutesTook([event('began', 1), event('began', 20), event('done', 45, 's1')], 'a')).toBe(25)
    const proved = [event('began', 1), event('done', 31, 's1'), event('began', 50), event('done', 55, 's2')]
    expect(minutesTook(proved, 'a')).toBe(30)
    expect(minutesTook([event('done', 31, 's1')], 'a')).toBeNull()
    expect(minutesTook([event('began', 1)], 'a')).toBeNull()
  })
  it('is named so that its machine and part can be read again', () => {
    for (const part of ['lock', 'work', 'proof'] as const)
      expect(stepOf(stepId('m', part))).toEqual({ machineId: 'm', part })
  })
})
