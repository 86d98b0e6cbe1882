import type { LiveNow, LivePage, LiveSpan } from '@motor-round/contract'
import { liveQuantity, type LiveQuantityId, type Rolled } from '@motor-round/core/live'
import { and, desc, eq, gte, lte, sql } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { liveDays, liveOffHours } from '../db/live-schema.ts'
import { machines, sites } from '../db/schema.ts'
import { vfdLinks } from '../db/vfd-schema.ts'
import { dayIn } from '../dates.ts'
import { notFound } from '../http/problem.ts'
import { minutesADay, unpackMinutes } from './chunk.ts'
import { pointsOf } from './points.ts'
import { minutesBetween, rolledBetween } from './read.ts'

const hourMs = 3_600_000
const dayMs = 24 * hourMs

/** How long each span is, and by which stretch it is drawn; null: every minute. */
const spans: Readonly<Record<LiveSpan, { readonly ms: number; readonly stretch: number | null }>> = {
  day: { ms: dayMs, stretch: null },
  week: { ms: 7 * dayMs, stretch: hourMs },
  month: { ms: 31 * dayMs, stretch: hourMs },
  year: { ms: 366 * dayMs, stretch: dayMs },
}

type Point = LivePage['series'][number]['points'][number]

const rounded = (x: number) => Math.round(x * 100) / 100
const pointOf = ([at, r]: readonly [number, Rolled]): Point => [at, rounded(r.low), rounded(r.mean), rounded(r.high)]

async function seriesOf(db: Db, machineId: string, from: number, to: number, stretch: number | null) {
  if (stretch !== null) {
    const rolled = await rolledBetween(db, machineId, from, to, stretch)
    return [...rolled].map(([quantity, by]) => ({
      quantity,
      points: [...by].sort((a, b) => a[0] - b[0]).map(pointOf),
    }))
  }
  const minutes = await minutesBetween(db, machineId, from, to)
  return [...minutes].map(([quantity, list]) => ({
    quantity,
    points: list.map(([at, v]): Point => [at, v, v, v]),
  }))
}

interface Newest extends Record<string, unknown> {
  quantity: LiveQuantityId
  day: number
  minutes: Buffer | null
}

/** The newest minute of each quantity of a machine. */
async function newestOf(db: Db, machineId: string): Promise<{ last: number | null; now: LivePage['now'] }> {
  const { rows } = await db.execute<Newest>(sql`
    select s.quantity, c.day, c.minutes from live_series s
    cross join lateral (select day, minutes from live_chunks c where c.series = s.id order by day desc limit 1) c
    where s.machine_id = ${machineId}::uuid`)
  let last: number | null = null
  const found: { quantity: LiveQuantityId; at: number; value: number }[] = []
  for (const r of rows) {
    if (!r.minutes) continue
    const { minutes, values } = unpackMinutes(r.minutes)
    const at = (r.day * minutesADay + (minutes.at(-1) ?? 0)) * 60_000
    last = Math.max(last ?? 0, at)
    found.push({ quantity: r.quantity, at, value: (values.at(-1) ?? 0) * liveQuantity(r.quantity).step })
  }
  return {
    last,
    // What came long before the newest says nothing of now.
    now: Object.fromEntries(
      found.filter((f) => last !== null && f.at > last - 15 * 60_000).map((f) => [f.quantity, rounded(f.value)]),
    ),
  }
}

const shown = ({ last, now }: Awaited<ReturnType<typeof newestOf>>) => ({
  last: last === null ? null : new Date(last).toISOString(),
  now,
})

/** What a machine's own instruments show now. @throws a problem: no such machine */
export async function liveNowOf(db: Db, machineId: string): Promise<LiveNow> {
  const [there] = await db.select({ id: machines.id }).from(machines).where(eq(machines.id, machineId))
  if (!there) throw notFound('machine')
  return shown(await newestOf(db, machineId))
}

/** What a machine's own instruments showed over some time. @throws a problem: no such machine */
export async function livePageOf(
  db: Db,
  machineId: string,
  span: LiveSpan,
  until: Date | null,
  now: Date,
): Promise<LivePage> {
  const [place] = await db
    .select({ zone: sites.zone })
    .from(machines)
    .innerJoin(sites, eq(sites.id, machines.siteId))
    .where(eq(machines.id, machineId))
  if (!place) throw notFound('machine')
  const { ms, stretch } = spans[span]
  const to = (until ?? now).getTime()
  const from = to - ms
  const day = (at: number) => dayIn(new Date(at), place.zone)
  const [series, newest, days, off, points, links] = await Promise.all([
    // This very minute belongs to it.
    seriesOf(db, machineId, from + 1, to + 1, stretch),
    newestOf(db, machineId),
    db
      .select({ summary: liveDays.summary })
      .from(liveDays)
      .where(and(eq(liveDays.machineId, machineId), gte(liveDays.day, day(from)), lte(liveDays.day, day(to))))
      .orderBy(desc(liveDays.day))
      .limit(370),
    db.select().from(liveOffHours).where(eq(liveOffHours.machineId, machineId)),
    pointsOf(db, machineId),
    db.select({ live: vfdLinks.live }).from(vfdLinks).where(eq(vfdLinks.machineId, machineId)),
  ])
  return {
    from: new Date(from).toISOString(),
    to: new Date(to).toISOString(),
    series,
    ...shown(newest),
    days: days.map((d) => d.summary).reverse(),
    offHours: off[0]?.offHours ?? [],
    points,
    polled: links[0]?.live ?? false,
  }
}
