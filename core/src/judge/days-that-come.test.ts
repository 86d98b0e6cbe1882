import { describe, expect, it } from 'vitest'
import { dayMs } from '../trend/index.ts'
import { inputOf, start, visitAt } from './judged.test-help.ts'
import { judge, judgeMachine, turnsAt, type MachineSnapshot, type Reported, type RunPermit } from './index.ts'

const good = visitAt(0, [9.4, 9.5, 9.6])
const known = (over: Partial<MachineSnapshot> = {}): MachineSnapshot => {
  const { visit: _v, history: _h, ...rest } = inputOf(good)
  return { ...rest, visits: [good], ...over }
}
const on = (day: number) => start + day * dayMs
const levelOn = (day: number, over: Partial<MachineSnapshot>) => judgeMachine(known({ ...over, turnedAt: on(day) }))

const finding: Reported = {
  id: 'f',
  at: on(1),
  by: 'Okonjo',
  level: 'fix',
  text: 'Curb flashing torn',
  until: on(5),
  putOff: true,
}
const permit: RunPermit = {
  id: 'j',
  at: on(1),
  endsAt: on(4),
  readBy: on(3),
  by: 'Vale',
  wrong: '13.4 A on a 12.8 A plate',
}

describe('a finding that was put off', () => {
  it('presses no more before its day, and again from that day on', () => {
    const reported = [finding]
    expect([4, 4.9, 5, 60].map((day) => levelOn(day, { reported })?.level)).toEqual(['ok', 'ok', 'fix', 'fix'])
    expect(levelOn(60, { reported })?.headline).toBe('Curb flashing torn')
  })
  it('is told so at a visit of that day, on a phone that has heard of nothing since', () => {
    const at = (day: number) => judge({ ...inputOf(visitAt(day, [9.4, 9.5, 9.6])), reported: [finding] }).level
    expect([at(4), at(6)]).toEqual(['ok', 'fix'])
  })
})

describe('a permit to run', () => {
  it('that ran out is at Stop, with what it was given for', () => {
    const permits = [permit]
    expect(levelOn(2.9, { permits })?.level).toBe('ok')
    expect(levelOn(4, { permits })).toMatchObject({
      level: 'stop',
      headline: 'The permit to run it expired on Jan 8: 13.4 A on a 12.8 A plate',
      conditions: [{ key: 'permit@j', level: 'stop', since: on(4), by: 'Vale' }],
    })
  })
  it('whose reading was missed is to fix, until it is read', () => {
    const permits = [permit]
    expect(levelOn(3, { permits })).toMatchObject({
      level: 'fix',
      headline: 'The permit asked for a reading on Jan 7, and none was made: 13.4 A on a 12.8 A plate',
    })
    const read = (day: number) => levelOn(3.5, { permits, visits: [good, visitAt(day, [9.4, 9.5, 9.6])] })?.level
    // On its day, or somewhat late; what was read the day it was given is not what was asked for.
    expect([0.9, 2.5, 3.4].map(read)).toEqual(['fix', 'ok', 'ok'])
    const nothing = { ...visitAt(2.5, []), readings: [] }
    expect(levelOn(3.5, { permits, visits: [good, nothing] })?.level).toBe('fix')
  })
  it('that ran out keeps the power off at the next visit', () => {
    const gates = judge({ ...inputOf(visitAt(6, [9.4, 9.5, 9.6])), permits: [permit] }).gates
    expect(gates.find((g) => g.id === 'restore')?.bars).toContain('The permit to run it expired')
  })
})

describe('the next day that changes how a machine stands', () => {
  const next = (over: Partial<MachineSnapshot>, after: number) => turnsAt(known(over), on(after))
  it('is the earliest of those that are still to come', () => {
    const over = { reported: [finding], permits: [permit] }
    expect([0, 3, 4, 5].map((day) => next(over, day))).toEqual([on(3), on(4), on(5), null])
  })
  it('is none for a finding that presses already', () =>
    expect(next({ reported: [{ ...finding, putOff: false }] }, 0)).toBeNull())
})

describe('a machine that nobody has visited', () => {
  const unread = (over: Partial<MachineSnapshot>) => judgeMachine(known({ visits: [], turnedAt: on(10), ...over }))
  it('is not judged while nothing is known of it', () => expect(unread({})).toBeNull())
  it('stands as what was reported of it', () => {
    const live: Reported = { ...finding, level: 'stop', text: 'The cabinet is live', putOff: false }
    expect(unread({ reported: [live] })).toMatchObject({
      level: 'stop',
      headline: 'The cabinet is live',
      verdicts: [],
      rail: { legs: [] },
    })
    expect(unread({ permits: [permit] })?.level).toBe('stop')
  })
  it('stands as a trace found it', () => {
    const result = { id: 'r', at: on(2), by: 'Mosi', test: 'gnd-ohms', outcome: 'ground', settled: false }
    expect(unread({ traced: { results: [result], open: [] } })).toMatchObject({
      level: 'stop',
      headline: 'The winding reads to the frame.',
    })
  })
  it('is not judged, and says what it waits for, where that is put off', () =>
    expect(unread({ reported: [{ ...finding, until: on(20) }] })).toMatchObject({
      level: 'not judged',
      conditions: [{ putOff: true }],
    }))
})
