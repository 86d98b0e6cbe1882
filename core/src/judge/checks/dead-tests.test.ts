import { describe, expect, it } from 'vitest'
import { legPositions, terminalPairs, terminalPositions, wirePairs, type Reading } from '../../quantity/index.ts'
import { dayMs, type Visit, type WorkDone } from '../../trend/index.ts'
import { now, pscPlate, type Given, at, visitOf, say, told, gate, goodWinding } from './say.test-help.ts'

describe('winding ohms', () => {
  it('even and steady is OK and does not clear the insulation', () => {
    const v = told('winding-ohms', goodWinding)
    expect(v.level).toBe('ok')
    expect(v.because).toContain('do not prove the insulation')
  })
  it.each([
    ['all open, no ground', ['OL', 'OL', 'OL'], 'stop', 'burnt out'],
    ['one lead open', ['OL', 'OL', 1.3], 'stop', 'open at T2'],
    ['a delta branch open', [2.0, 1.0, 1.0], 'stop', 'delta'],
    ['shorted turns', [1.31, 1.1, 1.32], 'fix', 'shorted turns'],
    ['a bad joint', [1.31, 1.31, 1.6], 'fix', 'bad connection'],
    ['a little uneven', [1.31, 1.31, 1.36], 'watch', 'unbalance'],
  ] as const)('%s', (_name, pairs, level, words) => {
    const v = told('winding-ohms', at('winding_ohms', terminalPairs, pairs))
    expect(v.level).toBe(level)
    expect(v.because).toContain(words)
  })
  it('wandering is as bad as open', () => {
    const readings = at('winding_ohms', terminalPairs, [1.3, 1.3, 1.3]).map((r, i): Reading =>
      i === 1 ? { ...r, how: 'unsteady', spread: 0.2 } : r,
    )
    expect(told('winding-ohms', readings)).toMatchObject({ level: 'fix' })
  })
  it('asks for the third pair, and says what two already tell', () => {
    const two = (...ohms: (number | 'OL')[]) => told('winding-ohms', at('winding_ohms', terminalPairs, ohms))
    // Whatever the third pair reads: (a − b) / (a + b) apart, or open; arithmetic and circuit theory.
    expect(two(5, 4)).toMatchObject({ level: 'fix', value: 1 / 9, because: expect.stringContaining('at least 11 %') })
    expect(two('OL', 'OL')).toMatchObject({ level: 'stop', because: expect.stringContaining('whatever T3-T1 reads') })
    expect(two(5, 'OL')).toMatchObject({ level: 'fix', settles: false })
    expect(told('winding-ohms', at('winding_ohms', terminalPairs, [1.3, 1.3]))).toMatchObject({
      level: 'watch',
      confidence: 'low',
    })
  })
  it('to ground on the ohm scale condemns and keeps the power off', () => {
    const readings = [...goodWinding.slice(0, 3), ...at('ground_ohms', terminalPositions, ['OL', 430, 'OL'])]
    expect(told('winding-to-ground', readings).level).toBe('stop')
    const g = gate('restore', readings, {
      answers: { 'restore.call': 'broken', 'restore.told': 'yes' },
      passes: [{ gate: 'restore', by: 'x', reason: 'y' }],
    })
    expect(g.open).toBe(false)
    expect(g.bars).toContain('T2')
  })
})

describe('single-phase windings', () => {
  const single = { machine: { phases: 1 as const, serviceVolts: 208 } }
  it('names common, run and start', () =>
    expect(told('psc-winding', at('winding_ohms', wirePairs, [31, 23, 8]), single).because).toContain('C is common'))
  it('tells an open protector from a burnt winding by what it read when whole, with the wait', () => {
    const history = [visitOf(at('winding_ohms', wirePairs, [31, 23, 8]), -300)]
    const open = told('psc-winding', at('winding_ohms', wirePairs, [31, 'OL', 'OL']), { ...single, history })
    expect(open.because).toContain('protector')
    expect(open.next).toContain('cool for an hour')
    const burnt = told('psc-winding', at('winding_ohms', wirePairs, ['OL', 'OL', 8]), { ...single, history })
    expect(burnt).toMatchObject({ level: 'stop' })
  })
})

describe('insulation', () => {
  const test = (megohms: number, celsius: number | null, place = 'motor', given: Given = {}) =>
    told(
      'insulation',
      [
        ...at('megohms', terminalPositions, [megohms * 1.1, megohms, megohms * 1.2]),
        ...(celsius === null ? [] : at('temperature', ['winding'], [celsius])),
      ],
      { ...given, answers: { 'insulation.place': place } },
    )
  it('is judged at 40 °C by the worst lead: 9 MΩ at 25 °C is 7.37 (IEEE 43), above 5', () => {
    const v = test(9, 25)
    expect(v.level).toBe('ok')
    expect(v.value).toBeCloseTo(7.367, 2)
  })
  it('below the floor is level Fix, below kV + 1 level Stop', () => {
    expect(test(4.2, 30).level).toBe('fix')
    expect(test(1.2, 30).level).toBe('stop')
  })
  it('by the older floor, the form-wound one and the lamp', () => {
    expect(test(4.2, 30, 'motor', { policies: { insulation: 'kV plus 1' } }).level).toBe('ok')
    expect(test(60, 40, 'motor', { policies: { insulation: 'form-wound 100' } }).level).toBe('fix')
    expect(test(22, 40, 'motor', { policies: { insulation: 'lamp 30' } }).level).toBe('fix')
  })
  it('without a temperature is not corrected and not sure', () =>
    expect(test(12, null)).toMatchObject({ level: 'ok', confidence: 'low', value: 12 }))
  // 5 MΩ at 40 °C (IEEE 43) read at 20 °C is 6.56 MΩ of a thermosetting winding, 20 MΩ of a thermoplastic one.
  it('is not OK without a temperature where a cool winding would be below the floor', () => {
    expect([6.5, 6.6].map((mo) => test(mo, null).level)).toEqual(['watch', 'ok'])
    const thermoplastic = { policies: { insulationSystem: 'thermoplastic' } } as const
    expect([19.9, 20.1].map((mo) => test(mo, null, 'motor', thermoplastic).level)).toEqual(['watch', 'ok'])
    expect(test(6, null).because).toContain('At 68 °F it would be 4.6 MΩ at 40 °C.')
    expect(test(6, null).next).toBe('Enter the temperature of the winding.')
  })
  it('a bad lead is not answered by all together in the same visit, nor the other way around', () => {
    const test = (leads: readonly (number | 'OL')[], all: number | 'OL') =>
      say([...at('megohms', terminalPositions, leads), ...at('megohms', ['all'], [all])]).level
    expect(test([2, 2, 2], 500)).toBe('fix')
    expect(test(['OL', 0.5, 'OL'], 'OL')).toBe('stop')
    expect(test(['OL', 'OL', 'OL'], 0.5)).toBe('stop')
    expect(test([500, 500, 500], 500)).toBe('ok')
    const curve = [...at('megohms', terminalPositions, [2, 2, 2]), ...at('megohms_at', ['1min'], ['OL'])]
    expect(say(curve).level).toBe('fix')
  })
  it('colder than can be brought to 40 °C is tested again', () => {
    expect([6, 7.7].map((mo) => test(mo, 2).level)).toEqual(['watch', 'ok'])
    expect(test(6, 2).next).toBe('Test again with the winding above 50 °F.')
    // Hotter than that, it is better at 40 °C than it was read.
    expect(test(6, 95).level).toBe('ok')
  })
  it('through field wiring asks for the split test before the motor is blamed', () => {
    const v = test(2, 30, 'contactor')
    expect(v.confidence).toBe('low')
    expect(v.next).toContain('own terminals')
  })
  const past = (mo: number, day: number) =>
    visitOf([...at('megohms', ['all'], [mo]), ...at('temperature', ['winding'], [40])], day, {
      'insulation.place': 'motor',
    })
  const trend = (now40: number, history: Visit[], work: WorkDone[] = []) =>
    told('insulation-trend', [...at('megohms', ['all'], [now40]), ...at('temperature', ['winding'], [40])], {
      history,
      work,
      answers: { 'insulation.place': 'motor' },
    })
  it('that fell to a third within a year is a finding above every floor', () => {
    expect(trend(90, [past(300, -360)])).toMatchObject({ level: 'fix' })
    expect(trend(140, [past(300, -360)])).toMatchObject({ level: 'watch' })
    expect(trend(280, [past(300, -360)])).toMatchObject({ level: 'ok' })
  })
  it('that falls four times in a row is watched', () =>
    expect(trend(150, [past(230, -1100), past(210, -700), past(180, -360)])).toMatchObject({ level: 'watch' }))
  it('starts anew when the winding was dried', () => {
    const dried: WorkDone = { at: now - 30 * dayMs, kind: 'winding-dried', note: '' }
    expect(() => trend(90, [past(300, -360)], [dried])).toThrow('said nothing')
  })
  const curve = (points: (number | 'OL')[]) => at('megohms_at', ['15s', '30s', '1min', '2min', '5min', '10min'], points)
  it('gives DAR and PI of the worked curve: 1.29 and 2.52', () => {
    const v = told('polarisation', curve([180, 240, 310, 420, 610, 780]))
    expect(v.because).toContain('DAR 1.29')
    expect(v.because).toContain('PI 2.52')
    expect(v.level).toBe('ok')
  })
  it('says when they mean nothing: over range, above 5000 MΩ', () => {
    expect(told('polarisation', curve([6000, 6500, 7000, 8000, 9000, 9900])).because).toContain('not meaningful')
    expect(told('polarisation', curve(['OL', 'OL', 'OL', 'OL', 'OL', 'OL'])).because).toContain('not meaningful')
  })
  it('does not fail a small motor on PI alone, but watches a falling or a low flat curve', () => {
    expect(told('polarisation', curve([900, 950, 980, 990, 1000, 1010])).level).toBe('ok')
    expect(told('polarisation', curve([9, 9, 9, 9, 9, 9])).level).toBe('watch')
    expect(told('polarisation', curve([9, 8.5, 8, 7.5, 7, 6])).level).toBe('watch')
  })
})

describe('capacitors', () => {
  const single = (run: number, plateUf = 7.5) => ({
    machine: { phases: 1 as const, serviceVolts: 208 },
    plate: { ...pscPlate, capacitorUf: plateUf },
    controls: { capacitor: { run, second: null, volts: 440, tolerance: 0.06 } },
  })
  // Good by common practice: 71.5 on 70, 30.3 on 30, 7.49 on 7.5.
  it.each([
    [71.5, 70],
    [30.3, 30],
    [7.49, 7.5],
  ])('%d µF on %d is good (common practice)', (uf, mark) =>
    expect(told('capacitor', at('capacitance', ['run'], [uf]), single(mark, mark)).level).toBe('ok'),
  )
  it('weak is to fix, on the edge under load is not sure', () => {
    expect(told('capacitor', at('capacitance', ['run'], [6.5]), single(7.5)).level).toBe('fix')
    const edge = [...at('capacitor_amps', ['run'], [0.94]), ...at('capacitor_volts', ['run'], [353])]
    expect(told('capacitor', edge, single(7.5))).toMatchObject({ confidence: 'low' })
  })
  it('healthy and wrong are two verdicts: a 10 µF can on a motor that asks for 7.5', () => {
    const readings = at('capacitance', ['run'], [9.9])
    expect(told('capacitor', readings, single(10)).level).toBe('ok')
    expect(told('capacitor-fits', readings, single(10)).level).toBe('fix')
  })
})

describe('contacts, fuses, lugs', () => {
  it('an open fuse is level Stop and keeps the power off', () => {
    const readings = at('fuse_ohms', legPositions, [0.1, 'OL', 0.1])
    expect(told('fuses', readings).level).toBe('stop')
    expect(gate('restore', readings).bars).toContain('L2')
  })
  it('one good fuse or pole says nothing of the others', () => {
    const some = at('fuse_ohms', ['L1'], [0.1])
    expect(say(some).verdicts.filter((v) => v.check === 'fuses')).toMatchObject([
      {
        level: 'watch',
        positions: ['L2', 'L3'],
        because: 'L2 and L3 not read: one good fuse says nothing of the others.',
      },
      { level: 'ok', positions: ['L1'] },
    ])
    expect(say(some).level).toBe('watch')
    const poles = at('pole_ohms', ['L1', 'L2'], [0.1, 0.1])
    expect(say(poles, { controls: { starter: 'contactor', poles: 3 } }).level).toBe('watch')
    const two = say(poles, { controls: { starter: 'contactor', poles: 2 } })
    expect(two.verdicts.filter((v) => v.check === 'contactor-poles').map((v) => v.level)).toEqual(['ok'])
    // Read at an earlier visit, it is known.
    const before = [visitOf(at('fuse_ohms', ['L2', 'L3'], [0.1, 0.1]), -9)]
    expect(say(some, { history: before }).verdicts.filter((v) => v.check === 'fuses')).toMatchObject([{ level: 'ok' }])
    // What is blown is told, and is enough.
    expect(say(at('fuse_ohms', ['L1'], ['OL'])).verdicts.filter((v) => v.check === 'fuses')).toHaveLength(1)
  })
  it('a pole that does not make, lugs that are burnt', () => {
    expect(told('contactor-poles', at('pole_ohms', legPositions, [0.1, 0.2, 40])).level).toBe('fix')
    expect(told('terminals', [], { answers: { lugs: 'burnt' } }).level).toBe('fix')
    expect(told('terminals', [], { answers: { lugs: 'loose', wires: 'chafed' } }).level).toBe('watch')
  })
  it('a single-pole contactor leaves a leg hot, always said', () =>
    expect(told('contactor-kind', [], { controls: { starter: 'contactor', poles: 1 } }).because).toContain(
      'leg stays live',
    ))
  it('the drop across a contact: a watch, a fix, an open pole', () => {
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 0.15])).level).toBe('watch')
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 0.6])).level).toBe('fix')
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 240])).level).toBe('stop')
  })
})

describe('protection', () => {
  it('16.0 A is the most for a 12.8 A plate with service factor 1.15 (NEC 430.32)', () => {
    expect(told('overload-setting', at('overload_dial', ['relay'], [16])).level).toBe('ok')
    expect(told('overload-setting', at('overload_dial', ['relay'], [16.2])).level).toBe('fix')
    expect(told('overload-setting', at('overload_dial', ['relay'], [11])).level).toBe('watch')
  })
  it('none at all on a three-phase motor is a finding', () =>
    expect(told('overload-missing', [], { controls: { overload: 'none' } }).level).toBe('fix'))
  it('a 35 A breaker on 10 hp at 480 V is right, 60 A is not (NEC 430.52)', () => {
    const breaker = (amps: number) => ({ controls: { protection: 'breaker' as const, protectionAmps: amps } })
    expect(told('branch-protection', [], breaker(35)).level).toBe('ok')
    expect(told('branch-protection', [], breaker(60)).level).toBe('fix')
  })
})
