import { randomUUID } from 'node:crypto'
import type { MachinePage } from '@motor-round/contract'
import { planJob } from '@motor-round/core/job'
import { unsaid } from '@motor-round/core/trend'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring, resultsOf } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let machineId: string
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  machineId = await hand.machine('AHU-6/SF')
})
afterAll(() => world.end())

const results = (entries: object[], who = hand) => resultsOf(who, entries)
const outcomes = async (entries: object[]) => (await results(entries)).map((r) => r.outcome)
const at = '2026-11-25T08:00:00.000Z'
const made = (over: object = {}) => ({
  kind: 'job',
  body: { id: randomUUID(), machineId, at, title: 'New filters', kinds: ['filters'], ...over },
})
const step = (jobId: string, said: object) => ({
  kind: 'job-step',
  body: { id: randomUUID(), jobId, machineId, at, ...said },
})
const told = (over: object = {}) => ({
  kind: 'decision',
  decision: 'postponed',
  who: 'Runa Castellane',
  means: 'phone',
  ...over,
})
const jobsOf = async () => ((await hand.get(`/machines/${machineId}`)).body as MachinePage).jobs

describe('a job that was made offline', () => {
  it('is kept once with all that happened on it, though all of it is sent twice', async () => {
    const job = made()
    const facts = [
      step(job.body.id, told({ trigger: { on: '2027-03-01' } })),
      step(job.body.id, { kind: 'done', step: 'A1' }),
    ]
    expect(await outcomes([job, ...facts])).toEqual(['applied', 'applied', 'applied'])
    expect(await outcomes([job, ...facts])).toEqual(['duplicate', 'duplicate', 'duplicate'])
    const kept = (await jobsOf()).find((j) => j.id === job.body.id)
    expect(kept).toMatchObject({ title: 'New filters', kinds: ['filters'], crew: 1, by: 'Mosi Okonjo' })
    expect(kept?.steps).toHaveLength(2)
  })
  it.each([
    [{ kinds: ['magic'] }, 'kinds.0', '"magic" is not a kind of job'],
    [{ kinds: ['filters', 'filters'] }, 'kinds.1', 'is there twice'],
    [{ skip: ['BM1'] }, 'skip.0', '"BM1" is not a step of this job'],
    [{ skip: ['A4'] }, 'skip.0', 'this step is never skipped'],
    [{ findingId: randomUUID() }, 'findingId', 'no such finding of this machine'],
  ])('is refused at the field where it names what does not exist: %j', async (over, path, message) => {
    const [refused] = await results([made(over)])
    // A finding that is not on the server yet may still come: it waits for it.
    if (refused?.outcome !== 'blocked')
      expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path, message }] } })
  })
  it.each([
    [{ kind: 'done', step: 'BM1' }, 'step'],
    [{ kind: 'skipped', step: 'A1', reason: ' ' }, 'body.reason'],
    [told(), 'body.trigger'],
    [told({ trigger: {} }), 'body.trigger.on'],
    [{ kind: 'permit', wrong: 'x', limits: 'x', accepts: 'x', until: '2026-12-20', readOn: '2026-11-26' }, 'until'],
    [
      { kind: 'permit', wrong: 'x', limits: 'x', accepts: 'x', until: '2026-11-27', readOn: '2026-11-28' },
      'body.readOn',
    ],
    [told({ who: ' ', trigger: { nextVisit: true } }), 'body.who'],
  ])('a step that says nothing is refused: %j', async (said, path) => {
    const job = made()
    const [, refused] = await results([job, step(job.body.id, said)])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path }] } })
  })
  it('is closed on its proof, or with a reason, and once', async () => {
    const job = made()
    const steps = planJob(['filters'], { hasVfd: false }).map((s) => step(job.body.id, { kind: 'done', step: s.id }))
    const close = (reason = '') => step(job.body.id, { kind: 'closed', reason, cause: 'right' })
    expect(new Set(await outcomes([job, ...steps]))).toEqual(new Set(['applied']))
    const [unproven] = await results([close()])
    expect(unproven?.problem?.errors[0]).toMatchObject({ path: 'reason' })
    expect(unproven?.problem?.errors[0]?.message).toContain('Not read since the work: ')
    const visit = {
      kind: 'visit',
      body: {
        id: randomUUID(),
        machineId,
        takenAt: '2026-11-25T08:30:00.000Z',
        state: unsaid,
        readings: [
          ...['L1', 'L2', 'L3'].map((position) => ({ quantity: 'amps', position, value: 4.4 })),
          { quantity: 'filter_drop', position: 'filter', value: 0.3 },
        ],
      },
    }
    // Far over the nameplate it is read, and not proven.
    const over = {
      ...visit,
      body: {
        ...visit.body,
        id: randomUUID(),
        readings: visit.body.readings.map((r) => ({ ...r, value: 3 * r.value })),
      },
    }
    const [, bad] = await results([over, close()])
    expect(bad?.problem?.errors[0]?.message).toContain('Not good: ')
    const later = { ...visit, body: { ...visit.body, takenAt: '2026-11-25T08:40:00.000Z' } }
    const proven = await results([later, close()])
    expect(proven.map((r) => r.problem?.errors[0]?.message ?? r.outcome)).toEqual(['applied', 'applied'])
    const [again] = await results([close('once more')])
    expect(again?.problem?.errors[0]).toMatchObject({ path: 'jobId', message: 'this job is closed' })
  })
  it('stands in the list of all; one whose permit has expired comes first', async () => {
    const [running, other] = [made({ title: 'Bearing growls' }), made({ title: 'Other' })]
    const permit = step(running.body.id, {
      kind: 'permit',
      wrong: 'Growls.',
      limits: 'Below 12 A.',
      accepts: 'Runa Castellane',
      until: '2026-11-24',
      readOn: '2026-11-23',
    })
    expect(await outcomes([running, other, permit])).toEqual(['applied', 'applied', 'applied'])
    const { jobs } = (await hand.get('/jobs')).body as {
      jobs: { title: string; permit: { expired: boolean } | null }[]
    }
    expect(jobs[0]).toMatchObject({ title: 'Bearing growls', permit: { expired: true } })
    expect(jobs.find((j) => j.title === 'Other')).toMatchObject({ permit: null, state: 'open' })
  })
  it('is not closed with a lock on or a guard off, whatever the reason; what proves it dead is never skipped', async () => {
    const job = made()
    const opened = ['A1', 'A2', 'A3', 'A4', 'A5', 'A7', 'A6'].map((id) => step(job.body.id, { kind: 'done', step: id }))
    const close = step(job.body.id, { kind: 'closed', reason: 'nobody has time', cause: 'not known' })
    const skip = step(job.body.id, { kind: 'skipped', step: 'A4', reason: 'no meter' })
    const all = await results([job, ...opened, close, skip])
    expect(all.at(-2)?.problem?.errors[0]).toMatchObject({ path: 'jobId' })
    expect(all.at(-2)?.problem?.errors[0]?.message).toContain('Your lock')
    expect(all.at(-1)?.problem?.errors[0]).toMatchObject({ path: 'step', message: 'this step is never skipped' })
  })
  it('new parts are measured, not ticked; what was counted in is counted out', async () => {
    const job = made({ kinds: ['deck', 'shaft'] })
    const say = async (said: object) => {
      const [r] = await results([step(job.body.id, said)])
      return r?.problem?.errors[0] ?? r?.outcome
    }
    expect(await outcomes([job])).toEqual(['applied'])
    expect(await say({ kind: 'done', step: 'SB3' })).toMatchObject({ path: 'step' })
    const measured = [{ point: 'bearing', old: 42.86, now: 36.51 }]
    expect(await say({ kind: 'check', step: 'SB3', measured })).toBe('applied')
    const other = [{ point: 'capacitance', old: 1, now: 1 }]
    expect(await say({ kind: 'check', step: 'SB3', measured: other })).toMatchObject({ path: 'measured.0.point' })
    const { jobs } = (await hand.get('/jobs')).body as { jobs: { id: string; misfits: string[] }[] }
    expect(jobs.find((j) => j.id === job.body.id)?.misfits).toHaveLength(1)
    expect(await say({ kind: 'done', step: 'FD6' })).toMatchObject({ path: 'count' })
    expect(await say({ kind: 'done', step: 'FD6', count: 7 })).toBe('applied')
    expect(await say({ kind: 'done', step: 'FD8', count: 6 })).toEqual({
      path: 'count',
      message: '7 went in: find what is missing before it is closed',
    })
    expect(await say({ kind: 'done', step: 'FD8', count: 7 })).toBe('applied')
    const rung = { kind: 'rung', minutes: 8, freed: false }
    expect(await say({ ...rung, step: 'SB4', rung: 'clean' })).toBe('applied')
    expect(await say({ ...rung, step: 'SB4', rung: 'dynamite' })).toMatchObject({ path: 'rung' })
    expect(await say({ ...rung, step: 'SB3', rung: 'clean' })).toMatchObject({ path: 'rung' })
  })
  it('three jobs that were timed teach what the steps take here', async () => {
    const paced = async () =>
      ((await hand.get('/jobs/pace')).body as { steps: { step: string; factor: number }[]; jobs: number }).steps
    const steps = planJob(['capacitor'], { hasVfd: false })
    const fits = [
      { point: 'capacitance', old: 10, now: 10 },
      { point: 'volts', old: 370, now: 440 },
    ]
    const timed = () => {
      const job = made({ kinds: ['capacitor'], title: 'Capacitor' })
      let minutes = 0
      const facts = steps.flatMap((s) => {
        // Each takes twice as long as its template says.
        minutes += 2 * s.minutes
        const said =
          s.id === 'CP2' ? { kind: 'check', step: s.id, measured: fits } : { kind: 'done', step: s.id, note: '' }
        const when = new Date(Date.parse(at) - 86_400_000 + minutes * 60_000).toISOString()
        return [step(job.body.id, { ...said, at: when })]
      })
      return [{ ...job, body: { ...job.body, at: '2026-11-24T07:00:00.000Z' } }, ...facts]
    }
    for (let i = 0; i < 3; i++) expect(new Set(await outcomes(timed()))).toEqual(new Set(['applied']))
    const own = (await paced()).find((p) => p.step === 'CP3')
    // Three of twice the minutes and the template as three of once: their geometric mean.
    expect(own?.factor).toBeCloseTo(Math.SQRT2, 6)
  })
  it('a substitute says what belongs there, what is in, and until when', async () => {
    const job = made()
    const substitute = (over: object) =>
      step(job.body.id, {
        kind: 'substitute',
        part: 'Filter 20x25x2',
        inPlace: 'Filter 20x24x2 and tape',
        until: '2026-12-20',
        ...over,
      })
    const [, kept, blank, bare] = await results([
      job,
      substitute({}),
      substitute({ part: '' }),
      substitute({ until: '' }),
    ])
    expect(kept?.outcome).toBe('applied')
    expect(blank?.problem?.errors[0]).toMatchObject({ path: 'body.part', message: 'enter the part that belongs there' })
    expect(bare?.problem?.errors[0]).toMatchObject({ path: 'body.until' })
  })
  it('a permit is extended once', async () => {
    const job = made()
    const permit = () =>
      step(job.body.id, {
        kind: 'permit',
        wrong: 'x',
        limits: 'x',
        accepts: 'x',
        until: '2026-11-27',
        readOn: '2026-11-26',
      })
    const all = await results([job, permit(), permit(), permit()])
    expect(all.map((r) => r.problem?.errors[0]?.path ?? r.outcome)).toEqual(['applied', 'applied', 'applied', 'until'])
  })
  it('a step of another machine’s job is refused, and nobody who only looks makes one', async () => {
    const job = made()
    const other = await hand.machine('AHU-8/RF')
    const [, refused] = await results([job, step(job.body.id, { kind: 'resumed', machineId: other })])
    expect(refused).toMatchObject({ outcome: 'rejected', problem: { errors: [{ path: 'machineId' }] } })
    expect((await bring(await world.as('arden'), [made()])).status).toBe(403)
  })
})
