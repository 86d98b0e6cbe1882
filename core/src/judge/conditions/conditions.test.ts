import { describe, expect, it } from 'vitest'
import { legPositions, linePositions, terminalPairs, terminalPositions, type Reading } from '../../quantity/index.ts'
import { dayMs, workKinds, type Visit, type WorkDone } from '../../trend/index.ts'
import { defaultPolicies } from '../../limits/index.ts'
import { judgeMachine, retests, unknownControls, workAnswers, type Closing } from '../index.ts'
import { at, facts, goodWinding, locked, now, plate, proven } from '../checks/say.test-help.ts'
import { amps, done, figures, machine, open, plain, visit, words } from './conditions.test-help.ts'

/** What each find is, and what answers it: by reading or answering the same again, or by work. */
const stories: readonly (readonly [name: string, found: Visit, level: string, again: Visit, work: WorkDone['kind']])[] =
  [
    [
      'a motor that hums',
      words(2, { 'look.running': 'hums' }),
      'stop',
      words(6, { 'look.running': 'runs' }),
      'motor-replaced',
    ],
    [
      'a seized shaft',
      words(2, { 'spin.fan': 'seized' }),
      'stop',
      words(6, { 'spin.fan': 'free' }),
      'bearings-renewed',
    ],
    [
      'turning backward',
      visit(2, [], { 'look.note': 'x' }, { turning: 'backwards' }),
      'fix',
      visit(6, [], { 'rotation.seen': 'right way', 'rotation.by': 'bump' }),
      'leads-swapped',
    ],
    [
      'a lead at 50 Ω to the frame',
      visit(2, at('ground_ohms', terminalPositions, [50, 'OL', 'OL'])),
      'stop',
      visit(6, at('ground_ohms', ['T1'], ['OL'])),
      'motor-replaced',
    ],
    [
      'an open fuse',
      visit(2, at('fuse_ohms', legPositions, [0.1, 'OL', 0.1])),
      'stop',
      visit(6, at('fuse_ohms', ['L2'], [0.1])),
      'fuses-replaced',
    ],
    [
      'a winding 30 % out of balance',
      visit(2, at('winding_ohms', terminalPairs, [1.3, 1.3, 1.9])),
      'fix',
      visit(6, at('winding_ohms', terminalPairs, [1.31, 1.3, 1.31])),
      'motor-replaced',
    ],
    [
      'a gas cut-out left unplugged',
      words(2, { 'gas.cutout': 'no' }),
      'stop',
      words(6, { 'gas.cutout': 'yes' }),
      'safety-restored',
    ],
    [
      'a control wire left lifted',
      words(2, { 'restore.call': 'broken', 'restore.how': 'R wire lifted' }),
      'fix',
      words(6, { 'leave.call': 'yes' }),
      'controls-restored',
    ],
    ['a wire worn through', words(2, { wires: 'through' }), 'stop', words(6, { wires: 'whole' }), 'wiring-repaired'],
    ['a burnt lug', words(2, { lugs: 'burnt' }), 'fix', words(6, { lugs: 'tight' }), 'terminals-tightened'],
    [
      '5 A in the ground wire',
      visit(2, at('ground_amps', ['ground-wire'], [5])),
      'stop',
      visit(6, at('ground_amps', ['ground-wire'], [0])),
      'motor-replaced',
    ],
    [
      'a smell of burnt winding',
      words(2, { 'look.smell': 'burnt winding' }),
      'fix',
      visit(6, [...goodWinding], { 'look.smell': 'none' }),
      'motor-replaced',
    ],
    [
      'a cracked blade',
      words(2, { 'wheel.blades': 'cracked' }),
      'stop',
      words(6, { 'wheel.blades': 'whole' }),
      'wheel-replaced',
    ],
    [
      'violent vibration',
      words(2, { 'vibration.felt': 'violent' }),
      'stop',
      words(6, { 'vibration.felt': 'smooth' }),
      'wheel-replaced',
    ],
  ]
const gas = { controls: { gasSection: true } }

describe('what was found stands until it is answered', () => {
  it.each(stories)('%s outlasts the next plain amps', (_name, found, level) => {
    const before = machine([plain(0), found], gas)
    expect(before.level).toBe(level)
    const after = machine([plain(0), found, figures(4)], gas)
    expect(after.level).toBe(level)
    expect(after.conditions[0]).toMatchObject({ level, since: found.at, by: 'Okonjo', visit: found.id })
    expect(after.headline).toBe(after.conditions[0]?.verdict.because)
  })
  it.each(stories)('%s is gone when the same is read again and good', (_name, found, _level, again) => {
    expect(machine([plain(0), found, figures(4), again], gas).level).toBe('ok')
  })
  it.each(stories)('%s is answered by its work, which asks for the test', (_name, found, _level, _again, kind) => {
    const after = machine([plain(0), found, figures(4)], { ...gas, work: [done(5, kind)] })
    expect(after.conditions.filter((k) => !k.retest)).toEqual([])
    expect(['ok', 'watch']).toContain(after.level)
    // Work that came before it was found answers nothing.
    expect(machine([plain(0), found, figures(4)], { ...gas, work: [done(1, kind)] }).level).not.toBe('ok')
  })
  it('a better reading of another place answers nothing', () => {
    const bad = visit(2, at('megohms', ['T1', 'T2', 'T3'], [0.4, 90, 90]), { 'insulation.place': 'contactor' })
    const good = visit(6, at('megohms', ['all'], [300]), { 'insulation.place': 'motor' })
    expect(open([plain(0), bad, good])).toEqual(['insulation@T1/contactor stop'])
    const there = visit(8, at('megohms', ['T1'], [200]), { 'insulation.place': 'contactor' })
    expect(open([plain(0), bad, good, there])).toEqual([])
  })
  it('an unsteady reading, one over range and one that others contradict answer nothing', () => {
    const wire = (value: number, more: Partial<Reading> = {}): Reading[] => [
      { quantity: 'ground_amps', position: 'ground-wire', value, ...more },
    ]
    const found = visit(2, wire(5))
    for (const again of [wire(0, { how: 'unsteady', spread: 2 }), wire(0, { how: 'over-range' })])
      expect(machine([plain(0), found, visit(6, again)]).level).toBe('stop')
    const over = visit(2, amps(15), undefined, { turning: 'right way' })
    const noVolts = visit(
      6,
      [...at('volts_ll', linePositions, [0, 0, 0]), ...at('amps', legPositions, [10, 10, 10])],
      undefined,
      {
        turning: 'right way',
      },
    )
    expect(open([plain(0), over, noVolts])).toContain('over-amp@ fix')
  })
  it('amps of another state answer nothing: a low speed never clears an overload at full speed', () => {
    const over = visit(2, amps(15), undefined, { turning: 'right way' })
    const slow = visit(6, [...amps(6), ...at('hz', ['motor'], [38])], undefined, { turning: 'right way' })
    const on = { machine: { hasVfd: true } }
    expect(open([plain(0), over, slow], on)).toContain('over-amp@ fix')
    expect(
      open([plain(0), over, { ...slow, readings: [...amps(10), ...at('hz', ['motor'], [60])] }], on),
    ).not.toContain('over-amp@ fix')
    const panels = visit(2, amps(15), undefined, { turning: 'right way', panels: 'off' })
    expect(machine([plain(0), panels, plain(6)]).level).toBe('ok')
    expect(
      machine([plain(0), over, visit(6, amps(10), undefined, { panels: 'off', turning: 'right way' })]).level,
    ).toBe('fix')
  })
  it('a fan found still with no call is no fault; called for and still is one', () => {
    expect(machine([plain(0), words(2, { 'look.running': 'still', 'look.call': 'no' })]).level).toBe('ok')
    expect(machine([plain(0), words(2, { 'look.running': 'still', 'look.call': 'yes' })]).level).toBe('fix')
  })
  it('a trip that nobody tested is not healed by finding the breaker closed', () => {
    const trip = words(2, { 'look.breaker': 'tripped' })
    expect(machine([plain(0), trip, words(4, { 'look.breaker': 'closed' })]).level).toBe('watch')
    const tested = visit(4, [...proven, ...goodWinding], { ...locked, 'look.breaker': 'closed' })
    expect(machine([plain(0), trip, tested]).level).toBe('ok')
  })
  it('a leg lost ahead of a drive outlasts good output amps, good line volts and a fuse; its own clamp clears it', () => {
    const vfd = { machine: { hasVfd: true } }
    const input = (day: number, legs: readonly number[]) =>
      visit(day, [...amps(11), ...at('hz', ['motor'], [60]), ...at('input_amps', legPositions, legs)], undefined, {
        turning: 'right way',
      })
    const run = (day: number) =>
      visit(day, [...amps(11), ...at('hz', ['motor'], [60])], undefined, { turning: 'right way' })
    const lineVolts = visit(4, at('line_ll', linePositions, [480, 481, 479]))
    const lost = [run(0), input(2, [13, 12.6, 0.1])]
    expect(open(lost, vfd)).toContain('drive-input@ stop')
    expect(open([...lost, run(3), lineVolts], vfd)).toContain('drive-input@ stop')
    const renewed = { ...vfd, work: [done(5, 'fuses-replaced')] }
    expect(open([...lost, run(3), lineVolts], renewed)).toEqual(['retest@amps watch', 'retest@input watch'])
    expect(open([...lost, run(6)], renewed)).toEqual(['retest@input watch'])
    expect(machine([...lost, run(6)], renewed).retests.map((r) => r.id)).toEqual(['input'])
    expect(machine([...lost, input(6, [9, 9.2, 8.8])], renewed).retests).toEqual([])
    expect(open([...lost, input(6, [9, 9.2, 8.8])], vfd)).toEqual([])
  })
})

describe('work asks for the test that proves it', () => {
  const swap = done(3, 'motor-replaced')
  it('a new motor is not OK without amps and turning, and its dead tests are due', () => {
    const after = machine([plain(0)], { work: [swap], controls: { overload: 'relay' } })
    expect(after.level).toBe('watch')
    expect(after.conditions.map((k) => k.key).sort()).toEqual(['retest@amps', 'retest@turning'])
    expect(after.retests.map((r) => r.id).sort()).toEqual(['amps', 'dial', 'insulation', 'turning', 'winding'])
    expect(
      machine([plain(0), plain(4)], { work: [swap] })
        .retests.map((r) => r.id)
        .sort(),
    ).toEqual(['insulation', 'winding'])
  })
  it('hertz alone do not answer for the amps of a new motor', () => {
    const hertz = visit(4, at('hz', ['motor'], [60]), undefined, { turning: 'right way' })
    expect(machine([plain(0), hertz], { work: [swap], machine: { hasVfd: true } }).level).toBe('watch')
  })
  it('a capacitor is asked for by the new nameplate of a single-phase motor', () => {
    const one = visit(0, [...at('volts_ll', ['L1-L2'], [238]), ...at('amps', ['L1'], [2.2])], undefined, {
      turning: 'right way',
    })
    expect(machine([one], { single: true, work: [swap] }).retests.map((r) => r.id)).toContain('capacitor')
  })
  it('what the old motor had leaves with it', () => {
    const old = visit(2, [...at('ground_ohms', terminalPositions, [40, 60, 55]), ...at('megohms', ['all'], [0.2])])
    const after = machine([plain(0), old, plain(4)], { work: [swap] })
    expect(after.conditions.map((k) => k.key)).toEqual(['retest@insulation'])
    expect(after.verdicts.map((v) => v.because).join(' ')).not.toContain('Ω to the frame')
  })
  it('a bearing that left with the motor no longer growls', () => {
    const heard = words(2, { 'bearing.de': 'growls' })
    expect(
      machine([plain(0), heard, plain(4)], { work: [done(3, 'bearings-renewed')] }).conditions.map((k) => k.key),
    ).toEqual(['retest@bearings'])
  })
  it('every kind of work says what it answers, and every retest can be met', () => {
    expect(Object.keys(workAnswers).sort()).toEqual(workKinds.map((k) => k.id).sort())
    for (const r of Object.values(retests)) expect(r.by.length).toBeGreaterThan(0)
  })
})

describe('a person closes what stands, with a reason', () => {
  const found = words(2, { wires: 'through' })
  const closed = (day: number, kind: Closing['kind']): Closing => ({
    key: 'terminals@wires',
    at: now + day * dayMs,
    kind,
    by: 'Vale',
    reason: 'sleeved and tied',
  })
  it('and opens it again exactly as it was', () => {
    const stands = machine([plain(0), found])
    expect(machine([plain(0), found], { closings: [closed(3, 'closed')] }).level).toBe('ok')
    const again = machine([plain(0), found], { closings: [closed(3, 'closed'), closed(4, 'reopened')] })
    expect(again).toEqual(stands)
  })
  it('but found again it stands again', () =>
    expect(machine([plain(0), found, words(6, { wires: 'through' })], { closings: [closed(3, 'closed')] }).level).toBe(
      'stop',
    ))
  it('a finding stands with its level until it is closed', () => {
    const reported = [
      { id: 'f', at: now, by: 'Okonjo', level: 'stop' as const, text: 'Curb loose', until: null, putOff: false },
    ]
    expect(machine([plain(0)], { reported })).toMatchObject({ level: 'stop', headline: 'Curb loose' })
    const later = (level: 'fix' | 'stop') =>
      machine([plain(0)], {
        reported: [
          {
            ...reported[0],
            id: 'g',
            at: now,
            by: 'Vale',
            text: 'Guard loose',
            level,
            until: now + 999 * dayMs,
            putOff: true,
          },
        ],
      })
    expect(later('fix')).toMatchObject({ level: 'ok', conditions: [{ level: 'fix', putOff: true }] })
    // Nobody puts off what is not to be run.
    expect(later('stop').level).toBe('stop')
  })
})

describe('OK is earned', () => {
  it('nothing read that could be judged is not OK', () => {
    expect(machine([words(0, { 'look.note': 'quiet' })])).toMatchObject({ level: 'not judged' })
    expect(machine([visit(0, at('hz', ['motor'], [60]))])).toMatchObject({ level: 'not judged' })
    expect(machine([words(0, { 'look.running': 'runs' })]).level).toBe('not judged')
  })
  it('what feeds a fan, and what is around it, is not enough', () => {
    const rest = 'amps never read; turning not confirmed; insulation never read.'
    const around = [
      words(0, { lugs: 'tight', wires: 'whole' }),
      visit(0, at('fuse_ohms', legPositions, [0.1, 0.1, 0.1])),
      visit(0, at('filter_drop', ['filter'], [0.3])),
      visit(0, at('ground_amps', ['ground-wire'], [0.01])),
      visit(0, at('temperature', ['motor', 'ambient'], [50, 30])),
    ]
    for (const only of around)
      expect(machine([only])).toMatchObject({
        level: 'not judged',
        headline: `Too little was read to call it OK; ${rest}`,
      })
    expect(machine([visit(0, at('line_ll', linePositions, [480, 481, 479]))])).toMatchObject({
      level: 'not judged',
      completeness: { summary: `Too little was read to call it OK: only volts; ${rest}` },
    })
    // With what was read of the fan before, it stands as it did.
    for (const later of around)
      expect(machine([plain(0), { ...later, id: 'x', at: later.at + dayMs }]).level).toBe('ok')
  })
  it('and what was found is not called nothing', () => {
    const hot = machine([visit(0, at('ground_amps', ['ground-wire'], [5]))])
    expect([hot.level, hot.completeness.summary]).toEqual([
      'stop',
      'Nothing else was checked good; amps never read; turning not confirmed; insulation never read.',
    ])
  })
  it('says what it rests on and what was never read', () => {
    const c = machine([plain(0)]).completeness
    expect(c.on).toEqual(['amps', 'volts', 'rotation'])
    expect(c.summary).toBe('OK on amps, volts and rotation; insulation never read.')
    expect(machine([visit(0, amps(9))]).completeness.missing).toContain('turning not confirmed')
  })
  it('amps near the nameplate are a watch while nobody saw it turn', () => {
    expect(machine([visit(0, amps(12.6))]).level).toBe('watch')
    expect(machine([plain(0, 12.6)]).level).toBe('ok')
    expect(machine([visit(0, amps(9))]).level).toBe('ok')
  })
})

describe('a past that was judged before', () => {
  const fixed = {
    machine: { ...facts, controls: unknownControls },
    motor: { plate, connectionVolts: null, installedAt: 0 },
    work: [],
    policies: defaultPolicies,
  }
  const copy = <T>(all: T): T => JSON.parse(JSON.stringify(all)) as T
  const judged = (visits: Visit[], closings: Closing[] = []) =>
    JSON.stringify(judgeMachine({ ...fixed, visits, closings }, now + 400 * dayMs))
  const fresh = (visits: Visit[], closings: Closing[] = []) =>
    JSON.stringify(judgeMachine(copy({ ...fixed, visits, closings }), now + 400 * dayMs))
  const ohms = (day: number, values: number[]) => visit(day, at('winding_ohms', terminalPairs, values))
  it('says the same as one that was not: a visit in the middle is corrected, one arrives late, a closing comes late', () => {
    const first = plain(0)
    const middle = words(2, { 'look.breaker': 'tripped' })
    const later = words(6, { 'look.breaker': 'closed' })
    const past = [first, middle, ohms(4, [1.3, 1.3, 1.3]), later, ohms(8, [1.3, 1.3, 1.3]), plain(9)]
    expect(judged(past)).toBe(fresh(past))
    const corrected = past.map((v) => (v === middle ? { ...words(2, { 'look.breaker': 'closed' }), id: 'other' } : v))
    expect(judged(corrected)).toBe(fresh(corrected))
    expect(judged(corrected)).not.toBe(judged(past))
    const late = [...past, ohms(5, [1.4, 1.4, 1.4])]
    expect(judged(late)).toBe(fresh(late))
    const closing: Closing = {
      key: 'breaker-found@',
      at: now + 3 * dayMs,
      kind: 'closed',
      by: 'Vale',
      reason: 'a test of the breaker',
    }
    expect(judged(past, [closing])).toBe(fresh(past, [closing]))
    expect(judged(past, [closing])).not.toBe(judged(past))
    expect(judged(past)).toBe(fresh(past))
  })
})
