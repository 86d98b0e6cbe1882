import type { MachineRow, RoundNews } from '@motor-round/contract'
import type { Policies } from '@motor-round/core/limits'
import { and, eq, getTableColumns, gt, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { inTurn, sent, type Db, type Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { areas, machines, machineStates, organization, sites, units } from '../db/schema.ts'
import { heldPolicies } from '../policies/current.ts'
import { tellRoundsOf } from '../rounds/live.ts'
import { judgeMany } from './judge-many.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { naturalKey } from './natural-key.ts'
import { loadSnapshots } from './snapshot.ts'
import type { Stand } from './stand.ts'
import { keepJudgements } from './standing.ts'

/** Fans that share a unit with one of these and have a twin: what one carries is compared with the others. */
async function twinsOf(tx: Tx, ids: readonly string[]): Promise<string[]> {
  const statement = prepared(tx, 'twins_near', () => {
    const mine = alias(machines, 'mine')
    return tx
      .selectDistinct({ id: machines.id })
      .from(machines)
      .innerJoin(mine, eq(mine.unitId, machines.unitId))
      .where(and(anyOf(mine.id), eq(mine.hasTwin, true), eq(machines.hasTwin, true)))
      .prepare('twins_near')
  })
  const rows = await statement.execute({ ids: [...ids] })
  return rows.map((r) => r.id)
}

/** Machines that are about to be judged, by the policies held for it. */
interface Loaded {
  readonly policies: Policies
  readonly places: ReadonlyMap<string, Place>
  readonly all: readonly MachineSnapshot[]
}

async function load(tx: Tx, ids: string[], policies: Policies): Promise<Loaded> {
  const [found, all] = await inTurn([sent(placesOf(tx, ids)), loadSnapshots(tx, ids)])
  return { policies, places: new Map(found.map((p) => [p.id, p])), all }
}

/** Such machines, their state rows locked with those of their twins. */
interface Locked extends Loaded {
  readonly ids: readonly string[]
  readonly near: readonly string[]
}

/** Hold the policies and lock all state rows, in order, so that two writers to one machine follow each other and the later one sees both. */
async function lockAndLoad(tx: Tx, machineIds: readonly string[]): Promise<Locked> {
  const ids = [...machineIds].sort()
  const [policies, near] = await inTurn([heldPolicies(tx), twinsOf(tx, ids)])
  await lockStates(tx).execute({ ids: [...new Set([...ids, ...near])] })
  return { ids, near, ...(await load(tx, ids, policies)) }
}

const judged = ({ all, policies }: Loaded): Promise<Stand[]> => judgeMany(all, policies)

async function refreshTwins(tx: Tx, twins: readonly string[], policies: Policies): Promise<void> {
  if (twins.length === 0) return
  const loaded = await load(tx, [...twins], policies)
  await write(tx, loaded, await judged(loaded))
}

/**
 * Judge machines again and write what the list of machines shows of them, then their twins by the new loads.
 * @returns the machines as they were judged
 */
export async function refresh(tx: Tx, machineIds: readonly string[]): Promise<readonly MachineSnapshot[]> {
  if (machineIds.length === 0) return []
  const loaded = await lockAndLoad(tx, machineIds)
  await write(tx, loaded, await judged(loaded))
  const { ids, near, policies } = loaded
  // Alone, it is judged by the loads that its twins had already.
  await refreshTwins(tx, ids.length === 1 ? near.filter((id) => id !== ids[0]) : near, policies)
  return loaded.all
}

/** Lock the state rows of some machines, by their ids. */
const lockStates = (tx: Tx) =>
  prepared(tx, 'lock_states', () =>
    tx
      .select({ id: machineStates.machineId })
      .from(machineStates)
      .where(anyOf(machineStates.machineId))
      .orderBy(machineStates.machineId)
      .for('no key update')
      .prepare('lock_states'),
  )

type Place = Awaited<ReturnType<typeof placesOf>>[number]
const placesOf = (tx: Tx, ids: string[]) =>
  prepared(tx, 'places_of', () =>
    tx
      .select({ id: machines.id, areaId: units.areaId, unitTag: units.tag, siteName: sites.name, areaName: areas.name })
      .from(machines)
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(sites, eq(sites.id, machines.siteId))
      .innerJoin(areas, eq(areas.id, units.areaId))
      .where(anyOf(machines.id))
      .prepare('places_of'),
  ).execute({ ids })

const columns = Object.entries(getTableColumns(machineStates))

/** A row by the names that the database has for its columns. */
const asColumns = (row: typeof machineStates.$inferInsert): object =>
  Object.fromEntries(columns.map(([key, { name }]) => [name, row[key as keyof typeof row]]))

/** Write how machines stand: however many, it is one statement with one value. */
const writeStates = (tx: Tx) =>
  prepared(tx, 'write_states', () => {
    const names = sql.join(
      columns.map(([, { name }]) => sql.identifier(name)),
      sql`, `,
    )
    return tx
      .insert(machineStates)
      .select(
        sql`select ${names} from jsonb_populate_recordset(null::${machineStates}, ${sql.placeholder('rows')}::jsonb)`,
      )
      .onConflictDoUpdate({
        target: machineStates.machineId,
        set: Object.fromEntries(columns.map(([key, { name }]) => [key, sql`excluded.${sql.identifier(name)}`])),
      })
      .prepare('write_states')
  })

async function write(tx: Tx, { policies, places, all }: Loaded, stands: readonly Stand[]): Promise<void> {
  const rows = all.flatMap((known, i) => {
    const place = places.get(known.machine.id)
    const stand = stands[i]
    if (!place || !stand) return []
    const { failures, need, level, headline, conditions, load, loadAt, seenAt, dueAt, turnsAt } = stand
    for (const f of failures)
      process.stderr.write(`machine ${known.machine.id}: the check ${f.check} could not be judged: ${f.message}\n`)
    return [
      {
        machineId: known.machine.id,
        siteId: known.machine.siteId,
        areaId: place.areaId,
        sortKey: naturalKey(place.siteName, place.unitTag, known.machine.tag),
        words: [place.unitTag, '/', known.machine.tag, known.machine.purpose, place.areaName, place.siteName]
          .join(' ')
          .toLowerCase(),
        retired: known.machine.retiredAt !== null,
        stale: false,
        need,
        level,
        headline,
        conditions,
        load,
        loadAt,
        seenAt,
        dueAt,
        turnsAt,
        shown: JSON.stringify(shownOf(known, place, stand)),
      },
    ]
  })
  if (rows.length === 0) return
  const judgements = all.map((known, i) => ({ known, judgement: stands[i]?.judgement ?? null }))
  const written = new Map(rows.map((r) => [r.machineId, r]))
  const newsOf = (machineId: string): RoundNews | undefined => {
    const s = written.get(machineId)
    if (!s) return undefined
    const { level, headline, conditions, dueAt } = s
    return {
      say: 'machine',
      machine: { machineId, level, headline, conditions, dueAt: dueAt?.toISOString() ?? null },
    }
  }
  await inTurn([
    sent(writeStates(tx).execute({ rows: JSON.stringify(rows.map(asColumns)) })),
    keepJudgements(tx, judgements, policies),
    tellRoundsOf(tx, [...written.keys()], newsOf),
  ])
}

/** A machine as the list of machines shows it. */
const shownOf = (known: MachineSnapshot, place: Place, stand: Stand): MachineRow => ({
  machineId: known.machine.id,
  siteId: known.machine.siteId,
  areaId: place.areaId,
  unitTag: place.unitTag,
  tag: known.machine.tag,
  purpose: known.machine.purpose,
  siteName: place.siteName,
  areaName: place.areaName,
  level: stand.level,
  headline: stand.headline,
  conditions: stand.conditions,
  found: stand.found,
  confidence: stand.confidence,
  rail: stand.rail,
  meanVolts: stand.meanVolts,
  spark: stand.spark,
  seenAt: stand.seenAt?.toISOString() ?? null,
  dueAt: stand.dueAt?.toISOString() ?? null,
})

const batch = 20

/**
 * Judge many machines, some at a time: while a thread judges some, the next are loaded. These are loaded before what their twins were
 * judged to be is written, so that here all that have twins are judged once more by the new loads.
 */
export async function refreshMany(tx: Tx, machineIds: readonly string[]): Promise<void> {
  const sorted = [...machineIds].sort()
  const slices = Array.from({ length: Math.ceil(sorted.length / batch) }, (_, i) =>
    sorted.slice(i * batch, (i + 1) * batch),
  )
  const start = (i: number): Promise<Locked | null> => {
    const ids = slices[i]
    return ids ? lockAndLoad(tx, ids) : Promise.resolve(null)
  }
  let next = start(0)
  try {
    for (let i = 0; i < slices.length; i++) {
      const now = await next
      if (!now) return
      const judging = judged(now)
      next = start(i + 1)
      // Where loading fails while these are judged, it is told when its turn comes.
      next.catch(() => undefined)
      await write(tx, now, await judging)
      await refreshTwins(tx, now.near, now.policies)
    }
  } finally {
    // Nothing is asked any more once the transaction has ended.
    await next.catch(() => undefined)
  }
}

/** So many are judged in one transaction: who saves a visit of one of them waits no longer than that takes. */
const staleAtOnce = 4

/** Judge what a batch left unjudged because its server ended in the middle of it, few at a time, by their ids. */
export async function refreshStale(db: Db): Promise<void> {
  for (let last: string | null = null; ;) {
    const rows: { id: string }[] = await db
      .select({ id: machineStates.machineId })
      .from(machineStates)
      .where(and(eq(machineStates.stale, true), last === null ? undefined : gt(machineStates.machineId, last)))
      .orderBy(machineStates.machineId)
      .limit(staleAtOnce)
    const end = rows.at(-1)
    if (!end) return
    await db.transaction((tx) =>
      refresh(
        tx,
        rows.map((r) => r.id),
      ),
    )
    last = end.id
  }
}

/** Changes whenever the same facts may be judged or shown otherwise: what was judged before is then judged again at the next start. */
const judgeVersion = 13

/** Judge every machine again where a newer judge has been installed since. */
export async function refreshForNewJudge(tx: Tx): Promise<void> {
  const [row] = await tx.select({ judged: organization.judgeVersion }).from(organization).for('no key update')
  if (!row || row.judged === judgeVersion) return
  await refreshAll(tx)
  await tx.update(organization).set({ judgeVersion })
}

/** Judge every machine. */
export async function refreshAll(tx: Tx): Promise<void> {
  const all = await tx.select({ id: machines.id }).from(machines)
  await refreshMany(
    tx,
    all.map((m) => m.id),
  )
}
