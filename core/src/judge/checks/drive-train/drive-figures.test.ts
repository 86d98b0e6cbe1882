import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tensionAsked } from '../../../installed/index.ts'
import { near } from '../../../near.test-help.ts'
import { gapPositions, legPositions, linePositions, type Reading } from '../../../quantity/index.ts'
import { dayMs, unsaid } from '../../../trend/index.ts'
import { defaultPolicies, type Policies } from '../../../limits/index.ts'
import { contextOf, rank, checkDefinitions } from '../../index.ts'
import { at, driveLayout, driveParts, facts, now, onDrive, plate, visitOf, told } from '../say.test-help.ts'

const amps = (value: number) => at('amps', legPositions, [value, value, value])
const volts = at('volts_ll', linePositions, [478, 478, 478])
const pressed = (force: number, press = 0.34): Reading[] => [
  ...at('belt_press', ['span'], [press]),
  ...at('belt_force', ['span'], [force]),
]
const note = (hz: number) => at('belt_note', ['span'], [hz])

describe('belt tension on its span', () => {
  const drive = {
    driver: 110,
    driven: 220,
    adjustable: null,
    section: 'B',
    belts: 1,
    beltLength: null,
    center: 560,
    takeUp: null,
  }
  it('asks for what tight to slack as 5 : 1 needs at the plate’s power', () => {
    const a = tensionAsked(drive, 7457, 1755)
    // By hand: v = π 0.110 1755/60 = 10.11 m/s; θ = 168.7°, Kθ 0.975; 500 (2.5 − Kθ)/Kθ 7.457/10.11 + 0.185 v² = 577 + 19 N.
    near(a?.used ?? 0, 596, 0.01)
    near(a?.span ?? 0, 0.5573, 0.001)
    near(a?.fresh ?? 0, 1.5 * (a?.used ?? 0), 1e-9)
    expect(tensionAsked({ ...drive, center: null }, 7457, 1755)).toBeNull()
  })
  it('right, slack and drum-tight by force', () => {
    expect(told('belt-tension', pressed(11), onDrive)).toMatchObject({ level: 'ok' })
    const slack = told('belt-tension', pressed(4), onDrive)
    expect(slack).toMatchObject({ level: 'fix' })
    expect(slack.because).toContain('Slack')
    const drum = told('belt-tension', pressed(30), onDrive)
    expect(drum).toMatchObject({ level: 'fix' })
    expect(drum.because).toMatch(/the bearings keep \d/)
  })
  it('pressed half as far it takes half the force for the same tension', () => {
    const whole = told('belt-tension', pressed(12, 0.34), onDrive).value ?? 0
    near(told('belt-tension', pressed(6, 0.17), onDrive).value ?? 0, whole, 0.01)
  })
  it('the note of the span counts before the force', () => {
    // T = 4 m t² f²: 56 Hz on 0.5573 m of 0.185 kg/m is 721 N.
    const v = told('belt-tension', [...pressed(30), ...note(56)], onDrive)
    near(v.value ?? 0, 721, 0.01)
    expect(v.level).toBe('ok')
  })
  it('a tighter belt never lengthens bearing life, nor reads better once it is past right', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (hz, more) => {
          const level = (f: number) => rank(told('belt-tension', note(f), onDrive).level)
          fc.pre(hz > 60)
          expect(level(hz + more)).toBeGreaterThanOrEqual(level(hz))
        },
      ),
      { numRuns: 40 },
    ))
  it('without a drive on record a reading is kept and nothing is claimed', () =>
    expect(told('belt-tension', pressed(11))).toMatchObject({ level: 'watch', settles: false, confidence: 'low' }))
  it('is said beforehand, by the policy of the site', () => {
    const sheet = checkDefinitions.find((c) => c.id === 'tension')
    const says = (beltTension: Policies['beltTension'], over: object = onDrive) =>
      sheet?.advice?.(
        contextOf({
          machine: facts,
          motor: { plate, connectionVolts: null, installedAt: 0 },
          visit: visitOf([]),
          history: [],
          work: [],
          policies: { ...defaultPolicies, beltTension },
          ...over,
        }),
      ) ?? ''
    expect(says('deflection and force')).toMatch(
      /^Press 0\.34 in: \d+\.\d lbf used, \d+\.\d lbf new; by frequency \d+ to \d+ Hz\.$/,
    )
    expect(says('span note')).toMatch(/^Frequency of this span/)
    expect(says('half an inch')).toMatch(/on this span is about right/)
    expect(says('firm by hand')).toMatch(/In numbers/)
    expect(says('span note', {})).toMatch(/not entered/)
  })
})

describe('sheaves in line', () => {
  const gaps = (...values: number[]) => at('sheave_gap', gapPositions, values)
  it('within half a degree on all counts', () =>
    expect(told('alignment', gaps(0, 0.02, 0.01, 0), onDrive)).toMatchObject({ level: 'ok' }))
  it('names what is askew, and what the limit is on these centers', () => {
    // 0.06 in over a 4.33 in sheave is 0.79°; half a degree over 22.05 in is 0.19 in.
    const v = told('alignment', gaps(0, 0.06, 0, 0), onDrive)
    expect(v).toMatchObject({ level: 'fix' })
    expect(v.because).toContain('The motor is skewed 0.8°')
    expect(v.because.toLowerCase()).toContain('0.19 in is the limit at this center distance')
    expect(told('alignment', gaps(0, 0, 0, 0.12), onDrive).because).toContain('fan sheave is 0.8° askew')
    expect(told('alignment', gaps(0, 0, 0.25, 0.25), onDrive).because).toContain('0.25 in from the other')
  })
  it('says nothing until all four gaps are read, and little without the sheaves', () => {
    expect(told('alignment', gaps(0, 0.2), onDrive)).toMatchObject({ level: 'watch', settles: false })
    expect(told('alignment', gaps(0, 0.2, 0, 0))).toMatchObject({ level: 'watch', settles: false })
  })
})

describe('the air path by pressure, amps and wheel', () => {
  const read = (supply: number, back: number, a: number) => [
    ...volts,
    ...amps(a),
    ...at('static_pressure', ['supply', 'return'], [supply, back]),
  ]
  const last = [visitOf(read(0.9, 0.6, 11), -60)]
  it('the first reading is the one to hold others against', () =>
    expect(told('air-path', read(0.9, 0.6, 11), onDrive)).toMatchObject({ level: 'ok' }))
  it('asks for the amps where there are none', () =>
    expect(
      told('air-path', at('static_pressure', ['supply', 'return'], [0.9, 0.6]), { ...onDrive, history: last }).because,
    ).toContain('Read amps too'))
  it('unchanged is said to be', () =>
    expect(told('air-path', read(0.92, 0.6, 11.1), { ...onDrive, history: last }).because).toContain('as on'))
  it('more pressure on fewer amps is a restriction on a forward-curved wheel (common practice)', () => {
    const v = told('air-path', read(1.1, 0.8, 9), { ...onDrive, history: last })
    expect(v).toMatchObject({ level: 'watch' })
    expect(v.because).toContain('the air is restricted')
    expect(told('air-path', read(0.6, 0.4, 12.6), { ...onDrive, history: last }).because).toContain('bypasses')
    expect(told('air-path', read(1.1, 0.7, 12.6), { ...onDrive, history: last }).because).toContain('runs faster')
  })
  it('is not held against a reading from before the speed was changed', () => {
    const work = [{ at: now - 20 * dayMs, kind: 'sheave-turned' as const, note: '' }]
    expect(told('air-path', read(1.1, 0.8, 9), { ...onDrive, history: last, work }).because).toContain('first reading')
  })
})

describe('sound', () => {
  const sound = (fan: number, background?: number, feet?: number): Reading[] => [
    ...at('sound', ['fan'], [fan]),
    ...(background === undefined ? [] : at('sound', ['background'], [background])),
    ...(feet === undefined ? [] : at('sound_distance', ['fan'], [feet])),
  ]
  it('takes the background out and refers to one distance (check values E13.3, E13.7)', () => {
    near(told('sound', sound(78, 73, 3)).value ?? 0, 76.35, 1e-3)
    near(told('sound', sound(78, 50, 10)).value ?? 0, 78 + 10.46, 1e-3)
  })
  it('hardly above the background is told as that', () =>
    expect(told('sound', sound(70, 68.5, 3))).toMatchObject({ confidence: 'low', value: 70 }))
  it('five decibels more than last time is watched; the same place nearer is not', () => {
    const history = [visitOf(sound(70, 50, 3), -40)]
    expect(told('sound', sound(77, 50, 3), { history })).toMatchObject({ level: 'watch' })
    expect(told('sound', sound(76, 50, 1.5), { history }).level).toBe('ok')
  })
  it('from 85 dBA on it says how long ears stand it (NIOSH: 88 dBA 4 h)', () =>
    expect(told('sound', sound(88, 60, 3)).because).toContain('4.0 h a day'))
})

describe('what shakes', () => {
  const peak = (hz: number, over: object = onDrive) =>
    told('vibration-peak', at('vibration_hz', ['dominant'], [hz]), over).because
  it('is named by fan, motor, belt, blades and supply (kinematics)', () => {
    // 1755 rpm on 110 and 220 mm: fan 868.7 rpm = 14.48 Hz; belt π 110 1755/(60 · 1645.9) = 6.14 Hz; 42 blades 608 Hz.
    expect(peak(14.5)).toContain('once a turn of the fan')
    expect(peak(29.0)).toMatch(/twice a turn of the fan|once a turn of the motor/)
    expect(peak(6.14)).toContain('once a turn of the belt')
    expect(peak(608)).toContain('blades passing')
    expect(peak(120)).toContain('twice the supply')
    expect(peak(77)).toContain('neither fan, motor, belt')
  })
  it('is not named where nothing of the speeds is known', () => expect(peak(14.5, {})).toContain('cannot be named'))
})

describe('the wheel’s own limit', () => {
  const running = (rpm?: number) => [...volts, ...amps(11), ...(rpm === undefined ? [] : at('rpm', ['driven'], [rpm]))]
  it('is compared with the tachometer, or the sheaves where none was read', () => {
    expect(told('wheel-speed', running(870), onDrive)).toMatchObject({ level: 'ok', value: 870 })
    expect(told('wheel-speed', running(1020), onDrive)).toMatchObject({ level: 'fix' })
    expect(told('wheel-speed', running(1100), onDrive)).toMatchObject({ level: 'stop' })
    // 1755 · 110/220 less 1 % creep.
    near(told('wheel-speed', running(), onDrive).value ?? 0, 868.7, 1e-3)
  })
  it('follows the turns on record', () => {
    const work = [{ at: now - dayMs, kind: 'sheave-turned' as const, note: '', turns: { before: 2, after: 0.5 } }]
    near(told('wheel-speed', running(), { ...onDrive, work }).value ?? 0, (868.7 * 117.5) / 110, 1e-3)
  })
  it('fast rims are named', () => {
    const big = driveParts.map((p) =>
      p.slot === 'driven-sheave'
        ? { ...p, spec: { ...p.spec, pitch: 800 } }
        : p.slot === 'motor-sheave'
          ? { ...p, spec: { type: 'fixed' as const, section: 'B', pitch: 400, grooves: 1 } }
          : p,
    )
    expect(told('wheel-speed', running(), { parts: big, layout: driveLayout }).because).toMatch(
      /Sheave rim speed \d{4} ft\/min/,
    )
  })
})

describe('amps after work that should leave them alone', () => {
  const before = Array.from({ length: 6 }, (_, i) => visitOf([...volts, ...amps(11 + (i % 2) * 0.05)], -400 + i * 50))
  const done = (kind: 'wheel-replaced' | 'belts-renewed' | 'sheave-turned') => [
    { at: now - 30 * dayMs, kind, note: '' },
  ]
  it('far fewer since a new wheel: is it in the right way around?', () => {
    const v = told('after-work', [...volts, ...amps(6.5)], { history: before, work: done('wheel-replaced') })
    expect(v).toMatchObject({ level: 'fix' })
    expect(v.next).toContain('right way around')
    expect(v.because).toMatch(/: down 4\d %\.$/)
  })
  it('more is another cause than less', () => {
    const v = told('after-work', [...volts, ...amps(13.6)], { history: before, work: done('wheel-replaced') })
    expect(v.because).toMatch(/: up 2\d %\.$/)
    expect(v.next).toContain('differs from the old one')
  })
  it('about the same is fine, and a turned sheave is meant to move them', () => {
    expect(told('after-work', [...volts, ...amps(11.4)], { history: before, work: done('belts-renewed') }).level).toBe(
      'ok',
    )
    expect(() => told('after-work', [...volts, ...amps(6)], { history: before, work: done('sheave-turned') })).toThrow()
  })
})

describe('a step that nobody wrote down', () => {
  const run = (values: number[]) =>
    values.map((v, i) => ({
      ...visitOf([...volts, ...amps(v)], (i - values.length) * 60),
      state: { ...unsaid, settled: true },
    }))
  it('is shown with its days, and takes the place of a slope', () => {
    const history = run([11, 11.05, 10.95, 11, 11.02, 11, 9.6, 9.65, 9.6, 9.62])
    const v = told('change', [...volts, ...amps(9.6)], { ...onDrive, history })
    expect(v).toMatchObject({ level: 'watch' })
    expect(v.because).toMatch(
      /^Down 13 % from the usual 11\.0 A .*, in one step after .*; no work recorded that explains it\.$/,
    )
    expect(v.next).toContain('filters')
    // It stands since the first reading that showed it, and the usual range stays that of before.
    expect(v.since).toBe(history[6]?.at)
    expect(v.limit).toBeCloseTo(11, 1)
    expect(() => told('trend', [...volts, ...amps(9.6)], { ...onDrive, history })).toThrow(/said nothing/)
  })
  it('a slope stays a slope', () => {
    const history = run(Array.from({ length: 12 }, (_, i) => 11 - 0.12 * i))
    expect(told('trend', [...volts, ...amps(9.5)], { history }).because).toContain('Falling')
    expect(told('change', [...volts, ...amps(9.5)], { history }).because).not.toContain('in one step')
  })
})

describe('what the belts carry', () => {
  const carried = (count: number) => {
    const parts = onDrive.parts?.map((p) => (p.slot === 'belts' ? { ...p, spec: { ...p.spec, count } } : p))
    return told('belts-carry', [...volts, ...amps(11)], { ...onDrive, parts })
  }
  it('one belt where three are asked for is under-belted, and every further one carries as much again', () => {
    const one = carried(1)
    expect(one.level).toBe('watch')
    expect(one.because).toMatch(/^Under-belted: 1 × B carry \d\.\d hp, the motor gives 10\.0 hp\.$/)
    near(carried(2).value ?? 0, 2 * (one.value ?? 0), 1e-9)
    expect(carried(8)).toMatchObject({ level: 'ok', confidence: 'low' })
  })
})
