import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import type { ThreePhase } from '../quantity/index.ts'
import { ohmsAt, phaseOhms, pscLeads, temperatureByOhms, windingPattern, windingUnbalance } from './index.ts'

const none = [false, false, false] as const

describe('winding resistance', () => {
  it.each([
    [1.32, 18, 25, 1.357],
    [0.486, 41, 25, 0.4578],
    [2.74, 9, 25, 2.92],
  ])('%d ohm at %d °C is at %d °C %d ohm (copper, 234.5)', (r, from, to, expected) =>
    near(ohmsAt(r, from, to), expected),
  )
  it('tells the temperature: 1.32 ohm at 20 °C is 1.71 at 95.19 °C', () =>
    near(temperatureByOhms(1.32, 20, 1.71), 95.19))
  it.each([
    [[1.3, 1.32, 1.31], 0.007634],
    [[1.3, 1.32, 1.45], 0.0688],
  ] as const)('unbalance of %j is %d', (pairs, u) => near(windingUnbalance(pairs), u))
  it('solves wye and delta phases', () => {
    const p = phaseOhms([1.3, 1.32, 1.45])
    for (const [i, v] of [0.715, 0.585, 0.735].entries()) near(p?.wye[i], v)
    for (const [i, v] of [1.869, 1.921, 2.348].entries()) near(p?.delta[i], v)
  })
  it('returns the branches 3, 4, 5 from the terminals they make', () => {
    const p = phaseOhms([2.25, 2.6666667, 2.9166667])
    for (const [i, v] of [3, 4, 5].entries()) near(p?.delta[i], v)
  })
  it('knows no phases for readings that none could give', () => expect(phaseOhms([1, 1, 5])).toBeNull())
  it('a wye of any three phases is found again', () => {
    const r = fc.double({ min: 0.1, max: 50, noNaN: true })
    fc.assert(
      fc.property(r, r, r, (a, b, c) => {
        const p = phaseOhms([a + b, b + c, c + a])
        near(p?.wye[0], a, 1e-6)
        near(p?.wye[1], b, 1e-6)
        near(p?.wye[2], c, 1e-6)
      }),
    )
  })
})

describe('the pattern of three pairs', () => {
  it.each([
    ['even', [2.1, 2.12, 2.11], none, { kind: 'even' }],
    ['all open', [0, 0, 0], [true, true, true], { kind: 'all open' }],
    ['T1 open', [0, 2.1, 0], [true, false, true], { kind: 'lead open', lead: 0 }],
    ['T2 open', [0, 0, 2.1], [true, true, false], { kind: 'lead open', lead: 1 }],
    ['T3 open', [2.1, 0, 0], [false, true, true], { kind: 'lead open', lead: 2 }],
    ['a delta branch open reads 2 : 1 : 1', [2, 1, 1], none, { kind: 'delta branch open', pair: 0 }],
    ['shorted turns in one pair', [2.1, 1.72, 2.12], none, { kind: 'low pair', pair: 1 }],
    ['a bad joint in one pair', [2.1, 2.12, 2.61], none, { kind: 'high pair', pair: 2 }],
  ] as const)('%s', (_name, pairs, open, expected) => expect(windingPattern(pairs, open, 0.05)).toEqual(expected))
  it('calls nothing even that is unbalanced beyond the limit', () => {
    const r = fc.double({ min: 0.2, max: 20, noNaN: true })
    fc.assert(
      fc.property(r, r, r, (a, b, c) => {
        const pairs: ThreePhase = [a, b, c]
        if (windingUnbalance(pairs) > 0.05) expect(windingPattern(pairs, none, 0.05).kind).not.toBe('even')
      }),
    )
  })
})

describe('single-phase leads by ohms (run to start is the sum of the two others)', () => {
  it('finds common, run and start wherever they are', () => {
    // Run 8 ohm, start 23 ohm. Leads in the order run, start, common.
    expect(pscLeads([31, 23, 8], none)).toMatchObject({ kind: 'leads found', common: 2, run: 0, start: 1, runOhms: 8 })
    // Leads in the order common, run, start.
    expect(pscLeads([8, 31, 23], none)).toMatchObject({ common: 0, run: 1, start: 2 })
    // Leads in the order start, common, run.
    expect(pscLeads([23, 8, 31], none)).toMatchObject({ common: 1, run: 2, start: 0, startOhms: 23 })
  })
  it('tells what does not add up', () => expect(pscLeads([31, 15, 8], none)).toMatchObject({ kind: 'do not add up' }))
  it('tells one open pair as misread: the two others would close it', () =>
    expect(pscLeads([0, 23, 8], [true, false, false])).toMatchObject({ kind: 'do not add up' }))
  it('tells an open protector from an open winding by what the motor read when whole', () => {
    const past = { run: 8, start: 23 }
    expect(pscLeads([31, 0, 0], [false, true, true], past)).toMatchObject({ lead: 2, says: 'protector' })
    expect(pscLeads([0, 0, 8], [true, true, false], past)).toMatchObject({ lead: 1, says: 'winding' })
    expect(pscLeads([31, 0, 0], [false, true, true])).toMatchObject({ says: 'either' })
    expect(pscLeads([0, 0, 0], [true, true, true], past)).toEqual({ kind: 'all open' })
  })
})
