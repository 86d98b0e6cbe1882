import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { controlPlaces, solveControl, type ControlPart, type ControlString } from './index.ts'

const part = (place: ControlPart['place'], more: Partial<ControlPart> = {}): ControlPart => ({
  place,
  ohms: 0.05,
  wireOhms: 0.02,
  ...more,
})
/** 24 V, 40 VA, a coil of a quarter ampere. */
const string = (more: Partial<Record<ControlPart['place'], Partial<ControlPart>>> = {}): ControlString => ({
  volts: 24,
  sourceOhms: 1,
  parts: controlPlaces.map((p) => part(p, more[p])),
  coilOhms: 96,
})
const volts = (s: ControlString, seconds?: number) => solveControl(s, seconds).nodes.map((n) => n.volts)

describe('a control string', () => {
  it('that is whole has its volts everywhere and holds the coil, by hand: 24 V over 97.49 ohms', () => {
    const { nodes, amps, held } = solveControl(string())
    expect(amps).toBeCloseTo(24 / 97.49, 9)
    expect(nodes[0]?.volts).toBeCloseTo(24 - 24 / 97.49, 3)
    expect(nodes.at(-1)?.volts).toBeCloseTo((24 * 96) / 97.49, 3)
    expect(held).toBe(true)
  })
  it('is alive up to the open contact and dead behind it, whichever it is', () => {
    for (const [i, place] of controlPlaces.entries()) {
      const read = volts(string({ [place]: { ohms: Infinity } }))
      expect(read.slice(0, 1 + 2 * i).every((v) => v > 23.9)).toBe(true)
      expect(read.slice(1 + 2 * i).every((v) => v < 0.1)).toBe(true)
    }
  })
  it('with a broken wire is alive at the contact and dead at its far end', () => {
    const read = volts(string({ safety: { wireOhms: Infinity } }))
    expect(read[5]).toBeGreaterThan(23.9)
    expect(read[6]).toBe(0)
  })
  it('with an open coil has its volts to the end: the meter is all that loads it', () => {
    const { nodes, held } = solveControl({ ...string(), coilOhms: Infinity })
    expect(nodes.at(-1)?.volts).toBeCloseTo(24, 4)
    expect(held).toBe(false)
  })
  it('with a burnt contact falls short at the coil, and the contactor chatters', () => {
    const { nodes, held } = solveControl(string({ relay: { ohms: 60 } }))
    expect(nodes.at(-1)?.volts).toBeCloseTo((24 * 96) / (97.44 + 60), 2)
    expect(held).toBe(false)
  })
  it('that waits is open until its time', () => {
    const delay = string({ relay: { closesAfter: 90 } })
    expect(solveControl(delay, 89).held).toBe(false)
    expect(volts(delay, 89).at(-1)).toBe(0)
    expect(solveControl(delay, 90).held).toBe(true)
  })
  it('never has more volts behind than ahead', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            ohms: fc.double({ min: 0, max: 500, noNaN: true }),
            wireOhms: fc.double({ min: 0, max: 500, noNaN: true }),
          }),
          {
            minLength: 7,
            maxLength: 7,
          },
        ),
        (all) => {
          const read = volts(string(Object.fromEntries(controlPlaces.map((p, i) => [p, all[i] ?? {}]))))
          return read.every((v, i) => i === 0 || v <= (read[i - 1] ?? 0) + 1e-9)
        },
      ),
    ))
  it('refuses what is no ohms', () => {
    expect(() => solveControl(string({ call: { ohms: -1 } }))).toThrow(/^ohms/)
    expect(() => solveControl({ ...string(), coilOhms: 0 })).toThrow(/^coilOhms/)
  })
})
