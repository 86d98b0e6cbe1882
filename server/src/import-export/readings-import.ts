import type { Readable } from 'node:stream'
import type { ImportState } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type pg from 'pg'
import { machines, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { readRows } from './csv/rows.ts'
import { compareReadings } from './readings-compare.ts'
import { machineKey, ReadingsRows, type NamedMachine } from './readings-row.ts'
import { createReadingsStaging, openCopy, stagingTable } from './staging.ts'
import { Errors, saveProgress } from './state.ts'

/** Someone called the import off. */
export class Cancelled extends Error {}

async function namedMachines(deps: Deps): Promise<Map<string, NamedMachine>> {
  const rows = await deps.db
    .select({ id: machines.id, siteId: machines.siteId, site: sites.name, unit: units.tag, tag: machines.tag })
    .from(machines)
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(sites, eq(sites.id, machines.siteId))
  return new Map(rows.map((r) => [machineKey(r.site, r.unit, r.tag), { id: r.id, siteId: r.siteId }]))
}

/**
 * Check a file of readings row by row while it arrives, into a staging table of its own. Nothing is kept yet.
 * @returns the state after the check: ready, refused or in need of a zone
 * @throws Cancelled when called off meanwhile; FileProblem when the file cannot be read
 */
export async function checkReadings(
  deps: Deps,
  client: pg.ClientBase,
  source: Readable,
  state: ImportState,
  zone: string | null,
): Promise<ImportState> {
  const errors = new Errors()
  const named = await namedMachines(deps)
  await createReadingsStaging(client, state.id)
  const copy = openCopy(client, state.id)
  let rows: ReadingsRows | null = null
  let count = 0
  let bytes = 0
  let told = Date.now()
  try {
    await readRows(source, {
      header: (header) => (rows = new ReadingsRows(header, named, zone, errors)),
      bytes: (n) => (bytes = n),
      batch: async (batch) => {
        const checker = rows
        if (!checker || errors.list.some((e) => e.column === 'header')) return
        const good = batch.rows.map((row, i) => checker.read(row, batch.lines[i] ?? 0))
        const text = errors.count === 0 ? good.join('') : ''
        count += batch.rows.length
        // Once there is an error nothing will be kept: the rest is only checked.
        if (text !== '') await copy.write(text)
        if (Date.now() - told > 500) {
          told = Date.now()
          if (!(await saveProgress(deps.db, { ...state, rows: count, bytes, errorCount: errors.count })))
            throw new Cancelled()
        }
      },
    })
    await copy.end()
  } catch (e) {
    await copy.abort(e as Error)
    throw e
  }
  const checker = rows as ReadingsRows | null
  const read: ImportState = {
    ...state,
    rows: count,
    bytes,
    machines: checker?.seen.size ?? 0,
    sites: checker?.sites.size ?? 0,
    from: checker && Number.isFinite(checker.from) ? new Date(checker.from).toISOString() : null,
    to: checker && Number.isFinite(checker.to) ? new Date(checker.to).toISOString() : null,
  }
  if (errors.count === 0 && checker && checker.zoneless > 0) {
    const zones = await deps.db.selectDistinct({ zone: sites.zone }).from(sites)
    return {
      ...read,
      status: 'needs zone',
      zones: zones.map((z) => z.zone),
      message: `${checker.zoneless} dates carry no time zone. Choose the time zone they were read in.`,
    }
  }
  if (errors.count === 0 && count === 0) errors.add(1, 'row', 'there are no rows below the header')
  const against = errors.count === 0 ? await compareReadings(client, state.id, errors, checker?.repeats ?? false) : null
  const already = (against?.already ?? 0) + (against?.twice ?? 0)
  return {
    ...read,
    status: errors.count > 0 ? 'refused' : 'ready',
    errorCount: errors.count,
    errors: errors.list,
    already,
    added: errors.count > 0 ? 0 : count - already,
    message:
      errors.count > 0 ? 'Nothing was imported. Correct these lines and import the file again.' : twiceTold(checker),
  }
}

/** Times in the hour that a clock passes twice in fall: which of them was taken. */
function twiceTold(rows: ReadingsRows | null): string {
  if (!rows || rows.twice === 0) return ''
  const { twice, firstTwice } = rows
  return twice === 1
    ? `Line ${firstTwice} has a time that the clock passed twice when it was set back. The first one was taken.`
    : `${twice} lines, line ${firstTwice} first, have times that the clock passed twice when it was set back. The first one was taken.`
}

/**
 * Keep the checked rows, inside the caller's transaction.
 * @param plain nothing in the file stands twice or is kept already: no row can clash, so none is looked up
 * @returns how many readings were new, and of which machines
 */
export async function keepReadings(
  client: pg.ClientBase,
  importId: string,
  by: string,
  plain: boolean,
): Promise<{ added: number; machines: string[] }> {
  const t = stagingTable(importId)
  const fresh = `(select * from ${t} x where not exists (
    select 1 from readings r where r.site_id = x.site_id and r.machine_id = x.machine_id and r.taken_at = x.taken_at
      and r.quantity = x.quantity and r.position = x.position))`
  const rows = plain ? t : fresh
  // One row of each run of rows opens its visit; a visit met again in another part of the file is there already.
  await client.query(
    `insert into visits (id, site_id, machine_id, taken_at, by, state, note, reason, source)
     select t.visit_id, t.site_id, t.machine_id, t.taken_at, case when t.by = '' then $1 else t.by end,
       jsonb_build_object('settled', t.settled, 'mode', null, 'filters', null, 'panels', null, 'twin', null, 'turning', null),
       t.note, '', 'import'
     from ${t} t where t.opens ${plain ? '' : `and t.visit_id in (select n.visit_id from ${rows} n)`}
     on conflict do nothing`,
    [by],
  )
  const inserted = await client.query(
    `insert into readings (site_id, machine_id, taken_at, visit_id, quantity, position, value, how)
     select t.site_id, t.machine_id, t.taken_at, t.visit_id, t.quantity, t.position, t.value, t.how from ${rows} t
     ${plain ? '' : 'on conflict do nothing'}`,
  )
  const touched = await client.query<{ machine_id: string }>(`select distinct machine_id from ${t}`)
  return { added: inserted.rowCount ?? 0, machines: touched.rows.map((r) => r.machine_id) }
}
