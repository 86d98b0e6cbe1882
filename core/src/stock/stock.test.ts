import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  chanceOver,
  emptyLevel,
  itemTitle,
  moveFault,
  moveKinds,
  reorder,
  stockLevels,
  takes,
  type FitsOn,
  type StockMove,
} from './index.ts'

let n = 0
const move = (kind: StockMove['kind'], count: number, over: Partial<StockMove> = {}): StockMove => {
  n++
  return {
    id: `m${String(n).padStart(4, '0')}`,
    itemId: 'belt',
    placeId: 'shop',
    at: n,
    by: 'V',
    kind,
    count,
    toPlaceId: null,
    jobId: null,
    ...over,
  }
}
const at = (moves: readonly StockMove[], place = 'shop') => stockLevels(moves).get(place) ?? emptyLevel

describe('what is where', () => {
  it('adds up what came, went, moved and was found bad', () => {
    const moves = [
      move('received', 10),
      move('taken', 3),
      move('moved', 2, { toPlaceId: 'van' }),
      move('bad', 1),
      move('returned', 1),
    ]
    expect(at(moves)).toMatchObject({ onHand: 5, bad: 1, free: 5, reserved: 0, doubt: false })
    expect(at(moves, 'van')).toMatchObject({ onHand: 2 })
  })
  it('a count is what is there, whatever was before; what comes in late counts at its time', () => {
    const counted = [move('received', 10), move('counted', 4), move('taken', 1)]
    expect(at(counted).onHand).toBe(3)
    // A phone brings what it took before the count.
    expect(at([...counted, move('taken', 2, { at: (counted[1]?.at ?? 0) - 0.5 })]).onHand).toBe(3)
  })
  it('of the same instant what came is there before it goes, whatever their ids', () => {
    const ids = ['a', 'b']
    for (const [x, y] of [ids, [...ids].reverse()]) {
      const moves = [move('received', 1, { at: 5, id: x ?? '' }), move('taken', 1, { at: 5, id: y ?? '' })]
      expect(at(moves)).toMatchObject({ onHand: 0, doubt: false })
    }
  })
  it('a job holds what it reserved until it takes or releases it', () => {
    const held = [move('received', 5), move('reserved', 3, { jobId: 'j' })]
    expect(at(held)).toMatchObject({ onHand: 5, reserved: 3, free: 2 })
    expect(at([...held, move('taken', 2, { jobId: 'j' })])).toMatchObject({ onHand: 3, reserved: 1, free: 2 })
    expect(at([...held, move('released', 3, { jobId: 'j' })])).toMatchObject({ reserved: 0, free: 5 })
  })
  it('the last one is not taken twice, nor what another job holds', () => {
    const one = at([move('received', 1)])
    expect(moveFault({ kind: 'taken', count: 1, jobId: null }, one)).toBeNull()
    expect(moveFault({ kind: 'taken', count: 2, jobId: null }, one)).toEqual({ kind: 'none', left: 1 })
    const held = at([move('received', 2), move('reserved', 2, { jobId: 'j' })])
    expect(moveFault({ kind: 'taken', count: 1, jobId: null }, held)).toEqual({ kind: 'held', left: 0 })
    expect(moveFault({ kind: 'taken', count: 2, jobId: 'j' }, held)).toBeNull()
    expect(moveFault({ kind: 'reserved', count: 1, jobId: 'j' }, held)).toEqual({ kind: 'held', left: 0 })
    expect(moveFault({ kind: 'bad', count: 1, jobId: null }, held)).toBeNull()
    expect(moveFault({ kind: 'counted', count: 0, jobId: null }, held)).toBeNull()
  })
  it('never is less than none, in whatever order it comes; taken over what was there asks for a count', () => {
    const moves = fc.array(
      fc.record({
        kind: fc.constantFrom(...moveKinds),
        count: fc.integer({ min: 1, max: 5 }),
        placeId: fc.constantFrom('shop', 'van'),
        toPlaceId: fc.constantFrom('shop', 'van', null),
        jobId: fc.constantFrom('j', 'k', null),
        at: fc.integer({ min: 0, max: 9 }),
      }),
      { maxLength: 30 },
    )
    fc.assert(
      fc.property(moves, (list) => {
        const made = list.map((m) => move(m.kind, m.count, m))
        for (const level of stockLevels(made).values()) {
          expect(Math.min(level.onHand, level.reserved, level.bad, level.free)).toBeGreaterThanOrEqual(0)
          expect(level.free).toBe(Math.max(0, level.onHand - level.reserved))
        }
        // The order in which they come does not matter.
        expect(stockLevels([...made].reverse())).toEqual(stockLevels(made))
        // Only what can be: then nothing is ever in doubt, and nothing is lost.
        const done: StockMove[] = []
        for (const [i, m] of made.entries()) {
          const now = { ...m, at: i }
          if (!moveFault(now, stockLevels(done).get(now.placeId) ?? emptyLevel)) done.push(now)
        }
        expect([...stockLevels(done).values()].some((l) => l.doubt)).toBe(false)
      }),
    )
  })
})

describe('what fits where', () => {
  const on = (over: Partial<FitsOn> = {}): FitsOn => ({
    parts: [
      { slot: 'belts', spec: { section: 'B', number: 74, count: 2 }, installedAt: 0, removedAt: null },
      { slot: 'filters', spec: { count: 8, size: '20 × 20 × 2 in' }, installedAt: 0, removedAt: null },
    ] as FitsOn['parts'],
    controls: {
      capacitor: { run: 7.5, volts: 440 } as never,
      protection: 'class RK5 fuse' as never,
      protectionAmps: 20,
    },
    plate: { power: 7.5, rpm: 1755, frame: '213T' },
    now: 10,
    ...over,
  })
  it('by what is in: section and length, size, value, amps, frame', () => {
    expect(takes({ kind: 'belt', section: 'b', number: 74 }, on())).toBe(2)
    expect(takes({ kind: 'belt', section: 'B', number: 75 }, on())).toBe(0)
    expect(takes({ kind: 'filter', size: '20 × 20 × 2 in' }, on())).toBe(8)
    expect(takes({ kind: 'fuse', amps: 20, type: 'class RK5' }, on())).toBe(1)
    expect(takes({ kind: 'motor', hp: 7.5, rpm: 1750, volts: '230/460', frame: '213T' }, on())).toBe(1)
    expect(takes({ kind: 'motor', hp: 7.5, rpm: 1175, volts: '230/460', frame: '213T' }, on())).toBe(0)
    expect(takes({ kind: 'other', name: 'Tape' }, on())).toBe(0)
  })
  it('a capacitor: its value and never less volts', () => {
    const cap = (microfarads: number, volts: number) => takes({ kind: 'capacitor', microfarads, volts }, on())
    expect([cap(7.5, 440), cap(7.5, 480), cap(7.5, 370), cap(10, 440)]).toEqual([1, 1, 0, 0])
  })
  it('is called as the kit of a round calls it', () => {
    expect(itemTitle({ kind: 'belt', section: 'B', number: 74 })).toBe('Belt B74')
    expect(itemTitle({ kind: 'capacitor', microfarads: 7.5, volts: 440 })).toBe('Capacitor 7.5 µF, 440 V')
  })
})

describe('what to keep', () => {
  // Poisson tables: mean 2, P(over 4) = 0.0527, P(over 5) = 0.0166.
  it('as many as are wanted while an order is on its way, but once in twenty', () => {
    expect(chanceOver(4, 2)).toBeCloseTo(0.0527, 4)
    expect(chanceOver(5, 2)).toBeCloseTo(0.0166, 4)
    // 24 machines of one belt that lasts 2 years: 12 a year; 61 days are 2.0055 of them.
    const one = { machines: 24, pieces: 24, years: 2, leadDays: 61 }
    const r = reorder(one, 1)
    expect(r).toMatchObject({ perYear: 12, min: 5, max: 8 })
    // P(over 1) at 2.0055: 1 − e^−2.0055 (1 + 2.0055) = 0.5955.
    expect(r.risk).toBeCloseTo(0.5955, 3)
    // Of three belts each, the sets are the same; two belts are no set.
    const sets = reorder({ ...one, pieces: 72 }, 2)
    expect(sets).toMatchObject({ perYear: 36, min: 15, max: 24 })
    expect(sets.risk).toBeCloseTo(chanceOver(0, (12 * 61) / 365), 12)
  })
  it('nothing of what nothing takes; a great mean does not run over', () => {
    expect(reorder({ machines: 0, pieces: 0, years: 2, leadDays: 60 }, 0)).toEqual({
      perYear: 0,
      min: 0,
      max: 0,
      risk: 0,
    })
    expect(chanceOver(1200, 1000)).toBeLessThan(1e-6)
    expect(chanceOver(800, 1000)).toBeGreaterThan(0.999)
    expect(() => reorder({ machines: 1, pieces: 1, years: 0, leadDays: 1 }, 1)).toThrow('years')
  })
})
