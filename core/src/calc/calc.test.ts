import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { calculators, describeCalculator, findCalculator } from './index.ts'

const run = (id: string, input: unknown) => {
  const answer = findCalculator(id)?.run(input)
  if (!answer) throw new Error(`no calculator ${id}`)
  return answer
}
const result = (id: string, input: unknown) => {
  const answer = run(id, input)
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems))
  return answer.result
}

describe('the register of calculators', () => {
  it('has unique ids, a basis and an example that runs, each', () => {
    expect(new Set(calculators.map((c) => c.id)).size).toBe(calculators.length)
    for (const c of calculators) {
      expect(c.basis.length).toBeGreaterThan(0)
      const answer = c.run(c.example)
      if (!answer.ok) throw new Error(`${c.id}: ${JSON.stringify(answer.problems)}`)
      expect(c.output.safeParse(answer.result).success).toBe(true)
      expect(describeCalculator(c)).toMatchObject({ input: { type: 'object' }, output: { type: 'object' } })
    }
  })
  it('tells which field is wrong', () => {
    expect(run('voltage-unbalance', { lineVolts: [460, 'x', 450] })).toMatchObject({
      ok: false,
      problems: [{ field: 'lineVolts.1' }],
    })
    expect(run('voltage-unbalance', { lineVolts: [0, 0, 0] })).toMatchObject({
      ok: false,
      problems: [{ field: 'lineVolts' }],
    })
    expect(run('unit-conversion', { value: 1, from: 'A', to: 'V' })).toMatchObject({
      ok: false,
      problems: [{ field: 'to' }],
    })
    expect(
      run('load-from-amps', { amps: 9, plateAmps: 12.8, noLoadAmps: 13, volts: 460, plateVolts: 460 }),
    ).toMatchObject({ ok: false, problems: [{ field: 'noLoadAmps' }] })
    expect(run('percent-of-plate', { amps: 1, plateAmps: 2, extra: 3 })).toMatchObject({ ok: false })
  })
  it('gives the published figures', () => {
    near(result('voltage-unbalance', { lineVolts: [460, 467, 450] })['unbalance'] as number, 0.01961) // NEMA MG 1, 14.36.2
    near(
      result('load-from-amps', { amps: 9.6, plateAmps: 12.8, noLoadAmps: 5.4, volts: 472, plateVolts: 460 })[
        'byRoot'
      ] as number,
      0.6839,
    )
    expect(
      result('allowed-current', { plateVolts: '208-230/460', plateAmps: '27.0-25.6/12.8', serviceVolts: 208 })[
        'allowedAmps'
      ],
    ).toBe(27)
    expect(result('full-load-current', { phases: 3, hp: 10, volts: 480 })).toEqual({
      amps: 14,
      rowHp: 10,
      columnVolts: 460,
    }) // NEC 430.250
    near(result('percent-of-plate', { amps: 13.6, plateAmps: 12.8 })['share'] as number, 1.0625)
    near(result('unit-conversion', { value: 10, from: 'hp', to: 'kW' })['value'] as number, 7.457)
    near(result('current-unbalance', { lineAmps: [14.2, 13.1, 15] })['unbalance'] as number, 0.07092)
  })
  // Sources as in core/electrical: NEC tables, IEEE 43, copper 234.5 °C, public load guides, computed examples.
  it.each([
    ['motor-at-load', {}, { amps: 12.8, load: 1, powerFactor: 0.8106, efficiency: 0.902 }],
    ['load-from-slip', {}, { load: 0.6, synchronous: 1800 }],
    ['input-power', {}, { kilowatts: 6.477 }],
    ['winding-ohms', {}, { unbalance: 0.0688 }],
    ['winding-temperature', {}, { hotCelsius: 95.19, rise: 67.19 }],
    ['insulation', {}, { at40: 7.367, floor: 5 }],
    ['polarisation', {}, { dar: 1.292, pi: 2.516 }],
    ['capacitor-under-load', {}, { microfarads: 9.872, deviation: -0.01282 }],
    ['capacitor-bleed', {}, { seconds: 1.409 }],
    ['overload-setting', {}, { setting: 16, greatest: 17.92 }],
    ['branch-protection', {}, { tableAmps: 14, conductor: 17.5, timeDelayFuse: 25, fuse: 45, breaker: 35 }],
    ['locked-rotor', {}, { from: 70.29, to: 78.95 }],
    ['single-phasing', {}, { lines: 24.25, deltaPhase: 16.17, deltaNormal: 8.083 }],
    ['lead-roll', {}, { leadRange: 0.1979 }],
    ['ground-return', { lineAmps: 48, groundWireAmps: 31 }, { otherLow: 17, otherHigh: 79, share: 0.3542 }],
    ['supply-explains', {}, { measuredUnbalance: 0.1361 }],
    ['residual-of-leaks', {}, { residual: 4.5 }],
  ] as const)('%s', (id, over, expected) => {
    const found = findCalculator(id)
    const answer = result(id, { ...found?.example, ...over })
    for (const [name, value] of Object.entries(expected)) near(answer[name] as number, value)
  })
  it('names the side of a transformer, of rolled leads, and the wires of a single-phase motor', () => {
    expect(result('transformer-ratio', findCalculator('transformer-ratio')?.example)).toMatchObject({
      fault: 'upstream',
    })
    expect(result('lead-roll', findCalculator('lead-roll')?.example)).toMatchObject({ blames: 'motor', odd: 'T2' })
    expect(result('psc-leads', findCalculator('psc-leads')?.example)).toMatchObject({
      common: 'C',
      run: 'A',
      start: 'B',
    })
  })
  it('tells the code letter of locked amps that were measured (NEC Table 430.7(B))', () => {
    const measured = { code: 'G', hp: 10, volts: 460, phases: 3, measuredAmps: 84.03 }
    expect(result('locked-rotor', measured)).toMatchObject({ letter: 'H' })
    expect(result('locked-rotor', { ...measured, measuredAmps: undefined })).toMatchObject({ letter: null })
  })
  it('fills from a machine only what it knows, and refuses a plate that contradicts itself', () => {
    const machine = {
      phases: 3,
      serviceVolts: 480,
      hz: 60,
      plate: { power: 10, rpm: 1755, volts: '460', amps: '12.8' },
      columnVolts: 460,
      plateAmps: 12.8,
      lineVolts: null,
      lineAmps: [10, 10.1, 9.9],
    } as const
    const filled = findCalculator('load-from-amps')?.fill(machine)
    expect(filled).toMatchObject({ plateAmps: 12.8, plateVolts: 460, hp: 10, plateRpm: 1755, hz: 60 })
    expect(filled).not.toHaveProperty('volts')
    expect(findCalculator('voltage-unbalance')?.fill(machine)).toEqual({ hp: 10 })
    expect(run('motor-at-load', { hp: 10, plateVolts: 460, plateAmps: 2, volts: 460, slip: 0.02 })).toMatchObject({
      ok: false,
      problems: [{ field: 'plateAmps' }],
    })
  })
  it('tells a lost line instead of a derating for 480/277/277 V', () =>
    expect(result('voltage-unbalance', { lineVolts: [480, 277, 277] })).toMatchObject({
      lostLine: 'L3',
      derating: null,
    }))
})

// Worked handbook examples, in the units of the plate.
describe('drive train, air and vibration', () => {
  const figure = (id: string, input: unknown, field: string) => result(id, input)[field] as number
  it('D 9.4, d 4.2, C 22 in: 65.67 in, and the nearest belt with the centers it gives', () => {
    const r = result('belt-length', { small: 4.2, large: 9.4, center: 22, section: 'A' })
    near(r['length'] as number, 65.6705)
    near(r['arc'] as number, 166.4)
    // 65.67 in of pitch is 64.37 in inside: A64.
    expect(r['belt']).toBe('A64')
    expect(r['travel']).toBeLessThan(0)
    expect(run('belt-length', { small: 4, large: 9, center: 5 })).toMatchObject({
      ok: false,
      problems: [{ field: 'center' }],
    })
  })
  it('4.2 on 9.4 in at 1755 rpm without creep: 784.1 rpm, 1930 ft/min', () => {
    near(figure('fan-speed', { motorRpm: 1755, driver: 4.2, driven: 9.4, slip: 0 }, 'fanRpm'), 784.1)
    near(figure('fan-speed', { motorRpm: 1755, driver: 4.2, driven: 9.4 }, 'beltSpeed'), 1930)
    expect(result('fan-speed', { motorRpm: 1760, driver: 14.5, driven: 20, wheelMost: 900 })).toMatchObject({
      rim: 'too fast',
      wheel: 'too fast',
    })
  })
  it('2.5 turns open of 3.8 in: 825 rpm; half a turn more lowers amps by more than it lowers speed', () => {
    const input = { closed: 3.8, perTurn: 0.2, turns: 2.5, to: 3, motorRpm: 1750, driven: 7 }
    near(figure('adjustable-sheave', input, 'fanRpm'), 825)
    const amps = { ...input, amps: 13.4, plateAmps: 12.8, noLoad: 5.4 }
    const then = result('adjustable-sheave', amps)
    expect(then['may']).toBe('yes')
    expect((then['amps'] as number) / 13.4).toBeLessThan(3.2 / 3.3)
    expect(result('adjustable-sheave', { ...amps, to: 2 })['may']).toBe('no: over the nameplate')
    expect(result('adjustable-sheave', { ...amps, to: 2.75 })['may']).toBe('no: not on a flat, or outside its turns')
    expect(findCalculator('adjustable-sheave')?.curve(amps)?.lines[0]?.points).toHaveLength(10)
    expect(findCalculator('adjustable-sheave')?.curve(input)).toBeNull()
  })
  it('tension: half an inch of play is not the same on two spans', () => {
    const drive = { hp: 10, motorRpm: 1755, small: 4.6, large: 9.4, section: 'B', belts: 2 }
    const near22 = figure('belt-tension', { ...drive, center: 16 }, 'halfInch')
    expect(figure('belt-tension', { ...drive, center: 32 }, 'halfInch')).toBeGreaterThan(1.8 * near22)
    near(figure('belt-tension', { ...drive, center: 24 }, 'deflection'), Math.sqrt(24 ** 2 - 2.4 ** 2) / 64)
  })
  it('42 Hz on 0.55 m of 0.11 kg/m is 52.78 lbf', () =>
    near(figure('belt-note', { note: 42, span: 0.55 / 0.0254, mass: 0.11 }, 'tension'), 52.78))
  it('14 kN at 1.8 kN and 1760 rpm is 4456 h', () =>
    near(figure('bearing-life', { capacity: 14, load: 1.8, rpm: 1760 }, 'hours'), 4456))
  it('a sealed bearing is not greased', () => {
    expect(result('grease', { bore: 40, outside: 90, width: 23, rpm: 1750, sealed: 'yes' })['grams']).toBeNull()
    near(figure('grease', { bore: 40, outside: 90, width: 23, rpm: 1750 }, 'byFormula'), 7734)
  })
  it('fan laws, amps at a speed, air from heat', () => {
    near(figure('fan-laws', { flow: 4000, pressure: 1.2, power: 1.6, rpm: 900, then: 1000 }, 'power'), 2.195)
    near(figure('amps-at-speed', { amps: 10, plateAmps: 12.8, noLoad: 5.4, rpm: 900, then: 1000 }, 'amps'), 12.75)
    near(figure('air-from-heat', { volts: 478, amps: 22.1, phases: '3', rise: 31 }, 'flow'), 1865)
    expect(run('amps-at-speed', { amps: 5, plateAmps: 12.8, noLoad: 5.4, rpm: 900, then: 1000 })).toMatchObject({
      ok: false,
      problems: [{ field: 'amps' }],
    })
  })
  it('a building 600 cfm over and one 1200 under', () => {
    expect(result('building-air', { outside: 2400, makeUp: 1500, exhaust: 3300, leak: 0.8 })['says']).toBe('outward')
    const under = result('building-air', { outside: 900, makeUp: 1000, exhaust: 3100 })
    near(under['over'] as number, -1200)
    expect(under['says']).toBe('inward')
  })
  it('vibration, bearing tones, balance, sound', () => {
    expect(result('fan-vibration', { velocity: 0.42, mounting: 'rigid' })['stands']).toBe('alarm')
    near(figure('fan-vibration', { velocity: 4.5, unit: 'mm/s r.m.s.' }, 'peak'), 0.2505)
    near(figure('bearing-frequencies', { balls: 9, ball: 0.3126, pitch: 1.537, rpm: 1797 }, 'outer'), 107.4)
    const b = { original: 6.2, originalAt: 40, withTrial: 4.1, withTrialAt: 95, trial: 15, trialAt: 120 }
    near(figure('balance', b, 'weight'), 18.21)
    expect(result('name-frequency', { peak: 15, fanRpm: 900, motorRpm: 1755 })['is']).toContain(
      'once a turn of the fan',
    )
    near(figure('sound', { total: 78, background: 73 }, 'source'), 76.35)
  })
  it('misaligned sheaves: the turned one is mended first', () => {
    expect(
      result('sheave-alignment', { gaps: [0, 0, 0.05, 0.16], motorFace: 4, fanFace: 9, center: 22 })['first'],
    ).toBe('turn the motor')
    expect(result('sheave-alignment', { gaps: [0, 0, 0.3, 0.3], motorFace: 4, fanFace: 9, center: 22 })['first']).toBe(
      'slide a sheave',
    )
  })
  it('a whole assembly: a loaded filter lowers a forward-curved wheel’s amps, a larger sheave raises them', () => {
    const example = findCalculator('fan-assembly')?.example ?? {}
    const loaded = result('fan-assembly', example)
    expect(loaded['ampsThen']).toBeLessThan(loaded['ampsNow'] as number)
    expect(loaded['flowThen']).toBeLessThan(loaded['flowNow'] as number)
    const larger = result('fan-assembly', { ...example, restriction: 1, thenDriver: 5 })
    expect(larger['ampsThen']).toBeGreaterThan(larger['ampsNow'] as number)
    near((larger['flowThen'] as number) / (larger['flowNow'] as number), 5 / 4.8, 5e-3)
    expect(findCalculator('fan-assembly')?.curve(example)?.lines[0]?.points).toHaveLength(17)
  })
})

describe('the calculators of belts, bearings, air and motion agree with the worked examples', () => {
  it('a traverse with a point under 0.01 in wg says that a pitot tube does not tell it (common practice: 400 ft/min)', () => {
    const says = (low: number) => result('traverse', { points: [0.02, 0.02, low, 0.02, 0.02, 0.02], area: 1 })['says']
    expect([says(0.01), says(0.009)]).toEqual([
      'every point is in the range of a pitot tube',
      expect.stringContaining('below the range of a pitot tube'),
    ])
  })
  it('a traverse (check values E14.5: 1511 ft/min and 3778 cfm in standard air)', () => {
    const read = { points: [0.12, 0.15, 0.18, 0.16, 0.14, 0.11], area: 2.5 }
    near(result('traverse', read)['speed'] as number, 1511)
    near(result('traverse', read)['flow'] as number, 3778)
    // At 70 °F by the sea dry air is 0.998 of standard: speeds are a thousandth higher.
    near(result('traverse', { ...read, height: 0 })['speed'] as number, 1511 / Math.sqrt(0.998))
    // E14.6: at 5280 ft and 70 °F the density is 0.8217 of standard.
    near(
      result('traverse', { points: [0.1, 0.1, 0.1, 0.1, 0.1, 0.1], area: 1, height: 5280 })['density'] as number,
      0.8217,
      2e-3,
    )
  })
  it('air from amps: the power of the circuit, by an efficiency, over the pressure', () => {
    const r = result('air-from-amps', {
      amps: 11,
      volts: 472,
      hp: 10,
      plateVolts: 460,
      plateAmps: 12.8,
      plateRpm: 1755,
      pressure: 2.4,
    })
    // Air hp = Q p/6356 (check values, topic 10): 0.6 of the shaft's.
    near(((r['flow'] as number) * 2.4) / 6356, 0.6 * (r['power'] as number), 2e-3)
    expect(r['power'] as number).toBeGreaterThan(7)
    expect(r['power'] as number).toBeLessThan(9)
    expect(r['least'] as number).toBeLessThan(0.72 * (r['flow'] as number))
  })
  it('outside air by temperatures (E14.7: a quarter)', () => {
    near(result('outside-air', { back: 74, outside: 42, mixed: 66, flow: 4000 })['outsideFlow'] as number, 1000, 1e-9)
    expect(result('outside-air', { back: 74, outside: 70, mixed: 72 })).toEqual({ share: null, outsideFlow: null })
  })
  it('what pressure and amps say (common practice)', () => {
    const says = (wheel: string, pressure: number, amps: number) =>
      result('air-path', { wheel, pressureWas: 1.5, pressure, ampsWas: 11, amps })['says']
    expect(says('forward-curved', 1.9, 9)).toBe('the air is restricted')
    expect(says('backward-inclined', 1.9, 11)).toBe('the air is restricted')
    expect(says('propeller', 1.9, 12.5)).toBe('the air is restricted')
    expect(says('forward-curved', 1.9, 12.5)).toBe('the fan runs faster')
  })
  it('two bearings on one shaft: the equilibrium by hand, and 10/9 (E11.7)', () => {
    const r = result('shaft-bearings', { pull: 300, overhang: 3, apart: 24, weight: 100, rpm: 800, capacity: 4400 })
    near(r['driveEnd'] as number, 300 * (1 + 3 / 24) + 50, 1e-6)
    near(r['otherEnd'] as number, (300 * 3) / 24 + 50, 1e-6)
    expect(r['bothHours'] as number).toBeLessThan(r['driveHours'] as number)
  })
  it('slip from two speeds, and the sheave for a third', () => {
    // 1755 · 4.2/9.4 is 784.1 rpm (E9.1): 770 is 1.8 % less.
    const r = result('belt-slip', { motorRpm: 1755, fanRpm: 770, driver: 4.2, driven: 9.4, wanted: 784.1 })
    near(r['slip'] as number, 1 - 770 / 784.15, 1e-3)
    expect(r['says']).toBe('creep, normal')
    near(r['sheave'] as number, 4.2 / 0.99, 1e-3)
    expect(result('belt-slip', { motorRpm: 1755, fanRpm: 700, driver: 4.2, driven: 9.4 })['says']).toMatch(/slipping/)
    expect(result('belt-slip', { motorRpm: 1755, fanRpm: 820, driver: 4.2, driven: 9.4 })['says']).toMatch(/wrong/)
  })
  it('unbalance a wheel may keep (E12.4: 2533 g·mm, 25.07 N)', () => {
    const r = result('permissible-unbalance', { category: 'BV-3', mass: 40, rpm: 950, radius: 200 })
    near(r['total'] as number, 2533, 1e-3)
    near(r['clip'] as number, 12.66, 1e-3)
    near(r['force'] as number, 25.07, 1e-3)
  })
  it('a day’s dose (E13.6: NIOSH 252.5 %, OSHA 37.89 %, action level 78.68 %)', () => {
    const r = result('noise-dose', { levels: [88, 93, 82], hours: [3, 2, 3] })
    near(r['niosh'] as number, 2.525, 1e-3)
    near(r['osha'] as number, 0.3789, 1e-3)
    near(r['action'] as number, 0.7868, 1e-3)
    near(r['average'] as number, 89.02, 1e-3)
  })
  it('a four-blade of less pitch stands in for a three-blade of more (common practice)', () => {
    const r = result('blade-stand-in', {
      oldDiameter: 22,
      oldBlades: 3,
      oldPitch: 27,
      diameter: 22,
      blades: 4,
      pitch: 23,
      load: 0.85,
    })
    expect(Math.abs((r['power'] as number) - 1)).toBeLessThan(0.1)
    expect(r['may']).toBe('yes')
    const wrong = { oldDiameter: 22, oldBlades: 3, oldPitch: 23, diameter: 24, blades: 4, pitch: 30, load: 0.9 }
    expect(result('blade-stand-in', wrong)['may']).toBe('no: overloads the motor')
  })
})
