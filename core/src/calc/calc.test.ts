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
  it('tells a lost line instead of a derating for 480/277/277 V', () =>
    expect(result('voltage-unbalance', { lineVolts: [480, 277, 277] })).toMatchObject({
      lostLine: 'L3',
      derating: null,
    }))
})
