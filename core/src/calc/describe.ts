import { z } from 'zod'
import type { Calculator } from './calculator.ts'

/** A calculator as data: inputs and outputs as JSON Schema. */
export function describeCalculator(c: Calculator) {
  return {
    id: c.id,
    title: c.title,
    group: c.group,
    formula: c.formula,
    basis: c.basis,
    input: z.toJSONSchema(c.input, { io: 'input' }),
    output: z.toJSONSchema(c.output),
    example: c.example,
  }
}
