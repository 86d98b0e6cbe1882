import { houseRules, toHouseRules } from '@motor-round/contract'
import type { HouseRules } from '@motor-round/core/limits'
import type { Db, Tx } from '../db/client.ts'
import { organisation } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'

/** The house rules in force. */
export async function currentRules(db: Db | Tx): Promise<HouseRules> {
  const [row] = await db.select().from(organisation)
  if (!row) throw notFound('organisation')
  return toHouseRules(houseRules.parse(row.rules))
}
