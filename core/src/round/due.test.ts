import { describe, expect, it } from 'vitest'
import type { InstalledPart } from '../installed/index.ts'
import { judge, unknownControls } from '../judge/index.ts'
import { inputOf, plate, start, visitAt } from '../judge/judged.test-help.ts'
import { facts } from '../judge/checks/say.test-help.ts'
import { defaultPolicies, type Policies } from '../limits/index.ts'
import type { Reading } from '../quantity/index.ts'
import { dayMs, type Visit, type WorkDone } from '../trend/index.ts'
import { dueTasks, taskKinds, type DueFacts } from './index.ts'

const at = (day: number) => start + day * dayMs
/** What is due of a machine; visits oldest first, `now` a day. */
const of = (now: number, over: Partial<DueFacts> & { past?: Visit[] } = {}): DueFacts => {
  const past = over.past ?? []
  const newest = past[past.length - 1]
  const visits = [...past].reverse()
  const policies: Policies = over.policies ?? defaultPolicies
  return {
    machine: facts,
    unitKind: 'AHU',
    indoors: true,
    visits,
    work: [],
    parts: [],
    layout: null,
    motorRpm: 1755,
    substitute: null,
    waiting: [],
    findings: [],
    judgement: newest ? judge({ ...inputOf(newest, { plate, history: past.slice(0, -1) }), policies }) : null,
    policies,
    now: at(now),
    ...over,
  }
}
const task = (f: DueFacts, id: string) => dueTasks(f).find((t) => t.task === id)
const day = (f: DueFacts, id: string) => Math.round(((task(f, id)?.dueAt ?? NaN) - start) / dayMs)
const fine = (d: number, more: Reading[] = []) => visitAt(d, [10, 10, 10], undefined, {}, more)
const megohms = (v: number): Reading[] => [{ quantity: 'megohms', position: 'T1', value: v }]

describe('what is due, and why', () => {
  it('everything at a machine nobody has seen', () => {
    const list = dueTasks(of(0))
    expect(list.map((t) => t.task)).toContain('amps')
    expect(list.every((t) => t.dueAt === at(0) && t.why.startsWith('Never done'))).toBe(true)
  })
  it('amps by the interval in force, and sooner the worse the machine was judged', () => {
    expect(day(of(30, { past: [fine(0)] }), 'amps')).toBe(92)
    const heavy = of(30, { past: [visitAt(0, [14, 14, 14])] })
    expect(day(heavy, 'amps')).toBeLessThan(31)
    expect(task(heavy, 'amps')?.why).toContain('fix: ')
  })
  it('says of every day what was last, the interval, and what moved it', () => {
    for (const t of dueTasks(of(30, { past: [fine(0, megohms(300))] }))) {
      expect(t.why).toMatch(/^(Never done|Last )/)
      expect(t.why).toMatch(/\.$/)
    }
    expect(task(of(30, { past: [fine(0, megohms(300))] }), 'insulation')?.why).toBe('Last Jan 5, every 365 days.')
  })
  it('is pulled forward by a visit that was not finished', () => {
    const bare = visitAt(20, [10])
    const t = task(of(30, { past: [fine(0), bare] }), 'amps')
    expect(t?.moved).toBe('forward')
    expect(t?.why).toContain('not finished: 1 of 3 legs')
  })
  it('is pulled forward by a drift that meets the plate before the next visit', () => {
    const past = Array.from({ length: 14 }, (_, i) => {
      const a = 11.3 + i * 0.11
      return visitAt(i * 30, [a, a, a])
    })
    const t = task(of(400, { past }), 'amps')
    expect(t?.moved).toBe('forward')
    expect(t?.why).toContain('may reach the nameplate by')
  })
  it('is pulled forward by work that waits, and by a substitute', () => {
    const waits = of(30, { past: [fine(0)], waiting: [{ at: at(10), what: 'half a turn of the sheave' }] })
    expect(day(waits, 'amps')).toBe(40)
    const substitute = of(30, { past: [fine(0)], substitute: { at: at(5), what: 'The motor' } })
    expect(task(substitute, 'amps')?.why).toContain('The motor has been a substitute since Jan 10')
  })
  it('is pulled forward by a finding that is open, and by one that was put off, to its day', () => {
    const found = (reviewAt: number | null) =>
      of(30, { past: [fine(0)], findings: [{ at: at(10), what: 'No belt guard', reviewAt }] })
    expect(day(found(null), 'amps')).toBe(40)
    expect(task(found(null), 'amps')?.why).toContain('“No belt guard” has been open since Jan 15')
    expect(day(found(at(60)), 'amps')).toBe(60)
    expect(task(found(at(60)), 'amps')?.why).toContain('“No belt guard” is to be looked at on')
    expect(day(found(at(200)), 'amps')).toBe(92)
  })
  it('is pushed back by three tests that agree, where the policies allow it', () => {
    const past = [fine(0, megohms(300)), fine(360, megohms(310)), fine(720, megohms(305))]
    const f = of(730, { past })
    expect(task(f, 'insulation')?.moved).toBe('back')
    expect(day(f, 'insulation')).toBe(720 + 548)
    const strict = { ...defaultPolicies, limits: { 'interval-stretch': 1 } }
    expect(day(of(730, { past, policies: strict }), 'insulation')).toBe(720 + 365)
    expect(task(of(730, { past: [fine(0, megohms(900)), ...past.slice(1)] }), 'insulation')?.moved).toBeNull()
  })
  it('asks for new belts to be tensioned again in their first days', () => {
    const work: WorkDone[] = [{ at: at(10), kind: 'belts-renewed', note: '' }]
    const t = task(of(20, { past: [fine(0)], work }), 'belts')
    expect(t?.dueAt).toBe(at(12))
    expect(t?.why).toContain('tension again')
  })
  it('greases by hours, bore and speed, and never a sealed bearing', () => {
    const bearing = (greasable: boolean): InstalledPart => ({
      slot: 'bearing-de',
      spec: { mark: '', type: 'ball', bore: 50, outside: 90, width: 52, capacity: null, lock: null, greasable },
      installedAt: at(-900),
      removedAt: null,
    })
    const work: WorkDone[] = [{ at: at(0), kind: 'greased', note: '' }]
    const f = of(30, { past: [fine(0)], parts: [bearing(true)], work, indoors: false })
    // By hand: K = 10 · 0.7 dirt · 0.7 damp = 4.9; 4.9 (14e6/(1755 √50) − 200) = 4548 h, 189 days by day and night.
    expect(day(f, 'grease')).toBe(189)
    expect(task(f, 'grease')?.why).toContain('50 mm bearing at 1755 rpm')
    expect(task(of(30, { parts: [bearing(false)] }), 'grease')).toBeUndefined()
  })
  it('changes filters by their pressure where it is read', () => {
    const drop = (v: number): Reading[] => [{ quantity: 'filter_drop', position: 'filter', value: v }]
    const work: WorkDone[] = [{ at: at(0), kind: 'filters-changed', note: '' }]
    const loaded = of(40, { past: [fine(0), fine(30, drop(1.4))], work })
    expect(day(loaded, 'filters')).toBeLessThanOrEqual(30)
    expect(day(of(40, { past: [fine(0)], work }), 'filters')).toBe(92)
    expect(task(of(40, { unitKind: 'EF' }), 'filters')).toBeUndefined()
  })
  it('asks for a combustion test only after the fan over the burners was worked on, and until it was made', () => {
    const gas = { ...facts, controls: { ...unknownControls, gasSection: true } }
    const work: WorkDone[] = [{ at: at(10), kind: 'motor-replaced', note: '' }]
    expect(task(of(20, { machine: gas, past: [fine(0)] }), 'combustion')).toBeUndefined()
    expect(day(of(20, { machine: gas, past: [fine(0)], work }), 'combustion')).toBe(17)
    const flue = (...codes: ('flue_oxygen' | 'flue_co')[]) => ({
      ...fine(15),
      readings: codes.map((quantity) => ({ quantity, position: 'flue', value: 7 })),
    })
    const due = (visit: ReturnType<typeof flue>) =>
      task(of(20, { machine: gas, past: [fine(0), visit], work }), 'combustion') !== undefined
    expect([due(flue('flue_oxygen')), due(flue('flue_oxygen', 'flue_co'))]).toEqual([true, false])
  })
  it('asks for the start-up before its season, in months in which it makes sense', () => {
    const rtu = of(90, { unitKind: 'RTU', indoors: false, past: [fine(0)] })
    const t = task(rtu, 'start-up')
    expect(new Date(t?.dueAt ?? 0).toISOString().slice(0, 10)).toBe('2026-05-01')
    expect(t?.why).toContain('its season begins May 1')
    const walked = { ...fine(80), answers: { scope: 'full' } }
    expect(day(of(90, { unitKind: 'RTU', indoors: false, past: [walked] }), 'start-up')).toBe(80 + 365)
  })
  it('takes capacitors on single-phase machines alone, lugs on three-phase ones', () => {
    const single = {
      ...facts,
      phases: 1 as const,
      controls: { ...unknownControls, capacitor: { run: 10, second: null, volts: null, tolerance: null } },
    }
    expect(task(of(0, { machine: single }), 'capacitor')).toBeDefined()
    expect(task(of(0, { machine: single }), 'terminals')).toBeUndefined()
    expect(task(of(0), 'capacitor')).toBeUndefined()
  })
  it('leaves a drive alone until its bus is empty, and a motor that was too hot to touch until it cools', () => {
    const rest = (f: DueFacts, id: string) => task(f, id)?.rest
    expect(rest(of(0), 'insulation')).toBeNull()
    const drive = of(0, { machine: { ...facts, hasVfd: true } })
    expect(rest(drive, 'insulation')?.minutes).toBe(15) // common practice
    expect(rest(drive, 'terminals')?.because).toContain('bus')
    expect(rest(drive, 'belts')).toBeNull()
    const rtu = { machine: { ...facts, hasVfd: true }, unitKind: 'RTU', indoors: false }
    expect(rest(of(0, rtu), 'start-up')?.minutes).toBe(15)
    const heat = (v: number): Reading[] => [{ quantity: 'temperature', position: 'motor', value: v }]
    const hot = of(30, { past: [fine(0, heat(82))], machine: { ...facts, hasVfd: true } })
    expect(rest(hot, 'insulation')?.minutes).toBe(30) // common practice: the longer of both
    expect(rest(hot, 'insulation')?.because).toContain('180 °F on Jan 5')
    expect(rest(of(30, { past: [fine(0, heat(55))] }), 'insulation')).toBeNull()
    const own = { ...defaultPolicies, limits: { 'drive-wait': 5 } }
    expect(rest(of(0, { machine: { ...facts, hasVfd: true }, policies: own }), 'terminals')?.minutes).toBe(5)
  })
  it('reads again after belts that are fresh and speeds that wait, once they have run in', () => {
    const settle = (f: DueFacts, id: string) => task(f, id)?.settle
    expect(settle(of(0), 'belts')).toBeNull()
    const work: WorkDone[] = [{ at: at(10), kind: 'belts-renewed', note: '' }]
    expect(settle(of(20, { past: [fine(0)], work }), 'belts')?.minutes).toBe(20) // common practice: 15 to 30
    const waits = of(30, { past: [fine(0)], waiting: [{ at: at(10), what: 'Work on the sheaves' }] })
    expect(settle(waits, 'amps')?.because).toBe('Work on the sheaves is waiting: readings follow after it has run in')
    expect(settle(waits, 'insulation')).toBeNull()
  })
  it('brings the drive train forward where it was found askew, and reads again after it was aligned', () => {
    const f = of(30, { past: [fine(0)] })
    const verdicts = (f.judgement?.verdicts ?? []).slice(0, 1)
    const found = verdicts.map((v) => ({ ...v, check: 'alignment', level: 'fix' as const, because: 'Half a degree.' }))
    const askew = { ...f, judgement: f.judgement && { ...f.judgement, verdicts: found } }
    expect(task(askew, 'belts')?.why).toContain('Half a degree')
    expect(task(askew, 'belts')?.settle?.because).toContain('aligned')
  })
  it('every kind locks out only what it stops, and has a name of its own', () => {
    for (const k of taskKinds) expect(!k.locksOut || k.visitsUnit).toBe(true)
    expect(new Set(taskKinds.map((k) => k.id)).size).toBe(taskKinds.length)
  })
})
