import { scopeAsk, checkDefinitions, unknownControls, type Ask, type MachineFacts } from '@motor-round/core/judge'
import { quantities, readingHows, type Reading } from '@motor-round/core/quantity'
import { workKinds, type VisitState } from '@motor-round/core/trend'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'
import { gatePass } from './judgement.ts'

const codes = quantities.map((q) => q.code)

export const reading = z
  .strictObject({
    quantity: z.enum(codes),
    position: line(12).min(1),
    value: z.number(),
    /** Typed, taken from a meter's settled stream or its peak, taken while it moved, or over the meter's range. */
    how: z.enum(readingHows).optional(),
    /** Half the width in which an unsteady reading moved, in the unit of the value. */
    spread: z.number().nonnegative().max(1e9).optional(),
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

export const visitState = z
  .strictObject({
    settled: z.boolean().nullable(),
    mode: z.enum(['normal', 'test', 'warm-up', 'purge', 'low speed', 'medium speed', 'high speed']).nullable(),
    filters: z.enum(['clean', 'dirty', 'out']).nullable(),
    panels: z.enum(['on', 'off']).nullable(),
    twin: z.enum(['running', 'off', 'none']).nullable(),
    turning: z.enum(['right way', 'backwards', 'not turning']).nullable(),
  })
  .meta({ id: 'VisitState' }) satisfies z.ZodType<VisitState>

/** Every question of the visit page, with the words that may answer it; null: a line of text. */
const questions = new Map<string, readonly string[] | null>([[scopeAsk.id, scopeAsk.options.map(([value]) => value)]])
for (const phases of [1, 3] as const)
  for (const hasVfd of [false, true])
    for (const drive of ['belt', 'direct'] as const) {
      const facts: MachineFacts = {
        phases,
        hasVfd,
        drive,
        hasTwin: true,
        serviceVolts: 480,
        controls: { ...unknownControls, gasSection: true },
        unitPlate: null,
      }
      for (const ask of checkDefinitions.flatMap((c) => c.groups(facts)).flatMap((g): readonly Ask[] => g.asks))
        if (ask.kind === 'choice')
          questions.set(
            ask.id,
            ask.options.map(([value]) => value),
          )
        else if (ask.kind === 'text') questions.set(ask.id, null)
    }

/** Answers by the id of their question. */
export const answers = z
  .record(z.string().max(40), line(400))
  .superRefine((given, ctx) => {
    for (const [key, value] of Object.entries(given)) {
      const options = questions.get(key)
      if (options === undefined) ctx.addIssue({ code: 'custom', path: [key], message: 'no such question' })
      else if (options !== null && !options.includes(value))
        ctx.addIssue({ code: 'custom', path: [key], message: `one of ${options.join(', ')}` })
    }
  })
  .meta({ id: 'Answers' })

const readings = z
  .array(reading)
  .max(150)
  .superRefine((list, ctx) => {
    const seen = new Set<string>()
    list.forEach((r, i) => {
      const key = `${r.quantity} ${r.position}`
      if (seen.has(key)) ctx.addIssue({ code: 'custom', path: [i], message: `${key} is given twice` })
      seen.add(key)
    })
  })

/** A visit as it is sent: born on the phone with its own id, so that sending it twice keeps one. */
export const visitBody = z
  .strictObject({
    id,
    machineId: id,
    takenAt: instant,
    state: visitState,
    readings,
    answers: answers.default({}),
    /** Gates that were passed before all they ask for was there: by whom, and why. */
    passes: z.array(gatePass).max(4).default([]),
    note: text(1000).default(''),
    /** A correction: the visit it replaces, and why. Both stay. */
    supersedes: id.nullable().default(null),
    reason: text(400).default(''),
  })
  .superRefine((s, ctx) => {
    const said = s.note.trim() !== '' || Object.keys(s.answers).length > 0 || s.state.turning !== null
    if (s.readings.length === 0 && !said)
      ctx.addIssue({ code: 'custom', path: ['readings'], message: 'enter a reading, an answer or a note' })
    if (s.supersedes !== null && s.reason.trim() === '')
      ctx.addIssue({ code: 'custom', path: ['reason'], message: 'enter why it is corrected' })
  })

export const visit = z
  .object({
    id,
    machineId: id,
    takenAt: instant,
    recordedAt: instant,
    by: z.string(),
    state: visitState,
    readings: z.array(reading),
    answers: z.record(z.string(), z.string()),
    passes: z.array(gatePass),
    note: z.string(),
    supersedes: id.nullable(),
    reason: z.string(),
    supersededBy: id.nullable(),
    source: z.enum(['walk', 'import', 'file']),
  })
  .meta({ id: 'Visit' })
export type VisitRecord = z.infer<typeof visit>

const workKind = z.enum(workKinds.map((k) => k.id))
const turns = z.number().min(0).max(12)
export const workBody = z
  .strictObject({
    id,
    machineId: id,
    doneAt: instant,
    kind: workKind,
    note: text(400).default(''),
    /** Of the motor sheave, before and after; only where it was turned. */
    turns: z.strictObject({ before: turns.nullable(), after: turns }).optional(),
  })
  .superRefine((w, ctx) => {
    if (w.turns && w.kind !== 'sheave-turned')
      ctx.addIssue({ code: 'custom', path: ['turns'], message: 'only where the motor sheave was turned' })
  })
export const work = workBody.safeExtend({ by: z.string() }).meta({ id: 'Work' })
export type WorkRecord = z.infer<typeof work>
