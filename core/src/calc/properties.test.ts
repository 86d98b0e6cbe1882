import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calculators } from './index.ts'

type Values = Readonly<Record<string, unknown>>

/** Everything a calculator's answer or drawing says, flat. */
function figures(x: unknown): number[] {
  if (typeof x === 'number') return [x]
  if (Array.isArray(x)) return x.flatMap(figures)
  return typeof x === 'object' && x !== null ? Object.values(x).flatMap(figures) : []
}

/** An input near a worked example: every number of it stretched by its own factor. */
const near = (example: Values, stretch: readonly number[]): Values => {
  let i = 0
  const one = (v: unknown): unknown => {
    if (typeof v === 'number') return v * (stretch[i++ % stretch.length] ?? 1)
    return Array.isArray(v) ? v.map(one) : v
  }
  return Object.fromEntries(Object.entries(example).map(([k, v]) => [k, one(v)]))
}
const factor = fc.oneof(
  { weight: 4, arbitrary: fc.double({ min: 0, max: 4, noNaN: true }) },
  { weight: 1, arbitrary: fc.integer({ min: -9, max: 9 }).map((power) => 10 ** power) },
  { weight: 1, arbitrary: fc.constantFrom(-1, 1) },
)
const factors = fc.array(factor, { minLength: 6, maxLength: 12 })

describe.each(calculators.map((c) => [c.id, c] as const))('%s', (_id, c) => {
  it('answers with finite figures of its schema, or names a field of its own', () =>
    fc.assert(
      fc.property(factors, (stretch) => {
        const input = near(c.example, stretch)
        const answer = c.run(input)
        if (answer.ok) {
          expect(c.output.safeParse(answer.result).error).toBeUndefined()
          expect(figures(answer.result).filter((v) => !Number.isFinite(v))).toEqual([])
        } else {
          for (const p of answer.problems) {
            expect(p.message).not.toBe('')
            expect([...Object.keys(c.input.shape), '']).toContain(p.field.split('.')[0])
          }
        }
      }),
      { numRuns: 60 },
    ))

  it('draws only finite points, whatever was typed', () =>
    fc.assert(
      fc.property(factors, (stretch) => {
        const input = near(c.example, stretch)
        expect(figures(c.curve(input)).filter((v) => !Number.isFinite(v))).toEqual([])
      }),
      { numRuns: 30 },
    ))

  it('refuses what is no number and what it does not ask for, by field', () => {
    const [first] = Object.entries(c.example).find(([, v]) => typeof v === 'number') ?? []
    if (first !== undefined) {
      const wrong = c.run({ ...c.example, [first]: 'many' })
      expect(wrong).toMatchObject({ ok: false, problems: [{ field: first }] })
      expect(c.run({ ...c.example, [first]: Number.NaN }).ok).toBe(false)
    }
    expect(c.run({ ...c.example, surplus: 1 }).ok).toBe(false)
  })
})

describe('what is wrong is said in words', () => {
  // The name of an argument, as the code calls it.
  const raw = /\b[a-z]+[A-Z][A-Za-z]+\b/
  const unitsWithCapitals = /^(dBA|kVA|kW|kWh|kV|mA|mW)$/
  it.each(calculators.map((c) => [c.id, c] as const))('%s: no field is called as the code calls it', (_id, c) => {
    const said = (input: object): string[] => {
      const r = c.run(input)
      return r.ok ? [] : r.problems.map((p) => p.message)
    }
    const names = Object.keys(c.input.shape)
    const values = [0, -1, 0.001, 1, 3, 50, 1000, 3600, 1e5, 1e12]
    const all = names.flatMap((a) => {
      const { [a]: _left, ...without } = c.example
      return [
        ...said(without),
        ...values.flatMap((v) => said({ ...c.example, [a]: v })),
        ...names.flatMap((b) => values.slice(2, 6).flatMap((v) => said({ ...without, [b]: v }))),
      ]
    })
    expect(all.filter((m) => raw.test(m) && !unitsWithCapitals.test(raw.exec(m)?.[0] ?? ''))).toEqual([])
  })
})
