import { joined, liveQuantity, type LiveQuantityId, type Rolled } from '@motor-round/core/live'
import { sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { minutesADay, unpackHours, unpackMinutes } from './chunk.ts'

const minuteMs = 60_000
const dayMs = minutesADay * minuteMs

interface Row extends Record<string, unknown> {
  machine_id: string
  quantity: LiveQuantityId
  day: number
  bytes: Buffer | null
}

/** Chunks of machines over some days (UTC), oldest first. */
async function chunksOf(
  db: Db | Tx,
  machineIds: readonly string[],
  [from, to]: readonly [number, number],
  what: 'hours' | 'minutes',
): Promise<Row[]> {
  const { rows } = await db.execute<Row>(sql`
    select s.machine_id, s.quantity, c.day, c.${sql.raw(what)} as bytes from live_series s join live_chunks c on c.series = s.id
    where s.machine_id = any(${sql.param([...machineIds])}::uuid[])
      and c.day >= ${Math.floor(from / dayMs)} and c.day <= ${Math.floor(to / dayMs)}
    order by s.quantity, c.day`)
  return rows
}

/** Minutes of a machine's quantities between two instants, ms: `[at, value]`, oldest first. */
export async function minutesBetween(
  db: Db | Tx,
  machineId: string,
  from: number,
  to: number,
): Promise<Map<LiveQuantityId, [number, number][]>> {
  const out = new Map<LiveQuantityId, [number, number][]>()
  for (const r of await chunksOf(db, [machineId], [from, to], 'minutes')) {
    if (!r.bytes) continue
    const { step } = liveQuantity(r.quantity)
    const { minutes, values } = unpackMinutes(r.bytes)
    const list = out.get(r.quantity) ?? []
    out.set(r.quantity, list)
    minutes.forEach((m, i) => {
      const at = r.day * dayMs + m * minuteMs
      if (at >= from && at < to) list.push([at, round((values[i] ?? 0) * step)])
    })
  }
  return out
}

/** Minutes of a machine by its quantities: one value for each minute of a stretch, NaN where none came. */
export type ByMinute = Map<LiveQuantityId, Float64Array>

/** So many minutes of several machines from an instant on, ms; a quantity of which none came is left out. */
export async function minuteByMinute(
  db: Db | Tx,
  machineIds: readonly string[],
  from: number,
  length: number,
): Promise<Map<string, ByMinute>> {
  const first = from / minuteMs
  const out = new Map<string, ByMinute>()
  for (const r of await chunksOf(db, machineIds, [from, from + (length - 1) * minuteMs], 'minutes')) {
    if (!r.bytes) continue
    const { step } = liveQuantity(r.quantity)
    const { minutes, values } = unpackMinutes(r.bytes)
    const own = out.get(r.machine_id) ?? new Map<LiveQuantityId, Float64Array>()
    let list = own.get(r.quantity)
    const shift = r.day * minutesADay - first
    for (let k = 0; k < minutes.length; k++) {
      const i = (minutes[k] ?? 0) + shift
      if (i < 0 || i >= length) continue
      list ??= new Float64Array(length).fill(NaN)
      list[i] = round((values[k] ?? 0) * step)
    }
    if (!list) continue
    own.set(r.quantity, list)
    out.set(r.machine_id, own)
  }
  return out
}

/** Steps are decimal, and their multiples are not quite. */
const round = (x: number) => Math.round(x * 1000) / 1000

/** Hours of a machine's quantities, brought together to stretches of so many ms. */
export async function rolledBetween(
  db: Db | Tx,
  machineId: string,
  from: number,
  to: number,
  span: number,
): Promise<Map<LiveQuantityId, Map<number, Rolled>>> {
  const out = new Map<LiveQuantityId, Map<number, Rolled>>()
  for (const r of await chunksOf(db, [machineId], [from, to], 'hours')) {
    if (!r.bytes) continue
    const { step } = liveQuantity(r.quantity)
    const own = out.get(r.quantity) ?? new Map<number, Rolled>()
    out.set(r.quantity, own)
    for (const [hour, v] of unpackHours(r.bytes)) {
      const at = r.day * dayMs + hour * 60 * minuteMs
      if (at < from || at >= to) continue
      const stretch = Math.floor(at / span) * span
      const rolled = { n: v.n, low: round(v.low * step), mean: v.mean * step, high: round(v.high * step) }
      own.set(stretch, joined(own.get(stretch), rolled))
    }
  }
  return out
}
