import { type BodyOf, type endpoints } from '@motor-round/contract'
import { minutesHere, problemOf, stepOf, usualMinutes, whyLeft } from '@motor-round/core/round'
import { eq } from 'drizzle-orm'
import { v7 as uuid } from 'uuid'
import { dayAfter } from '../dates.ts'
import type { Tx } from '../db/client.ts'
import { rounds, roundVisits } from '../db/rounds-schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { currentPolicies } from '../policies/current.ts'
import { loadDue } from './due.ts'
import { takenAt } from './durations.ts'
import { areasOf } from './page.ts'
import { offThread } from '../run/off-thread.ts'

const timeWasShort: readonly string[] = [whyLeft.full, whyLeft.storm]

type Wanted = BodyOf<typeof endpoints.makeRound>

/** Make and plan a round. @throws a field problem where a machine is not there, retired, or not of the sites */
export async function makeRound(tx: Tx, wanted: Wanted, by: string, now: Date): Promise<void> {
  const machineIds = wanted.visits.map((s) => s.machineId)
  const due = new Map((await loadDue(tx, { machineIds }, await currentPolicies(tx), now)).map((d) => [d.machineId, d]))
  const taken = await takenAt(tx, machineIds)
  const visits = wanted.visits.map((s, i) => {
    const own = due.get(s.machineId)
    if (!own) throw fieldProblem(`visits.${i}.machineId`, 'no such machine in service')
    if (!wanted.siteIds.includes(own.siteId)) throw fieldProblem(`visits.${i}.machineId`, 'is on none of these sites')
    const tasks = s.tasks.map((id, t) => {
      const task = own.tasks.find((x) => x.task === id)
      if (!task) throw fieldProblem(`visits.${i}.tasks.${t}`, `${own.unitTag} / ${own.tag} has no such task`)
      return task
    })
    const { minutes, learnt } = minutesHere(usualMinutes(tasks), taken.get(s.machineId) ?? [])
    return { ...own, tasks, minutes, learnt, levelBefore: own.level }
  })
  const areas = await areasOf(
    tx,
    visits.map((s) => s.areaId),
  )
  const all = await offThread('findRoute', problemOf(wanted, visits, areas))
  // What there was no time for goes to the next day, where there is one.
  const later = new Set(
    wanted.days > 1
      ? all.left.filter((l) => timeWasShort.includes(l.why) && stepOf(l.step).part === 'work').map((l) => l.step)
      : [],
  )
  const made = { ...all, left: all.left.filter((l) => !later.has(stepOf(l.step).machineId)) }
  await tx.insert(rounds).values({
    id: wanted.id,
    name: wanted.name,
    day: wanted.day,
    siteIds: wanted.siteIds,
    people: wanted.people,
    heat: wanted.heat,
    storm: wanted.storm,
    recurs: wanted.recurs,
    note: wanted.note,
    route: made,
    madeBy: by,
    madeAt: now,
  })
  await tx.insert(roundVisits).values(
    visits
      .filter((s) => !later.has(s.machineId))
      .map((s) => ({
        roundId: wanted.id,
        machineId: s.machineId,
        tasks: s.tasks,
        minutes: s.minutes,
        learnt: s.learnt,
        levelBefore: s.levelBefore,
        added: false,
      })),
  )
  if (later.size > 0)
    await makeRound(
      tx,
      {
        ...wanted,
        id: uuid(),
        day: dayAfter(wanted.day),
        visits: wanted.visits.filter((s) => later.has(s.machineId)),
        days: wanted.days - 1,
        storm: null,
      },
      by,
      now,
    )
}

export async function roundIsThere(tx: Tx, id: string): Promise<boolean> {
  const [row] = await tx.select({ id: rounds.id }).from(rounds).where(eq(rounds.id, id))
  return row !== undefined
}
