import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { facts } from '../judge/checks/say.test-help.ts'
import { judgeMachine, type MachineSnapshot } from '../judge/index.ts'
import { defaultPolicies, type Policies } from '../limits/index.ts'
import type { QuantityCode } from '../quantity/index.ts'
import { unsaid } from '../trend/index.ts'
import {
  adverseOf,
  fired,
  jobStands,
  jobWork,
  ownPermit,
  partChecks,
  permitOf,
  permitTerms,
  planJob,
  type JobFact,
  type ReadAt,
} from './index.ts'
import { samePart } from './parts/same.test-help.ts'

const on = { hasVfd: false }
const job = { at: 1000, kinds: ['capacitor'], skip: [] }
let n = 0
type Said = JobFact extends infer F ? (F extends JobFact ? Omit<F, 'id' | 'at' | 'by'> : never) : never
const fact = (at: number, said: Said): JobFact => ({ id: `f${String(n++).padStart(4, '0')}`, at, by: 'Vale', ...said })
/** Done, with its parts measured where it has some. */
const done = (at: number, step: string) =>
  step in partChecks
    ? fact(at, { kind: 'check', step, measured: samePart(step), note: '' })
    : fact(at, { kind: 'done', step, note: '' })
const read = (at: number, readings: readonly (readonly [QuantityCode, string, number])[]): ReadAt => ({
  id: `v${at}`,
  at,
  readings: readings.map(([quantity, position, value]) => ({ quantity, position, value })),
})
const decide = (
  decision: 'told' | 'approved' | 'postponed',
  at: number,
  trigger: Partial<import('./index.ts').Trigger> | null = null,
) =>
  fact(at, {
    kind: 'decision',
    decision,
    who: 'Mr. Osei',
    means: 'phone',
    words: '',
    trigger: trigger && { on: null, quantity: null, rise: null, nextVisit: false, ...trigger },
  })
const all = planJob(['capacitor'], on).map((s) => s.id)
const full = (at: number) =>
  read(at, [
    ['volts_ll', 'L1-L2', 240],
    ['amps', 'L1', 1.7],
    ['capacitance', 'run', 7.4],
  ])

describe('a job', () => {
  it('goes from open to decided to at work to closed', () => {
    const state = (...facts: JobFact[]) => jobStands(job, facts, on, []).state
    expect(state()).toBe('open')
    expect(state(decide('told', 1))).toBe('told')
    expect(state(decide('told', 1), decide('approved', 2))).toBe('approved')
    expect(state(decide('approved', 2), done(3, 'A1'))).toBe('at work')
    expect(state(done(3, 'A1'), fact(4, { kind: 'paused', safe: 'locked, covered' }))).toBe('paused')
    expect(state(done(3, 'A1'), fact(4, { kind: 'paused', safe: '' }), fact(5, { kind: 'resumed' }))).toBe('at work')
  })
  it('holds each step until those before it are done, and says which', () => {
    const s = jobStands(job, [done(1, 'A1')], on, []).steps
    expect(s.find((x) => x.id === 'A2')?.state).toBe('ready')
    expect(s.find((x) => x.id === 'A3')).toMatchObject({ state: 'held', needs: ['A2'] })
  })
  it('a check that was skipped opens no cut', () => {
    const belt = { at: 0, kinds: ['belt-motor'], skip: [] }
    const before = ['A1', 'A2', 'A3', 'A4', 'A5', 'A6', 'A7', 'BM1', 'BM2', 'BM3'].map((id, i) => done(i, id))
    const cut = (f: JobFact) => jobStands(belt, [...before, f], on, []).steps.find((s) => s.id === 'BM5')?.state
    expect(cut(fact(50, { kind: 'skipped', step: 'BM7', reason: 'no time' }))).toBe('held')
    expect(cut(done(50, 'BM7'))).toBe('ready')
  })
  it('taken up again, it is held, locked and proven dead again before hands go back in', () => {
    const belt = { at: 0, kinds: ['belt-motor'], skip: [] }
    const opened = ['A1', 'A2', 'A3', 'A4', 'A5', 'A7', 'A6', 'BM1', 'BM2'].map((id, i) => done(i, id))
    const next = [...opened, fact(50, { kind: 'paused', safe: 'locked' }), fact(60, { kind: 'resumed' })]
    const ready = (...more: JobFact[]) =>
      jobStands(belt, [...next, ...more], on, [])
        .steps.filter((s) => s.state === 'ready')
        .map((s) => s.id)
    expect(ready()).toEqual(['A2'])
    const proven = ['A2', 'A3', 'A4', 'A5'].map((id, i) => done(70 + i, id))
    expect(ready(...proven)).toEqual(['A6'])
    expect(ready(...proven, done(80, 'A6'))).toEqual(['BM3', 'BM4', 'BM7'])
    // What was done of the work itself is done.
    expect(jobStands(belt, next, on, []).steps.find((s) => s.id === 'BM2')?.state).toBe('done')
  })
  it('is not proven by what was read in another state, or before it settled', () => {
    const facts = all.map((id, i) => done(2000 + i, id))
    const state = { ...unsaid, settled: true, mode: 'normal' as const, panels: 'on' as const }
    const missing = (after: Partial<typeof unsaid>) =>
      jobStands(job, facts, on, [
        { ...full(500), state },
        { ...full(9000), state: { ...state, ...after } },
      ]).missing
    expect(missing({})).toEqual([])
    expect(missing({ panels: null })).toEqual([])
    expect(missing({ panels: 'off' })).toEqual([
      'Read in another state (panels off, before on): Volts, line to line',
      'Read in another state (panels off, before on): Amps',
    ])
    expect(missing({ settled: false })).toHaveLength(2)
    expect(missing({ mode: 'test', twin: 'off' })).toHaveLength(2)
  })
  it('comes to work on the record when the work itself is done, and not before', () => {
    const work = (...facts: JobFact[]) => jobWork(job.kinds, jobStands(job, facts, on, []))
    const own = planJob(['capacitor'], on).filter((s) => s.kind !== null)
    const opened = all.filter((id) => !own.some((s) => s.id === id)).map((id, i) => done(10 + i, id))
    expect(work(...opened)).toEqual([])
    const did = own.map((s, i) => done(100 + i, s.id))
    expect(work(...opened, ...did.slice(0, -1))).toEqual([])
    expect(work(...opened, ...did)).toEqual([{ kind: 'capacitor-renewed', at: 100 + own.length - 1 }])
    const skipped = own.map((s, i) => fact(100 + i, { kind: 'skipped', step: s.id, reason: 'not here' }))
    expect(work(...opened, ...skipped)).toEqual([])
  })
  it('is proven by what was read after the work, not before it', () => {
    const facts = all.map((id, i) => done(2000 + i, id))
    const missing = (...visits: ReadAt[]) => jobStands(job, facts, on, visits).missing
    expect(missing(full(500))).toHaveLength(3)
    expect(missing(full(500), full(9000))).toEqual([])
    const cells = jobStands(job, facts, on, [full(500), full(9000)]).proof
    expect(cells.every((p) => p.before.length === 1 && p.after.length === 1)).toBe(true)
    // What does not stand still proves nothing.
    const unsteady = { ...full(9000), readings: full(9000).readings.map((r) => ({ ...r, how: 'unsteady' as const })) }
    expect(missing(full(500), unsteady)).toHaveLength(3)
  })
  it('is locked, proven dead and discharged: nobody skips that with a reason', () => {
    const opened = ['A1', 'A2'].map((id, i) => done(i, id))
    const skipped = ['A3', 'A4', 'A5', 'A6', 'A7'].map((step, i) =>
      fact(10 + i, { kind: 'skipped', step, reason: 'in a hurry' }),
    )
    const s = jobStands(job, [...opened, ...skipped], on, [])
    expect(s.steps.filter((x) => x.state === 'skipped').map((x) => x.id)).toEqual(['A6', 'A7'])
    expect(s.steps.find((x) => x.id === 'CP1')).toMatchObject({ state: 'held', needs: ['A3', 'A4', 'A5'] })
  })
  it('is not closed with something off, whatever the reason', () => {
    const half = ['A1', 'A2', 'A3', 'A4', 'A5', 'A6'].map((id, i) => done(i, id))
    expect(jobStands(job, half, on, []).bars).toEqual(['call', 'lock', 'hold', 'panel', 'guard'])
    // A blank stays on purpose: the job that follows takes it off.
    const blank = planJob(['temporary'], on, ['TB4']).map((x, i) => done(i, x.id))
    const stands = jobStands({ at: 0, kinds: ['temporary'], skip: ['TB4'] }, blank, on, [])
    expect([stands.open, stands.bars]).toEqual([['dead', 'blank'], []])
  })
  it('is not proven by bad readings, nor by one leg of three', () => {
    const facts = all.map((id, i) => done(2000 + i, id))
    const missing = (at: number) =>
      jobStands(job, facts, on, [full(500), full(9000)], [{ words: 'Over the nameplate', at }]).missing
    expect(missing(9000)).toEqual(['Not good: Over the nameplate'])
    // What was bad before the work, and was not found so again, is what the work was for.
    expect(missing(500)).toEqual([])
    const three = { hasVfd: false, phases: 3 as const }
    expect(jobStands(job, facts, three, [full(500), full(9000)]).missing).toEqual([
      'Not read at every place: Volts, line to line',
      'Not read at every place: Amps',
    ])
  })
  it('a place that was read before is read again; the newest of each counts, whichever visit read it', () => {
    const facts = all.map((id, i) => done(2000 + i, id))
    const before = read(500, [
      ['amps', 'L1', 2],
      ['amps', 'L2', 2],
      ['volts_ll', 'L1-L2', 240],
      ['capacitance', 'run', 7],
    ])
    const missing = (...visits: ReadAt[]) => jobStands(job, facts, on, [before, ...visits]).missing
    expect(missing(full(9000))).toEqual(['Not read at every place: Amps'])
    expect(missing(full(9000), read(9100, [['amps', 'L2', 2]]))).toEqual([])
  })
  it('is not proven by what is read half-way, with the old part still in', () => {
    const half = all.filter((id) => !['CP3', 'Z1', 'Z2', 'Z3'].includes(id)).map((id, i) => done(2000 + i, id))
    expect(jobStands(job, half, on, [full(500), full(9000)]).proof.every((p) => p.after.length === 0)).toBe(true)
    expect(jobStands(job, [...half, done(3000, 'CP3')], on, [full(500), full(9000)]).proof[0]?.after).toHaveLength(1)
  })
  it('is not done while something is off: it says what', () => {
    const open = jobStands(
      job,
      ['A1', 'A2', 'A3', 'A4', 'A5', 'A6'].map((id, i) => done(i, id)),
      on,
      [],
    )
    expect(open.open).toEqual(['call', 'lock', 'hold', 'panel', 'guard'])
    expect(open.missing).toEqual(expect.arrayContaining(['Not restored: Your lock']))
  })
  it('a step taken back is open again, in whatever order the facts arrive', () => {
    const facts = [done(1, 'A1'), fact(2, { kind: 'undone', step: 'A1' }), done(3, 'A1')]
    fc.assert(
      fc.property(fc.shuffledSubarray(facts, { minLength: 3 }), (list) => {
        expect(jobStands(job, list, on, []).steps.find((s) => s.id === 'A1')?.state).toBe('done')
      }),
    )
    expect(jobStands(job, facts.slice(0, 2), on, []).steps.find((s) => s.id === 'A1')?.state).toBe('ready')
  })
  it('in the morning what locks it out is done again, and nothing once the lock is off', () => {
    const resumed = (at: number) => [fact(at, { kind: 'paused', safe: 'CP1' }), fact(at + 1, { kind: 'resumed' })]
    const opened = ['A1', 'A2', 'A3', 'A4', 'A5', 'A6'].map((id, i) => done(i, id))
    const s = jobStands(job, [...opened, ...resumed(20)], on, [])
    expect(s.steps.filter((x) => x.state !== 'done' && x.id.startsWith('A')).map((x) => x.id)).toEqual(
      ['A2', 'A3', 'A4', 'A5', 'A6', 'A7'].filter((id) => planJob(['capacitor'], on).some((x) => x.id === id)),
    )
    // All of it is still off, whoever comes.
    expect(s.bars).toEqual(['call', 'lock', 'hold', 'panel', 'guard'])
    const closed = all.map((id, i) => done(2000 + i, id))
    expect(jobStands(job, [...closed, ...resumed(5000)], on, [full(9000)]).missing).toEqual([])
  })
  it('is never proven with a step, a restore or a reading missing', () =>
    fc.assert(
      fc.property(fc.subarray(all), fc.boolean(), (ticked, readAfter) => {
        const s = jobStands(
          job,
          ticked.map((id, i) => done(2000 + i, id)),
          on,
          readAfter ? [full(9000)] : [],
        )
        const whole = ticked.length === all.length && readAfter
        expect(s.missing.length === 0).toBe(whole)
      }),
      { seed: 9 },
    ))
})

describe('what was postponed', () => {
  const vibration = (at: number, value: number) => read(at, [['vibration', 'DE-H', value]])
  const postponed = (trigger: Parameters<typeof decide>[2]) => {
    const d = decide('postponed', 1000, trigger)
    return d.kind === 'decision' ? d : null
  }
  it('comes back when what it watches has grown, and says by how much', () => {
    const d = postponed({ quantity: 'vibration', rise: 0.5 })
    expect(fired(d, [vibration(900, 0.21), vibration(2000, 0.3)], '2026-06-01')).toBeNull()
    expect(fired(d, [vibration(900, 0.21), vibration(2000, 0.38)], '2026-06-01')).toEqual({
      because: 'rise',
      figure: { words: 'Vibration, peak', quantity: 'vibration', then: 0.21, now: 0.38 },
    })
  })
  it('comes back on its day, and at the next visit', () => {
    expect(fired(postponed({ on: '2026-06-01' }), [], '2026-05-31')).toBeNull()
    expect(fired(postponed({ on: '2026-06-01' }), [], '2026-06-01')?.because).toBe('day')
    expect(fired(postponed({ nextVisit: true }), [vibration(900, 0.2)], '2026-01-01')).toBeNull()
    expect(fired(postponed({ nextVisit: true }), [vibration(1100, 0.2)], '2026-01-01')?.because).toBe('visit')
  })
  it('what was approved since is not waited for', () => {
    const d = decide('approved', 2000)
    expect(fired(d.kind === 'decision' ? d : null, [], '2030-01-01')).toBeNull()
  })
})

const unread: MachineSnapshot = {
  machine: facts,
  motor: null,
  visits: [],
  work: [],
  policies: defaultPolicies,
}

describe('leave to run it with something wrong', () => {
  const given = (at: number, until: string, readOn: string) =>
    fact(at, {
      kind: 'permit',
      wrong: 'Bearing growls.',
      limits: 'Below 12 A.',
      accepts: 'Runa Castellane',
      until,
      readOn,
    })
  const first = given(Date.parse('2026-06-01T12:00:00Z'), '2026-06-05', '2026-06-02')
  const amps = (at: string) => read(Date.parse(at), [['amps', 'L1', 10]])
  it('ends after its last day, whatever was read', () => {
    expect(permitOf([first], [], '2026-06-05', 'UTC')).toMatchObject({ expired: false, times: 1 })
    expect(permitOf([first], [amps('2026-06-03T12:00:00Z')], '2026-06-06', 'UTC')?.expired).toBe(true)
  })
  it('asks for its reading on the day, until it was read', () => {
    expect(permitOf([first], [], '2026-06-01', 'UTC')?.readDue).toBe(false)
    expect(permitOf([first], [], '2026-06-02', 'UTC')?.readDue).toBe(true)
    expect(permitOf([first], [amps('2026-06-02T09:00:00Z')], '2026-06-02', 'UTC')?.readDue).toBe(false)
    // Somebody was there and read nothing.
    expect(permitOf([first], [read(Date.parse('2026-06-02T09:00:00Z'), [])], '2026-06-02', 'UTC')?.readDue).toBe(true)
  })
  it('is extended by another, and ends with the job', () => {
    const second = given(Date.parse('2026-06-05T12:00:00Z'), '2026-06-11', '2026-06-06')
    expect(permitOf([second, first], [], '2026-06-07', 'UTC')).toMatchObject({
      until: '2026-06-11',
      expired: false,
      times: 2,
    })
    const closed = fact(Date.parse('2026-06-07T12:00:00Z'), { kind: 'closed', reason: 'done', cause: 'right' })
    expect(permitOf([first, closed], [], '2026-06-20', 'UTC')).toBeNull()
  })
  it('is not given while the machine is at Stop, unless by the permit that ran out itself', () => {
    const wrong = (id: string, level: 'fix' | 'stop') =>
      ({ id, at: 10, by: 'Vale', level, text: id, until: null, putOff: false }) as const
    const standing = (over: Partial<MachineSnapshot>) => judgeMachine({ ...unread, ...over }, 20)?.conditions ?? []
    const permits = [{ id: 'j', at: 1, endsAt: 5, readBy: 5, by: 'Vale', wrong: 'growls' }]
    const live = standing({ reported: [wrong('live cabinet', 'stop')], permits })
    expect(live.map((k) => k.level)).toEqual(['stop', 'stop'])
    expect(permitTerms(standing({ reported: [wrong('growls', 'fix')], permits }), 1, 20, defaultPolicies)).toEqual({
      bar: null,
      days: 7,
      overPlate: false,
    })
    expect(permitTerms(live, 1, 20, defaultPolicies).bar).toBe('live cabinet')
    // It was given before anybody knew.
    expect(permitTerms(live, 1, 9, defaultPolicies).bar).toBeNull()
    // Its job is proven all the same.
    expect(adverseOf(live).map((a) => a.words)).toEqual(['live cabinet'])
  })
  it('is accepted by somebody else, or by a lead', () => {
    expect(ownPermit(' mosi okonjo', 'Mosi Okonjo', false)).toBe(true)
    expect([ownPermit('Runa Castellane', 'Mosi Okonjo', false), ownPermit('Tamsin Vale', 'Tamsin Vale', true)]).toEqual(
      [false, false],
    )
  })
  it('over the nameplate is given for three days, and inside the service factor alone', () => {
    const over = (amps: number, policies: Policies = defaultPolicies) => {
      const readings = (['L1', 'L2', 'L3'] as const).map((position) => ({
        quantity: 'amps' as const,
        position,
        value: amps,
      }))
      const visits = [{ id: 'v', at: 10, state: { ...unsaid, settled: true, turning: 'right way' as const }, readings }]
      const motor = { plate: { volts: '460', amps: '12.0', phases: 3 as const }, connectionVolts: null, installedAt: 0 }
      return judgeMachine({ ...unread, motor, visits, policies })?.conditions ?? []
    }
    expect(permitTerms(over(12.6), 1.15, 20, defaultPolicies)).toEqual({ bar: null, days: 3, overPlate: true })
    expect(permitTerms(over(12.6), 1, 20, defaultPolicies).bar).toContain('over the service factor')
    expect(permitTerms(over(13.9), 1.15, 20, defaultPolicies).bar).toContain('over the service factor')
    expect(permitTerms(over(11.8), 1, 20, defaultPolicies)).toEqual({ bar: null, days: 7, overPlate: false })
    // A house that trims 5 % below the nameplate calls 11.8 of 12 A too much; it is not over the nameplate.
    const trims: Policies = { ...defaultPolicies, overAmp: 'trim below plate', trim: 0.05 }
    expect(permitTerms(over(11.8, trims), 1, 20, trims)).toEqual({ bar: null, days: 7, overPlate: false })
    expect(permitTerms(over(12.6, trims), 1.15, 20, trims)).toEqual({ bar: null, days: 3, overPlate: true })
    expect(permitTerms(over(12.6, trims), 1, 20, trims).bar).toContain('over the service factor')
  })
})
