import { readingColumns, registerColumns } from '@motor-round/contract'
import { quantities } from '@motor-round/core/quantity'
import { stringify } from 'csv-stringify/sync'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { areas, components, machines, sites, units } from '../db/schema.ts'
import { asMotor } from '../machine/snapshot.ts'
import { controlCells } from './controls-columns.ts'
import { plateColumns } from './register-row.ts'

/** RFC 4180: comma, CRLF, quotes where needed; text that a spreadsheet would run as a formula gets a leading quote. */
const csv = (rows: unknown[][]): string => stringify(rows, { record_delimiter: '\r\n', escape_formulas: true })

const unitOf = new Map<string, string>(quantities.map((q) => [q.code, q.unit]))

interface ReadingRow extends Record<string, unknown> {
  site: string
  unit: string
  machine: string
  taken_at: string
  quantity: string
  position: string
  value: number
  how: string | null
  by: string
  settled: boolean | null
  note: string
}

/** Readings that hold (superseded ones left out), a few thousand rows at a time. Call inside a read-only transaction. */
export async function* readingsCsv(tx: Tx, siteId?: string, machineId?: string): AsyncGenerator<string> {
  yield csv([[...readingColumns]])
  await tx.execute(sql`declare kept_readings no scroll cursor for
    select si.name as site, u.tag as unit, m.tag as machine,
      to_char(r.taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as taken_at,
      r.quantity, r.position, r.value, r.how, s.by, (s.state->>'settled')::boolean as settled, s.note
    from readings r
    join visits s on s.site_id = r.site_id and s.machine_id = r.machine_id and s.taken_at = r.taken_at and s.id = r.visit_id
    join machines m on m.id = r.machine_id join units u on u.id = m.unit_id join sites si on si.id = m.site_id
    where not exists (select 1 from supersessions x where x.old_visit_id = s.id)
      ${siteId === undefined ? sql`` : sql`and r.site_id = ${siteId}`}
      ${machineId === undefined ? sql`` : sql`and r.machine_id = ${machineId}`}
    order by si.name, u.tag, m.tag, r.taken_at, r.visit_id, r.quantity, r.position`)
  for (;;) {
    const part = await tx.execute<ReadingRow>(sql`fetch 5000 from kept_readings`)
    if (part.rows.length === 0) return
    yield csv(
      part.rows.map((r) => [
        r.site,
        r.unit,
        r.machine,
        r.taken_at,
        r.quantity,
        r.position,
        r.how === 'over-range' ? `>${r.value}` : r.value,
        unitOf.get(r.quantity) ?? '',
        r.by,
        r.settled === null ? '' : r.settled ? 'yes' : 'no',
        r.note,
      ]),
    )
  }
}

const yesNo = (v: boolean) => (v ? 'yes' : 'no')

/** The register, one row a machine in service with the motor in it. */
export async function registerCsv(db: Db): Promise<string> {
  const rows = await db
    .select({ site: sites, area: areas, unit: units, machine: machines, motor: components })
    .from(machines)
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(areas, eq(areas.id, units.areaId))
    .innerJoin(sites, eq(sites.id, machines.siteId))
    .leftJoin(
      components,
      and(eq(components.machineId, machines.id), eq(components.slot, 'motor'), isNull(components.removedAt)),
    )
    .where(isNull(machines.retiredAt))
    .orderBy(asc(sites.name), asc(units.tag), asc(machines.tag))
  return csv([
    [...registerColumns],
    ...rows.map(({ site, area, unit, machine, motor }) => {
      const installed = motor ? asMotor(motor) : null
      const plate = installed?.plate
      const cells: Record<string, unknown> = {
        ...Object.fromEntries(plateColumns.map(([field, column]) => [column, plate?.[field] ?? ''])),
        site: site.name,
        site_zone: site.zone,
        area: area.name,
        area_kind: area.kind,
        unit: unit.tag,
        unit_kind: unit.kind,
        model_line: unit.modelLine,
        machine: machine.tag,
        purpose: machine.purpose,
        phases: machine.phases,
        service_volts: machine.serviceVolts,
        drive: machine.drive,
        has_vfd: yesNo(machine.hasVfd),
        has_twin: yesNo(machine.hasTwin),
        unit_plate_volts: machine.unitPlate?.volts ?? '',
        unit_plate_amps: machine.unitPlate?.amps ?? '',
        ...controlCells(machine.controls),
        unreadable: plate?.unreadable?.join(' ') ?? '',
        connection_volts: installed?.connectionVolts ?? '',
        installed_at: motor ? motor.installedAt.toISOString() : '',
        substitute: motor ? yesNo(motor.substitute) : '',
      }
      return registerColumns.map((c) => cells[c] ?? '')
    }),
  ])
}
