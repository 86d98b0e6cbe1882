import type { TwinLoad } from '@motor-round/contract'
import { and, asc, eq, isNotNull, isNull, ne, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { components, machines, machineStates, units } from '../db/schema.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'

/** What others of its kind carry: same plate power, phases, supply, drive and kind of unit, in service and read. */
export async function peersOf(db: Db | Tx, known: MachineSnapshot): Promise<TwinLoad[]> {
  const plate = known.motors.find((m) => m.removedAt === null)?.plate
  if (plate?.power === undefined) return []
  const { machine } = known
  const statement = prepared(db, 'peers_of', () => peersAlike(db).prepare('peers_of'))
  const rows = await statement.execute({
    id: machine.id,
    unit: machine.unitId,
    phases: machine.phases,
    volts: machine.serviceVolts,
    drive: machine.drive,
    power: plate.power,
    powerUnit: plate.powerUnit ?? 'hp',
  })
  return rows.flatMap((r) =>
    r.load === null || r.at === null ? [] : [{ tag: `${r.unitTag} / ${r.tag}`, load: r.load, at: r.at.toISOString() }],
  )
}

const peersAlike = (db: Db | Tx) => {
  const given = sql.placeholder
  return db
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
        ne(machines.id, given('id')),
        sql`${units.kind} = (select kind from ${units} own where own.id = ${given('unit')}::uuid)`,
        eq(machines.phases, given('phases')),
        eq(machines.serviceVolts, given('volts')),
        eq(machines.drive, given('drive')),
        isNotNull(machineStates.load),
        sql`(${components.spec} -> 'plate' ->> 'power')::float8 = ${given('power')}::float8`,
        sql`coalesce(${components.spec} -> 'plate' ->> 'powerUnit', 'hp') = ${given('powerUnit')}::text`,
      ),
    )
    .orderBy(asc(machineStates.sortKey))
    .limit(60)
}
