import { describe, expect, it } from 'vitest'
import type { LiveDay, LiveEvidence } from '../../../live/index.ts'
import { dayAt } from '../../../live/day.test-help.ts'
import { legPositions } from '../../../quantity/index.ts'
import { dayMs, type WorkDone } from '../../../trend/index.ts'
import { at, inputFor, now, visitOf, type Given } from '../../checks/say.test-help.ts'
import { judge, judgeMachine } from '../../index.ts'

/** Days before the visit, 1 the last one. */
const day = (ago: number, over: Partial<LiveDay> = {}) =>
  dayAt(now - ago * dayMs, { ran: 1000, mostAmps: 9.6, bins: [{ hz: null, amps: 9.5, minutes: 900 }], ...over })
const week = (over: (ago: number) => Partial<LiveDay> = () => ({})) =>
  [7, 6, 5, 4, 3, 2, 1].map((ago) => day(ago, over(ago)))
const evidence = (days: readonly LiveDay[], beside: LiveEvidence['beside'] = []): LiveEvidence => ({ days, beside })
const plain = [
  ...at('volts_ll', ['L1-L2', 'L2-L3', 'L3-L1'], [479, 480, 478]),
  ...at('amps', legPositions, [9.6, 9.7, 9.5]),
]
const turning = { settled: true, turning: 'right way' as const, panels: 'on' as const }
const said = (live: LiveEvidence, given: Given = {}) =>
  judge({ ...inputFor(plain, { state: turning, ...given }), live })
const of = (check: string, live: LiveEvidence, given: Given = {}) =>
  said(live, given).verdicts.find((v) => v.check === check)
const work = (kind: WorkDone['kind'], ago: number): WorkDone => ({ at: now - ago * dayMs + 1000, kind, note: '' })

describe('what a building’s own instruments show', () => {
  it('of a healthy fan is OK, and earns no OK by itself', () => {
    const j = said(evidence(week()))
    expect(j.level).toBe('ok')
    expect(j.verdicts.filter((v) => v.check.startsWith('live-')).map((v) => [v.check, v.level])).toEqual(
      expect.arrayContaining([
        ['live-over-amps', 'ok'],
        ['live-starts', 'ok'],
        ['live-amps-before', 'ok'],
      ]),
    )
    expect(judge({ ...inputFor([], {}), live: evidence(week()) }).level).toBe('not judged')
  })
  it('is nothing where nothing is sent', () =>
    expect(said(evidence([])).verdicts.some((v) => v.check.startsWith('live-'))).toBe(false))
})

describe('amps above the nameplate between visits', () => {
  const over = week((ago) => (ago <= 2 ? { mostAmps: 14.1 } : {}))
  it('raise the machine, although its visit was good', () => {
    const j = said(evidence(over))
    expect(j.level).toBe('fix')
    expect(j.conditions.find((k) => k.verdict.check === 'live-over-amps')).toMatchObject({
      since: now - 2 * dayMs,
    })
  })
  it('stand until three days came without', () => {
    const then = (good: number) => evidence(week((ago) => (ago === good + 1 ? { mostAmps: 14.1 } : {})))
    expect(of('live-over-amps', then(2))?.level).toBe('fix')
    expect(of('live-over-amps', then(3))?.level).toBe('ok')
  })
  it('are not answered by days on which it stood', () => {
    const stood = week((ago) => (ago <= 3 ? { ran: 0, mostAmps: null, bins: [] } : ago === 4 ? { mostAmps: 14.1 } : {}))
    expect(of('live-over-amps', evidence(stood))?.level).toBe('fix')
  })
  it('are judged by the policy in force', () => {
    const a = evidence(week(() => ({ mostAmps: 13.5 })))
    expect(of('live-over-amps', a)?.level).toBe('fix')
    expect(of('live-over-amps', a, { policies: { overAmp: 'service factor' } })?.level).toBe('watch')
    expect(
      of('live-over-amps', evidence(week(() => ({ mostAmps: 12.5 }))), { policies: { overAmp: 'trim below plate' } })
        ?.level,
    ).toBe('watch')
  })
  it('are answered by turning the sheave, until days after it say otherwise', () => {
    const turned = { work: [work('sheave-turned', 1)] }
    expect(of('live-over-amps', evidence(over), turned)).toBeUndefined()
    const after = [...over.slice(0, -1), day(1, { mostAmps: 14.1 }), day(0, { mostAmps: 13.9 })]
    expect(of('live-over-amps', evidence(after), turned)?.level).toBe('fix')
    const good = [...after.slice(0, -1), day(0, { mostAmps: 11.8 })]
    expect(of('live-over-amps', evidence(good), turned)?.level).toBe('ok')
  })
})

describe('short cycling', () => {
  it('is not answered by days on which it stood', () =>
    expect(
      of('live-starts', evidence(week((ago) => (ago < 4 ? { ran: 0, mostStarts: 0 } : { mostStarts: 20 }))))?.level,
    ).toBe('fix'))
  it('is a watch above the limit, and to be fixed above twice of it', () => {
    const cycling = (n: number) =>
      of('live-starts', evidence(week((ago) => (ago === 1 ? { mostStarts: n, starts: 3 * n } : {}))))
    expect(cycling(6)?.level).toBe('ok')
    expect(cycling(7)).toMatchObject({ level: 'watch', subject: 'controls' })
    expect(cycling(13)?.level).toBe('fix')
    expect(cycling(13)?.because).toContain('13 starts in an hour')
  })
})

describe('running against its call', () => {
  it('is a contactor that may be welded', () => {
    const v = of('live-call', evidence(week((ago) => (ago === 1 ? { callOff: 700, callOn: 700, uncalled: 300 } : {}))))
    expect(v).toMatchObject({ level: 'fix' })
    expect(v?.because).toContain('5.0 h')
    expect(v?.next).toContain('welded')
  })
  it('or a fan that does not start', () =>
    expect(
      of('live-call', evidence(week((ago) => (ago === 1 ? { callOn: 700, callOff: 700, unanswered: 40 } : {}))))
        ?.because,
    ).toContain('not running for 40 min'))
  it('is not answered by days on which nobody called it, or all did', () => {
    const days = (over: Partial<LiveDay>) =>
      evidence(
        week((ago) => (ago === 4 ? { callOn: 700, callOff: 700, unanswered: 60, uncalled: 0 } : ago < 4 ? over : {})),
      )
    expect(of('live-call', days({ callOff: 1440 }))?.level).toBe('fix')
    expect(of('live-call', days({ callOn: 1440 }))?.level).toBe('ok')
  })
  it('is not judged where no call is sent', () => expect(of('live-call', evidence(week()))).toBeUndefined())
})

describe('off hours', () => {
  it('are kept, or told', () => {
    const off = (over: Partial<LiveDay>) =>
      of('live-off-hours', evidence(week(() => ({ offHours: 400, slowHours: 400, ...over }))))
    expect(off({})?.level).toBe('ok')
    expect(off({ ranOff: 480 })).toMatchObject({ level: 'watch', because: expect.stringContaining('8.0 h') as string })
    expect(off({ tooFast: 480 })?.because).toContain('night setback')
  })
})

describe('amps at equal speed against before', () => {
  const bins = (amps: number) => ({ bins: [{ hz: null, amps, minutes: 900 }] })
  it('creep', () => {
    const v = of('live-amps-before', evidence(week((ago) => bins(ago <= 2 ? 10.8 : 9.5))))
    expect(v).toMatchObject({ level: 'watch' })
    expect(v?.because).toContain('14 % more')
    expect(of('live-amps-before', evidence(week((ago) => bins(ago <= 2 ? 10.2 : 9.5))))?.level).toBe('ok')
  })
  it('fall away with the load', () => {
    const v = of('live-amps-before', evidence(week((ago) => bins(ago <= 2 ? 5 : 9.5))))
    expect(v).toMatchObject({ level: 'fix', because: expect.stringContaining('hardly works') as string })
    expect(v?.next).toContain('belt')
  })
  it('begin anew with work that changes them, and with a motor', () => {
    const up = evidence(week((ago) => bins(ago <= 4 ? 12 : 9.5)))
    expect(of('live-amps-before', up)?.level).toBe('watch')
    expect(of('live-amps-before', up, { work: [work('sheave-turned', 5)] })?.level).toBe('ok')
    // Greasing is no reason for more amps.
    expect(of('live-amps-before', up, { work: [work('greased', 5)] })?.level).toBe('watch')
    expect(of('live-amps-before', up, { installedAt: now - 5 * dayMs + 1 })?.level).toBe('ok')
  })
})

describe('the clamp of a visit against the sensor', () => {
  const beside = (amps: number, hz: number | null = null) => evidence(week(), [{ at: now, amps, hz }])
  it('agrees, or one of the two is wrong', () => {
    expect(of('live-against-visit', beside(9.9))?.level).toBe('ok')
    const v = of('live-against-visit', beside(12))
    expect(v).toMatchObject({ level: 'watch' })
    expect(v?.because).toContain('clamp 9.6 A, sensor 12.0 A')
  })
  it('is not answered by a visit at which the sensor was silent', () => {
    const before = visitOf(at('amps', legPositions, [9.6, 9.7, 9.5]), -10)
    const live = evidence(week(), [{ at: before.at, amps: 12, hz: null }])
    expect(of('live-against-visit', live, { history: [before] })).toMatchObject({ level: 'watch', since: before.at })
  })
  it('says nothing of another time, another speed, or an unsettled reading', () => {
    expect(of('live-against-visit', evidence(week(), [{ at: now - 1, amps: 12, hz: null }]))).toBeUndefined()
    expect(of('live-against-visit', beside(12), { state: { ...turning, settled: false } })).toBeUndefined()
    const j = judge({
      ...inputFor([...plain, ...at('hz', ['motor'], [41])], { state: turning, machine: { hasVfd: true } }),
      live: beside(12, 52),
    })
    expect(j.verdicts.some((v) => v.check === 'live-against-visit')).toBe(false)
  })
})

describe('a machine as it stands', () => {
  it('shows what was seen since its last visit, and drops what a person closed', () => {
    const input = { ...inputFor(plain, { state: turning }), live: evidence(week(() => ({ mostStarts: 20 }))) }
    const { visit, history, ...rest } = input
    const stands = judgeMachine({ ...rest, visits: [...history, visit] })
    expect(stands?.level).toBe('fix')
    const key = stands?.conditions.find((k) => k.verdict.check === 'live-starts')?.key ?? ''
    const closed = judgeMachine({
      ...rest,
      visits: [...history, visit],
      closings: [{ key, at: now + 1, kind: 'closed', by: 'x', reason: 'a test of the controls' }],
    })
    expect(closed?.conditions.some((k) => k.key === key)).toBe(false)
  })
  it('is never better for live data', () => {
    const bad = [
      ...at('volts_ll', ['L1-L2', 'L2-L3', 'L3-L1'], [479, 480, 478]),
      ...at('amps', legPositions, [16, 16.1, 15.9]),
    ]
    const j = judge({ ...inputFor(bad, { state: turning }), live: evidence(week()) })
    expect(j.level).toBe(judge(inputFor(bad, { state: turning })).level)
  })
})
