import { z } from './z.ts'

export const id = z.uuid()
/** Instants cross the wire as ISO 8601 with a zone. */
export const instant = z.iso
  .datetime({ offset: true })
  .refine((t) => /^(19|20|21)\d\d-/.test(t), 'a year from 1900 to 2199')
/** A line of text without control characters. */
export const line = (most: number) =>
  z
    .string()
    .trim()
    .max(most)
    .refine((t) => !hasControl(t), 'no control characters')
/** Text of several lines. */
export const text = (most: number) =>
  z
    .string()
    .max(most)
    .refine((t) => !hasControl(t.replace(/[\n\r\t]/g, '')), 'no control characters')
export const version = z.int().positive()

function hasControl(t: string): boolean {
  for (const c of t) {
    const code = c.codePointAt(0) ?? 0
    // Half a pair of surrogates is no character: nothing keeps it.
    if (code < 32 || code === 127 || (code >= 0xd800 && code <= 0xdfff)) return true
  }
  return false
}

export const roles = ['viewer', 'mechanic', 'lead'] as const
export const role = z.enum(roles)
export type Role = z.infer<typeof role>

/** Does one role carry the rights of another? Lead carries all, viewer none but its own. */
export const mayAct = (own: Role, needed: Role): boolean => roles.indexOf(own) >= roles.indexOf(needed)

/** RFC 9457 problem details; `errors` names each field by its path. */
export const problem = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    detail: z.string().optional(),
    errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
    /** On a stale edit: the record as it stands now, to be shown beside what was typed. */
    current: z.unknown().optional(),
    /** What has to be entered besides: the code of a second factor, or the password once more. */
    needs: z.enum(['code', 'password']).optional(),
    changedBy: z.string().optional(),
    changedAt: instant.optional(),
  })
  .meta({ id: 'Problem' })
export type Problem = z.infer<typeof problem>

/** Kinds of picture every browser makes and shows. */
export const pictureType = z.enum(['image/jpeg', 'image/webp', 'image/png'])
/** A picture as it is sent: shrunk by the browser, base64. */
export const pictureBytes = z.base64().max(1_400_000, 'larger than a megabyte')
