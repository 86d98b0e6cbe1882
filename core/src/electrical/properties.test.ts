import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ThreePhase } from '../quantity/index.ts'
import {
  bleedSeconds,
  branchProtection,
  capacitanceUnderLoad,
  codeLetter,
  groundReturn,
  insulationFactor,
  leadRoll,
  letterOf,
  nextStandardRating,
  ohmsAt,
  overloadSetting,
  phaseOhms,
  pscLeads,
  residualOfLeaks,
  singlePhasing,
  temperatureByOhms,
  transformerReading,
  windingPattern,
  type LeadRoll,
} from './index.ts'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const none = [false, false, false] as const

describe('windings (properties)', () => {
  it('copper comes back from another temperature, and its temperature from its ohms', () => {
    fc.assert(
      fc.property(
        between(0.01, 500),
        fc.integer({ min: -30, max: 180 }),
        fc.integer({ min: -30, max: 180 }),
        (r, a, b) => {
          const there = ohmsAt(r, a, b)
          expect(ohmsAt(there, b, a) / r).toBeCloseTo(1, 9)
          expect(temperatureByOhms(r, a, there)).toBeCloseTo(b, 6)
          if (a !== b) expect(there > r).toBe(b > a)
        },
      ),
    )
  })
  it('the branches of any delta are found again from its three terminals', () => {
    const r = between(0.2, 60)
    fc.assert(
      fc.property(r, r, r, (ab, bc, ca) => {
        const s = ab + bc + ca
        const terminals: ThreePhase = [(ab * (bc + ca)) / s, (bc * (ca + ab)) / s, (ca * (ab + bc)) / s]
        const found = phaseOhms(terminals)?.delta
        expect(found?.[0]).toBeCloseTo(ab, 4)
        expect(found?.[1]).toBeCloseTo(bc, 4)
        expect(found?.[2]).toBeCloseTo(ca, 4)
      }),
    )
  })
  it('an open branch of a delta, or an open lead, is named wherever it is', () => {
    fc.assert(
      fc.property(between(0.3, 30), fc.integer({ min: 0, max: 2 }), (r, k) => {
        const twoToOne = [0, 1, 2].map((i) => (i === k ? 2 * r : r)) as unknown as ThreePhase
        expect(windingPattern(twoToOne, none, 0.05)).toEqual({ kind: 'delta branch open', pair: k })
        // The pair that does not touch lead k still reads: T2-T3 for T1.
        const open = [0, 1, 2].map((i) => i !== (k + 1) % 3) as unknown as [boolean, boolean, boolean]
        const pairs = open.map((o) => (o ? 0 : 2 * r)) as unknown as ThreePhase
        expect(windingPattern(pairs, open, 0.05)).toEqual({ kind: 'lead open', lead: k })
      }),
    )
  })
  it('common, run and start are found whatever wire is what', () => {
    const orders = [
      [0, 1, 2],
      [0, 2, 1],
      [1, 0, 2],
      [1, 2, 0],
      [2, 0, 1],
      [2, 1, 0],
    ] as const
    fc.assert(
      fc.property(between(1, 40), between(1.3, 4), fc.constantFrom(...orders), (run, times, [c, r, s]) => {
        const start = run * times
        // Ohms from common to each wire; run and start lie in series between their ends.
        const at = (x: number) => (x === c ? 0 : x === r ? run : start)
        const pair = (x: number, y: number) => (x === c || y === c ? at(x) + at(y) : run + start)
        const found = pscLeads([pair(0, 1), pair(1, 2), pair(2, 0)], none)
        expect(found).toMatchObject({ kind: 'leads found', common: c, run: r, start: s })
      }),
    )
  })
})

describe('rolled leads (properties)', () => {
  const roll = (mean: number, lines: ThreePhase, leads: ThreePhase): LeadRoll =>
    [0, 1, 2].map((connection) =>
      [0, 1, 2].map((line) => mean + (lines[line] ?? 0) + (leads[(line - connection + 3) % 3] ?? 0)),
    ) as unknown as LeadRoll
  const effect = between(-2, 2)
  it('separate line and lead exactly in the additive model', () => {
    fc.assert(
      fc.property(between(8, 60), effect, effect, effect, effect, (mean, l1, l2, t1, t2) => {
        const lines: ThreePhase = [l1, l2, -l1 - l2]
        const leads: ThreePhase = [t1, t2, -t1 - t2]
        const r = leadRoll(roll(mean, lines, leads))
        for (const k of [0, 1, 2] as const) {
          expect(r.lines[k]).toBeCloseTo(lines[k], 6)
          expect(r.leads[k]).toBeCloseTo(leads[k], 6)
        }
      }),
    )
  })
  it('blame the side that makes the larger difference', () => {
    fc.assert(
      fc.property(between(10, 60), fc.integer({ min: 0, max: 2 }), fc.boolean(), (mean, k, supply) => {
        const odd = [0, 1, 2].map((i) => (i === k ? 0.2 * mean : -0.1 * mean)) as unknown as ThreePhase
        const r = leadRoll(supply ? roll(mean, odd, [0, 0, 0]) : roll(mean, [0, 0, 0], odd))
        expect([r.blames, r.odd]).toEqual([supply ? 'supply' : 'motor', k])
      }),
    )
  })
})

describe('protection (properties)', () => {
  it('a larger current never has a smaller fuse or breaker, nor a rating below what was computed', () => {
    fc.assert(
      fc.property(
        between(0.5, 150),
        between(0, 50),
        fc.constantFrom('time-delay fuse', 'non-time-delay fuse', 'breaker'),
        (amps, more, kind) => {
          const a = branchProtection(kind, amps)
          const b = branchProtection(kind, amps + more)
          expect(a.rating ?? Infinity).toBeGreaterThanOrEqual(a.computed - 1e-9)
          expect(b.rating ?? Infinity).toBeGreaterThanOrEqual(a.rating ?? 0)
        },
      ),
    )
  })
  it('the next standard size is a size, and nothing smaller would do', () => {
    fc.assert(
      fc.property(between(0.1, 6000), fc.boolean(), (amps, fuse) => {
        const size = nextStandardRating(amps, fuse) ?? NaN
        expect(nextStandardRating(size, fuse)).toBe(size)
        const below = nextStandardRating(Math.max(0.05, size * 0.999), fuse) ?? NaN
        expect(below).toBe(size)
      }),
    )
  })
  it('an overload relay is set above the plate, and never above its greatest', () => {
    fc.assert(
      fc.property(between(0.3, 300), between(1, 1.5), (amps, sf) => {
        const o = overloadSetting(amps, sf)
        expect(o.setting).toBeGreaterThan(amps)
        expect(o.greatest).toBeGreaterThan(o.setting)
      }),
    )
  })
  it('a letter stands for a range that holds it', () => {
    for (const l of 'ABCDEFGHJKLMNPRSTU') {
      const range = codeLetter(l)
      if (range?.to == null) throw new Error(`${l} is a letter`)
      expect(letterOf(range.to)).toBe(l)
      expect(letterOf((Math.max(range.from, 0.01) + range.to) / 2)).toBe(l)
    }
  })
})

describe('currents, capacitors, transformers, insulation (properties)', () => {
  it('what returns another way lies within the bounds for every phase between the two readings', () => {
    fc.assert(
      fc.property(between(0.01, 20), between(0, 20), between(0, Math.PI), (line, wire, angle) => {
        const other = Math.hypot(line - wire * Math.cos(angle), wire * Math.sin(angle))
        const r = groundReturn(line, wire)
        expect(other).toBeGreaterThanOrEqual(r.otherLow - 1e-9)
        expect(other).toBeLessThanOrEqual(r.otherHigh + 1e-9)
      }),
    )
  })
  it('equal leaks cancel, and a leak more than the others shows as itself', () => {
    fc.assert(
      fc.property(between(0, 30), between(0.001, 30), (even, more) => {
        expect(residualOfLeaks([even, even, even])).toBeCloseTo(0, 6)
        expect(residualOfLeaks([even, even + more, even])).toBeCloseTo(more, 6)
      }),
    )
  })
  it('a lost line always carries more than the healthy one', () => {
    fc.assert(
      fc.property(between(0.1, 200), (amps) => {
        const s = singlePhasing(amps)
        expect(s.lines).toBeGreaterThan(amps)
        expect(s.deltaPhase).toBeGreaterThan(s.deltaNormal)
      }),
    )
  })
  it('a capacitor measured under load is found again, and bleeds longer the larger it is', () => {
    fc.assert(
      fc.property(between(1, 80), between(200, 600), fc.constantFrom(50, 60), (uf, volts, hz) => {
        const amps = 2 * Math.PI * hz * uf * 1e-6 * volts
        expect(capacitanceUnderLoad(amps, volts, hz)).toBeCloseTo(uf, 6)
        expect(bleedSeconds(uf * 1.5, volts, 15000, 50)).toBeGreaterThan(bleedSeconds(uf, volts, 15000, 50))
      }),
    )
  })
  it('a transformer at its ratio is never blamed, however low or high its supply', () => {
    fc.assert(
      fc.property(between(10, 1000), between(100, 700), between(5, 500), (volts, ratedIn, ratedOut) => {
        const r = transformerReading({ in: volts, out: (volts * ratedOut) / ratedIn, ratedIn, ratedOut })
        expect(r.fault).not.toBe('transformer')
        expect(r.off).toBeCloseTo(0, 9)
      }),
    )
  })
  it('a warmer winding is corrected upward, in either system', () => {
    fc.assert(
      fc.property(
        between(10, 84),
        between(0.1, 1),
        fc.constantFrom('thermosetting', 'thermoplastic'),
        (t, more, system) => {
          expect(insulationFactor(t + more, system) ?? NaN).toBeGreaterThan(insulationFactor(t, system) ?? NaN)
        },
      ),
    )
  })
})
