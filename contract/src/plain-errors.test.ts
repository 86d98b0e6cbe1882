import { z } from 'zod'
import { describe, expect, it } from 'vitest'
import { passwordChange } from './index.ts'

const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0]?.message

describe('what is wrong with a field', () => {
  it.each<[z.ZodType, unknown, string]>([
    [z.string(), undefined, 'is missing'],
    [z.number(), null, 'is missing'],
    [z.string(), 5, 'must be text'],
    [z.number(), 'x', 'must be a number'],
    [z.int(), 1.5, 'must be a whole number'],
    [z.number(), NaN, 'must be a number'],
    [z.string().min(1), '', 'is missing'],
    [z.string().min(3), 'a', 'at least 3 characters'],
    [z.string().max(1), 'ab', 'at most 1 character'],
    [z.string().length(3), 'a', 'exactly 3 characters'],
    [z.number().gt(0), 0, 'more than 0'],
    [z.number().min(2), 0, 'at least 2'],
    [z.number().lt(5), 9, 'less than 5'],
    [z.number().max(5), 9, 'at most 5'],
    [z.array(z.string()).max(1), ['a', 'b'], 'at most 1 of them'],
    [z.uuid(), 'x', 'is not an id'],
    [z.email(), 'x', 'is not an e-mail address'],
    [z.iso.datetime(), 'x', 'is not a date and time such as 2026-03-14T09:30:00Z'],
    [z.iso.date(), 'x', 'is not a date such as 2026-03-14'],
    [z.string().regex(/a/), 'b', 'is not written in a form that is known'],
    [z.enum(['a', 'b']), 'c', 'must be one of a, b'],
    [z.literal(true), false, 'must be true'],
    [z.strictObject({}), { q: 1 }, 'unknown: q'],
    [z.union([z.string(), z.number()]), true, 'is not allowed here'],
    [z.union([z.literal(1), z.literal(3)]), 2, 'must be one of 1, 3'],
    [z.number().multipleOf(5), 3, 'must be a multiple of 5'],
    [z.string().refine(() => false), 'a', 'is not possible'],
  ])('%#: is said plainly', (schema, value, plain) => expect(said(schema, value)).toBe(plain))
  it('is said in the words of its schema where that has some', () => {
    expect(said(passwordChange, { current: 'x', password: 'short' })).toBe('at least 12 characters')
    expect(said(passwordChange, { password: 'gravel teapot' })).toBe('is missing')
  })
})
