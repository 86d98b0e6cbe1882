import { show } from '@motor-round/core/quantity'
import { sql, asc, count, eq } from 'drizzle-orm'
import { acceptedRisk } from '@motor-round/core/stock'
import { publicUrl } from '../config.ts'
import { byClock, dayIn, dayWords } from '../dates.ts'
import type { Deps } from '../deps.ts'
import { digestAddresses, digests } from '../db/rounds-schema.ts'
import { machineStates, organization, sites } from '../db/schema.ts'
import { jobLines } from '../jobs/lines.ts'
import { machineRows, machinesWhere } from '../machine-list/rows.ts'
import { loadItems } from '../stock/load.ts'
import { putMail } from './outbox.ts'

const most = 10
/** The hour of Monday from which it goes out, by the clock of the first site. */
const hour = 6

const some = (title: string, list: readonly string[]): string[] =>
  list.length === 0
    ? []
    : [
        '',
        `${title} (${list.length})`,
        ...list.slice(0, most).map((l) => `- ${l}`),
        ...(list.length > most ? [`and ${list.length - most} more`] : []),
      ]

const zoneOf = async (deps: Deps): Promise<string> => {
  const [site] = await deps.db.select({ zone: sites.zone }).from(sites).orderBy(asc(sites.name)).limit(1)
  return site?.zone ?? 'UTC'
}

/** What a week came to, and what waits: machines that may not run, jobs that are due again, parts to order. */
export async function digestText(deps: Deps): Promise<{ subject: string; text: string }> {
  const now = deps.now()
  const zone = await zoneOf(deps)
  const [own] = await deps.db.select({ name: organization.name }).from(organization)
  const counted = await deps.db
    .select({
      level: machineStates.level,
      n: count(),
      overdue: sql<string>`count(*) filter (where ${machineStates.dueAt} < ${now.toISOString()}::timestamptz)`,
    })
    .from(machineStates)
    .where(eq(machineStates.retired, false))
    .groupBy(machineStates.level)
  const of = (level: string) => counted.find((c) => c.level === level)?.n ?? 0
  const overdue = counted.reduce((sum, c) => sum + Number(c.overdue), 0)
  const stops = await machineRows(deps, machinesWhere({ level: ['stop'] }), 'need', 0, 200)
  const jobs = await jobLines(deps)
  const at = (j: { unitTag: string; tag: string; title: string }) => `${j.unitTag} / ${j.tag}: ${j.title}`
  const weekAgo = now.getTime() - 7 * 86_400_000
  const low = (await loadItems(deps.db, now)).filter(
    (i) => i.levels.reduce((sum, l) => sum + l.free, 0) < i.wantMin || (i.inService > 0 && i.risk > acceptedRisk),
  )
  const base = publicUrl(deps.config)
  return {
    subject: `${own?.name ?? 'Motor Round'}: fans, week of ${dayWords(dayIn(now, zone))}`,
    text: [
      `${of('stop')} to stop, ${of('fix')} to fix, ${of('watch')} to watch, ${of('ok')} OK. ${show.count(overdue, 'visit')} overdue.`,
      ...some(
        'May not run',
        stops.map((m) => `${m.unitTag} / ${m.tag}: ${m.conditions[0]?.because ?? m.headline}`),
      ),
      ...some('Permits to run that expired', jobs.filter((j) => j.permit?.expired).map(at)),
      ...some('Postponed, and due again', jobs.filter((j) => j.back !== null).map(at)),
      ...some('Waiting for a decision', jobs.filter((j) => j.state === 'quoted' || j.state === 'told').map(at)),
      ...some(
        'Interrupted',
        jobs
          .filter((j) => j.state === 'paused')
          .map((j) => `${at(j)}${j.open.length > 0 ? ` (off: ${j.open.join(', ')})` : ''}`),
      ),
      ...some(
        'Closed this week',
        jobs.filter((j) => j.state === 'closed' && j.closedAt !== null && Date.parse(j.closedAt) >= weekAgo).map(at),
      ),
      ...some(
        'Parts to order',
        low.map(
          (i) => `${i.title}: ${i.levels.reduce((sum, l) => sum + l.free, 0)} free, keep ${i.wantMin} to ${i.wantMax}`,
        ),
      ),
      '',
      `All of it: ${base}/machines, ${base}/jobs, ${base}/stock`,
    ].join('\n'),
  }
}

/** Write the digest of this week where it is due and was not written yet. @returns how many letters were put into the outbox */
export async function digestIfDue(deps: Deps): Promise<number> {
  const now = deps.now()
  const zone = await zoneOf(deps)
  // dayjs counts Sunday as 0.
  const weekday = (Number(byClock(now, zone, 'd')) + 6) % 7
  if (weekday === 0 && Number(byClock(now, zone, 'H')) < hour) return 0
  const week = dayIn(new Date(now.getTime() - weekday * 86_400_000), zone)
  const to = await deps.db.select().from(digestAddresses).orderBy(asc(digestAddresses.email))
  if (to.length === 0) return 0
  const [known] = await deps.db.select().from(digests).where(eq(digests.week, week))
  if (known) return 0
  const { subject, text } = await digestText(deps)
  return deps.db.transaction(async (tx) => {
    const first = await tx.insert(digests).values({ week, madeAt: now }).onConflictDoNothing()
    if ((first.rowCount ?? 0) === 0) return 0
    for (const { email } of to) await putMail(tx, { to: email, subject, body: text, attachments: [] }, now)
    return to.length
  })
}
