import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import type { Tx } from '../db/client.ts'
import { dayIn } from '../dates.ts'
import { rounds } from '../db/rounds-schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { currentPolicies } from '../policies/current.ts'
import { loadDue } from './due.ts'
import { makeRound } from './make.ts'
import { nextRound } from './recur.ts'
import { zoneOfSites } from './zone.ts'
import { pageOfRound, type RoundRow } from './page.ts'

const endOf = (day: string) => Date.parse(`${day}T23:59:59Z`)

/** The same round again on its next day, with what will be due by then at its machines. */
async function again(
  tx: Tx,
  row: RoundRow,
  machineIds: readonly string[],
  by: string,
  now: Date,
): Promise<string | null> {
  if (row.recurs === null || machineIds.length === 0) return null
  const day = nextRound(row.day, row.recurs, dayIn(now, await zoneOfSites(tx, row.siteIds)))
  const due = await loadDue(tx, { machineIds }, await currentPolicies(tx), now)
  const visits = due.flatMap((d) => {
    const tasks = d.tasks.filter((t) => Date.parse(t.dueAt) <= endOf(day)).map((t) => t.task)
    return tasks.length === 0 ? [] : [{ machineId: d.machineId, tasks }]
  })
  if (visits.length === 0) return null
  await makeRound(
    tx,
    {
      id: uuid(),
      name: row.name,
      day,
      siteIds: row.siteIds,
      visits,
      people: row.people,
      heat: row.heat,
      storm: null,
      recurs: row.recurs,
      days: 1,
      note: row.note,
    },
    by,
    now,
  )
  return day
}

/**
 * Close a round. With phones still out, or visits neither done nor skipped, it is refused at `reason` until one is given.
 */
export async function closeRound(tx: Tx, row: RoundRow, reason: string, by: string, now: Date): Promise<void> {
  const page = await pageOfRound(tx, row.id)
  if (reason.trim() === '' && page.away.length > 0)
    throw fieldProblem(
      'reason',
      `${page.away.map((d) => d.by).join(' and ')} still ${page.away.length === 1 ? 'has' : 'have'} this round on a phone; enter why it is closed before those entries are synced`,
    )
  if (reason.trim() === '' && page.head.left > 0)
    throw fieldProblem(
      'reason',
      `${page.head.left} ${page.head.left === 1 ? 'visit is' : 'visits are'} neither done nor skipped; enter why`,
    )
  const next = await again(
    tx,
    row,
    page.visits.map((s) => s.machineId),
    by,
    now,
  )
  await tx
    .update(rounds)
    .set({
      closing: {
        at: now.toISOString(),
        by,
        reason,
        next,
        stood: page.visits.map(({ machineId, level, headline, conditions }) => ({
          machineId,
          level,
          headline,
          conditions,
        })),
      },
      version: row.version + 1,
    })
    .where(eq(rounds.id, row.id))
}
