import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { blankMap, minutesHere, pace, travelMinutes, walkIn, type RoofMap } from './index.ts'

const box = (x: number, y: number, w: number, h: number) =>
  ({ id: `${x} ${y}`, name: '', kind: 'obstacle', x, y, w, h }) as const

describe('a way over a roof', () => {
  it('is straight where nothing stands in it, and along a wall', () => {
    near(walkIn(blankMap, { x: 0, y: 0 }, { x: 3, y: 4 }).metres, 5, 1e-9)
    near(walkIn({ obstacles: [box(1, 0, 2, 2)] }, { x: 0, y: 2 }, { x: 5, y: 2 }).metres, 5, 1e-9)
  })
  it('goes round a corner by the shorter side', () => {
    // By hand: a square of 2 m between (0, 1) and (6, 1) that reaches from y −1 to 1.5: over its upper corners at y 1.5.
    const way = walkIn({ obstacles: [box(2, -1, 2, 2.5)] }, { x: 0, y: 1 }, { x: 6, y: 1 })
    near(way.metres, 2 * Math.hypot(2, 0.5) + 2, 1e-9)
    expect(way.points).toEqual([
      { x: 0, y: 1 },
      { x: 2, y: 1.5 },
      { x: 4, y: 1.5 },
      { x: 6, y: 1 },
    ])
  })
  it('is never shorter than the straight one, and as long there as back', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(30), fc.nat(20), fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 8 })), {
          maxLength: 5,
        }),
        fc.tuple(fc.nat(40), fc.nat(24), fc.nat(40), fc.nat(24)),
        (boxes, [x1, y1, x2, y2]) => {
          const map = { obstacles: boxes.map(([x, y, w, h]) => box(x, y, w, h)) }
          const there = walkIn(map, { x: x1, y: y1 }, { x: x2, y: y2 })
          expect(there.metres).toBeGreaterThanOrEqual(Math.hypot(x2 - x1, y2 - y1) - 1e-9)
          expect(walkIn(map, { x: x2, y: y2 }, { x: x1, y: y1 }).metres).toBeCloseTo(there.metres, 9)
        },
      ),
    ))
})

describe('getting about', () => {
  const roof: RoofMap = {
    ...blankMap,
    units: { u1: { x: 9, y: 9, w: 2, h: 2 }, u2: { x: 59, y: 9, w: 2, h: 2 } },
    hatches: [{ id: 'h', name: 'Hatch', x: 10, y: 20 }],
  }
  const upper: RoofMap = {
    ...blankMap,
    units: { u3: { x: 4, y: 4, w: 2, h: 2 } },
    ladders: [{ id: 'l', name: 'Ladder', x: 5, y: 5, to: 'low', height: 4 }],
  }
  const areas = [
    { id: 'low', siteId: 's', map: roof },
    { id: 'high', siteId: 's', map: upper },
    { id: 'far', siteId: 't', map: blankMap },
  ]
  it('is walking on one roof, ladders between two, the road between sites', () => {
    const m = travelMinutes(areas, [
      { area: 'low', unit: 'u1' },
      { area: 'low', unit: 'u2' },
      { area: 'high', unit: 'u3' },
      { area: 'far', unit: 'x' },
    ])
    near(m[1]?.[2] ?? 0, 50 / pace.metresAMinute, 1e-9)
    near(m[0]?.[1] ?? 0, 10 / pace.metresAMinute, 1e-9)
    // Up the ladder from the hatch where it lands: ten metres to it, two metres of ladder a minute, none at the top.
    near(m[1]?.[3] ?? 0, 10 / pace.metresAMinute + pace.ladder + 4 * pace.ladderPerMetre, 1e-9)
    expect(m[1]?.[4]).toBeGreaterThanOrEqual(pace.betweenSites)
    expect(m.every((row, i) => row[i] === 0)).toBe(true)
  })
  it('names an area that is not given', () =>
    expect(() => travelMinutes(areas, [{ area: 'none', unit: 'x' }])).toThrow(/^area none/))
})

describe('how long it takes here', () => {
  const took = (real: number, n: number) => Array.from({ length: n }, () => ({ planned: 20, real }))
  it('is the usual until three visits say otherwise, then moves towards what they took', () => {
    expect(minutesHere(30, took(40, 2))).toEqual({ minutes: 30, learnt: 0 })
    const few = minutesHere(30, took(40, 3))
    const many = minutesHere(30, took(40, 40))
    expect(few.minutes).toBeGreaterThan(30)
    expect(many.minutes).toBeGreaterThan(few.minutes)
    expect(many.minutes).toBeLessThanOrEqual(60)
  })
  it('is not led away by a lunch', () =>
    expect(minutesHere(30, [...took(20, 5), { planned: 20, real: 190 }]).minutes).toBe(30))
})
