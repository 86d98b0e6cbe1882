import { describe, expect, it } from 'vitest'
import { legPositions, linePositions } from '../../quantity/index.ts'
import { at, plate, say, told } from './say.test-help.ts'

// Limits at their edge, and what is said on either side of it. The limits themselves stand in `core/src/limits`.

describe('current in the ground wire', () => {
  const wire = (amps: number) => at('ground_amps', ['ground-wire'], [amps])
  const off = (amps: number) => at('off_amps', ['L1'], [amps])
  it.each([
    // Goes out 2.00 A: what does not come back by the wire comes back by pipe, duct or steel; up to a twentieth is the clamp.
    [2, 1.95, /^1\.95 A in the grounding conductor\. A winding/],
    [2, 1.89, /At least 0\.11 A returns through pipe/],
    [2, 1, /At least 1.0 A returns through pipe/],
    // More comes back than goes out: another circuit's.
    [2, 2.05, /^2\.05 A in the grounding conductor\. A winding/],
    [2, 2.2, /More current returns than goes out/],
  ])('%s A out and %s A back', (out, back, because) =>
    expect(told('ground-current', [...off(out), ...wire(back)]).because).toMatch(because),
  )
  it('is judged at the wire and on the lines each by itself', () => {
    const both = say([...wire(0), ...at('ground_amps', ['lines'], [2])]).verdicts.filter(
      (v) => v.check === 'ground-current',
    )
    expect(both.map((v) => [v.level, ...v.positions])).toEqual(
      expect.arrayContaining([
        ['stop', 'lines'],
        ['ok', 'ground-wire'],
      ]),
    )
  })
})

describe('the start of a single-phase motor', () => {
  const single = { machine: { phases: 1 as const, serviceVolts: 240 } }
  const start = (first: number, then: number | null, seconds: number | null) => [
    ...at('start_amps', ['L1'], [first]),
    ...(then === null ? [] : at('amps', ['L1'], [then])),
    ...(seconds === null ? [] : at('start_seconds', ['start'], [seconds])),
  ]
  const level = (readings: ReturnType<typeof start>, over: object = {}) =>
    told('creeping-start', readings, { ...single, ...over }).level
  it('is no start where it does not turn, and no verdict where settled amps were not read', () => {
    expect(level(start(9, 9, 5), { state: { turning: 'not turning' } })).toBe('stop')
    expect(level(start(9, null, 5))).toBe('watch')
    expect(told('creeping-start', start(9, null, 5), single).because).toContain('settled amps were not read')
    expect(level(start(9, 0, 5))).toBe('stop')
  })
  it('creeps when it draws half as much again for more than two seconds', () => {
    expect(level(start(3, 1.9, 9))).not.toBe('ok')
    expect(level(start(3, 1.9, 2))).toBe('ok')
    expect(level(start(3, 1.9, 2.1))).not.toBe('ok')
    // Nobody took the time: it may have been slow.
    expect(level(start(3, 1.9, null))).not.toBe('ok')
    expect(level(start(2, 1.9, 9))).toBe('ok')
  })
  it('above its nameplate it is to be mended, below it watched', () => {
    expect(level(start(3.2, 1.9, 9))).toBe('fix')
    expect(level(start(2.9, 1.8, 9))).toBe('watch')
  })
  it('asks for the capacitor where it was not read', () => {
    const next = (more = at('capacitance', ['run'], [7.5])) =>
      told('creeping-start', [...start(3.2, 1.9, 9), ...more], single).next
    expect(next([])).toMatch(/^Measure the capacitor first/)
    expect(next()).not.toContain('Measure the capacitor')
  })
})

describe('the control transformer', () => {
  const volts = (into: number, out: number) => at('control_volts', ['in', 'out'], [into, out])
  const given = { controls: { controlVolts: 24 }, answers: { 'control.tap': '480' } }
  it('without volts in and out it is the feed, with volts in the transformer', () => {
    expect(told('control-power', volts(0, 0), given).because).toContain('no supply to the control transformer')
    expect(told('control-power', volts(480, 0), given).because).toContain('is not the ratio')
    expect(told('control-power', volts(480, 24), given).level).toBe('ok')
  })
  it('is not called unfed where volts come out of it', () =>
    expect(told('control-power', volts(0.5, 24), given).because).not.toContain('no supply'))
})

it('contacts are judged one by one, and not at all where none was read', () => {
  const drops = say(at('contact_drop', legPositions, [0.05, 0.6, 25])).verdicts.filter(
    (v) => v.check === 'contact-drop',
  )
  expect(drops.map((v) => [v.level, ...v.positions]).sort()).toEqual([
    ['fix', 'L2'],
    ['ok', 'L1'],
    ['stop', 'L3'],
  ])
  expect(say(at('volts_ll', linePositions, [480, 480, 480])).verdicts.some((v) => v.check === 'contact-drop')).toBe(
    false,
  )
})

it('the shaft load says what was assumed of the motor, and nothing where its plate gives all', () => {
  const load = (given: typeof plate) =>
    told('shaft-load', [...at('volts_ll', linePositions, [460, 460, 460]), ...at('amps', legPositions, [11, 11, 11])], {
      plate: given,
    }).basis.map((b) => b.text)
  const { efficiency: _unknown, ...bare } = plate
  expect(load(bare).join()).toMatch(/assumed from ordinary motors: .*efficiency/)
  expect(load({ ...plate, powerFactor: 0.85 }).some((b) => b.includes('assumed'))).toBe(false)
})

it('volts that cannot be those of one supply settle nothing', () => {
  const v = told('voltage-unbalance', at('volts_ll', linePositions, [480, 480, 970]))
  expect(v).toMatchObject({ level: 'watch', settles: false, confidence: 'low' })
  expect(v.because).toContain('480, 480, 970 V cannot be')
})

describe('what drags', () => {
  const over = [...at('volts_ll', linePositions, [478, 479, 477]), ...at('amps', legPositions, [13.5, 13.5, 13.5])]
  const next = (celsius: number, air: number | null = null) =>
    told(
      'over-amp',
      [
        ...over,
        ...at('temperature', ['bearing-de'], [celsius]),
        ...(air === null ? [] : at('temperature', ['ambient'], [air])),
      ],
      { plate },
    ).next
  it('a hot bearing is named: hot by itself, or hotter than the air than bearings get', () => {
    expect(next(120)).toContain('drive-end bearing')
    expect(next(40)).not.toContain('bearing is at')
    expect(next(75, 10)).toContain('drive-end bearing')
    expect(next(40, 30)).not.toContain('bearing is at')
  })
})
