import { liveQuantity, rollUp, type LiveQuantityId } from '@motor-round/core/live'
import { eq, inArray, sql } from 'drizzle-orm'
import type { Tx } from '../db/client.ts'
import { anyOf } from '../db/prepared.ts'
import { liveSeries } from '../db/live-schema.ts'
import { machines, sites } from '../db/schema.ts'
import { dayIn } from '../dates.ts'
import { mergeMinutes, minutesADay, packHours, packMinutes, unpackMinutes, type ChunkMinutes } from './chunk.ts'

/** Minutes of one quantity of a machine. */
export interface SeriesMinutes {
  readonly machineId: string
  readonly quantity: LiveQuantityId
  /** Minutes since 1970, ascending, each once. */
  readonly minutes: ArrayLike<number>
  /** In the unit that is kept. */
  readonly values: ArrayLike<number>
}

export interface KeptMinutes {
  readonly kept: number
  readonly already: number
  /** There with another value: what was there stays. */
  readonly differ: number
}

const dayMs = minutesADay * 60_000

const keyOf = (s: Pick<SeriesMinutes, 'machineId' | 'quantity'>) => `${s.machineId} ${s.quantity}`

/** The series of these, made where they are missing, and locked in order: two that keep minutes of the same follow each other. */
async function seriesOf(tx: Tx, list: readonly SeriesMinutes[]): Promise<Map<string, number>> {
  const machineIds = [...new Set(list.map((s) => s.machineId))]
  const read = async () => {
    const rows = await tx
      .select()
      .from(liveSeries)
      .where(inArray(liveSeries.machineId, machineIds))
      .orderBy(liveSeries.id)
      .for('no key update')
    return new Map(rows.map((r) => [keyOf(r), r.id]))
  }
  const there = await read()
  // Asked first: an insert that finds its row there takes a number all the same, and they would run out.
  const missing = [...new Map(list.map((s) => [keyOf(s), s])).entries()].filter(([key]) => !there.has(key))
  if (missing.length === 0) return there
  await tx
    .insert(liveSeries)
    .values(
      missing.sort(([a], [b]) => (a < b ? -1 : 1)).map(([, { machineId, quantity }]) => ({ machineId, quantity })),
    )
    .onConflictDoNothing()
  return read()
}

interface DayPart {
  readonly series: number
  readonly day: number
  readonly part: ChunkMinutes
}

/** A series by its days (UTC), in whole numbers of its step. */
function daysOf(s: SeriesMinutes, series: number): DayPart[] {
  const { step } = liveQuantity(s.quantity)
  const out: DayPart[] = []
  for (let i = 0; i < s.minutes.length;) {
    const day = Math.floor((s.minutes[i] ?? 0) / minutesADay)
    let end = i
    while (end < s.minutes.length && Math.floor((s.minutes[end] ?? 0) / minutesADay) === day) end++
    const minutes = new Int16Array(end - i)
    const values = new Int32Array(end - i)
    for (let k = i; k < end; k++) {
      minutes[k - i] = (s.minutes[k] ?? 0) - day * minutesADay
      values[k - i] = Math.round((s.values[k] ?? 0) / step)
    }
    out.push({ series, day, part: { minutes, values } })
    i = end
  }
  return out
}

interface ChunkRow extends Record<string, unknown> {
  series: number
  day: number
  minutes: Buffer | null
  n: number
}

async function chunksThere(tx: Tx, parts: readonly DayPart[]): Promise<Map<string, ChunkRow>> {
  const { rows } = await tx.execute<ChunkRow>(sql`
    select c.series, c.day, c.minutes, c.n from live_chunks c
    join unnest(${sql.param(parts.map((p) => p.series))}::int[], ${sql.param(parts.map((p) => p.day))}::int[]) as w (series, day)
      on c.series = w.series and c.day = w.day`)
  return new Map(rows.map((r) => [`${r.series} ${r.day}`, r]))
}

/** Days of machines that have to be summed up again, by the clocks of their sites. */
async function markDirty(
  tx: Tx,
  dirty: ReadonlyMap<string, readonly (readonly [from: number, to: number])[]>,
  due: Date,
) {
  const ids = [...dirty.keys()]
  const zones = await tx
    .select({ id: machines.id, zone: sites.zone })
    .from(machines)
    .innerJoin(sites, eq(sites.id, machines.siteId))
    .where(anyOf(machines.id))
    .prepare('live_zones')
    .execute({ ids })
  const rows = zones.flatMap(({ id, zone }) => {
    const days = new Set(
      (dirty.get(id) ?? []).flatMap(([a, b]) => [dayIn(new Date(a), zone), dayIn(new Date(b), zone)]),
    )
    return [...days].map((day) => ({ id, day }))
  })
  await tx.execute(sql`
    insert into live_dirty (machine_id, day, due)
    select *, ${due.toISOString()}::timestamptz from unnest(${sql.param(rows.map((r) => r.id))}::uuid[], ${sql.param(rows.map((r) => r.day))}::date[]) as t
    order by 1, 2
    on conflict (machine_id, day) do update set due = least(live_dirty.due, excluded.due)`)
}

/**
 * Keep minutes of machines; each minute of a series is kept once, and what is there stays. What their days come to is worked
 * out again from `due` on.
 */
export async function keepMinutes(tx: Tx, list: readonly SeriesMinutes[], due: Date): Promise<KeptMinutes> {
  const some = list.filter((s) => s.minutes.length > 0)
  if (some.length === 0) return { kept: 0, already: 0, differ: 0 }
  const ids = await seriesOf(tx, some)
  const all = some.map((s) => ({ s, parts: daysOf(s, ids.get(keyOf(s)) ?? 0) }))
  const there = await chunksThere(
    tx,
    all.flatMap((a) => a.parts),
  )
  let [kept, already, differ] = [0, 0, 0]
  const rows: { series: number; day: number; n: number; hours: Buffer; minutes: Buffer }[] = []
  const dirty = new Map<string, (readonly [number, number])[]>()
  for (const { s, parts } of all)
    for (const { series, day, part } of parts) {
      const known = there.get(`${series} ${day}`)
      // Its minutes were thinned out: what is kept of it is its hours.
      if (known?.minutes === null) {
        already += part.minutes.length
        continue
      }
      const merged = known
        ? mergeMinutes(unpackMinutes(known.minutes), part)
        : { all: part, added: part.minutes.length, already: 0, differ: 0 }
      kept += merged.added
      already += merged.already
      differ += merged.differ
      if (merged.added === 0) continue
      const { minutes, values } = merged.all
      const hours = new Map([...rollUp(minutes, values, 60)].map(([at, r]) => [at / 60, r]))
      rows.push({ series, day, n: minutes.length, hours: packHours(hours), minutes: packMinutes(merged.all) })
      const own = dirty.get(s.machineId) ?? []
      const first = day * dayMs + (part.minutes[0] ?? 0) * 60_000
      own.push([first, day * dayMs + (part.minutes.at(-1) ?? 0) * 60_000])
      dirty.set(s.machineId, own)
    }
  if (rows.length > 0) {
    await tx.execute(sql`
      insert into live_chunks (day, series, n, hours, minutes)
      select * from unnest(${sql.param(rows.map((r) => r.day))}::int[], ${sql.param(rows.map((r) => r.series))}::int[],
        ${sql.param(rows.map((r) => r.n))}::smallint[], ${sql.param(rows.map((r) => r.hours))}::bytea[], ${sql.param(rows.map((r) => r.minutes))}::bytea[])
      on conflict (series, day) do update set n = excluded.n, hours = excluded.hours, minutes = excluded.minutes`)
    await markDirty(tx, dirty, due)
  }
  return { kept, already, differ }
}
