import { calculators, describeCalculator } from '@motor-round/core/calc'
import { describe, expect, it } from 'vitest'
import { cellsOf, fieldsOf, inputOf, shownOutput } from './fields.ts'

describe('the pages of the calculators', () => {
  it.each(calculators.map((c) => [c.id, c] as const))(
    '%s: its example typed into its cells gives its own result',
    (_id, c) => {
      const d = describeCalculator(c)
      const inputs = fieldsOf(d.input)
      const outputs = fieldsOf(d.output)
      expect(inputs.length).toBeGreaterThan(0)
      expect(outputs.length).toBe(Object.keys(c.output.shape).length)
      const typed = inputOf(inputs, cellsOf(inputs, c.example))
      const answer = c.run(typed)
      const direct = c.run(c.example)
      if (!answer.ok || !direct.ok) throw new Error(JSON.stringify([answer, direct]))
      for (const f of outputs) {
        expect(f.title).not.toBe('')
        expect(shownOutput(f, answer.result[f.name])).toBe(shownOutput(f, direct.result[f.name]))
        expect(shownOutput(f, answer.result[f.name])).not.toMatch(/NaN|undefined|Infinity/)
      }
      const curve = c.curve(c.example)
      for (const line of curve?.lines ?? [])
        for (const [x, y] of line.points) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true)
    },
  )
  it.each(calculators.map((c) => [c.id, c] as const))('%s: the same in a metric shop', (_id, c) => {
    const d = describeCalculator(c)
    const metric = fieldsOf(d.input, true)
    const answer = c.run(inputOf(metric, cellsOf(metric, c.example)))
    const direct = c.run(c.example)
    if (!answer.ok || !direct.ok) throw new Error(JSON.stringify([answer, direct]))
    for (const [key, v] of Object.entries(direct.result))
      if (typeof v === 'number')
        expect(answer.result[key] as number).toBeCloseTo(v, v === 0 ? 3 : 4 - Math.ceil(Math.log10(Math.abs(v))))
  })
  it('show a metric shop no inch and no pound, and its figures converted', () => {
    const c = calculators.find((x) => x.id === 'belt-length')
    if (!c) throw new Error('there')
    const d = describeCalculator(c)
    const metric = fieldsOf(d.input, true)
    expect(metric.filter((f) => f.unit === 'in')).toEqual([])
    expect(cellsOf(metric, { small: 4 })['small']).toEqual(['101.6'])
    for (const x of calculators)
      for (const f of [...fieldsOf(describeCalculator(x).input, true), ...fieldsOf(describeCalculator(x).output, true)])
        expect(
          ['in', 'ft', 'ft³', 'lbf', 'cfm', 'in wg', 'hp', 'ft/min', 'mil', 'Btu/h', '°F', 'Δ°F'],
          `${x.id} ${f.name}`,
        ).not.toContain(f.unit)
  })
  it('show a rise of temperature as a difference: 31 °F of rise are 17.2 K, and 17 K no 62.6 °F', () => {
    const c = calculators.find((x) => x.id === 'air-from-heat')
    if (!c) throw new Error('there')
    const { input } = describeCalculator(c)
    const metric = fieldsOf(input, true)
    const unit = (list: typeof metric) => list.find((f) => f.name === 'rise')?.unit
    expect([unit(fieldsOf(input)), unit(metric)]).toEqual(['°F', 'K'])
    expect(cellsOf(metric, { rise: 31 })['rise']).toEqual(['17.222222'])
    expect(inputOf(metric, { ...cellsOf(metric, c.example), rise: ['17'] })).toMatchObject({
      rise: expect.closeTo(30.6, 6) as number,
    })
  })
  it('leave a field that is no figure to be named by the calculator', () => {
    const c = calculators.find((x) => x.id === 'overload-setting')
    if (!c) throw new Error('there')
    const inputs = fieldsOf(describeCalculator(c).input)
    expect(c.run(inputOf(inputs, { plateAmps: ['12x'] }))).toMatchObject({
      ok: false,
      problems: [{ field: 'plateAmps' }],
    })
  })
  it('show ratios in per cent, absence in words', () => {
    const f = {
      name: 'u',
      title: 'U',
      unit: '%',
      scale: 100,
      offset: 0,
      kind: 'number',
      required: true,
      options: [],
      labels: [],
      none: 'do not run',
    } as const
    expect([shownOutput(f, 0.01961), shownOutput(f, null)]).toEqual(['1.961 %', 'do not run'])
    const in$ = { ...f, unit: '$', scale: 1 } as const
    expect([3716.4, 129.74, -12].map((v) => shownOutput(in$, v))).toEqual(['$3,716', '$129.74', '-$12.00'])
    expect(shownOutput({ ...f, unit: 'kWh', scale: 1 }, 26542.3)).toBe('26,542 kWh')
  })
})
