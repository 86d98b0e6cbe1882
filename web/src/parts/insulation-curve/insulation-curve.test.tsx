import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { InsulationCurve } from './index.ts'

const draw = (points: [number, number][], past: [number, number][] = []) => {
  const as = (list: [number, number][]) => list.map(([seconds, megohms]) => ({ seconds, megohms }))
  return renderToStaticMarkup(<InsulationCurve points={as(points)} past={as(past)} />)
}
const line = (svg: string, kind: string): number[][] =>
  (new RegExp(`points="([^"]*)" class="curve-${kind}"`).exec(svg)?.[1] ?? '')
    .split(' ')
    .filter(Boolean)
    .map((p) => p.split(',').map(Number))

describe('the curve of a timed insulation test', () => {
  it('is nothing without a point, and points without a line at one', () => {
    expect(draw([])).toBe('')
    expect(draw([[15, 180]])).toContain('curve-point')
    expect(line(draw([[15, 180]]), 'now')).toEqual([])
  })
  it('is straight on double logarithmic paper for a power law', () => {
    const pts = line(draw([15, 60, 240].map((t) => [t, 100 * t ** 0.3])), 'now')
    const slope = (a = [0, 0], b = [0, 0]) => ((b[1] ?? 0) - (a[1] ?? 0)) / ((b[0] ?? 0) - (a[0] ?? 0))
    expect(slope(pts[0], pts[1])).toBeCloseTo(slope(pts[1], pts[2]), 6)
    expect(slope(pts[0], pts[1])).toBeLessThan(0) // rising: up is less
  })
  it('has the last test beside it and says its points to a reader', () => {
    const svg = draw(
      [
        [15, 180],
        [60, 310],
      ],
      [
        [15, 400],
        [60, 700],
      ],
    )
    expect(line(svg, 'past')).toHaveLength(2)
    expect(svg).toContain('180 MΩ at 15 s, 310 MΩ at 60 s')
  })
})
