import { findingOf, type FindingRecord, type FindingStep } from '@motor-round/contract'
import { byUrgency } from '@motor-round/core/finding'
import { inArray } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { findings, findingSteps } from '../db/rounds-schema.ts'

const asStep = ({ at, ...s }: typeof findingSteps.$inferSelect): FindingStep => ({ ...s, at: at.toISOString() })

/** Findings of some machines with what became of them. */
export async function loadFindings(db: Db | Tx, machineIds: readonly string[]): Promise<FindingRecord[]> {
  if (machineIds.length === 0) return []
  const statement = prepared(db, 'findings_of', () =>
    db.select().from(findings).where(anyOf(findings.machineId)).prepare('findings_of'),
  )
  const rows = await statement.execute({ ids: [...machineIds] })
  if (rows.length === 0) return []
  const steps = await db
    .select()
    .from(findingSteps)
    .where(
      inArray(
        findingSteps.findingId,
        rows.map((r) => r.id),
      ),
    )
  const all = steps.map(asStep)
  return byUrgency(rows.map(({ siteId: _site, at, ...f }) => findingOf({ ...f, at: at.toISOString() }, all)))
}
