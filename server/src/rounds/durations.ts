import { sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'

interface Row extends Record<string, unknown> {
  machine_id: string
  planned: number
  real: number
}

/** What earlier visits of rounds took at each machine: planned minutes and those between arriving and being done. */
export async function takenAt(
  db: Db | Tx,
  machineIds: readonly string[],
): Promise<Map<string, { planned: number; real: number }[]>> {
  const ids = sql.param([...machineIds])
  // The first time it was done, from the last time its person had come to it before.
  const { rows } = await db.execute<Row>(sql`
    select d.machine_id, s.minutes as planned, extract(epoch from d.at - b.at) / 60 as real
    from (
      select distinct on (round_id, machine_id) round_id, machine_id, by, at from round_events
      where kind = 'done' and machine_id = any(${ids}::uuid[])
      order by round_id, machine_id, at
    ) d
    join lateral (
      select max(at) as at from round_events
      where kind = 'began' and round_id = d.round_id and machine_id = d.machine_id and by = d.by and at <= d.at
    ) b on b.at is not null
    join round_visits s on s.round_id = d.round_id and s.machine_id = d.machine_id`)
  const out = new Map<string, { planned: number; real: number }[]>()
  for (const r of rows) {
    const list = out.get(r.machine_id) ?? []
    list.push({ planned: r.planned, real: Number(r.real) })
    out.set(r.machine_id, list)
  }
  return out
}
