import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { legPositions, linePositions, type Reading } from '../quantity/index.ts'
import { slipGuard, type Slip } from './index.ts'

type Stream = ReturnType<typeof seeded>

interface Case {
  readonly past: Record<string, number[]>
  readonly value: (position: string) => number
  readonly plate: number
  readonly volts: number
}
const swap = (value: number): number | null => {
  const text = value.toFixed(1)
  for (const i of [0, 1, 2]) {
    const at = [...text].flatMap((ch, k) => (/\d/.test(ch) ? [k] : []))
    const [a, b] = [at[i], at[i + 1]]
    if (a === undefined || b === undefined || text[a] === text[b]) continue
    const out = [...text]
    out[a] = text[b] ?? ''
    out[b] = text[a] ?? ''
    return Number(out.join(''))
  }
  return null
}

/** What a clamp shows at a motor: 1.5 % from visit to visit, the legs some percent apart, one decimal. */
function motor(s: Stream, visits: number): Case {
  const plate = Number((2 + 48 * s.next()).toFixed(1))
  const load = 0.45 + 0.5 * s.next()
  const apart = new Map(legPositions.map((p) => [p as string, 1 + 0.02 * s.normal()]))
  const value = (p: string) => Number((plate * load * (apart.get(p) ?? 1) * (1 + 0.015 * s.normal())).toFixed(1))
  return {
    past: Object.fromEntries(legPositions.map((p) => [p, Array.from({ length: visits }, () => value(p))])),
    value,
    plate,
    volts: [208, 240, 480, 600][Math.floor(4 * s.next())] ?? 480,
  }
}
const amps = (position: string, value: number): Reading => ({ quantity: 'amps', position, value })

/** Share of many motors at which a reading typed like that is asked about. */
function share(visits: number, typed: (c: Case, s: Stream) => Slip | null | undefined): number {
  const s = seeded(7 + visits)
  let asked = 0
  let all = 0
  for (let i = 0; i < 4000; i++) {
    const slip = typed(motor(s, visits), s)
    if (slip === undefined) continue
    all += 1
    if (slip !== null) asked += 1
  }
  return asked / all
}
const ask = (c: Case, value: number, others: Reading[] = [], position = 'L1') =>
  slipGuard(
    amps(position, Number(value.toPrecision(6))),
    others,
    c.past[position] ?? [],
    (p) => c.past[p] ?? [],
    c.plate,
    c.volts,
  )

describe('slips are asked about', () => {
  it.each([0, 1, 4, 12])('true readings hardly ever, after %i visits', (visits) => {
    expect(
      share(visits, (c) => {
        const read = legPositions.map((p) => amps(p, c.value(p)))
        return read.map((r, i) => ask(c, r.value, read.slice(0, i), r.position)).find((x) => x !== null) ?? null
      }),
    ).toBeLessThanOrEqual(3 * 0.02)
    expect(share(visits, (c) => ask(c, c.value('L1')))).toBeLessThanOrEqual(0.02)
  })
  it.each([0, 4, 12])('a decimal point lost or moved, after %i visits', (visits) => {
    for (const times of [10, 0.1, 100, 0.01])
      expect(
        share(visits, (c) => ask(c, c.value('L1') * times)),
        String(times),
      ).toBeGreaterThanOrEqual(0.95)
  })
  it.each([0, 4, 12])('volts typed for amps, after %i visits', (visits) => {
    expect(share(visits, (c, s) => ask(c, Math.round(c.volts * (1 + 0.01 * s.normal()))))).toBeGreaterThanOrEqual(0.95)
  })
  it.each([4, 12])('two digits swapped so that the reading is not usual, after %i visits', (visits) => {
    expect(
      share(visits, (c) => {
        const value = c.value('L1')
        const typed = swap(value)
        // Within a tenth of the usual it may as well be true.
        return typed === null || Math.abs(typed / value - 1) < 0.1 ? undefined : ask(c, typed)
      }),
    ).toBeGreaterThanOrEqual(0.95)
  })
  it.each([4, 12])('the same leg twice where the legs differ, after %i visits', (visits) => {
    expect(
      share(visits, (c) => {
        const [a, b] = ['L1', 'L2'].map((p) => (c.past[p] ?? []).reduce((x, y) => x + y, 0) / visits)
        if (Math.abs((a ?? 1) / (b ?? 1) - 1) < 0.08) return undefined
        const value = c.value('L2')
        return ask(c, value, [amps('L2', value)])
      }),
    ).toBeGreaterThanOrEqual(0.95)
  })
  it('amps typed for volts, with and without a past', () => {
    for (const visits of [0, 6]) {
      const asked = share(visits, (c, s) => {
        if (c.plate > 0.4 * c.volts) return undefined
        const past = Array.from({ length: visits }, () => Math.round(c.volts * (1 + 0.01 * s.normal())))
        const reading: Reading = { quantity: 'volts_ll', position: linePositions[0], value: c.value('L1') }
        return slipGuard(reading, [], past, () => [], c.volts, c.plate)
      })
      expect(asked).toBeGreaterThanOrEqual(0.95)
    }
  })
})
