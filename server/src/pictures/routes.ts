import { endpoints } from '@motor-round/contract'
import { desc, eq } from 'drizzle-orm'
import type { Response, Router } from 'express'
import { pictures, mapPictures } from '../db/rounds-schema.ts'
import { areas } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { notFound } from '../http/problem.ts'
import { redrawn } from './bytes.ts'

/** A picture never changes: whoever has it keeps it. */
function sendPicture(res: Response, row: { type: string; bytes: Buffer } | undefined): undefined {
  if (!row) throw notFound('picture')
  res.set({ 'content-type': row.type, 'cache-control': 'private, max-age=31536000, immutable' }).send(row.bytes)
  return undefined
}

/** Pictures of machines, which come in by the sync alone, and those that plans are drawn over. */
export function pictureRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.pictures, async ({ params }) => {
    const rows = await deps.db
      .select({
        id: pictures.id,
        machineId: pictures.machineId,
        visitId: pictures.visitId,
        check: pictures.check,
        takenAt: pictures.takenAt,
        by: pictures.by,
        note: pictures.note,
      })
      .from(pictures)
      .where(eq(pictures.machineId, params.id))
      .orderBy(desc(pictures.takenAt), desc(pictures.id))
      .limit(60)
    return rows.map((r) => ({ ...r, takenAt: r.takenAt.toISOString() }))
  })
  mount(router, deps, endpoints.pictureBytes, async ({ params, res }) => {
    const [row] = await deps.db.select().from(pictures).where(eq(pictures.id, params.id))
    return sendPicture(res, row)
  })
  mount(router, deps, endpoints.addMapPicture, async ({ params, body, person }) => {
    const [area] = await deps.db.select({ id: areas.id }).from(areas).where(eq(areas.id, params.id))
    if (!area) throw notFound('area')
    await deps.db
      .insert(mapPictures)
      .values({ id: body.id, areaId: area.id, type: body.type, bytes: await redrawn(body), by: person.name })
      .onConflictDoNothing()
    return { id: body.id }
  })
  mount(router, deps, endpoints.mapPicture, async ({ params, res }) => {
    const [row] = await deps.db.select().from(mapPictures).where(eq(mapPictures.id, params.id))
    return sendPicture(res, row)
  })
}
