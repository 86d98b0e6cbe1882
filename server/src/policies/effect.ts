import { rank, type Level } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { asc, eq, inArray } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { machines, machineStates, units } from '../db/schema.ts'
import { judgeMany } from '../machine/judge-many.ts'
import { loadSnapshots } from '../machine/snapshot.ts'

const batch = 100

interface Changed {
  machineId: string
  unitTag: string
  tag: string
  from: Level
  to: Level
  because: string
}

/** Which machines would change level under other rules, worst new level first. Nothing is written. */
export async function effectOf(db: Db, policies: Policies): Promise<{ machines: number; changed: Changed[] }> {
  const states = await db
    .select({ id: machineStates.machineId, level: machineStates.level })
    .from(machineStates)
    .where(eq(machineStates.retired, false))
    .orderBy(asc(machineStates.sortKey))
  const now = new Map(states.map((s) => [s.id, s.level]))
  const moved: { id: string; from: Level; to: Level; because: string }[] = []
  for (let i = 0; i < states.length; i += batch) {
    const all = await loadSnapshots(
      db,
      states.slice(i, i + batch).map((s) => s.id),
    )
    const stands = await judgeMany(all, policies)
    for (const [n, { machine }] of all.entries()) {
      const from = now.get(machine.id)
      const stand = stands[n]
      if (from && stand?.level && stand.level !== from)
        moved.push({ id: machine.id, from, to: stand.level, because: stand.headline })
    }
  }
  const names =
    moved.length === 0
      ? []
      : await db
          .select({ id: machines.id, tag: machines.tag, unitTag: units.tag })
          .from(machines)
          .innerJoin(units, eq(units.id, machines.unitId))
          .where(
            inArray(
              machines.id,
              moved.map((m) => m.id),
            ),
          )
  const byId = new Map(names.map((n) => [n.id, n]))
  return {
    machines: states.length,
    changed: moved
      .sort((a, b) => rank(b.to) - rank(a.to))
      .map(({ id, ...m }) => ({
        machineId: id,
        unitTag: byId.get(id)?.unitTag ?? '',
        tag: byId.get(id)?.tag ?? '',
        ...m,
      })),
  }
}
