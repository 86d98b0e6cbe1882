import type { PeerTrace, TraceRecord, TraceStepRecord } from '@motor-round/contract'
import { and, desc, eq, inArray, ne, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { traces, traceSteps } from '../db/rounds-schema.ts'
import { machines, units } from '../db/schema.ts'

export const asStep = ({ at, said, ...s }: typeof traceSteps.$inferSelect): TraceStepRecord => ({
  ...s,
  at: at.toISOString(),
  ...said,
})

/** Traces of some machines with all that happened in them, newest first. */
export async function loadTraces(db: Db | Tx, machineIds: readonly string[]): Promise<TraceRecord[]> {
  if (machineIds.length === 0) return []
  const statement = prepared(db, 'traces_of', () =>
    db
      .select()
      .from(traces)
      .where(anyOf(traces.machineId))
      .orderBy(desc(traces.at), desc(traces.id))
      .prepare('traces_of'),
  )
  const rows = await statement.execute({ ids: [...machineIds] })
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

/**
 * What traces of machines like one came to: of the same model line where that is on record, else of the same kind of unit.
 * @returns newest first, at most twenty
 */
export async function peerTracesOf(
  db: Db | Tx,
  machineId: string,
  unit: Pick<typeof units.$inferSelect, 'kind' | 'modelLine'>,
): Promise<PeerTrace[]> {
  const [name, column, word] =
    unit.modelLine === ''
      ? (['peer_traces_by_kind', units.kind, unit.kind] as const)
      : (['peer_traces_by_model', units.modelLine, unit.modelLine] as const)
  const statement = prepared(db, name, () =>
    db
      .select({
        machineId: machines.id,
        unitTag: units.tag,
        tag: machines.tag,
        at: traceSteps.at,
        said: traceSteps.said,
      })
      .from(traceSteps)
      .innerJoin(machines, eq(machines.id, traceSteps.machineId))
      .innerJoin(units, eq(units.id, machines.unitId))
      .where(
        and(
          ne(machines.id, sql.placeholder('id')),
          eq(column, sql.placeholder('word')),
          sql`${traceSteps.said} ->> 'kind' = 'closed'`,
        ),
      )
      .orderBy(desc(traceSteps.at), desc(traceSteps.id))
      .limit(20)
      .prepare(name),
  )
  const rows = await statement.execute({ id: machineId, word })
  return rows.flatMap(({ said, at, ...r }) =>
    said.kind === 'closed' ? [{ ...r, at: at.toISOString(), cause: said.cause, confidence: said.confidence }] : [],
  )
}
