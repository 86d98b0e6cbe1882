import type { AuditEntry } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import type { Db, Tx } from '../db/client.ts'
import { audit } from '../db/schema.ts'

/** Who changes something: by id, with the name as it was then. Without an id: somebody who has no account, by a link. */
export interface Who {
  readonly by: string
  readonly byId: string | null
}

/** A person as the change log names them. */
export const who = (person: { readonly id: string; readonly name: string }): Who => ({
  by: person.name,
  byId: person.id,
})

/** A line of the change log. */
export interface Entry extends Who {
  readonly at: Date
  readonly what: string
  readonly entity: string
  readonly entityId: string | null
  readonly why?: string
  readonly before?: object
  readonly after?: object
  /** The change's own id, where it may be sent twice. */
  readonly changeId?: string
}

/** What differs between two records, field by field. */
export function differences(before: object, after: object): AuditEntry['changes'] {
  const a = new Map<string, unknown>(Object.entries(before))
  const b = new Map<string, unknown>(Object.entries(after))
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((k) => k !== 'version' && JSON.stringify(a.get(k)) !== JSON.stringify(b.get(k)))
    .map((field) => ({ field, before: a.get(field) ?? null, after: b.get(field) ?? null }))
}

/** Write down who changed what, in the same transaction as the change. */
export async function record(tx: Db | Tx, e: Entry): Promise<void> {
  await tx.insert(audit).values({
    id: uuid(),
    at: e.at,
    by: e.by,
    byId: e.byId,
    what: e.what,
    entity: e.entity,
    entityId: e.entityId,
    why: e.why ?? '',
    changes: differences(e.before ?? {}, e.after ?? {}),
    changeId: e.changeId ?? null,
  })
}

/** Was this change made already? Asked behind the lock of what it changes. */
export async function wasMade(tx: Tx, changeId: string): Promise<boolean> {
  const [row] = await tx.select({ id: audit.id }).from(audit).where(eq(audit.changeId, changeId))
  return row !== undefined
}
