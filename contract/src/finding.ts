import { afterSteps, findingLevels, findingStates, findingStepKinds } from '@motor-round/core/finding'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'

const day = z.iso.date()

/** Something seen at a machine that nobody asked for: told once, open until someone closes it with a reason. */
export const findingBody = z.strictObject({
  id,
  machineId: id,
  /** The round and the visit it was seen on. */
  roundId: id.nullable().default(null),
  visitId: id.nullable().default(null),
  at: instant,
  level: z.enum(findingLevels),
  text: line(300).min(1, 'enter the finding'),
  /** Whose it is to see to; empty: ours. */
  owner: line(60).default(''),
  /** When somebody looks at it again; null: at the next visit. */
  reviewOn: day.nullable().default(null),
})

/** What became of a finding. Facts: kept once, never changed. */
export const findingStepBody = z
  .strictObject({
    id,
    findingId: id,
    machineId: id,
    at: instant,
    kind: z.enum(findingStepKinds),
    note: text(400),
    reviewOn: day.nullable().default(null),
  })
  .superRefine((s, ctx) => {
    if (s.note.trim() === '') ctx.addIssue({ code: 'custom', path: ['note'], message: 'enter the reason' })
    if (s.kind === 'postponed' && s.reviewOn === null)
      ctx.addIssue({ code: 'custom', path: ['reviewOn'], message: 'enter the date' })
  })

const findingStep = findingStepBody.safeExtend({ by: z.string() })

/** A finding with what became of it so far. */
export const finding = z
  .object({
    ...findingBody.shape,
    by: z.string(),
    state: z.enum(findingStates),
    steps: z.array(findingStep),
  })
  .meta({ id: 'Finding' })
export type FindingRecord = z.infer<typeof finding>
export type FindingStep = z.infer<typeof findingStep>

/** A finding as its steps leave it. @param steps those of other findings are left out */
export const findingOf = (
  entered: z.output<typeof findingBody> & { readonly by: string },
  steps: readonly FindingStep[],
): FindingRecord => ({
  ...entered,
  ...afterSteps(
    entered.reviewOn,
    steps.filter((s) => s.findingId === entered.id),
  ),
})
