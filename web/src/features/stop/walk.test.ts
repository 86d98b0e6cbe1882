import { describe, expect, it } from 'vitest'
import { firstOf, stepFrom, stepsOf } from './walk.ts'
import { facts } from '../../test/facts.test-help.ts'

describe('the walk of a stop', () => {
  it('of running amps is state, volts and amps, judge', () =>
    expect(stepsOf(facts, 'running')).toEqual([
      { phase: 'look', check: 'state' },
      { phase: 'live', check: 'running' },
      { phase: 'judge', check: '' },
    ]))
  it('of everything goes look, safe, dead, restore, live, judge, leave', () => {
    const order = stepsOf(facts, 'full').map((s) => s.phase)
    expect([...new Set(order)]).toEqual(['look', 'safe', 'dead', 'restore', 'live', 'judge', 'leave'])
  })
  it('of dead tests leaves the power off', () => {
    const phases = new Set(stepsOf(facts, 'dead').map((s) => s.phase))
    expect(phases.has('live') || phases.has('restore')).toBe(false)
  })
  it('goes on and back, and stops at its ends', () => {
    const steps = stepsOf(facts, 'full')
    const first = firstOf(steps, 'look')
    expect(stepFrom(steps, first, -1)).toBe(first)
    expect(stepFrom(steps, stepFrom(steps, first, 1), -1)).toEqual(first)
    expect(firstOf(steps, 'judge')).toEqual({ phase: 'judge', check: '' })
  })
})
