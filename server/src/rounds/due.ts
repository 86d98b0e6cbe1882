import { care, dueOf, type DueMachine } from '@motor-round/contract'
import type { Policies } from '@motor-round/core/limits'
import { and, asc, eq, inArray, isNull } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { areas, machines, machineStates, speedChanges, units } from '../db/schema.ts'
import { loadFindings } from '../findings/load.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { standingsOf } from '../machine/standing.ts'

const batch = 100

/** Everything machines want, with the reason of each day; retired ones want nothing. */
export async function loadDue(
  db: Db | Tx,
  where: { readonly siteIds: readonly string[] } | { readonly machineIds: readonly string[] },
  policies: Policies,
  now: Date,
): Promise<DueMachine[]> {
  const places = await db
    .select({ machine: machines, unit: units, area: areas, level: machineStates.level })
    .from(machines)
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(areas, eq(areas.id, units.areaId))
    .innerJoin(machineStates, eq(machineStates.machineId, machines.id))
    .where(
      and(
        isNull(machines.retiredAt),
        'siteIds' in where ? inArray(machines.siteId, [...where.siteIds]) : inArray(machines.id, [...where.machineIds]),
      ),
    )
    .orderBy(asc(machineStates.sortKey))
  const out: DueMachine[] = []
  for (let i = 0; i < places.length; i += batch) {
    const part = places.slice(i, i + batch)
    const ids = part.map((p) => p.machine.id)
    const all = await loadSnapshots(db, ids)
    const standings = await standingsOf(db, all, policies)
    const known = new Map(all.map((own, n) => [own.machine.id, { own, standing: standings[n] ?? null }]))
    const waiting = await db
      .select()
      .from(speedChanges)
      .where(and(inArray(speedChanges.machineId, ids), isNull(speedChanges.doneAt), isNull(speedChanges.droppedAt)))
    const findings = await loadFindings(db, ids)
    for (const { machine, unit, area, level } of part) {
      const found = known.get(machine.id)
      if (!found) continue
      const { own, standing } = found
      const tasks = dueOf(
        own,
        {
          speedChanges: waiting
            .filter((p) => p.machineId === machine.id)
            .map((p) => ({ madeAt: p.madeAt.toISOString(), doneAt: null, droppedAt: null, change: p.change })),
          findings: findings.filter((f) => f.machineId === machine.id),
        },
        standing,
        { unitKind: unit.kind, indoors: area.kind === 'room' },
        policies,
        now.getTime(),
      )
      out.push({
        machineId: machine.id,
        unitId: unit.id,
        areaId: area.id,
        siteId: machine.siteId,
        unitTag: unit.tag,
        tag: machine.tag,
        purpose: machine.purpose,
        areaName: area.name,
        level,
        care: care.parse(unit.care),
        tasks,
      })
    }
  }
  return out
}
