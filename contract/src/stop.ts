import { quantities, type Reading } from '@motor-round/core/quantity'
import { workKinds, type StopState } from '@motor-round/core/trend'
import { z } from 'zod'
import { id, instant, line, text } from './common.ts'

const codes = quantities.map((q) => q.code)

export const reading = z
  .strictObject({
    quantity: z.enum(codes),
    position: line(12).min(1),
    value: z.number(),
  })
  .superRefine((r, ctx) => {
    const q = quantities.find((x) => x.code === r.quantity)
    if (!q) return
    if (!(q.positions as readonly string[]).includes(r.position))
      ctx.addIssue({ code: 'custom', path: ['position'], message: `${q.code} is read at ${q.positions.join(', ')}` })
    if (r.value < q.range[0] || r.value > q.range[1])
      ctx.addIssue({
        code: 'custom',
        path: ['value'],
        message: `${q.title.toLowerCase()} lies between ${q.range[0]} and ${q.range[1]} ${q.unit}`,
      })
  })
  .meta({ id: 'Reading' }) satisfies z.ZodType<Reading>

export const stopState = z
  .strictObject({
    settled: z.boolean().nullable(),
    mode: z.enum(['normal', 'test', 'warm-up', 'purge', 'low speed', 'high speed']).nullable(),
    filters: z.enum(['clean', 'dirty', 'out']).nullable(),
    panels: z.enum(['on', 'off']).nullable(),
    sister: z.enum(['running', 'off', 'none']).nullable(),
    turning: z.enum(['right way', 'backwards', 'not turning']).nullable(),
  })
  .meta({ id: 'StopState' }) satisfies z.ZodType<StopState>

const readings = z
  .array(reading)
  .max(60)
  .superRefine((list, ctx) => {
    const seen = new Set<string>()
    list.forEach((r, i) => {
      const key = `${r.quantity} ${r.position}`
      if (seen.has(key)) ctx.addIssue({ code: 'custom', path: [i], message: `${key} is given twice` })
      seen.add(key)
    })
  })

/** A stop as it is sent: born on the phone with its own id, so that sending it twice keeps one. */
export const stopBody = z
  .strictObject({
    id,
    machineId: id,
    takenAt: instant,
    state: stopState,
    readings,
    note: text(1000).default(''),
    /** A correction: the stop it replaces, and why. Both stay. */
    supersedes: id.nullable().default(null),
    reason: text(400).default(''),
  })
  .superRefine((s, ctx) => {
    if (s.readings.length === 0 && s.note.trim() === '')
      ctx.addIssue({ code: 'custom', path: ['readings'], message: 'nothing was read and nothing noted' })
    if (s.supersedes !== null && s.reason.trim() === '')
      ctx.addIssue({ code: 'custom', path: ['reason'], message: 'say why it is corrected' })
  })

export const stop = z
  .object({
    id,
    machineId: id,
    takenAt: instant,
    recordedAt: instant,
    by: z.string(),
    state: stopState,
    readings: z.array(reading),
    note: z.string(),
    supersedes: id.nullable(),
    reason: z.string(),
    supersededBy: id.nullable(),
    source: z.enum(['walk', 'import', 'file']),
  })
  .meta({ id: 'Stop' })
export type StopRecord = z.infer<typeof stop>

const workKind = z.enum(workKinds.map((k) => k.id))
export const workBody = z.strictObject({
  id,
  machineId: id,
  doneAt: instant,
  kind: workKind,
  note: text(400).default(''),
})
export const work = workBody.extend({ by: z.string() }).meta({ id: 'Work' })
export type WorkRecord = z.infer<typeof work>
