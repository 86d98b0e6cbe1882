import { policies, toPolicies } from '@motor-round/contract'
import type { Policies } from '@motor-round/core/limits'
import type { Db, Tx } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { organization } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'

let last: { readonly text: string; readonly policies: Policies } | null = null

/** The same object while they are the same: judging keeps by it what it worked out. */
const read = (row: typeof organization.$inferSelect | undefined): Policies => {
  if (!row) throw notFound('organization')
  const text = JSON.stringify(row.policies)
  if (last?.text !== text) last = { text, policies: toPolicies(policies.parse(row.policies)) }
  return last.policies
}

/** The policies in force. */
export const currentPolicies = async (db: Db | Tx): Promise<Policies> => {
  const all = prepared(db, 'organization', () => db.select().from(organization).prepare('organization'))
  return read((await all.execute())[0])
}

/**
 * The policies, held as they are until the transaction ends: whoever changes them waits, so that nothing is judged by
 * rules that were changed while it was written. Take it before the locks of machine states, as the change itself does.
 */
export const heldPolicies = async (tx: Tx): Promise<Policies> => read((await heldOrganization(tx).execute())[0])

const heldOrganization = (tx: Tx) =>
  prepared(tx, 'organization_held', () => tx.select().from(organization).for('share').prepare('organization_held'))
