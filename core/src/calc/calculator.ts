import { z } from 'zod'
import type { Basis } from '../limits/index.ts'

/** A calculator as the register holds it: what goes in, what comes out, what it rests on, and one worked example. */
export interface Calculator {
  readonly id: string
  readonly title: string
  readonly basis: readonly Basis[]
  readonly input: z.ZodObject
  readonly output: z.ZodObject
  readonly example: Readonly<Record<string, unknown>>
  /** Check the input, compute, and return the result or what is wrong with which field. */
  run(input: unknown): CalcResult
}

export interface CalcProblem {
  readonly field: string
  readonly message: string
}

export type CalcResult =
  | { readonly ok: true; readonly result: Record<string, unknown> }
  | { readonly ok: false; readonly problems: CalcProblem[] }

interface Definition<I extends z.ZodObject, O extends z.ZodObject> {
  readonly id: string
  readonly title: string
  readonly basis: readonly Basis[]
  readonly input: I
  readonly output: O
  readonly example: z.input<I>
  /** Pure; a RangeError's first word names the argument. */
  compute(input: z.output<I>): z.output<O>
}

/** Make a calculator out of typed parts. */
export function calculator<I extends z.ZodObject, O extends z.ZodObject>(d: Definition<I, O>): Calculator {
  return {
    id: d.id,
    title: d.title,
    basis: d.basis,
    input: d.input,
    output: d.output,
    example: d.example,
    run(input) {
      const parsed = d.input.safeParse(input)
      if (!parsed.success)
        return {
          ok: false,
          problems: parsed.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message })),
        }
      try {
        return { ok: true, result: d.compute(parsed.data) }
      } catch (e) {
        if (!(e instanceof RangeError)) throw e
        return { ok: false, problems: [{ field: /^\w+/.exec(e.message)?.[0] ?? '', message: e.message }] }
      }
    },
  }
}
