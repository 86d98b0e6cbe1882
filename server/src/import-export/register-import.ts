import { isDeepStrictEqual } from 'node:util'
import type { Readable } from 'node:stream'
import { registerColumns, type ImportState } from '@motor-round/contract'
import { and, eq, isNull } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { areas, components, machines, sites, units } from '../db/schema.ts'
import { v7 as uuid } from 'uuid'
import { record } from '../audit/record.ts'
import { plainControls } from './controls-columns.ts'
import { readRows, type Header } from './csv/rows.ts'
import { headerProblems, machineKey } from './readings-row.ts'
import { readRegisterRow, type RegisterRow } from './register-row.ts'
import { withMachine, withMotor, withUnit } from './register-merge.ts'
import type { Errors } from './state.ts'
import { type Author } from '../machine/command.ts'

const needed = ['site', 'site_zone', 'area', 'unit', 'machine', 'phases', 'service_volts'] as const
const mostRows = 200_000

export interface PlacedRow {
  readonly line: number
  readonly row: RegisterRow
  /** Columns that its file has not: what they would say is left as it is on record. */
  readonly absent: readonly string[]
}

/** Read a register file whole; every row is checked on its own and against the others. */
export async function readRegister(
  source: Readable,
  zone: string | null,
  errors: Errors,
  onBytes: (n: number) => void,
): Promise<PlacedRow[]> {
  const out: PlacedRow[] = []
  let header: Header | null = null
  await readRows(source, {
    bytes: onBytes,
    header: (h) => {
      header = h
      for (const m of headerProblems(h.columns, registerColumns, needed)) errors.add(1, 'header', m)
    },
    batch: (batch) => {
      const columns = header?.columns ?? []
      if (errors.list.some((e) => e.column === 'header')) return Promise.resolve()
      const index = new Map(columns.map((c, i) => [c, i]))
      const absent = registerColumns.filter((c) => !index.has(c))
      batch.rows.forEach((cells, i) => {
        const line = batch.lines[i] ?? 0
        const row = readRegisterRow(
          (c) => cells[index.get(c) ?? -1] ?? '',
          line,
          zone,
          errors,
          header?.delimiter !== ',',
        )
        if (row) out.push({ line, row, absent })
      })
      if (out.length > mostRows) throw new RangeError(`more than ${mostRows} machines in one file`)
      return Promise.resolve()
    },
  })
  if (errors.count === 0 && out.length === 0) errors.add(1, 'row', 'there are no rows below the header')
  const seen = new Map<string, number>()
  const zones = new Map<string, { zone: string; line: number }>()
  for (const { line, row } of out) {
    const key = machineKey(row.site, row.unit, row.machine.tag)
    const first = seen.get(key)
    if (first !== undefined) errors.add(line, 'machine', `${row.unit} / ${row.machine.tag} is already on line ${first}`)
    else seen.set(key, line)
    const site = zones.get(row.site.toLowerCase())
    if (!site) zones.set(row.site.toLowerCase(), { zone: row.zone, line })
    else if (site.zone !== row.zone)
      errors.add(line, 'site_zone', `${row.site} is in ${site.zone} on line ${site.line}`)
  }
  return out
}

interface Outcome {
  added: number
  already: number
  changed: number
  machines: string[]
}

const lower = (t: string) => t.trim().toLowerCase()

/**
 * Bring the register to what the rows say: places, machines and the motor in each. With `dry` nothing is written and
 * the outcome tells what would happen.
 */
export async function applyRegister(
  tx: Tx | Db,
  rows: readonly PlacedRow[],
  { by, byId, now }: Author,
  dry: boolean,
): Promise<Outcome> {
  const out: Outcome = { added: 0, already: 0, changed: 0, machines: [] }
  // What is changed is compared with what is on record then: nobody changes it in between.
  const held = <T>(rows: { for: (how: 'update') => PromiseLike<T> } & PromiseLike<T>): PromiseLike<T> =>
    dry ? rows : rows.for('update')
  const siteIds = new Map((await tx.select().from(sites)).map((s) => [lower(s.name), s.id]))
  const areaIds = new Map((await tx.select().from(areas)).map((a) => [`${a.siteId}\u0001${lower(a.name)}`, a.id]))
  const unitRows = new Map((await held(tx.select().from(units))).map((u) => [`${u.siteId}\u0001${lower(u.tag)}`, u]))
  const machineRows = new Map(
    (await held(tx.select().from(machines))).map((m) => [`${m.unitId}\u0001${lower(m.tag)}`, m]),
  )
  const motors = new Map(
    (
      await held(
        tx
          .select()
          .from(components)
          .where(and(eq(components.slot, 'motor'), isNull(components.removedAt))),
      )
    ).map((c) => [c.machineId, c]),
  )
  const moved = new Set<string>()
  for (const { row: read, absent } of rows) {
    let row = read
    let siteId = siteIds.get(lower(row.site))
    if (siteId === undefined) {
      siteId = uuid()
      siteIds.set(lower(row.site), siteId)
      if (!dry) await tx.insert(sites).values({ id: siteId, name: row.site, zone: row.zone })
    }
    const areaKey = `${siteId}\u0001${lower(row.area)}`
    let areaId = areaIds.get(areaKey)
    if (areaId === undefined) {
      areaId = uuid()
      areaIds.set(areaKey, areaId)
      if (!dry) await tx.insert(areas).values({ id: areaId, siteId, name: row.area, kind: row.areaKind })
    }
    const unitKey = `${siteId}\u0001${lower(row.unit)}`
    let unit = unitRows.get(unitKey)
    if (!unit) {
      unit = {
        id: uuid(),
        siteId,
        areaId,
        tag: row.unit,
        kind: row.unitKind,
        modelLine: row.modelLine,
        care: {},
        version: 1,
      }
      unitRows.set(unitKey, unit)
      if (!dry) await tx.insert(units).values(unit)
    } else {
      row = withUnit(row, unit, absent)
    }
    if (unit.areaId !== areaId || unit.kind !== row.unitKind || unit.modelLine !== row.modelLine) {
      if (unit.areaId !== areaId) moved.add(unit.id)
      unit = { ...unit, areaId, kind: row.unitKind, modelLine: row.modelLine, version: unit.version + 1 }
      unitRows.set(unitKey, unit)
      if (!dry) {
        await tx.update(units).set(unit).where(eq(units.id, unit.id))
        await record(tx, {
          by,
          byId,
          at: now,
          what: 'unit changed by a machine list file',
          entity: 'unit',
          entityId: unit.id,
          after: { areaId, kind: unit.kind, modelLine: unit.modelLine },
        })
      }
    }
    const kept = machineRows.get(`${unit.id}\u0001${lower(row.machine.tag)}`)
    const motor = kept ? motors.get(kept.id) : undefined
    if (kept) row = withMachine(row, kept, absent)
    if (motor) row = withMotor(row, motor, absent)
    const wanted = { ...row.machine, unitPlate: row.unitPlate }
    const spec = row.plate ? { plate: row.plate, connectionVolts: row.connectionVolts } : null
    const sameMachine =
      kept !== undefined &&
      isDeepStrictEqual(
        { ...wanted },
        {
          tag: kept.tag,
          purpose: kept.purpose,
          phases: kept.phases,
          serviceVolts: kept.serviceVolts,
          drive: kept.drive,
          hasVfd: kept.hasVfd,
          hasTwin: kept.hasTwin,
          controls: plainControls(kept.controls),
          unitPlate: kept.unitPlate,
        },
      )
    const sameMotor =
      spec === null ||
      (motor !== undefined &&
        isDeepStrictEqual(motor.spec, spec) &&
        motor.substitute === row.substitute &&
        (row.installedAt === null || motor.installedAt.toISOString() === row.installedAt))
    if (sameMachine && sameMotor) {
      out.already += 1
      continue
    }
    if (kept) out.changed += 1
    else out.added += 1
    const machineId = kept?.id ?? uuid()
    out.machines.push(machineId)
    if (dry) continue
    if (!kept) await tx.insert(machines).values({ id: machineId, siteId, unitId: unit.id, ...wanted })
    else if (!sameMachine)
      await tx
        .update(machines)
        .set({ ...wanted, version: kept.version + 1 })
        .where(eq(machines.id, machineId))
    if (spec && !sameMotor) {
      const fitting = {
        spec,
        substitute: row.substitute,
        installedAt: row.installedAt === null ? (motor?.installedAt ?? new Date(0)) : new Date(row.installedAt),
      }
      // The file corrects the plate of the motor in place; a swap is recorded at the machine, where the old one is kept.
      if (motor) {
        await tx
          .update(components)
          .set({ ...fitting, version: motor.version + 1 })
          .where(eq(components.id, motor.id))
        await record(tx, {
          by,
          byId,
          at: now,
          what: 'plate corrected by a machine list file',
          entity: 'motor',
          entityId: motor.id,
          before: motor.spec,
          after: spec,
        })
      } else
        await tx.insert(components).values({
          id: uuid(),
          siteId,
          machineId,
          slot: 'motor',
          ...fitting,
          installedBy: by,
          why: '',
          removedWhy: '',
        })
    }
    await record(tx, {
      by,
      byId,
      at: now,
      what: kept ? 'machine changed by a machine list file' : 'machine added by a machine list file',
      entity: 'machine',
      entityId: machineId,
      before: kept ? { ...kept, motor: motor?.spec ?? null } : {},
      after: { ...wanted, motor: spec },
    })
  }
  // Every machine of a unit that moved stands in another area now, whatever the file says of it.
  const named = new Set(out.machines)
  for (const m of machineRows.values()) if (moved.has(m.unitId) && !named.has(m.id)) out.machines.push(m.id)
  return out
}

/** The state of an import after its outcome is known. */
export const withOutcome = (state: ImportState, outcome: Outcome): ImportState => ({
  ...state,
  added: outcome.added,
  already: outcome.already,
  changed: outcome.changed,
})
