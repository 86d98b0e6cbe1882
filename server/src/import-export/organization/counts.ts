import type { ImportState } from '@motor-round/contract'
import type pg from 'pg'
import { stagingTable } from '../staging.ts'

/** What keeping a checked file would add. */
export async function countsOf(
  client: pg.ClientBase,
  importId: string,
): Promise<Pick<ImportState, 'rows' | 'added' | 'already' | 'machines' | 'sites'>> {
  const t = stagingTable(importId)
  const { rows } = await client.query<Record<'rows' | 'already' | 'machines' | 'sites', string>>(
    `select
       coalesce(sum(jsonb_array_length(s.document -> 'readings')) filter (where s.list = 'visits'), 0) as rows,
       coalesce(sum(jsonb_array_length(s.document -> 'readings')) filter (where v.id is not null), 0) as already,
       count(*) filter (where s.list = 'machines') as machines,
       count(*) filter (where s.list = 'sites') as sites
     from ${t} s left join lateral (
       select id from visits where s.list = 'visits' and id = (s.document ->> 'id')::uuid limit 1
     ) v on true
     where s.list in ('visits', 'machines', 'sites')`,
  )
  const n = (of: 'rows' | 'already' | 'machines' | 'sites') => Number(rows[0]?.[of] ?? 0)
  return {
    rows: n('rows'),
    added: n('rows') - n('already'),
    already: n('already'),
    machines: n('machines'),
    sites: n('sites'),
  }
}
