import fc from 'fast-check'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { railEnd, railWords, spreadLabels } from './geometry.ts'
import { LoadRail } from './load-rail.tsx'

const rail = (amps: number[], allowed: number | null = 12.8) => ({
  allowed,
  columnVolts: 460,
  source: 'motor plate' as const,
  legs: amps.map((a, i) => ({ name: `L${i + 1}`, amps: a })),
  usual: { low: 11.5, high: 12.3 },
})

describe('the load rail', () => {
  it('says in words what it draws', () => {
    expect(railWords(rail([13.6, 13.2, 13.4]))).toBe('L1 13.6, L2 13.2, L3 13.4 ampere, 106 % of nameplate')
    expect(railWords(rail([9], null))).toBe('L1 9.0 ampere, no limit known')
    expect(railWords(rail([]))).toBe('no amps read')
  })
  it('puts the plate at four fifths and every tick at its share of it', () => {
    const markup = renderToStaticMarkup(<LoadRail rail={rail([6.4])} />)
    const x = [...markup.matchAll(/<rect x="([\d.]+)" y="6" width="2.4"/g)].map((m) => Number(m[1]) + 1.2)
    // Half of 12.8 A is 0.5 of 1.25 on a bar from 2 to 234.
    expect(x).toHaveLength(1)
    expect(x[0]).toBeCloseTo(2 + (0.5 / railEnd) * 232, 1)
  })
  it('marks ticks over the plate, and clips those beyond the end with an arrow', () => {
    expect(renderToStaticMarkup(<LoadRail rail={rail([12, 12.9])} />).match(/<g fill="var\(--fix\)"/g)).toHaveLength(1)
    const far = renderToStaticMarkup(<LoadRail rail={rail([40])} />)
    expect(far).toContain('<path')
    expect(Number(/<rect x="([\d.]+)" y="6" width="2.4"/.exec(far)?.[1])).toBeLessThan(236)
  })
  it('draws no plate where there is no limit', () => {
    const markup = renderToStaticMarkup(<LoadRail rail={rail([9], null)} />)
    expect(markup).not.toContain('rail-plate')
    expect(markup).not.toContain('rail-tick')
  })
})

describe('labels', () => {
  it('never touch, keep their order, and stay on the rail', () => {
    const place = fc.integer({ min: 0, max: 3600 }).map((n) => n / 10)
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 3 }), (wanted) => {
        const at = spreadLabels(wanted, 21, 8, 350)
        const sorted = wanted.map((x, i) => ({ x, at: at[i] ?? 0 })).sort((a, b) => a.x - b.x)
        for (let i = 1; i < sorted.length; i++)
          expect((sorted[i]?.at ?? 0) - (sorted[i - 1]?.at ?? 0)).toBeGreaterThanOrEqual(20.9)
        for (const x of at) {
          expect(x).toBeGreaterThanOrEqual(8)
          expect(x).toBeLessThanOrEqual(350)
        }
      }),
    )
  })
  it('stay where they are when there is room', () =>
    expect(spreadLabels([50, 200, 120], 21, 8, 350)).toEqual([50, 200, 120]))
})
