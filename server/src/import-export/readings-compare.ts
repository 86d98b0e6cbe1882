import type pg from 'pg'
import { stagingTable } from './staging.ts'
import type { Errors } from './state.ts'

/** How a checked file stands against what is kept and against itself. */
export interface Comparison {
  readonly already: number
  readonly twice: number
  /** Nothing of these machines and days is kept yet, so nothing can clash. */
  readonly fresh: boolean
}

const shown = 100

interface Clash {
  line: number
  other: number
  quantity: string
  position: string
  value: number
  kept: number
}

/** Rows given twice inside the file; those with different values are errors. @returns how many rows are too many */
async function insideFile(client: pg.ClientBase, t: string, errors: Errors): Promise<number> {
  await client.query(`analyze ${t}`)
  const twice = await client.query<{ rows: string; bad: string }>(
    `select coalesce(sum(n - 1), 0) as rows, count(*) filter (where low <> high) as bad from (
       select count(*) as n, min(value) as low, max(value) as high from ${t}
       group by machine_id, taken_at, quantity, position having count(*) > 1) d`,
  )
  const bad = Number(twice.rows[0]?.bad ?? 0)
  if (bad > 0) {
    const list = await client.query<Clash>(
      `select max(line) as line, min(line) as other, quantity, position, max(value) as value, min(value) as kept from ${t}
       group by machine_id, taken_at, quantity, position having count(*) > 1 and min(value) <> max(value) order by 1 limit ${shown}`,
    )
    for (const c of list.rows)
      errors.add(
        c.line,
        'value',
        `${c.quantity} ${c.position} is given twice for that machine and time, here and on line ${c.other}, with different values`,
      )
    errors.count += bad - list.rows.length
  }
  return Number(twice.rows[0]?.rows ?? 0)
}

/**
 * Find rows that are kept already, rows given twice, and rows that contradict: the same machine, instant, quantity
 * and position with another value. Contradictions are errors; a reading is corrected on its machine, with a reason.
 * @param repeats whether a value may stand twice in the file; when its order rules that out, nobody looks
 */
export async function compareReadings(
  client: pg.ClientBase,
  importId: string,
  errors: Errors,
  repeats: boolean,
): Promise<Comparison> {
  const t = stagingTable(importId)
  const twice = repeats ? await insideFile(client, t, errors) : 0
  const overlap = await client.query<{ there: boolean }>(
    `select exists (
       select 1 from (select site_id, machine_id, min(taken_at) as low, max(taken_at) as high from ${t} group by 1, 2) m
       where exists (select 1 from visits s where s.site_id = m.site_id and s.machine_id = m.machine_id
         and s.taken_at between m.low and m.high)) as there`,
  )
  if (!overlap.rows[0]?.there) return { already: 0, twice, fresh: true }
  await client.query(`analyze ${t}`)
  const kept = await client.query<{ already: string; clash: string }>(
    `select count(*) filter (where same) as already, count(*) filter (where not same) as clash from (
       select t.line, bool_or(r.value = t.value) as same from ${t} t
       join readings r on r.site_id = t.site_id and r.machine_id = t.machine_id and r.taken_at = t.taken_at
         and r.quantity = t.quantity and r.position = t.position
       group by t.line) k`,
  )
  const clashes = Number(kept.rows[0]?.clash ?? 0)
  if (clashes > 0) {
    const list = await client.query<Clash>(
      `select t.line, t.quantity, t.position, t.value, max(r.value) as kept from ${t} t
       join readings r on r.site_id = t.site_id and r.machine_id = t.machine_id and r.taken_at = t.taken_at
         and r.quantity = t.quantity and r.position = t.position
       group by t.line, t.quantity, t.position, t.value having not bool_or(r.value = t.value) order by t.line limit ${shown}`,
    )
    for (const c of list.rows)
      errors.add(
        c.line,
        'value',
        `${c.quantity} ${c.position} is on record as ${c.kept} for that time; correct it at the machine, with a reason`,
      )
    errors.count += clashes - list.rows.length
  }
  return { already: Number(kept.rows[0]?.already ?? 0), twice, fresh: false }
}
