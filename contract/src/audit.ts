import { z } from './z.ts'
import { id, instant } from './common.ts'

export const auditEntry = z
  .object({
    id,
    at: instant,
    by: z.string(),
    /** Null: a person without an account, or of before people were written down by id. */
    byId: id.nullable(),
    what: z.string(),
    entity: z.string(),
    entityId: id.nullable(),
    why: z.string(),
    changes: z.array(z.object({ field: z.string(), before: z.unknown(), after: z.unknown() })),
  })
  .meta({ id: 'AuditEntry' })
export type AuditEntry = z.infer<typeof auditEntry>
