import { describe, expect, it } from 'vitest'
import { judgeMachine, unknownControls } from '../judge/index.ts'
import { facts } from '../judge/checks/say.test-help.ts'
import { plate, start, visitAt } from '../judge/judged.test-help.ts'
import { defaultPolicies } from '../limits/index.ts'
import { dayAt } from '../live/day.test-help.ts'
import type { Reading } from '../quantity/index.ts'
import { dayMs, type Visit, type WorkDone } from '../trend/index.ts'
import { dueTasks, minutesHere, type DueFacts } from './index.ts'

const at = (day: number) => start + day * dayMs
/** What is due of a machine as it stands on a day; visits oldest first. */
const of = (now: number, past: Visit[], work: WorkDone[] = [], over: Partial<DueFacts> = {}): DueFacts => {
  const machine = over.machine ?? facts
  return {
    machine,
    unitKind: 'AHU',
    indoors: true,
    visits: [...past].reverse(),
    work,
    parts: [],
    layout: null,
    motorRpm: 1755,
    substitute: null,
    waiting: [],
    findings: [],
    judgement: judgeMachine(
      {
        machine,
        motor: { plate, connectionVolts: null, installedAt: 0 },
        visits: past,
        work,
        policies: defaultPolicies,
      },
      at(now),
    ),
    policies: defaultPolicies,
    now: at(now),
    ...over,
  }
}
const task = (f: DueFacts, id: string) => dueTasks(f).find((t) => t.task === id)
const day = (f: DueFacts, id: string) => Math.round(((task(f, id)?.dueAt ?? NaN) - start) / dayMs)
const fine = (d: number, more: Reading[] = []) => visitAt(d, [10, 10, 10], undefined, {}, more)
/** Inches of water. */
const drop = (inWg: number): Reading[] => [{ quantity: 'filter_drop', position: 'filter', value: inWg }]
const work = (d: number, kind: WorkDone['kind']): WorkDone => ({ at: at(d), kind, note: '' })
const changed = (d: number) => work(d, 'filters-changed')

/** Live data of a fan that runs so many hours a day. */
const runs = (hours: number, days = 7): DueFacts['live'] => ({
  days: Array.from({ length: days }, (_, n) => dayAt(at(n), { ran: hours * 60 })),
  beside: [],
})

describe('run hours of live data', () => {
  const due = (live: DueFacts['live'], over: Partial<DueFacts> = {}) =>
    of(20, [fine(0)], [changed(0)], { live, ...over })
  it('put filters and belts off, as far as the policies let them, and say so', () => {
    expect(day(due(null), 'filters')).toBe(92)
    expect(day(due(runs(18)), 'filters')).toBe(Math.round((92 * 24) / 18))
    expect(task(due(runs(18)), 'filters')?.why).toContain('it runs 18.0 h a day by live data')
    expect(day(due(runs(6)), 'filters')).toBe(138)
    const never = { policies: { ...defaultPolicies, limits: { 'interval-stretch': 1 } } }
    expect(day(due(runs(6), never), 'filters')).toBe(92)
  })
  it('of two days say nothing yet', () => expect(day(due(runs(6, 2)), 'filters')).toBe(92))
  it('are the hours of a bearing', () => {
    const spec = {
      mark: '',
      type: 'ball' as const,
      bore: 40,
      outside: null,
      width: null,
      capacity: null,
      lock: null,
      greasable: true,
    }
    const grease = (live: DueFacts['live']) =>
      due(live, {
        parts: [{ slot: 'bearing-de', spec, installedAt: 0, removedAt: null }],
        work: [work(0, 'greased')],
      })
    const [day24, day8] = [day(grease(null), 'grease'), day(grease(runs(8)), 'grease')]
    expect(day8).toBe(Math.min(730, 3 * day24))
    expect(task(grease(runs(8)), 'grease')?.why).toContain('8.0 h a day by live data')
  })
})

describe('amps of a visit that was broken off', () => {
  it('are due at once where some legs were read and some not; a visit without any, or with all, was none', () => {
    const why = (past: Visit[]) => task(of(20, past), 'amps')?.why ?? ''
    expect(why([visitAt(10, [10, 10])])).toContain('the last visit was not finished: 2 of 3 legs were read')
    expect(why([fine(5), visitAt(10, [], [], {}, drop(0.3))])).not.toContain('not finished')
    expect(why([fine(10)])).not.toContain('not finished')
    expect(why([])).not.toContain('not finished')
  })
})

describe('filters (the interval in force is 92 days; a pressure drop says more than the calendar)', () => {
  it('go by the day they were changed, and by the last reading where no change is on record', () => {
    expect(task(of(20, [fine(0)], [changed(10)]), 'filters')?.lastAt).toBe(at(10))
    expect(task(of(20, [fine(0), fine(15, drop(0.3))], [changed(10)]), 'filters')?.lastAt).toBe(at(10))
    expect(task(of(20, [fine(5, drop(0.3)), fine(9)]), 'filters')?.lastAt).toBe(at(5))
    expect(task(of(20, [fine(0)]), 'filters')?.lastAt).toBeNull()
  })
  it('are pulled forward by a drop that was read after the change, not by one before it', () => {
    const loaded = [fine(0, drop(0.3)), fine(40, drop(2))]
    expect(day(of(41, loaded, [changed(-10)]), 'filters')).toBeLessThanOrEqual(70)
    expect(task(of(41, loaded, [changed(-10)]), 'filters')?.moved).toBe('forward')
    expect(task(of(41, loaded), 'filters')?.moved).toBe('forward')
    // Changed since: what is due is to see what the new ones do.
    expect(task(of(50, loaded, [changed(45)]), 'filters')?.why).toContain('not read since the filter change')
    expect(task(of(41, [fine(0, drop(0.3)), fine(40, drop(0.31))], [changed(-10)]), 'filters')?.moved).not.toBe(
      'forward',
    )
  })
  it('are put off by three drops within a fifth of each other, newest first, of their own quantity', () => {
    const steady = [fine(0, drop(0.3)), fine(30, drop(0.33)), fine(60, drop(0.35))]
    expect(task(of(61, steady, [changed(-1)]), 'filters')?.moved).toBe('back')
    expect(task(of(61, [...steady.slice(0, 2), fine(60, drop(0.4))], [changed(-1)]), 'filters')?.moved).toBeNull()
    // 0.30 of 0.37: within a fifth; an older one further off does not count.
    expect(
      task(
        of(61, [fine(-30, drop(0.1)), fine(0, drop(0.3)), fine(30, drop(0.35)), fine(60, drop(0.37))], [changed(-40)]),
        'filters',
      )?.moved,
    ).toBe('back')
    expect(task(of(61, steady.slice(1), [changed(-1)]), 'filters')?.moved).toBeNull()
  })
})

describe('why amps are due', () => {
  it('is what a visit found, not the test that work asks for, and not what a person reported', () => {
    const f = of(20, [visitAt(0, [14, 14, 14])], [work(5, 'terminals-tightened')])
    expect(task(f, 'amps')?.why).toContain('fix: 109 % of the 460 V nameplate')
    const reported = {
      id: 'x',
      at: at(1),
      by: 'Okonjo',
      level: 'fix' as const,
      text: 'No belt guard',
      until: null,
      putOff: false,
    }
    const both = judgeMachine(
      {
        machine: facts,
        motor: { plate, connectionVolts: null, installedAt: 0 },
        visits: [visitAt(0, [13, 13, 13])],
        work: [],
        policies: defaultPolicies,
        reported: [reported],
      },
      at(20),
    )
    expect(task(of(20, [visitAt(0, [13, 13, 13])], [], { judgement: both }), 'amps')?.why).toContain('102 % of the')
  })
  it('is nothing where nothing was judged', () =>
    expect(task(of(20, []), 'amps')?.why).toMatch(/^Never done, every \d+ days/))
})

describe('a run capacitor', () => {
  const one = {
    ...facts,
    phases: 1 as const,
    serviceVolts: 240,
    controls: { ...unknownControls, capacitor: { run: 10, second: null, volts: 370, tolerance: 0.06 } },
  }
  const read = (uf: number): Reading[] => [{ quantity: 'capacitance', position: 'run', value: uf }]
  const weak = [{ ...visitAt(0, [], []), readings: read(7) }]
  const sound = [{ ...visitAt(0, [], []), readings: read(10) }]
  const single = (past: Visit[]) => of(5, past, [], { machine: one })
  it('that reads weak is measured again two weeks after it was, a sound one is not', () => {
    expect([day(single(weak), 'capacitor'), task(single(weak), 'capacitor')?.moved]).toEqual([14, 'forward'])
    expect(task(single(sound), 'capacitor')?.moved).toBeNull()
  })
})

describe('a combustion test', () => {
  const gas = { ...facts, controls: { ...unknownControls, gasSection: true } }
  const flue: Reading[] = [
    { quantity: 'flue_oxygen', position: 'flue', value: 7 },
    { quantity: 'flue_co', position: 'flue', value: 20 },
  ]
  const tested = (d: number) => ({ ...fine(d), readings: [...fine(d).readings, ...flue] })
  const due = (past: Visit[], done: WorkDone[]) =>
    task(of(40, past, done, { machine: gas }), 'combustion') !== undefined
  it('is due after the fan over the burners was worked on, until one is made', () => {
    expect(due([fine(0)], [])).toBe(false)
    expect(due([fine(0)], [work(20, 'wheel-cleaned')])).toBe(true)
    expect(due([fine(0), tested(21)], [work(20, 'wheel-cleaned')])).toBe(false)
    expect(due([fine(0), tested(19)], [work(20, 'wheel-cleaned')])).toBe(true)
    expect(due([fine(0), tested(20)], [work(20, 'wheel-cleaned')])).toBe(false)
    // A word is no test; one that a job made is.
    const said = { ...fine(21), answers: { 'gas.tested': 'yes' } }
    expect(due([fine(0), said], [work(20, 'wheel-cleaned')])).toBe(true)
    const byJob = of(40, [fine(0)], [work(20, 'wheel-cleaned')], { machine: gas, burnedAt: at(21) })
    expect(task(byJob, 'combustion')).toBeUndefined()
  })
})

describe('the newest work of a kind', () => {
  it('counts whatever order it was written down in', () => {
    for (const done of [
      [changed(10), changed(30)],
      [changed(30), changed(10)],
    ])
      expect(task(of(40, [fine(0)], done), 'filters')?.lastAt).toBe(at(30))
  })
})

describe('how long a visit takes here', () => {
  const three = (real: number) => Array.from({ length: 3 }, () => ({ planned: 10, real }))
  it('is learnt from whole visits of a day, not from none and not from one left open overnight', () => {
    // exp(3 ln 2 / 7) = 1.346.
    expect(minutesHere(10, three(20))).toEqual({ minutes: 13, learnt: 3 })
    expect(minutesHere(10, three(0))).toEqual({ minutes: 10, learnt: 0 })
    expect(minutesHere(10, three(480))).toEqual({ minutes: 10, learnt: 0 })
    expect(minutesHere(10, [...three(20), { planned: 10, real: 0 }]).learnt).toBe(3)
  })
})
