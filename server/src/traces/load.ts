import type { TraceRecord, TraceStepRecord } from '@motor-round/contract'
import { desc, inArray } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { traces, traceSteps } from '../db/rounds-schema.ts'

export const asStep = ({ at, said, ...s }: typeof traceSteps.$inferSelect): TraceStepRecord => ({
  ...s,
  at: at.toISOString(),
  ...said,
})

/** Traces of some machines with all that happened in them, newest first. */
export async function loadTraces(db: Db | Tx, machineIds: readonly string[]): Promise<TraceRecord[]> {
  if (machineIds.length === 0) return []
  const rows = await db
    .select()
    .from(traces)
    .where(inArray(traces.machineId, [...machineIds]))
    .orderBy(desc(traces.at), desc(traces.id))
  if (rows.length === 0) return []
  const ids = rows.map((r) => r.id)
  const steps = await db
    .select()
    .from(traceSteps)
    .where(inArray(traceSteps.traceId, ids))
    .orderBy(traceSteps.at, traceSteps.id)
  const all = steps.map(asStep)
  return rows.map(({ siteId: _site, at, ...t }) => ({
    ...t,
    at: at.toISOString(),
    steps: all.filter((s) => s.traceId === t.id),
  }))
}
