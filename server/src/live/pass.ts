import {
  besideForJudging,
  daysForJudging,
  summarizeDay,
  type LiveBeside,
  type LiveDay,
  type LiveEvidence,
  type LivePlate,
  type LiveQuantityId,
  type OffHours,
} from '@motor-round/core/live'
import { plateForDrive } from '@motor-round/core/vfd'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import { inTurn, type Db, type Tx } from '../db/client.ts'
import { preparedSql } from '../db/prepared.ts'
import { liveDays, liveOffHours, liveStates } from '../db/live-schema.ts'
import { components, machines, machineStates, sites, type MotorSpec } from '../db/schema.ts'
import { dayClock, type DayClock } from './day-clock.ts'
import { minuteByMinute, type ByMinute } from './read.ts'

const minuteMs = 60_000
/** So many days of machines at a time. */
const batch = 200

/** What summing up needs of a machine besides its minutes. */
export interface LiveMachine {
  readonly zone: string
  readonly plate: LivePlate
  readonly offHours: readonly OffHours[]
}

/** Machines with their zone, nameplate and off hours. */
export async function liveMachines(db: Db | Tx, ids: readonly string[]): Promise<Map<string, LiveMachine>> {
  const rows = await db
    .select({
      id: machines.id,
      serviceVolts: machines.serviceVolts,
      zone: sites.zone,
      hertz: sites.hertz,
      spec: components.spec,
      offHours: liveOffHours.offHours,
    })
    .from(machines)
    .innerJoin(sites, eq(sites.id, machines.siteId))
    .leftJoin(
      components,
      and(eq(components.machineId, machines.id), eq(components.slot, 'motor'), isNull(components.removedAt)),
    )
    .leftJoin(liveOffHours, eq(liveOffHours.machineId, machines.id))
    .where(inArray(machines.id, [...ids]))
  return new Map(
    rows.map((r) => {
      // The slot says which spec a row holds.
      const motor = r.spec as MotorSpec | null
      const plate = plateForDrive(motor?.plate ?? null, r.serviceVolts, motor?.connectionVolts ?? null)
      return [r.id, { zone: r.zone, plate: { amps: plate.amps, hz: plate.hz ?? r.hertz }, offHours: r.offHours ?? [] }]
    }),
  )
}

const summaryOf = (m: LiveMachine, day: DayClock, values: ByMinute): LiveDay =>
  summarizeDay({
    ...day,
    plate: m.plate,
    offHours: m.offHours,
    hz: values.get('hz'),
    amps: values.get('amps'),
    running: values.get('running'),
    call: values.get('call'),
  })

/** So many minutes before and after a visit are what its clamp is held against. */
const around = 5

/** What was sent about a visit, while it ran. @param from the first minute of the values, ms */
function besideOf(at: number, from: number, values: ByMinute): LiveBeside | null {
  const i = Math.floor((at - from) / minuteMs)
  const mean = (q: LiveQuantityId) => {
    const near = [...(values.get(q)?.subarray(Math.max(0, i - around), i + around + 1) ?? [])].filter((v) => v > 0)
    return near.length === 0 ? null : near.reduce((s, v) => s + v, 0) / near.length
  }
  const [amps, hz] = [mean('amps'), mean('hz')]
  return amps === null ? null : { at, amps, hz }
}

/** When machines were visited between two instants and their amps were read, ms. */
async function visitsBetween(tx: Tx, ids: readonly string[], from: number, to: number): Promise<Map<string, number[]>> {
  const { rows } = await tx.execute<{ machine_id: string; at: string }>(sql`
    select distinct r.machine_id, (extract(epoch from r.taken_at) * 1000)::bigint as at from readings r
    join machines m on m.id = r.machine_id and m.site_id = r.site_id
    where m.id = any(${sql.param([...ids])}::uuid[]) and r.quantity = 'amps'
      and r.taken_at >= ${new Date(from).toISOString()}::timestamptz and r.taken_at < ${new Date(to).toISOString()}::timestamptz`)
  const out = new Map<string, number[]>()
  for (const r of rows) out.set(r.machine_id, [...(out.get(r.machine_id) ?? []), Number(r.at)])
  return out
}

interface Found {
  readonly days: LiveDay[]
  readonly beside: LiveBeside[]
}

/** Sum up some machines' days of one clock. */
async function sumDay(
  tx: Tx,
  day: DayClock,
  list: readonly (readonly [string, LiveMachine])[],
  found: Map<string, Found>,
): Promise<void> {
  const ids = list.map(([id]) => id)
  const end = day.at + day.clock.length * minuteMs
  const [values, visited] = await inTurn([
    minuteByMinute(tx, ids, day.at, day.clock.length),
    visitsBetween(tx, ids, day.at, end),
  ])
  for (const [id, m] of list) {
    const own: ByMinute = values.get(id) ?? new Map<LiveQuantityId, Float64Array>()
    const into = found.get(id) ?? { days: [], beside: [] }
    found.set(id, into)
    into.days.push(summaryOf(m, day, own))
    into.beside.push(...(visited.get(id) ?? []).flatMap((at) => besideOf(at, day.at, own) ?? []))
  }
}

/** Write what days came to; machines whose judging takes it otherwise are marked to be judged again. */
async function write(tx: Tx, found: ReadonlyMap<string, Found>): Promise<void> {
  const rows = [...found].flatMap(([machineId, f]) =>
    // A day on which nothing came is no day: it was marked because of a visit.
    f.days
      .filter((d) => d.known > 0 || d.mostAmps !== null || d.callOn + d.callOff > 0)
      .map((d) => ({ machineId, day: d.day, d })),
  )
  if (rows.length > 0)
    await tx.execute(sql`
      insert into live_days (machine_id, day, summary)
      select * from unnest(${sql.param(rows.map((r) => r.machineId))}::uuid[], ${sql.param(rows.map((r) => r.day))}::date[], ${sql.param(rows.map((r) => JSON.stringify(r.d)))}::jsonb[])
      on conflict (machine_id, day) do update set summary = excluded.summary`)
  const ids = [...found.keys()].sort()
  const before = new Map(
    (await tx.select().from(liveStates).where(inArray(liveStates.machineId, ids))).map((r) => [
      r.machineId,
      r.evidence,
    ]),
  )
  const own = new Map(rows.map((r) => [r.machineId, true]))
  const changed = ids.flatMap((machineId) => {
    const old = before.get(machineId)
    const f = found.get(machineId)
    if (!f || (!old && !own.has(machineId))) return []
    const fresh = rows.filter((r) => r.machineId === machineId).map((r) => r.d)
    const evidence: LiveEvidence = {
      days: daysForJudging([...(old?.days ?? []), ...fresh]),
      beside: besideForJudging(old?.beside ?? [], f.beside),
    }
    return JSON.stringify(evidence) === JSON.stringify(old) ? [] : [{ machineId, evidence }]
  })
  if (changed.length === 0) return
  await tx
    .insert(liveStates)
    .values(changed)
    .onConflictDoUpdate({ target: liveStates.machineId, set: { evidence: sql`excluded.evidence` } })
  await tx
    .update(machineStates)
    .set({ stale: true })
    .where(
      inArray(
        machineStates.machineId,
        changed.map((c) => c.machineId),
      ),
    )
}

/**
 * Sum up days of machines of which new minutes came, as many as are due at most so many at a time.
 * @returns how many days; fewer than asked for: none is left
 */
export async function sumUpDue(tx: Tx, now: Date, most = batch): Promise<number> {
  const due = await tx.execute<{ machine_id: string; day: string }>(sql`
    select machine_id, day::text from live_dirty where due <= ${now.toISOString()}::timestamptz
    order by day, machine_id limit ${most} for update skip locked`)
  if (due.rows.length === 0) return 0
  const known = await liveMachines(tx, [...new Set(due.rows.map((r) => r.machine_id))])
  const byClock = new Map<DayClock, (readonly [string, LiveMachine])[]>()
  for (const r of due.rows) {
    const m = known.get(r.machine_id)
    if (!m) continue
    const clock = dayClock(r.day, m.zone)
    byClock.set(clock, [...(byClock.get(clock) ?? []), [r.machine_id, m]])
  }
  const found = new Map<string, Found>()
  for (const [clock, list] of byClock) await sumDay(tx, clock, list, found)
  await write(tx, found)
  await tx.execute(sql`
    delete from live_dirty d using unnest(${sql.param(due.rows.map((r) => r.machine_id))}::uuid[], ${sql.param(due.rows.map((r) => r.day))}::date[]) as w (machine_id, day)
    where d.machine_id = w.machine_id and d.day = w.day`)
  return due.rows.length
}

/** Sum up what is due, a batch a transaction. @param most days of machines @returns how many there were */
export async function sumUp(db: Db, now: Date, most = Infinity): Promise<number> {
  let all = 0
  while (all < most) {
    const wanted = Math.min(batch, most - all)
    const n = await db.transaction((tx) => sumUpDue(tx, now, wanted))
    all += n
    if (n < wanted) break
  }
  return all
}

/** The days of the last month are summed up again, because a machine's off hours are other ones now. */
export async function markDays(tx: Tx, machineId: string, now: Date): Promise<void> {
  await tx.execute(sql`
    insert into live_dirty (machine_id, day, due)
    select machine_id, day, ${now.toISOString()}::timestamptz from live_days where machine_id = ${machineId}::uuid
    order by day desc limit 31
    on conflict (machine_id, day) do update set due = least(live_dirty.due, excluded.due)`)
}

/** What judging takes of machines whose days came with a file. @param beside what was known beside their visits */
export async function evidenceOfDays(
  tx: Tx,
  machineIds: readonly string[],
  beside: ReadonlyMap<string, readonly LiveBeside[]>,
): Promise<void> {
  for (let i = 0; i < machineIds.length; i += batch) {
    const ids = machineIds.slice(i, i + batch)
    const rows = await tx.select().from(liveDays).where(inArray(liveDays.machineId, ids))
    const states = ids.map((machineId) => ({
      machineId,
      evidence: {
        days: daysForJudging(rows.filter((r) => r.machineId === machineId).map((r) => r.summary)),
        beside: besideForJudging([], beside.get(machineId) ?? []),
      },
    }))
    if (states.length > 0) await tx.insert(liveStates).values(states).onConflictDoNothing()
  }
}

/** The minutes about a visit have come by then. */
const visitLag = 3 * minuteMs

/** A visit is held against what the instruments showed, once its minutes have come; only where a machine has live data. */
export const besideVisit = (tx: Tx, machineId: string, takenAt: Date, now: Date) =>
  preparedSql(tx, 'beside_visit', () => {
    const v = sql.placeholder
    return sql`
    insert into live_dirty (machine_id, day, due)
    select l.machine_id, (${v('takenAt')}::timestamptz at time zone s.zone)::date, ${v('due')}::timestamptz
    from live_states l join machines m on m.id = l.machine_id join sites s on s.id = m.site_id
    where l.machine_id = ${v('machineId')}::uuid
    on conflict (machine_id, day) do update set due = least(live_dirty.due, excluded.due)`
  }).execute({ machineId, takenAt: takenAt.toISOString(), due: new Date(now.getTime() + visitLag).toISOString() })
