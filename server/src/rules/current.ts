import { houseRules, toHouseRules } from '@motor-round/contract'
import type { HouseRules } from '@motor-round/core/limits'
import type { Db, Tx } from '../db/client.ts'
import { organisation } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'

const read = (row: typeof organisation.$inferSelect | undefined): HouseRules => {
  if (!row) throw notFound('organisation')
  return toHouseRules(houseRules.parse(row.rules))
}

/** The house rules in force. */
export const currentRules = async (db: Db | Tx): Promise<HouseRules> => read((await db.select().from(organisation))[0])

/**
 * The house rules, held as they are until the transaction ends: whoever changes them waits, so that nothing is judged by
 * rules that were changed while it was written. Take it before the locks of machine states, as the change itself does.
 */
export const heldRules = async (tx: Tx): Promise<HouseRules> =>
  read((await tx.select().from(organisation).for('share'))[0])
