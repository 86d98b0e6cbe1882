import { unknownControls } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { unsaid } from '@motor-round/core/trend'
import { describe, expect, it } from 'vitest'
import { burnsOf, coreVisit, judgeInput, judgeNow, permitsOf, speaking, underWayOf } from './to-core.ts'
import type { VisitRecord, WorkRecord } from './visit.ts'

const uuid = (n: number) => `0199a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const visit = (n: number, takenAt: string, over: Partial<VisitRecord> = {}): VisitRecord => ({
  id: uuid(n),
  machineId: uuid(900),
  takenAt,
  recordedAt: takenAt,
  by: 'M. Okonjo',
  state: { ...unsaid, settled: true },
  readings: [{ quantity: 'amps', position: 'L1', value: 10 + n }],
  answers: {},
  passes: [],
  note: '',
  supersedes: null,
  reason: '',
  supersededBy: null,
  source: 'walk',
  ...over,
})
const motor = (amps: string, installedAt: string, removedAt: string | null) => ({
  plate: { volts: '460', amps },
  connectionVolts: null,
  installedAt,
  removedAt,
})
const work = (doneAt: string, kind: WorkRecord['kind']): WorkRecord => ({
  id: uuid(500),
  machineId: uuid(900),
  doneAt,
  kind,
  note: '',
  by: 'x',
})
const known = {
  machine: {
    phases: 3 as const,
    serviceVolts: 480,
    hasVfd: false,
    hasTwin: true,
    drive: 'belt' as const,
    controls: unknownControls,
    unitPlate: null,
  },
  motors: [motor('12.8', '2024-01-01T00:00:00Z', '2026-03-01T00:00:00Z'), motor('10.0', '2026-03-01T00:00:00Z', null)],
  work: [work('2025-05-05T00:00:00Z', 'belts-renewed')],
  visits: [visit(3, '2026-06-01T00:00:00Z'), visit(2, '2026-02-01T00:00:00Z'), visit(1, '2025-02-01T00:00:00Z')],
  policies: defaultPolicies,
  twins: [{ tag: 'SF-2', load: 0.8, at: '2026-05-30T00:00:00Z' }],
}
const at = (n: number) => {
  const s = known.visits.find((x) => x.id === uuid(n))
  if (!s) throw new Error('no such visit')
  return coreVisit(s)
}

describe('the input of judging', () => {
  it('has the motor that was in the slot at the time of the visit', () => {
    expect(judgeInput(known, at(2)).motor?.plate.amps).toBe('12.8')
    expect(judgeInput(known, at(3)).motor?.plate.amps).toBe('10.0')
  })
  it('takes the first motor known for a reading that is older than any', () => {
    const old = coreVisit(visit(9, '2020-01-01T00:00:00Z'))
    expect(judgeInput(known, old).motor?.plate.amps).toBe('12.8')
  })
  it('counts the fitting of every later motor as work, and not that of the first', () => {
    expect(judgeInput(known, at(3)).work.map((w) => w.kind)).toEqual(['belts-renewed', 'motor-replaced'])
  })
  it('leaves the visit itself and corrected ones out of the history', () => {
    const visits = [...known.visits, visit(4, '2025-07-01T00:00:00Z', { supersededBy: uuid(3) })]
    expect(judgeInput({ ...known, visits }, at(3)).history.map((s) => s.id)).toEqual([uuid(2), uuid(1)])
  })
  it('carries the twin’s load with its instant in ms', () =>
    expect(judgeInput(known, at(3)).twins).toEqual([
      { tag: 'SF-2', load: 0.8, at: Date.parse('2026-05-30T00:00:00Z') },
    ]))
})

describe('a machine as it stands', () => {
  const wet = visit(5, '2026-04-01T00:00:00Z', {
    readings: [{ quantity: 'megohms', position: 'all', value: 0.3 }],
    answers: { 'insulation.place': 'motor' },
  })
  it('keeps what an earlier visit found beside the newest amps, with its instant', () => {
    const j = judgeNow({ ...known, visits: [...known.visits, wet] })
    expect(j?.level).toBe('stop')
    expect(j?.conditions[0]).toMatchObject({ key: 'insulation@all/motor', since: Date.parse(wet.takenAt) })
    expect(j?.rail.legs).toEqual([{ name: 'L1', amps: 13 }])
  })
  it('forgets what left with the old motor', () => {
    const old = { ...wet, takenAt: '2026-01-01T00:00:00Z' }
    expect(judgeNow({ ...known, visits: [...known.visits, old] })?.conditions.map((k) => k.key)).not.toContain(
      'insulation@all/motor',
    )
  })
  it('never counts a visit that was corrected', () => {
    const visits = known.visits.map((s, i) => (i === 0 ? { ...s, supersededBy: uuid(99) } : s))
    expect(speaking({ visits })?.id).toBe(uuid(2))
  })
})

describe('a job', () => {
  const at = (minute: number) => `2026-11-25T08:${String(minute).padStart(2, '0')}:00.000Z`
  const own = { jobId: 'j', machineId: 'm', by: 'Mosi' }
  const done = (minute: number) =>
    ({ ...own, id: `d${String(minute)}`, at: at(minute), kind: 'done', step: 'A1', note: '', count: null }) as const
  const undone = { ...own, id: 'u', at: at(2), kind: 'undone', step: 'A1' } as const
  const closed = {
    ...own,
    id: 'c',
    at: at(9),
    kind: 'closed',
    reason: 'given up',
    cause: 'right',
    hours: null,
    money: null,
  } as const
  const of = (...steps: Parameters<typeof underWayOf>[0][number]['steps']) =>
    underWayOf([{ id: 'j', title: 'Replace the motor', steps }]).map((j) => [j.at, j.by])
  it('says what it has off', () => {
    const step = (minute: number, id: string) => ({ ...done(minute), step: id, id: `s${String(minute)}` })
    const said = (...steps: Parameters<typeof of>) =>
      underWayOf([{ id: 'j', title: 'Work on the fan deck', steps }]).map((j) => [j.off, j.opened])
    const locked = [step(1, 'A3')]
    expect(said(...locked)).toEqual([[['locked out'], false]])
    const opened = [...locked, step(2, 'A6')]
    expect(said(...opened)).toEqual([[['locked out', 'panels off', 'guards off'], true]])
    expect(said(...opened, step(3, 'Z2'))).toEqual([[['locked out'], false]])
    // Taken off once more after it was back.
    expect(said(...opened, step(3, 'Z2'), step(4, 'A6'))).toEqual([[['locked out', 'panels off', 'guards off'], true]])
    // Proven anew in the morning, it was never on.
    const resumed = { ...own, id: 'r', at: at(3), kind: 'resumed' } as const
    const paused = { ...own, id: 'q', at: at(3), kind: 'paused', safe: 'Shut' } as const
    const left = (...steps: Parameters<typeof of>) => underWayOf([{ id: 'j', title: 'x', steps }])[0]?.left
    expect([left(...opened, paused), left(...opened, paused, { ...resumed, at: at(4) })]).toEqual(['Shut', null])
    expect(said(...opened, resumed)).toEqual([[['locked out', 'panels off', 'guards off'], true]])
    const test = {
      fuel: 'natural gas',
      co: 20,
      oxygen: 6,
      rise: 45,
      riseLow: 30,
      riseHigh: 60,
      leakFree: true,
    } as const
    const burn = (minute: number, more: object) =>
      ({
        ...own,
        id: `b${String(minute)}`,
        at: at(minute),
        kind: 'burn',
        step: 'FD11',
        test: { ...test, ...more },
      }) as const
    const gas = [step(1, 'FD1'), burn(2, { leakFree: false })]
    expect(said(...gas)).toEqual([[['gas shut off'], true]])
    expect(said(...gas, burn(3, { rise: 70 }))).toEqual([[['gas shut off'], true]])
    expect(said(...gas, burn(3, {}))).toEqual([[[], false]])
    // What a test found is there whatever becomes of its step and its job.
    const taken = [burn(2, { leakFree: false }), { ...undone, at: at(3), step: 'FD11' }, closed]
    expect(burnsOf([{ steps: taken }]).map((b) => [b.at, b.parts])).toEqual([
      [Date.parse(at(2)), [{ about: 'leak', level: 'stop', words: expect.stringContaining('Gas leaks') as string }]],
    ])
    expect(burnsOf([{ steps: gas.slice(0, 1) }])).toEqual([])
    const job = {
      id: 'j',
      machineId: 'm',
      findingId: null,
      title: 'Fan deck',
      kinds: ['deck'],
      skip: [],
      at: at(0),
      by: 'Mosi',
    }
    const now = judgeNow({ ...known, jobs: [{ ...job, steps: taken }] })
    expect([now?.level, now?.headline]).toEqual(['stop', expect.stringContaining('Gas leaks')])
    expect(burnsOf([{ steps: [burn(4, { stack: 470 })] }])[0]?.parts.map((p) => [p.about, p.level])).toEqual([
      ['leak', 'ok'],
      ['co', 'ok'],
      ['oxygen', 'ok'],
      ['stack', 'stop'],
      ['rise', 'ok'],
    ])
    // A blank stays on purpose, also once the job is closed: until a job that is closed later.
    const blank = { id: 'j', title: 'Blank', steps: [step(1, 'TB3'), closed] }
    const later = { id: 'k', title: 'New wheel', steps: [{ ...closed, at: at(20) }] }
    expect(said(step(1, 'TB3'))).toEqual([[['temporary blank on'], false]])
    expect(underWayOf([blank])).toMatchObject([{ closed: true, at: Date.parse(at(9)), off: ['temporary blank on'] }])
    expect([underWayOf([blank, later]), underWayOf([{ ...blank, steps: [step(1, 'A1'), closed] }])]).toEqual([[], []])
    // Each cover comes off by the step of its own work.
    expect(said(step(1, 'CL2'), { ...step(2, 'FD6'), count: 9 }, step(3, 'CL8'))[0]?.[0]).toHaveLength(1)
  })
  it('may run on the permit that was given last, to the end of a day at its site, until it is closed', () => {
    const permit = (minute: number, until: string) =>
      ({
        ...own,
        id: `p${String(minute)}`,
        at: at(minute),
        kind: 'permit',
        wrong: 'growls',
        limits: '12 A',
        accepts: 'Runa Castellane',
        until,
        readOn: '2026-11-26',
      }) as const
    const permits = (...steps: Parameters<typeof of>) =>
      permitsOf([{ id: 'j', title: 'Bearings', steps }], 'America/New_York').map((p) => [
        p.at,
        p.readBy,
        p.endsAt,
        p.wrong,
      ])
    expect(permits(done(1))).toEqual([])
    const first = permit(2, '2026-11-27')
    expect(permits(first)).toEqual([
      [Date.parse(at(2)), Date.parse('2026-11-27T05:00:00Z'), Date.parse('2026-11-28T05:00:00Z'), 'growls'],
    ])
    expect(permits(permit(4, '2026-11-29'), first)[0]?.[2]).toBe(Date.parse('2026-11-30T05:00:00Z'))
    expect(permits(first, closed)).toEqual([])
  })
  it('is under way from the first step that stands done until it is closed', () => {
    expect(of()).toEqual([])
    expect(of(done(1))).toEqual([[Date.parse(at(1)), 'Mosi']])
    expect(of(done(1), undone)).toEqual([])
    // Done once more: what was undone before says nothing.
    expect(of(done(3), undone, done(1))).toEqual([[Date.parse(at(3)), 'Mosi']])
    expect(of(done(1), closed)).toEqual([])
  })
})
