import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clampDemand, ohmsDemand, peak, steadiness, type Sample } from './index.ts'

const stream = (seconds: number, f: (t: number) => number, every = 100): Sample[] =>
  Array.from({ length: Math.round((seconds * 1000) / every) + 1 }, (_, i) => ({
    at: i * every,
    value: f((i * every) / 1000),
  }))
// A fixed sequence in -1 .. 1 that looks like noise.
const noise = (t: number) => Math.sin(t * 91.7) * Math.cos(t * 57.3)

describe('the steady-state detector', () => {
  it('waits until its window is full', () => {
    expect(steadiness([], clampDemand)).toEqual({ kind: 'filling', share: 0 })
    const short = steadiness(
      stream(1, () => 12.8),
      clampDemand,
    )
    expect(short.kind).toBe('filling')
    if (short.kind === 'filling') expect(short.share).toBeCloseTo(0.5, 1)
  })
  it('settles on a steady clamp with the wobble of a hand', () => {
    const s = steadiness(
      stream(4, (t) => 12.8 + 0.05 * noise(t)),
      clampDemand,
    )
    expect(s.kind).toBe('settled')
    if (s.kind === 'settled') expect(s.value).toBeCloseTo(12.8, 1)
  })
  it('says which way a start still goes', () => {
    const start = (t: number) => 12.8 + 60 * Math.exp(-t / 1.2)
    const s = steadiness(stream(3, start), clampDemand)
    expect(s.kind).toBe('drifting')
    if (s.kind === 'drifting') expect(s.perSecond).toBeLessThan(0)
    expect(steadiness(stream(14, start), clampDemand).kind).toBe('settled')
  })
  it('tells a wandering winding from a steady one', () => {
    expect(
      steadiness(
        stream(4, (t) => 2.1 + 0.25 * noise(t)),
        ohmsDemand,
      ).kind,
    ).toBe('wandering')
    expect(
      steadiness(
        stream(4, (t) => 2.1 + 0.004 * noise(t)),
        ohmsDemand,
      ).kind,
    ).toBe('settled')
  })
  it('calls a contact that makes and breaks wandering, and an open circuit over range', () => {
    const breaks = stream(4, () => 2.1).map((s, i) => ({ ...s, over: i % 9 === 0 }))
    expect(steadiness(breaks, ohmsDemand).kind).toBe('wandering')
    expect(
      steadiness(
        breaks.map((s) => ({ ...s, over: true })),
        ohmsDemand,
      ),
    ).toEqual({ kind: 'over range' })
  })
  it('is not thrown by one wild sample', () => {
    const s = stream(4, () => 12.8)
    s[30] = { at: 3000, value: 99 }
    expect(steadiness(s, clampDemand).kind).toBe('settled')
  })
  it('looks at the latest window only', () =>
    expect(
      steadiness(
        stream(10, (t) => (t < 6 ? 40 : 12.8)),
        clampDemand,
      ).kind,
    ).toBe('settled'))
  it('settles on zero', () =>
    expect(
      steadiness(
        stream(4, () => 0),
        clampDemand,
      ).kind,
    ).toBe('settled'))
  it('never settles on a ramp of two per cent a second, whatever the level (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 300, noNaN: true }), (level) => {
        expect(
          steadiness(
            stream(4, (t) => level * (1 + 0.02 * t)),
            clampDemand,
          ).kind,
        ).not.toBe('settled')
      }),
    )
  })
  it('keeps the peak of a start', () => {
    expect(peak(stream(3, (t) => 12 + 70 * Math.exp(-t)))).toBeCloseTo(82)
    expect(peak([])).toBeNull()
  })
})
