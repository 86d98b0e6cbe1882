import type { TwinLoad } from '@motor-round/contract'
import { and, asc, eq, isNotNull, isNull, ne, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { components, machines, machineStates, units } from '../db/schema.ts'
import type { MachineSnapshot } from '../machine/snapshot.ts'

/** What others of its kind carry: same plate power, phases, supply, drive and kind of unit, in service and read. */
export async function peersOf(db: Db | Tx, known: MachineSnapshot): Promise<TwinLoad[]> {
  const plate = known.motors.find((m) => m.removedAt === null)?.plate
  if (plate?.power === undefined) return []
  const { machine } = known
  const rows = await db
    .select({ unitTag: units.tag, tag: machines.tag, load: machineStates.load, at: machineStates.loadAt })
    .from(machineStates)
    .innerJoin(machines, eq(machines.id, machineStates.machineId))
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(
      components,
      and(eq(components.machineId, machines.id), eq(components.slot, 'motor'), isNull(components.removedAt)),
    )
    .where(
      and(
        eq(machineStates.retired, false),
        ne(machines.id, machine.id),
        sql`${units.kind} = (select kind from ${units} own where own.id = ${machine.unitId})`,
        eq(machines.phases, machine.phases),
        eq(machines.serviceVolts, machine.serviceVolts),
        eq(machines.drive, machine.drive),
        isNotNull(machineStates.load),
        sql`(${components.spec} -> 'plate' ->> 'power')::float8 = ${plate.power}`,
        sql`coalesce(${components.spec} -> 'plate' ->> 'powerUnit', 'hp') = ${plate.powerUnit ?? 'hp'}`,
      ),
    )
    .orderBy(asc(machineStates.sortKey))
    .limit(60)
  return rows.flatMap((r) =>
    r.load === null || r.at === null ? [] : [{ tag: `${r.unitTag} / ${r.tag}`, load: r.load, at: r.at.toISOString() }],
  )
}
