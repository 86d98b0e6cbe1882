import type { Portfolio } from '@motor-round/contract'
import { motorKilowatts } from '@motor-round/core/energy'
import { lifeOf, livesOf, partSlots } from '@motor-round/core/installed'
import { causeRecord, fired, jobOutcome, waitingCost, type JobFact, type JobStands } from '@motor-round/core/job'
import { and, asc, eq, lte, sql } from 'drizzle-orm'
import { dayIn } from '../dates.ts'
import type { Deps } from '../deps.ts'
import { levelDays } from '../db/rounds-schema.ts'
import { components, machineStates, organization, sites, type MotorSpec } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'
import { isFilling } from './level-days.ts'
import { allJobs, watchedVisits } from '../jobs/lines.ts'

const monthMs = 30.44 * 86_400_000

/** First and last day of a quarter, ISO. */
export function quarterDays(quarter: string): { readonly from: string; readonly to: string } {
  const [year = 2000, n = 1] = quarter.split('-Q').map(Number)
  const day = (month: number, date: number) => new Date(Date.UTC(year, month, date)).toISOString().slice(0, 10)
  return { from: day(3 * (n - 1), 1), to: day(3 * n, 0) }
}
export const quarterOf = (day: string): string => `${day.slice(0, 4)}-Q${Math.ceil(Number(day.slice(5, 7)) / 3)}`

interface Known {
  readonly job: { readonly id: string; readonly machineId: string; readonly siteId: string; readonly title: string }
  readonly unitTag: string
  readonly tag: string
  readonly zone: string
  readonly units: Portfolio['postponed'][number]['units']
  readonly facts: readonly JobFact[]
  readonly stands: JobStands
}

function jobFigures(jobs: readonly Known[], inPeriod: (at: number) => boolean): Pick<Portfolio, 'jobs' | 'causes'> {
  const closed = jobs.flatMap(({ stands, facts }) =>
    stands.closed && inPeriod(stands.closed.at) ? [{ closed: stands.closed, outcome: jobOutcome(facts) }] : [],
  )
  const compared = closed.flatMap(({ outcome }) =>
    outcome.quoted !== null && outcome.cost !== null ? [{ quoted: outcome.quoted, cost: outcome.cost }] : [],
  )
  const open = jobs.filter((j) => !j.stands.closed)
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
  return {
    jobs: {
      closed: closed.length,
      proven: closed.filter((c) => c.closed.reason === '').length,
      open: open.length,
      compared: compared.length,
      quoted: sum(compared.map((c) => c.quoted)),
      cost: sum(compared.map((c) => c.cost)),
      hours: sum(closed.map((c) => c.outcome.hours ?? 0)),
      approved: sum(open.map((j) => jobOutcome(j.facts).quoted ?? 0)),
    },
    causes: causeRecord(closed.map((c) => c.closed)),
  }
}

/** What was put off, since when, and what that came to. */
async function postponedJobs(deps: Deps, jobs: readonly Known[]): Promise<Portfolio['postponed']> {
  const now = deps.now()
  const waiting = jobs.filter((j) => j.stands.state === 'postponed')
  const visits = await watchedVisits(deps, [...new Set(waiting.map((j) => j.job.machineId))])
  const rows = waiting.map(({ job, unitTag, tag, zone, units, stands }) => {
    const since = stands.decision?.at ?? 0
    const offer = stands.offer
    const months = Math.max(0, Math.round((now.getTime() - since) / monthMs))
    return {
      jobId: job.id,
      machineId: job.machineId,
      unitTag,
      tag,
      title: job.title,
      since: new Date(since).toISOString(),
      cost: offer && offer.waiting.length > 0 ? waitingCost(offer.waiting, months) : null,
      grew: fired(stands.decision, visits.get(job.machineId) ?? [], dayIn(now, zone))?.figure ?? null,
      units,
    }
  })
  return rows.sort((a, b) => (b.cost ?? -1) - (a.cost ?? -1) || (a.since < b.since ? -1 : 1))
}

/** Share of motors of a model that press or were replaced; of one or two of a kind little is believed. */
const trouble = (m: Portfolio['models'][number]): number => (m.pressing + m.replaced) / (m.motors + m.replaced + 2)

/** Every motor that is or was in, with the machine's level and load. */
async function motorFigures(
  deps: Deps,
  site: string | undefined,
  inPeriod: (at: number) => boolean,
): Promise<Pick<Portfolio, 'models' | 'energy'>> {
  const rows = await deps.db
    .select({
      spec: components.spec,
      removedAt: components.removedAt,
      level: machineStates.level,
      load: machineStates.load,
    })
    .from(components)
    .innerJoin(machineStates, eq(machineStates.machineId, components.machineId))
    .where(
      and(
        eq(components.slot, 'motor'),
        eq(machineStates.retired, false),
        site === undefined ? undefined : eq(components.siteId, site),
      ),
    )
  const models = new Map<string, Portfolio['models'][number]>()
  const energy = { machines: 0, without: 0, kilowatts: 0 }
  for (const { spec, removedAt, level, load } of rows) {
    const { plate } = spec as MotorSpec
    const maker = plate.maker?.trim() || 'Maker not on record'
    const model = plate.model?.trim() ?? ''
    const key = `${maker}\n${model}`
    const own = models.get(key) ?? { maker, model, motors: 0, pressing: 0, replaced: 0 }
    if (removedAt !== null) {
      if (inPeriod(removedAt.getTime())) own.replaced += 1
    } else {
      own.motors += 1
      if (level === 'fix' || level === 'stop') own.pressing += 1
      const hp = plate.power === undefined ? null : plate.powerUnit === 'kW' ? plate.power / 0.7457 : plate.power
      if (hp === null || load === null || !(hp > 0)) energy.without += 1
      else {
        energy.machines += 1
        // Without one on the nameplate: what a motor of some horsepower has.
        energy.kilowatts += motorKilowatts(hp, load, plate.efficiency ?? 0.85)
      }
    }
    models.set(key, own)
  }
  return {
    energy,
    models: [...models.values()]
      .filter((m) => m.motors > 0 || m.replaced > 0)
      .sort(
        (a, b) => trouble(b) - trouble(a) || b.motors - a.motors || (a.maker + a.model < b.maker + b.model ? -1 : 1),
      )
      .slice(0, 12),
  }
}

async function partFigures(deps: Deps, site: string | undefined): Promise<Portfolio['lives']> {
  const rows = await deps.db
    .select({
      slot: components.slot,
      installedAt: components.installedAt,
      removedAt: components.removedAt,
      removedFor: components.removedFor,
    })
    .from(components)
    .where(site === undefined ? undefined : eq(components.siteId, site))
  const now = deps.now().getTime()
  return (['motor', ...partSlots] as const).flatMap((slot) => {
    const lives = rows
      .filter((r) => r.slot === slot)
      .map((r) =>
        lifeOf(
          { installedAt: r.installedAt.getTime(), removedAt: r.removedAt?.getTime() ?? null, removedFor: r.removedFor },
          now,
        ),
      )
    if (lives.length === 0) return []
    const { n, ended, median } = livesOf(lives)
    return [{ slot, n, ended, medianDays: median }]
  })
}

/** How all stood at the ends of the months up to the period's end, and now. */
async function levelFigures(deps: Deps, site: string | undefined, to: string, today: string) {
  const past = await deps.db
    .select({
      day: levelDays.day,
      ok: sql<number>`sum(${levelDays.ok})::int`,
      watch: sql<number>`sum(${levelDays.watch})::int`,
      fix: sql<number>`sum(${levelDays.fix})::int`,
      stop: sql<number>`sum(${levelDays.stop})::int`,
      unjudged: sql<number>`sum(${levelDays.unjudged})::int`,
    })
    .from(levelDays)
    .where(and(lte(levelDays.day, to), site === undefined ? undefined : eq(levelDays.siteId, site)))
    .groupBy(levelDays.day)
    .orderBy(asc(levelDays.day))
  if (today > to) return { levels: past, overdue: 0 }
  const now = await deps.db
    .select({
      level: machineStates.level,
      n: sql<number>`count(*)::int`,
      overdue: sql<number>`(count(*) filter (where ${machineStates.dueAt} < ${deps.now().toISOString()}::timestamptz))::int`,
    })
    .from(machineStates)
    .where(and(eq(machineStates.retired, false), site === undefined ? undefined : eq(machineStates.siteId, site)))
    .groupBy(machineStates.level)
  const of = (level: string | null) => now.find((r) => r.level === level)?.n ?? 0
  const current = { day: today, ok: of('ok'), watch: of('watch'), fix: of('fix'), stop: of('stop'), unjudged: of(null) }
  return {
    levels: [...past.filter((p) => p.day < today), current],
    overdue: now.reduce((sum, r) => sum + r.overdue, 0),
  }
}

/** A quarter in figures. @throws HttpProblem 404 for a site that does not exist */
export async function portfolioOf(
  deps: Deps,
  { quarter, site }: { readonly quarter?: string | undefined; readonly site?: string | undefined },
): Promise<Portfolio> {
  const [own] = await deps.db.select({ name: organization.name }).from(organization)
  const all = await deps.db
    .select({ id: sites.id, name: sites.name, zone: sites.zone })
    .from(sites)
    .orderBy(asc(sites.name))
  const chosen = site === undefined ? null : all.find((s) => s.id === site)
  if (chosen === undefined) throw notFound('site')
  const zone = chosen?.zone ?? all[0]?.zone ?? 'UTC'
  const today = dayIn(deps.now(), zone)
  const { from, to } = quarterDays(quarter ?? quarterOf(today))
  const inPeriod = (at: number) => {
    const day = dayIn(new Date(at), zone)
    return day >= from && day <= to
  }
  const jobs = (await allJobs(deps)).filter((j) => site === undefined || j.job.siteId === site)
  return {
    organization: own?.name ?? '',
    siteName: chosen?.name ?? null,
    from,
    to,
    ...(await levelFigures(deps, site, to, today)),
    filling: isFilling(deps),
    ...jobFigures(jobs, inPeriod),
    postponed: await postponedJobs(deps, jobs),
    ...(await motorFigures(deps, site, inPeriod)),
    lives: await partFigures(deps, site),
  }
}
