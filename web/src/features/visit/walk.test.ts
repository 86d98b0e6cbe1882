import { describe, expect, it } from 'vitest'
import { phasesFor, type ScopeId } from '@motor-round/core/judge'
import { firstOf, stepFrom, stepsOf, type Only } from './walk.ts'
import { facts } from '../../test/facts.test-help.ts'

const plain = { readings: [], answers: {} }
const steps = (scope: ScopeId, visit: Parameters<typeof phasesFor>[1] = plain) =>
  stepsOf(facts, scope, phasesFor(scope, visit))

describe('the walk of a visit', () => {
  it('of running amps is state, volts and amps, judge', () =>
    expect(steps('running')).toEqual([
      { phase: 'look', check: 'state' },
      { phase: 'live', check: 'running' },
      { phase: 'judge', check: '' },
    ]))
  it('of everything goes look, safe, dead, restore, live, judge, leave', () => {
    const order = steps('full').map((s) => s.phase)
    expect([...new Set(order)]).toEqual(['look', 'safe', 'dead', 'restore', 'live', 'judge', 'leave'])
  })
  it('of dead tests goes through Power up as soon as something was locked out or opened', () => {
    const phases = (visit?: Parameters<typeof phasesFor>[1]) => new Set(steps('dead', visit).map((s) => s.phase))
    expect(phases().has('restore')).toBe(false)
    expect(phases({ readings: [], answers: { 'lock.on': 'yes' } }).has('restore')).toBe(true)
    const ohms = [{ quantity: 'winding_ohms' as const, position: 'T1-T2', value: 1.3 }]
    expect(phases({ readings: ohms, answers: {} }).has('restore')).toBe(true)
  })
  it('of both takes electrical and mechanical work under one lockout', () => {
    const ids = steps('both').map((s) => s.check)
    expect(ids).toEqual(expect.arrayContaining(['winding', 'insulation', 'belts', 'bearings', 'wheel', 'rotation']))
  })
  it('for some quantities asks for those alone, and for what keeps people safe whole', () => {
    const asked = (scope: ScopeId, only: Only) =>
      stepsOf(facts, scope, phasesFor(scope, plain), only).map((s) => s.check)
    expect(asked('live', ['amps', 'volts_ll', 'vibration'])).toEqual(['state', 'running', 'vibration', '', 'leave'])
    const belts = asked('both', ['amps', 'belt_force'])
    expect(belts).toEqual(expect.arrayContaining(['lockout', 'prove-dead', 'tension', 'rotation', 'running', 'leave']))
    for (const id of ['winding', 'insulation', 'bearings', 'vibration']) expect(belts).not.toContain(id)
    // One dead test of the circuit brings them all: its power comes back on all of them.
    const ohms = asked('full', ['winding_ohms'])
    expect(ohms).toEqual(expect.arrayContaining(['winding', 'insulation']))
    expect(ohms).not.toContain('running')
    expect(asked('full', null)).toEqual(steps('full').map((s) => s.check))
  })
  it('goes on and back, and stops at its ends', () => {
    const all = steps('full')
    const first = firstOf(all, 'look')
    expect(stepFrom(all, first, -1)).toBe(first)
    expect(stepFrom(all, stepFrom(all, first, 1), -1)).toEqual(first)
    expect(firstOf(all, 'judge')).toEqual({ phase: 'judge', check: '' })
  })
})
