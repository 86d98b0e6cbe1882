import { blankMap, type RoofMap } from '@motor-round/core/round'
import { describe, expect, it } from 'vitest'
import { mapDifferences } from '../../parts/roof-map/index.ts'
import { layUnder, moveUnit, put, putBack, takeOff, toScale, turnUnit } from './edit.ts'

const map: RoofMap = { ...blankMap, width: 20, depth: 10, units: { u: { x: 2, y: 2, w: 4, h: 2 } } }

describe('a plan that is drawn', () => {
  it('keeps units on it, on half metres', () => {
    expect(moveUnit(map, 'u', { x: 3.3, y: 1.1 }).units['u']).toMatchObject({ x: 3.5, y: 1 })
    expect(moveUnit(map, 'u', { x: 99, y: -5 }).units['u']).toMatchObject({ x: 16, y: 0 })
    expect(moveUnit(map, 'none', { x: 1, y: 1 })).toBe(map)
    expect(turnUnit(map, 'u').units['u']).toMatchObject({ w: 2, h: 4 })
  })
  it('takes ways in, ladders, obstacles and corners of the edge, and gives them back', () => {
    let p = map
    for (const [i, thing] of (['hatch', 'ladder', 'obstacle', 'keep-clear', 'edge'] as const).entries())
      p = put(p, thing, { x: i, y: 40 }, `n${i}`)
    expect(p.hatches).toEqual([{ id: 'n0', name: '', x: 0, y: 10 }])
    expect(p.ladders[0]).toMatchObject({ id: 'n1', height: 3, to: null })
    expect(p.obstacles.map((o) => o.kind)).toEqual(['obstacle', 'keep-clear'])
    expect(p.edge).toHaveLength(1)
    expect(takeOff(takeOff(p, 'n0'), 'n3')).toMatchObject({ hatches: [], obstacles: [{ id: 'n2' }] })
  })
  it('gets back what was taken off, and keeps what was changed since', () => {
    const before = put(map, 'obstacle', { x: 3, y: 3 }, 'o')
    const since = { ...takeOff(before, 'o'), width: 30 }
    expect(putBack(since, before, 'o')).toEqual({ ...before, width: 30 })
    expect(putBack(before, before, 'o')).toEqual(before)
  })
  it('is told apart from another in words', () => {
    const theirs = put(moveUnit({ ...map, width: 22 }, 'u', { x: 6, y: 2 }), 'hatch', { x: 1, y: 1 }, 'h')
    expect(mapDifferences(map, theirs, () => 'RTU-1', 'm')).toEqual([
      { what: 'Size', mine: '20 × 10 m', theirs: '22 × 10 m' },
      { what: 'RTU-1', mine: '2 m, 2 m', theirs: '6 m, 2 m' },
      { what: 'Access points', mine: '0', theirs: '1' },
    ])
    expect(mapDifferences(map, map, () => '', 'm')).toEqual([])
  })
  it('lies over a picture that is brought to scale by two spots and how far apart they are', () => {
    const laid = layUnder(map, { id: 'p', width: 800, height: 400 })
    expect(laid.underlay).toEqual({ id: 'p', x: 0, y: 0, w: 20, h: 10 })
    const scaled = toScale(
      laid,
      [
        { x: 4, y: 2 },
        { x: 7, y: 6 },
      ],
      10,
    )
    // Five metres of the plan are ten: twice as large, the first spot where it was.
    expect(scaled.underlay).toEqual({ id: 'p', x: -4, y: -2, w: 40, h: 20 })
    expect(
      toScale(
        laid,
        [
          { x: 4, y: 2 },
          { x: 4, y: 2 },
        ],
        10,
      ),
    ).toBe(laid)
    expect(
      toScale(
        map,
        [
          { x: 4, y: 2 },
          { x: 5, y: 2 },
        ],
        10,
      ),
    ).toBe(map)
    expect(mapDifferences(scaled, map, () => '', 'm')).toEqual([
      { what: 'Background photo', mine: '40.0 m wide', theirs: 'none' },
    ])
  })
})
