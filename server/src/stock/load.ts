import { controls, type StockItem, type StockMoveRecord } from '@motor-round/contract'
import type { InstalledPart } from '@motor-round/core/installed'
import {
  itemTitle,
  reorder,
  stockLevels,
  takes,
  usualYears,
  type FitsOn,
  type StockMove,
} from '@motor-round/core/stock'
import { inArray, isNull } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { components, machines, type MotorSpec } from '../db/schema.ts'
import { stockItems, stockMoves } from '../db/stock-schema.ts'

type ItemRow = typeof stockItems.$inferSelect
type MoveRow = typeof stockMoves.$inferSelect

export const coreMove = (m: MoveRow): StockMove => ({ ...m, at: m.at.getTime() })
export const asMove = ({ at, ...m }: MoveRow): StockMoveRecord => ({ ...m, at: at.toISOString() })

/** What every machine has in it, as to which parts fit it. */
async function inService(db: Db | Tx, now: number): Promise<ReadonlyMap<string, FitsOn>> {
  const rows = await db
    .select({ id: machines.id, controls: machines.controls })
    .from(machines)
    .where(isNull(machines.retiredAt))
  const fitted = await db
    .select({
      machineId: components.machineId,
      slot: components.slot,
      spec: components.spec,
      at: components.installedAt,
    })
    .from(components)
    .where(isNull(components.removedAt))
  const parts = new Map<string, InstalledPart[]>()
  const motors = new Map<string, MotorSpec>()
  for (const c of fitted) {
    if (c.slot === 'motor') motors.set(c.machineId, c.spec as MotorSpec)
    else {
      const own = parts.get(c.machineId) ?? []
      own.push({ slot: c.slot, spec: c.spec, installedAt: c.at.getTime(), removedAt: null } as InstalledPart)
      parts.set(c.machineId, own)
    }
  }
  return new Map(
    rows.map((m) => [
      m.id,
      {
        parts: parts.get(m.id) ?? [],
        controls: controls.parse(m.controls),
        plate: motors.get(m.id)?.plate ?? null,
        now,
      },
    ]),
  )
}

/** Items with what lies where, what they fit and what to keep of them. @param items null: all */
export async function loadItems(db: Db | Tx, now: Date, ids: readonly string[] | null = null): Promise<StockItem[]> {
  const rows = await (ids === null
    ? db.select().from(stockItems)
    : db
        .select()
        .from(stockItems)
        .where(inArray(stockItems.id, [...ids])))
  const moves = await (ids === null
    ? db.select().from(stockMoves)
    : db
        .select()
        .from(stockMoves)
        .where(inArray(stockMoves.itemId, [...ids])))
  const of = new Map<string, StockMove[]>()
  for (const m of moves) {
    const own = of.get(m.itemId) ?? []
    own.push(coreMove(m))
    of.set(m.itemId, own)
  }
  const service = rows.length === 0 ? new Map<string, FitsOn>() : await inService(db, now.getTime())
  return rows.map((r) => withLevels(r, of.get(r.id) ?? [], service)).sort((a, b) => (a.title < b.title ? -1 : 1))
}

/** Machines that take an item, so many at once. */
export async function machinesOf(
  db: Db | Tx,
  item: Pick<ItemRow, 'spec'>,
  now: Date,
): Promise<ReadonlyMap<string, number>> {
  const service = await inService(db, now.getTime())
  return new Map(
    [...service].flatMap(([id, on]) => {
      const n = takes(item.spec, on)
      return n > 0 ? [[id, n] as const] : []
    }),
  )
}

function withLevels(row: ItemRow, moves: readonly StockMove[], service: ReadonlyMap<string, FitsOn>): StockItem {
  let on = 0
  let pieces = 0
  for (const n of [...service.values()].map((m) => takes(row.spec, m))) {
    if (n > 0) on += 1
    pieces += n
  }
  const levels = [...stockLevels(moves)].map(([placeId, { held, ...l }]) => ({
    placeId,
    ...l,
    held: [...held].map(([jobId, count]) => ({ jobId, count })),
  }))
  const free = levels.reduce((sum, l) => sum + l.free, 0)
  const years = usualYears[row.spec.kind] ?? 5
  const keep = reorder({ machines: on, pieces, years, leadDays: row.leadDays ?? 7 }, free)
  return {
    ...row,
    title: itemTitle(row.spec),
    levels,
    inService: pieces,
    machines: on,
    perYear: keep.perYear,
    years,
    wantMin: row.min ?? keep.min,
    wantMax: row.max ?? Math.max(row.min ?? 0, keep.max),
    risk: keep.risk,
  }
}
