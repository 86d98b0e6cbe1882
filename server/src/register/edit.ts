import { and, desc, eq } from 'drizzle-orm'
import type { Tx } from '../db/client.ts'
import { audit } from '../db/schema.ts'
import { HttpProblem } from '../http/problem.ts'

/** What has a version, as a person calls it, and under which entity its changes are written down. */
const entityOf = {
  site: 'site',
  area: 'area',
  unit: 'unit',
  machine: 'machine',
  motor: 'motor',
  part: 'part',
  map: 'roof map',
  round: 'round',
  item: 'stock',
} as const
type Versioned = keyof typeof entityOf

/**
 * The optimistic lock: an edit made on an older version is refused, with the record as it stands now and who changed
 * it, so that the screen can show both and nothing typed is lost.
 */
export async function refuseStale(
  tx: Tx,
  what: Versioned,
  id: string,
  has: number,
  sent: number,
  current: unknown,
): Promise<void> {
  if (has === sent) return
  const [last] = await tx
    .select()
    .from(audit)
    .where(and(eq(audit.entity, entityOf[what]), eq(audit.entityId, id)))
    .orderBy(desc(audit.at), desc(audit.id))
    .limit(1)
  throw new HttpProblem(409, `${last?.by ?? 'Someone'} changed this ${what} in the meantime.`, {
    current,
    ...(last ? { changedBy: last.by, changedAt: last.at.toISOString() } : {}),
  })
}
