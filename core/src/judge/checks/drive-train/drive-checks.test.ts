import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { vibrationPositions } from '../../../quantity/index.ts'

import { checksOf, gatesOf, scopes, rank } from '../../index.ts'
import { at, facts, plate, say, visitOf, told } from '../say.test-help.ts'

const shaking = (...values: number[]) => at('vibration', vibrationPositions, values)
const rigid = { answers: { 'vibration.mount': 'rigid' } }

describe('a visit of drive and bearings', () => {
  const of = (phase: Parameters<typeof checksOf>[2], over = {}) =>
    checksOf({ ...facts, ...over }, 'drive', phase).map((c) => c.id)
  it('asks for the drive train dead, and for vibration and filters live', () => {
    expect(of('dead')).toEqual(['spin', 'belts', 'tension', 'alignment', 'bearings', 'keys', 'wheel'])
    expect(of('live')).toEqual(['running', 'temperatures', 'vibration', 'filter-drop', 'pressure', 'sound'])
  })
  it('asks a direct drive for no belt', () => expect(of('dead', { drive: 'direct' })).not.toContain('belts'))
  it('leaves the electrical walk as it was', () => {
    const full = scopes.full.flatMap((p) => checksOf(facts, 'full', p).map((c) => c.id))
    expect(full).toContain('winding')
    for (const id of ['belts', 'bearings', 'keys', 'wheel', 'vibration', 'filter-drop']) expect(full).not.toContain(id)
  })
  it('waits for the Dead gate, since hands go in', () => {
    expect(gatesOf.drive).toEqual(['dead', 'close'])
    expect(scopes.drive).not.toContain('restore')
  })
})

describe('vibration (ISO 14694 limits in place, from memory)', () => {
  // 10 hp is BV-3; rigid: 0.25 as new, 0.40 alarm, 0.50 shutdown, in/s peak.
  it('as new, above start-up, alarm, shutdown on a rigid mount', () => {
    expect(told('vibration', shaking(0.1, 0.2, 0.05), rigid)).toMatchObject({ level: 'ok', value: 0.2 })
    expect(told('vibration', shaking(0.3), rigid).level).toBe('watch')
    expect(told('vibration', shaking(0.1, 0.1, 0.1, 0.42), rigid)).toMatchObject({ level: 'fix' })
    expect(told('vibration', shaking(0.1, 0.1, 0.1, 0.42), rigid).because).toContain('ODE-H')
    expect(told('vibration', shaking(0.55), rigid).level).toBe('stop')
  })
  it('springs allow more; who did not say how it stands is less sure', () => {
    expect(told('vibration', shaking(0.42), { answers: { 'vibration.mount': 'flexible' } })).toMatchObject({
      level: 'watch',
      confidence: 'full',
    })
    expect(told('vibration', shaking(0.1)).confidence).toBe('low')
  })
  it('a small motor is judged by the wider limits of its class', () =>
    expect(told('vibration', shaking(0.28), { ...rigid, plate: { ...plate, power: 3 } }).level).toBe('ok'))
  it('of a running fan is never nothing: 0.00 on the meter passes no spot (common practice)', () => {
    const still = told('vibration', shaking(0.004), rigid)
    expect(still).toMatchObject({ level: 'watch', settles: false })
    expect(still.because).toMatch(/^0\.00 in\/s peak at DE-H: a fan that runs/)
    expect(told('vibration', shaking(0.005), rigid).level).toBe('ok')
    // Beside a spot that shakes, that one counts.
    expect(told('vibration', shaking(0, 0.55), rigid).level).toBe('stop')
    expect(told('vibration-peak', at('vibration_hz', ['dominant'], [0])).level).toBe('watch')
  })
  it('twice its last is watched below every limit', () => {
    const v = told('vibration', shaking(0.22), { ...rigid, history: [visitOf(shaking(0.1), -30)] })
    expect(v).toMatchObject({ level: 'watch' })
    expect(v.because).toContain('twice the 0.10 in/s of the last reading')
    expect(told('vibration', shaking(0.08), { ...rigid, history: [visitOf(shaking(0.03), -30)] }).level).toBe('ok')
  })
  it('shaking harder never reads better', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (a, more) => {
          const level = (x: number) => rank(told('vibration', shaking(0.05, x), rigid).level)
          expect(level(a + more)).toBeGreaterThanOrEqual(level(a))
        },
      ),
      { numRuns: 60 },
    ))
})

describe('belts, bearings and wheel by words (common practice)', () => {
  const words = (check: string, answers: Record<string, string>) => told(check, [], { answers })
  it('a sound belt is told once, a slack one is to fix before amps are believed', () => {
    expect(words('belts', { 'belt.wear': 'sound', 'belt.tension': 'right' }).level).toBe('ok')
    const slack = words('belts', { 'belt.wear': 'glazed', 'belt.tension': 'slack' })
    expect(slack.level).toBe('fix')
    expect(words('belts', { 'belt.wear': 'glazed' })).toMatchObject({ level: 'watch', positions: ['belt.wear'] })
    expect(slack.next).toContain('Set the tension on the base')
  })
  it('drum-tight costs bearings, dished grooves cost belts', () => {
    expect(words('belts', { 'belt.tension': 'drum' }).because).toContain('one eighth of the bearing life')
    expect(words('belts', { 'belt.grooves': 'dished' }).next).toContain('Replace the sheave with the belts')
  })
  it('a scored shaft means both bearings', () => {
    const v = words('bearings', { 'bearing.de': 'rough', 'bearing.shaft': 'scored' })
    expect(v).toMatchObject({ level: 'fix' })
    expect(v.next).toContain('shaft and both bearings')
  })
  it('names the end that growls', () =>
    expect(words('bearings', { 'bearing.ode': 'growls' }).because).toContain('opposite bearing growls'))
  it('a cracked blade is level Stop, whatever else is right', () =>
    expect(words('wheel', { 'wheel.blades': 'cracked', 'wheel.dirt': 'clean' }).level).toBe('stop'))
  it('a backward wheel lies about amps', () =>
    expect(words('wheel', { 'wheel.hand': 'backward' }).because).toContain('its amps are misleading'))
  it('nothing is reported of what nobody looked at', () =>
    expect(say(at('amps', ['L1', 'L2', 'L3'], [11, 11, 11])).verdicts.map((v) => v.check)).not.toContain('wheel'))
})

describe('filters by pressure (common practice)', () => {
  const drop = (inwg: number) => told('filter-drop', at('filter_drop', ['filter'], [inwg]))
  it('clean, due, a wall', () => {
    expect([0.25, 0.7, 1.3].map((p) => drop(p).level)).toEqual(['ok', 'watch', 'fix'])
    expect(drop(1.3).next).toContain('re-read the amps')
  })
  it('next to nothing is asked about', () => expect(drop(0.01).because).toContain('too low'))
  it('is shown in the units of the site, judged alike', () => {
    const us = told('vibration', shaking(0.3, 0.1, 0.1, 0.1, 0.1, 0.1), rigid)
    const metric = told('vibration', shaking(0.3, 0.1, 0.1, 0.1, 0.1, 0.1), { ...rigid, machine: { units: 'metric' } })
    expect(metric?.level).toBe(us?.level)
    expect(us?.because).toContain('0.30 in/s peak')
    expect(metric?.because).toContain('7.6 mm/s peak')
    expect(metric?.because).not.toContain('in/s')
  })
})
