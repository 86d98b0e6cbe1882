import { describe, expect, it } from 'vitest'
import { defaultPolicies } from '../limits/index.ts'
import type { JudgeInput } from '../judge/index.ts'
import { driveLayout, driveParts, facts, now, plate, visitOf } from '../judge/checks/say.test-help.ts'
import { legPositions, linePositions, type Reading } from '../quantity/index.ts'
import { dayMs, type WorkDone } from '../trend/index.ts'
import { missesOf, pastChanges, predict, visitsAround, todayOf } from './index.ts'

const read = (amps: number, hz?: number): Reading[] => [
  ...linePositions.map((position) => ({ quantity: 'volts_ll', position, value: 478 }) as const),
  ...legPositions.map((position) => ({ quantity: 'amps', position, value: amps }) as const),
  ...(hz === undefined ? [] : [{ quantity: 'hz', position: 'motor', value: hz } as const]),
]
const turned = (day: number, before: number, after: number): WorkDone => ({
  at: now + day * dayMs,
  kind: 'sheave-turned',
  note: '',
  turns: { before, after },
})
const input = (over: Partial<JudgeInput> = {}): JudgeInput => ({
  machine: facts,
  motor: { plate, connectionVolts: null, installedAt: 0 },
  visit: visitOf(read(11)),
  history: [],
  work: [],
  policies: defaultPolicies,
  parts: driveParts,
  layout: driveLayout,
  ...over,
})

describe('today’s point of a machine', () => {
  it('takes amps, volts, plate, circuit, sheaves and wheel from the record', () => {
    const t = todayOf(input())
    if (typeof t === 'string') throw new Error(t)
    expect(t).toMatchObject({ legs: [11, 11, 11], volts: 478, hz: 60, allowed: 12.8, plateAmps: 12.8, plateRpm: 1755 })
    expect(t.drive).toMatchObject({ driver: 110, driven: 220, section: 'B', belts: 1 })
    // A taut B63 stands the motor at 561.1 mm; 560 were measured once.
    expect(t.drive?.center).toBeCloseTo(561.1, 0)
    expect(t.drive?.adjustable).toMatchObject({ turns: 2, most: 6 })
    expect(t.wheel).toEqual({ type: 'forward-curved', greatestRpm: 1000 })
    expect(t.circuit?.poles).toBe(4)
  })
  it('counts the turns made since', () => {
    const t = todayOf(input({ work: [turned(-10, 2, 3)] }))
    expect(typeof t === 'string' ? null : t.drive).toMatchObject({ driver: 105 })
  })
  it('pressure of either side alone is what the fan makes; of both, their sum', () => {
    const pressure = (...sides: readonly (readonly [string, number])[]) => {
      const more = sides.map(([position, value]) => ({ quantity: 'static_pressure', position, value }) as const)
      const t = todayOf(input({ visit: visitOf([...read(11), ...more]) }))
      return typeof t === 'string' ? t : t.pressure
    }
    // One inch of water is 249.09 Pa.
    expect(pressure(['supply', 1])).toBeCloseTo(249.09, 1)
    expect(pressure(['return', 0.5])).toBeCloseTo(124.54, 1)
    expect(pressure(['supply', 1], ['return', 0.5])).toBeCloseTo(373.63, 1)
    expect(pressure()).toBeNull()
  })
  it('a direct drive on a drive has no sheaves and needs none; on the line there is nothing to change', () => {
    const direct = { ...facts, drive: 'direct' as const }
    const t = todayOf(input({ machine: { ...direct, hasVfd: true }, visit: visitOf(read(11, 60)) }))
    expect(typeof t === 'string' ? t : t.drive).toBeNull()
    expect(todayOf(input({ machine: direct }))).toBe('no sheaves')
  })
  it('says what is missing', () => {
    expect(todayOf(input({ visit: visitOf([]) }))).toBe('no amps')
    expect(todayOf(input({ motor: null }))).toBe('no plate amps')
    expect(todayOf(input({ parts: [] }))).toBe('no sheaves')
    expect(todayOf(input({ visit: visitOf(read(11).filter((r) => r.quantity === 'amps')) }))).toBe('no volts')
  })
  it('a motor on a drive has the volts its hertz give it', () => {
    const t = todayOf(input({ machine: { ...facts, hasVfd: true }, visit: visitOf(read(11, 48)) }))
    expect(typeof t === 'string' ? null : [t.hz, t.volts]).toEqual([48, 368])
  })
  it('is carried over to the motor that was put in after the amps were read', () => {
    // The same fan on a motor of 7.5 hp: 11 A are about 6.2 kW at the shaft, which is more than its plate gives.
    const small = {
      volts: '460',
      amps: '9.6',
      phases: 3 as const,
      power: 7.5,
      powerUnit: 'hp' as const,
      hz: '60',
      rpm: 1750,
    }
    const old = { plate, connectionVolts: null, installedAt: 0, removedAt: now + dayMs }
    const motors = [old, { plate: small, connectionVolts: null, installedAt: now + dayMs, removedAt: null }]
    const t = todayOf(input({ motors }))
    if (typeof t === 'string') throw new Error(t)
    expect(t).toMatchObject({ allowed: 9.6, plateAmps: 9.6, plateRpm: 1750 })
    const [leg = 0] = t.legs
    expect(leg).toBeGreaterThan(9.6)
    expect(leg).toBeLessThan(11.5)
    // A plate that tells too little carries nothing over.
    const bare = {
      plate: { volts: '460', amps: '9.6', phases: 3 as const },
      connectionVolts: null,
      installedAt: now + dayMs,
    }
    expect(todayOf(input({ motors: [old, bare] }))).toBe('another motor')
    expect(todayOf(input({ motors: [{ ...old, removedAt: null }] }))).toMatchObject({ allowed: 12.8 })
  })
  it('takes the air of an earlier visit until the speed was touched', () => {
    const air: Reading = { quantity: 'air_flow', position: 'fan', value: 4000 }
    const history = [visitOf([...read(11), air], -60)]
    const flow = (work: WorkDone[]) => {
      const t = todayOf(input({ history, work }))
      return typeof t === 'string' ? t : t.flow
    }
    expect(flow([])).toBeCloseTo(1.888, 3)
    expect(flow([turned(-30, 1.5, 2)])).toBeNull()
  })
  it('takes pressure and air where they were read, in SI', () => {
    const more: Reading[] = [
      { quantity: 'static_pressure', position: 'supply', value: 1 },
      { quantity: 'static_pressure', position: 'return', value: 0.5 },
      { quantity: 'air_flow', position: 'fan', value: 4000 },
    ]
    const t = todayOf(input({ visit: visitOf([...read(11), ...more]) }))
    if (typeof t === 'string') throw new Error(t)
    expect(t.pressure).toBeCloseTo(373.6, 1)
    expect(t.flow).toBeCloseTo(1.888, 3)
  })
})

describe('what became of changes', () => {
  it('is worked out by the motor that was in place then', () => {
    const history = [visitOf(read(12.9), -60), visitOf(read(12.2), -20)]
    const other = { ...plate, amps: '14.2', power: 11 }
    const motors = [
      { plate, connectionVolts: null, installedAt: 0, removedAt: now - 5 * dayMs },
      { plate: other, connectionVolts: null, installedAt: now - 5 * dayMs, removedAt: null },
    ]
    const work = [turned(-30, 1.5, 2)]
    const alone = pastChanges(input({ history, work }))
    const [c] = pastChanges(input({ history, work, motors, motor: motors[1] ?? null }))
    expect(c?.predicted).toBeCloseTo(alone[0]?.predicted ?? 0, 9)
  })
  const history = [visitOf(read(12.9), -60), visitOf(read(12.2), -20)]
  it('predicts each from the visit before it and reads the visit after', () => {
    const [c] = pastChanges(input({ history, work: [turned(-30, 1.5, 2)] }))
    expect(c?.was).toBeCloseTo(12.9, 9)
    expect(c?.measured).toBeCloseTo(12.2, 9)
    const before = todayOf(input({ visit: visitOf(read(12.9), -60), work: [turned(-30, 1.5, 2)] }))
    if (typeof before === 'string') throw new Error(before)
    expect(c?.predicted).toBeCloseTo(predict(before, { kind: 'turns', turns: 2 }).amps, 6)
    expect(missesOf(c ? [c] : [])[0]).toBeCloseTo(Math.log(12.2 / (c?.predicted ?? 1)), 9)
  })
  it('reads a sheave that was changed by what was in the slot', () => {
    const parts = [
      ...driveParts.filter((p) => p.slot !== 'driven-sheave'),
      {
        slot: 'driven-sheave',
        spec: { type: 'fixed', section: 'B', pitch: 210, grooves: 1 },
        installedAt: now - 900 * dayMs,
        removedAt: now - 30 * dayMs,
      } as const,
      {
        slot: 'driven-sheave',
        spec: { type: 'fixed', section: 'B', pitch: 220, grooves: 1 },
        installedAt: now - 30 * dayMs,
        removedAt: null,
      } as const,
    ]
    const [c] = pastChanges(
      input({ history, parts, work: [{ at: now - 30 * dayMs, kind: 'sheave-changed', note: '' }] }),
    )
    expect(c?.predicted ?? 0).toBeLessThan(12.2)
    expect(c?.predicted ?? 0).toBeGreaterThan(11)
  })
  it('reads hertz that were set by what was read', () => {
    const machine = { ...facts, hasVfd: true }
    const own = [visitOf(read(11, 60), -60), visitOf(read(8.6, 50), -20)]
    const work = [{ at: now - 30 * dayMs, kind: 'speed-set' as const, note: '' }]
    const [c] = pastChanges(input({ machine, history: own, visit: visitOf(read(8.6, 50)), work }))
    expect(c?.measured).toBeCloseTo(8.6, 9)
    expect(Math.abs((c?.predicted ?? 0) / 8.6 - 1)).toBeLessThan(0.08)
  })
  it('leaves out a change with other work between, and one without turns on record', () => {
    const filters: WorkDone = { at: now - 25 * dayMs, kind: 'filters-changed', note: '' }
    expect(pastChanges(input({ history: history.slice(0, 1), work: [turned(-30, 1.5, 2), filters] }))).toEqual([])
    expect(pastChanges(input({ history, work: [{ at: now - 30 * dayMs, kind: 'sheave-turned', note: '' }] }))).toEqual(
      [],
    )
  })
  it('takes the visit after the tensioning that belongs to it, not one on a slack belt', () => {
    const tensioned: WorkDone = { at: now - 29.5 * dayMs, kind: 'belts-tensioned', note: '' }
    const slack = { ...visitOf(read(10)), id: 'slack', at: now - 29.8 * dayMs }
    const { after } = visitsAround([...history, slack], [turned(-30, 1.5, 2), tensioned], now - 30 * dayMs, 3)
    expect(after?.at).toBe(now - 20 * dayMs)
  })
})
