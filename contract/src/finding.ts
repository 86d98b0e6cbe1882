import { z } from 'zod'
import { id, instant, line, text } from './common.ts'

const day = z.iso.date()
export const findingLevels = ['watch', 'fix', 'stop'] as const

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
    kind: z.enum(['postponed', 'closed', 'reopened']),
    note: text(400),
    reviewOn: day.nullable().default(null),
  })
  .superRefine((s, ctx) => {
    if (s.note.trim() === '') ctx.addIssue({ code: 'custom', path: ['note'], message: 'enter the reason' })
    if (s.kind === 'postponed' && s.reviewOn === null)
      ctx.addIssue({ code: 'custom', path: ['reviewOn'], message: 'enter the date' })
  })

const findingStep = findingStepBody.safeExtend({ by: z.string() })
const findingStates = ['open', 'postponed', 'closed'] as const

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

const stateAfter = { postponed: 'postponed', closed: 'closed', reopened: 'open' } as const

/** A finding as its steps leave it; the day it is looked at is that of the last step that names one. */
export function findingOf(
  told: z.output<typeof findingBody> & { readonly by: string },
  steps: readonly FindingStep[],
): FindingRecord {
  const own = steps
    .filter((s) => s.findingId === told.id)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1))
  const last = own.at(-1)
  return {
    ...told,
    state: last ? stateAfter[last.kind] : 'open',
    reviewOn: last?.kind === 'postponed' ? last.reviewOn : told.reviewOn,
    steps: own,
  }
}

/** When it is to be looked at again, ms since 1970; null: at the next visit. Noon UTC: as near to that day as one instant comes. */
export const reviewAt = (f: Pick<FindingRecord, 'reviewOn'>): number | null =>
  f.reviewOn === null ? null : Date.parse(`${f.reviewOn}T12:00:00Z`)

/** The worst first, then the oldest; closed ones last. */
export const inOrderOfNeed = (list: readonly FindingRecord[]): FindingRecord[] => {
  const rank = (f: FindingRecord) => (f.state === 'closed' ? 3 : 2 - findingLevels.indexOf(f.level))
  return [...list].sort((a, b) => rank(a) - rank(b) || Date.parse(a.at) - Date.parse(b.at))
}
