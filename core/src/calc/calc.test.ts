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
    expect(findCalculator('voltage-unbalance')?.fill(machine)).toEqual({})
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
