import { describe, expect, it } from 'vitest'
import { legPositions, type Reading } from '../../quantity/index.ts'
import { dayMs, unsaid, type Visit, type WorkDone } from '../../trend/index.ts'
import { inputOf, plate, start, visitAt } from '../judged.test-help.ts'
import { judge, judgeMachine, type Traced, type TracedResult, type UnderWay } from '../index.ts'

const noon = start + 10 * dayMs
let n = 0
const result = (test: string, outcome: string, hours = 0, settled = false): TracedResult => ({
  id: `r${String(++n)}`,
  at: noon + hours * 3_600_000,
  by: 'Mosi',
  test,
  outcome,
  settled,
})
const traced = (...results: TracedResult[]): Traced => ({ results, open: [] })
const good = visitAt(0, [9.4, 9.5, 9.6])
/** The machine after a good visit ten days before, with what traces found, and what came after. */
const machine = (of: Traced, later: { visits?: readonly Visit[]; work?: readonly WorkDone[] } = {}) => {
  const { visit: _v, history: _h, ...known } = inputOf(good)
  const j = judgeMachine({ ...known, visits: [good, ...(later.visits ?? [])], work: later.work ?? [], traced: of })
  if (!j) throw new Error('it was visited')
  return j
}
const read = (hours: number, readings: Reading[], answers: Record<string, string> = {}): Visit => ({
  id: `later-${String(hours)}`,
  at: noon + hours * 3_600_000,
  state: unsaid,
  readings,
  answers,
})
const terminals = (value: number): Reading[] =>
  ['T1', 'T2', 'T3'].map((position) => ({ quantity: 'ground_ohms', position, value }))

describe('what a trace found', () => {
  it('stands at its machine, and a plain visit does not make it go away', () => {
    expect(machine(traced()).level).toBe('ok')
    const found = traced(result('gnd-ohms', 'ground'))
    const plain = visitAt(11, [9.4, 9.5, 9.6])
    for (const later of [[], [plain]]) {
      const j = machine(found, { visits: later })
      expect([j.level, j.headline]).toEqual(['stop', 'The winding reads to the frame.'])
      expect(j.conditions.map((k) => [k.key, k.by])).toEqual([['winding-to-ground@T1,T2,T3', 'Mosi']])
    }
  })
  it('keeps the power off at the next visit, as what a visit found does', () => {
    const next = visitAt(11, [9.4, 9.5, 9.6])
    const gate = (of: Traced) =>
      judge({ ...inputOf(next, { history: [good] }), traced: of }).gates.find((g) => g.id === 'restore')?.bars ?? null
    expect(gate(traced(result('terminals', 'tight')))).toBeNull()
    expect(gate(traced(result('megs', 'dead')))).toContain('Insulation')
  })
  it('is answered by the same test read good at a visit, not before and not in part', () => {
    const found = traced(result('gnd-ohms', 'ground'))
    expect(machine(found, { visits: [read(1, terminals(5e6))] }).level).toBe('ok')
    expect(machine(found, { visits: [read(-1, terminals(5e6))] }).level).toBe('stop')
    expect(machine(found, { visits: [read(1, terminals(5e6).slice(0, 2))] }).level).toBe('stop')
  })
  it('is answered by the work that renewed it, which asks for its tests', () => {
    const work = (hours: number): WorkDone[] => [{ at: noon + hours * 3_600_000, kind: 'motor-replaced', note: '' }]
    const found = traced(result('gnd-ohms', 'ground'))
    expect(machine(found, { work: work(-1) }).level).toBe('stop')
    const after = machine(found, { work: work(1) })
    expect(after.conditions.map((k) => k.verdict.check)).not.toContain('winding-to-ground')
    expect(after.retests.map((r) => r.id)).toEqual(expect.arrayContaining(['winding', 'insulation']))
  })
  it('is closed by a person by its key, and opened again', () => {
    const { visit: _v, history: _h, ...known } = inputOf(good)
    const closing = (kind: 'closed' | 'reopened', hours: number) => ({
      key: 'bond@',
      at: noon + hours * 3_600_000,
      kind,
      by: 'Vale',
      reason: 'new wire',
    })
    const level = (...closings: ReturnType<typeof closing>[]) =>
      judgeMachine({ ...known, visits: [good], traced: traced(result('bond', 'open')), closings })?.level
    expect(level()).toBe('stop')
    expect(level(closing('closed', 1))).toBe('ok')
    expect(level(closing('closed', 1), closing('reopened', 2))).toBe('stop')
  })
  it('goes with the newest result of its test in any trace, and with what its trace ended in', () => {
    const bad = result('spin', 'seized')
    expect(machine(traced(bad, result('spin', 'free', 1))).level).toBe('ok')
    expect(machine(traced(result('spin', 'free', -1), bad)).level).toBe('stop')
    expect(machine(traced({ ...bad, settled: true })).level).toBe('ok')
  })
  it('of a smell or a breaker stays until every load tested good: seen gone the next time proves nothing', () => {
    const tripped = result('breaker', 'tripped')
    const closed = result('breaker', 'closed', 1)
    const tests = [
      result('gnd-ohms', 'clear', 2),
      result('megs', 'good', 2),
      result('megs-cable', 'good', 2),
      result('terminals', 'tight', 2),
    ]
    expect(machine(traced(tripped, closed)).level).toBe('fix')
    expect(machine(traced(tripped, closed, ...tests.slice(1))).level).toBe('fix')
    expect(machine(traced(tripped, closed, ...tests)).level).toBe('ok')
    expect(machine(traced(result('smell', 'winding'), result('smell', 'none', 1))).level).toBe('fix')
    // Closed on these and opened again: no test answers that.
    const again = machine(traced(tripped, ...tests, result('breaker', 'again', 3)))
    expect([again.level, again.headline]).toEqual(['stop', 'It opened again after it was closed on good tests.'])
    const later = tests.map((t) => ({ ...t, id: `${t.id}-later`, at: t.at + 10 * 3_600_000 }))
    expect(machine(traced(tripped, ...tests, result('breaker', 'again', 3), ...later)).level).toBe('stop')
  })
  it('does not take the place of figures that say as bad: they stay, with their text', () => {
    const figures = read(0, terminals(40))
    const j = machine(traced(result('gnd-ohms', 'ground'), result('megs', 'low', 1)), { visits: [figures] })
    expect(j.headline).toContain('40.0 Ω')
    expect(j.conditions.map((k) => k.key)).toContain('insulation@all/motor')
  })
  it('of a breaker that a person opened by hand is nothing', () => {
    expect(machine(traced(result('breaker', 'open'))).level).toBe('fix')
    expect(machine(traced(result('breaker', 'open'), result('ask-open', 'hand'))).level).toBe('ok')
  })
  it('on a single-phase motor is answered by its one reading to the shell', () => {
    const facts = { ...inputOf(good).machine, phases: 1 as const, serviceVolts: 230 }
    const of = (later: Visit[]) =>
      judgeMachine({
        machine: facts,
        motor: { plate: { ...plate, volts: '230', amps: '12', phases: 1 }, connectionVolts: null, installedAt: 0 },
        visits: [{ ...read(-20, [{ quantity: 'amps', position: legPositions[0] ?? '', value: 10 }]) }, ...later],
        work: [],
        policies: inputOf(good).policies,
        traced: traced(result('gnd-ohms', 'ground')),
      })?.conditions.map((k) => k.verdict.check)
    expect(of([])).toContain('winding-to-ground')
    expect(of([read(1, terminals(5e6).slice(0, 1))])).not.toContain('winding-to-ground')
  })
})

describe('a trace that nobody finished', () => {
  const open = (complaint: string | null): Traced => ({
    results: [],
    open: [{ id: 't1', at: noon, by: 'Mosi', complaint, words: '' }],
  })
  it.each([
    ['tingle', 'stop'],
    ['trips', 'fix'],
    ['smell', 'fix'],
    ['noise', 'watch'],
    [null, 'watch'],
  ] as const)('reported %s is %s, whatever was read before', (complaint, level) => {
    const j = machine(open(complaint))
    expect([j.level, j.conditions[0]?.key]).toEqual([level, 'trace@t1'])
  })
  it('says what was reported, in the words of the list or of the caller', () => {
    const said = (complaint: string | null, words: string) =>
      machine({ results: [], open: [{ id: 't1', at: noon, by: 'Mosi', complaint, words }] }).headline
    expect(said('tingle', '')).toBe('Reported: shock or tingle from the unit. The cause is not found yet.')
    expect(said(null, 'howls at night')).toBe('Reported: howls at night. The cause is not found yet.')
    expect(said(null, '')).toBe('A fault is being traced.')
  })
})

describe('a job that was begun and not closed', () => {
  const { visit: _v, history: _h, ...known } = inputOf(good)
  const at = (underWay: UnderWay[], now?: number) => judgeMachine({ ...known, visits: [good], underWay }, now)
  const job: UnderWay = {
    id: 'j1',
    at: noon,
    by: 'Mosi',
    title: 'Replace the motor: it growls',
    closed: false,
    off: [],
    opened: false,
    left: null,
  }

  it('keeps its machine from being called OK, from its first step on', () => {
    expect([at([])?.level, at([job], noon - 1)?.level]).toEqual(['ok', 'ok'])
    expect(at([job])).toMatchObject({ level: 'watch', headline: 'Job not finished: replace the motor: it growls.' })
  })
  it('with a guard off is to fix, for its people are there; a visit that leaves one off is at Stop', () => {
    const left = machine(traced(), { visits: [read(1, [], { 'leave.guards': 'no' })] })
    const off = at([{ ...job, off: ['panels off', 'guards off'], opened: true }])
    expect([left.level, off?.level]).toEqual(['stop', 'fix'])
    expect(off?.headline).toBe('Job not finished: replace the motor: it growls. Now: panels off, guards off.')
    expect(at([{ ...job, left: 'locked, panel closed' }])?.headline).toMatch(/\. Interrupted: locked, panel closed\.$/)
    // Locked out and shut, it only waits.
    expect(at([{ ...job, off: ['locked out'] }])?.level).toBe('watch')
  })
  it('keeps it so while something temporary is left in place', () =>
    expect(at([{ ...job, closed: true, off: ['temporary bypass on'] }])).toMatchObject({
      level: 'watch',
      headline: 'Job closed with something temporary in place: temporary bypass on.',
    }))
})
