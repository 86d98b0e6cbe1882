import { amongPeers, type TwinLoad } from '@motor-round/contract'
import type { Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { judgements } from '../db/schema.ts'
import { groundOf } from './ground.ts'
import { judgeStanding } from './judge.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'

interface Held {
  readonly policies: Policies
  readonly judgement: Judgement | null
}
/** What was asked for of a machine as it was loaded: one that is looked at again is not even asked for. */
const held = new WeakMap<MachineSnapshot, Held>()

const storedOf = (db: Db | Tx, ids: string[]) =>
  prepared(db, 'judgements_of', () =>
    db.select().from(judgements).where(anyOf(judgements.machineId)).prepare('judgements_of'),
  ).execute({ ids })

/**
 * How machines stand, in their order: as they were last judged where nothing that judging reads has changed since, else judged now.
 * @returns null for one that nobody has visited
 */
export async function standingsOf(
  db: Db | Tx,
  all: readonly MachineSnapshot[],
  policies: Policies,
): Promise<(Judgement | null)[]> {
  const asked = all.filter((known) => held.get(known)?.policies !== policies && known.visits.length > 0)
  const stored =
    asked.length === 0
      ? new Map<string, typeof judgements.$inferSelect>()
      : new Map(
          (
            await storedOf(
              db,
              asked.map((known) => known.machine.id),
            )
          ).map((row) => [row.machineId, row]),
        )
  return all.map((known) => {
    const before = held.get(known)
    if (before?.policies === policies) return before.judgement
    const row = stored.get(known.machine.id)
    const judgement = row && row.ground === groundOf(known, policies) ? row.judgement : judgeStanding(known, policies)
    held.set(known, { policies, judgement })
    return judgement
  })
}

interface Among {
  readonly peers: string
  readonly standing: Judgement
  readonly judgement: Judgement
}
const among = new WeakMap<MachineSnapshot, Among>()

/** How one machine stands, with what others of its kind carry. Kept by the snapshot, as long as these carry the same. */
export async function standingAmong(
  db: Db | Tx,
  known: MachineSnapshot,
  peers: readonly TwinLoad[],
  policies: Policies,
): Promise<Judgement | null> {
  const [standing] = await standingsOf(db, [known], policies)
  if (!standing) return null
  const text = JSON.stringify(peers)
  const before = among.get(known)
  if (before?.standing === standing && before.peers === text) return before.judgement
  const judgement = amongPeers(standing, { ...known, peers, policies })
  among.set(known, { peers: text, standing, judgement })
  return judgement
}

/** Keep how machines were judged: however many, it is one statement with one value. */
const writeJudgements = (tx: Tx) =>
  prepared(tx, 'write_judgements', () =>
    tx
      .insert(judgements)
      .select(
        sql`select machine_id, ground, judgement from json_to_recordset(${sql.placeholder('rows')}::json)
          as r (machine_id uuid, ground text, judgement json)`,
      )
      .onConflictDoUpdate({
        target: judgements.machineId,
        set: { ground: sql`excluded.ground`, judgement: sql`excluded.judgement` },
      })
      .prepare('write_judgements'),
  )

/** Keep how machines were judged just now, as they were loaded in this transaction. Their states are locked. */
export async function keepJudgements(
  tx: Tx,
  judged: readonly { readonly known: MachineSnapshot; readonly judgement: Judgement | null }[],
  policies: Policies,
): Promise<void> {
  const rows = judged.flatMap(({ known, judgement }) => {
    const ground = judgement && groundOf(known, policies)
    return ground === null ? [] : [{ machine_id: known.machine.id, ground, judgement }]
  })
  if (rows.length > 0) await writeJudgements(tx).execute({ rows: JSON.stringify(rows) })
}
