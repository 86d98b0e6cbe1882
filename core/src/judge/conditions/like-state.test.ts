import { describe, expect, it } from 'vitest'
import { unsaid, type Visit, type VisitState } from '../../trend/index.ts'
import { answersState } from './like-state.ts'

const visit = (state: Partial<VisitState>, hz?: number): Visit => ({
  id: 's',
  at: 0,
  state: { ...unsaid, ...state },
  readings: hz === undefined ? [] : [{ quantity: 'hz', position: 'motor', value: hz }],
})

describe('does a reading answer what was found running in another state? (common practice)', () => {
  it.each([
    [{}, {}, true],
    [{}, { settled: false }, false],
    [{ settled: false }, { settled: true }, true],
    [{}, { mode: 'normal' }, true],
    [{ mode: 'test' }, {}, false],
    [{}, { mode: 'low speed' }, false],
    [{ mode: 'low speed' }, { mode: 'low speed' }, true],
    // The usual state answers the unusual one, never the other way around.
    [{ panels: 'off' }, { panels: 'on' }, true],
    [{ panels: 'on' }, { panels: 'off' }, false],
    [{}, { panels: 'off' }, false],
    [{ panels: 'off' }, { panels: 'off' }, true],
    [{ filters: 'out' }, { filters: 'clean' }, true],
    [{ filters: 'clean' }, { filters: 'out' }, false],
    [{ filters: 'out' }, { filters: 'out' }, true],
    [{ filters: 'clean' }, { filters: 'dirty' }, false],
    [{ filters: 'dirty' }, { filters: 'clean' }, true],
    [{ filters: 'dirty' }, { filters: 'dirty' }, true],
    [{}, { filters: 'dirty' }, true],
    [{ twin: 'off' }, { twin: 'running' }, true],
    [{ twin: 'running' }, { twin: 'off' }, false],
    [{}, { twin: 'off' }, false],
    [{ twin: 'off' }, { twin: 'off' }, true],
  ] as const)('found in %j, read in %j: %s', (found, now, answers) =>
    expect(answersState(visit(found), visit(now))).toBe(answers),
  )
  it.each([
    [45, 45, true],
    [45, 44, true],
    [45, 43.9, false],
    [45, 60, true],
    [60, 45, false],
    [undefined, 60, true],
    [undefined, 48, true],
    [undefined, 47.9, false],
    [60, undefined, true],
    [undefined, undefined, true],
  ])('found at %s Hz, read at %s Hz: %s', (found, now, answers) =>
    expect(answersState(visit({}, found), visit({}, now))).toBe(answers),
  )
})
