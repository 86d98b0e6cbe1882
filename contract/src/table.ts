import { z } from './z.ts'
import { line, text } from './common.ts'

/** Kinds of file a table is saved as. */
export const tableFormat = z.enum(['xlsx', 'csv'])
export type TableFormat = z.infer<typeof tableFormat>

/** A table as it stands on a screen. */
export const tableBody = z
  .strictObject({
    name: line(80).min(1),
    columns: z.array(line(120)).min(1).max(40),
    rows: z.array(z.array(z.union([text(4000), z.number(), z.null()])).max(40)).max(5000),
  })
  .superRefine(({ columns, rows }, ctx) => {
    const wrong = rows.findIndex((r) => r.length !== columns.length)
    if (wrong >= 0) ctx.addIssue({ code: 'custom', path: ['rows', wrong], message: 'has as many cells as columns' })
  })
export type TableBody = z.output<typeof tableBody>
