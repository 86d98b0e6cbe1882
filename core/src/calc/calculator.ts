import { z } from 'zod'
import type { Basis } from '../limits/index.ts'
import type { Plate } from '../plate/index.ts'
import type { ThreePhase } from '../quantity/index.ts'
import { complaintWords, issueWords, type Bound } from './problem-words.ts'

/** A calculator as the register holds it: what goes in, what comes out, what it rests on, and one worked example. */
export interface Calculator {
  readonly id: string
  readonly title: string
  readonly basis: readonly Basis[]
  readonly input: z.ZodObject
  readonly output: z.ZodObject
  readonly example: Readonly<Record<string, unknown>>
  readonly group: CalcGroup
  /** The formula as a handbook prints it. */
  readonly formula: string
  /** Values of a machine for this calculator; what is not known is left out. */
  fill(machine: CalcMachine): Readonly<Record<string, unknown>>
  /** A drawing of the answer, where one helps; null where there is none to draw. */
  curve(input: unknown): Curve | null
  /** Check the input, compute, and return the result or what is wrong with which field. */
  run(input: unknown): CalcResult
}

export interface CalcProblem {
  readonly field: string
  /** Plain words with the field's name and the calculator's unit. */
  readonly message: string
  readonly bound?: Bound
}

export type CalcResult =
  | { readonly ok: true; readonly result: Record<string, unknown> }
  | { readonly ok: false; readonly problems: CalcProblem[] }

export const calcGroups = [
  'supply',
  'load',
  'winding',
  'insulation',
  'capacitor',
  'protection',
  'faults',
  'drive train',
  'bearings',
  'air',
  'vibration',
  'energy',
  'trend',
  'units',
] as const
export type CalcGroup = (typeof calcGroups)[number]

/** What is known of the machine a calculator was opened from. */
export interface CalcMachine {
  readonly phases: 1 | 3
  readonly serviceVolts: number
  readonly hz: number
  readonly plate: Plate | null
  readonly columnVolts: number | null
  readonly plateAmps: number | null
  readonly lineVolts: ThreePhase | null
  readonly lineAmps: ThreePhase | null
}

/** Lines and marked points in the units of their axes; ratios as fractions. */
export interface Curve {
  readonly x: { readonly title: string; readonly unit: string }
  readonly y: { readonly title: string; readonly unit: string }
  readonly log?: boolean
  readonly lines: readonly { readonly name: string; readonly points: readonly (readonly [number, number])[] }[]
  readonly marks: readonly { readonly name: string; readonly x: number; readonly y: number }[]
}

interface Definition<I extends z.ZodObject, O extends z.ZodObject> {
  readonly id: string
  readonly title: string
  readonly basis: readonly Basis[]
  readonly input: I
  readonly output: O
  readonly example: z.input<I>
  readonly group: CalcGroup
  readonly formula: string
  fill?(machine: CalcMachine): Partial<z.input<I>>
  curve?(input: z.output<I>): Curve | null
  /** Pure; a RangeError's first word names the argument. */
  compute(input: z.output<I>): z.output<O>
}

/** An answer stands also where a point of its drawing lies beyond what can be computed: then it goes without one. */
function drawn(curve: () => Curve | null): Curve | null {
  try {
    return curve()
  } catch (e) {
    if (e instanceof RangeError) return null
    throw e
  }
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
    group: d.group,
    formula: d.formula,
    fill: (machine) => d.fill?.(machine) ?? {},
    curve(input) {
      const parsed = d.input.safeParse(input)
      if (!parsed.success) return null
      const curve = drawn(() => d.curve?.(parsed.data) ?? null)
      const points = [
        ...(curve?.lines.flatMap((l) => l.points.flat()) ?? []),
        ...(curve?.marks.flatMap((m) => [m.x, m.y]) ?? []),
      ]
      return points.every(Number.isFinite) ? curve : null
    },
    run(input) {
      const parsed = d.input.safeParse(input)
      if (!parsed.success)
        return {
          ok: false,
          problems: parsed.error.issues.map((i) => ({ field: i.path.join('.'), ...issueWords(d.input, input, i) })),
        }
      try {
        // Figures that fit their fields one by one can still be too far from any machine for an answer together.
        const result = d.output.safeParse(d.compute(parsed.data))
        return result.success
          ? { ok: true, result: result.data }
          : { ok: false, problems: [{ field: '', message: 'These values together give no possible answer.' }] }
      } catch (e) {
        if (!(e instanceof RangeError)) throw e
        // What a step inside complains of may be no field of this page: then it belongs to all of it.
        const named = /^\w+/.exec(e.message)?.[0] ?? ''
        const message = named in d.input.shape ? complaintWords(d.input, named, e.message) : e.message
        return { ok: false, problems: [{ field: named in d.input.shape ? named : '', message }] }
      }
    },
  }
}
