import type { StockMoveBody } from '@motor-round/contract'
import { emptyLevel, itemTitle, moveFault, stockLevels } from '@motor-round/core/stock'
import { eq } from 'drizzle-orm'
import { byClock } from '../dates.ts'
import type { Tx } from '../db/client.ts'
import { jobs } from '../db/rounds-schema.ts'
import { stockItems, stockMoves, stockPlaces } from '../db/stock-schema.ts'
import { fieldProblem } from '../http/problem.ts'
import type { Author, Done } from '../machine/command.ts'
import { coreMove } from './load.ts'

/**
 * Keep what happened to pieces of an item; the same id twice keeps one. More than there is, or than others hold, is refused, with
 * who took the last ones: of two phones that take the last belt the second is told.
 */
export async function keepStockMove(tx: Tx, body: StockMoveBody, author: Author): Promise<Done<null>> {
  // One after the other for an item: the second sees what the first took.
  const [item] = await tx.select().from(stockItems).where(eq(stockItems.id, body.itemId)).for('no key update')
  if (!item) throw fieldProblem('itemId', 'no such item of stock')
  const places = await tx.select({ id: stockPlaces.id, name: stockPlaces.name }).from(stockPlaces)
  const place = places.find((p) => p.id === body.placeId)
  if (!place) throw fieldProblem('placeId', 'no such place')
  if (body.toPlaceId !== null && !places.some((p) => p.id === body.toPlaceId))
    throw fieldProblem('toPlaceId', 'no such place')
  if (body.jobId !== null) {
    const [job] = await tx.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, body.jobId))
    if (!job) throw fieldProblem('jobId', 'no such job')
  }
  const known = await tx.select().from(stockMoves).where(eq(stockMoves.itemId, body.itemId))
  if (known.some((m) => m.id === body.id)) return { value: null, fresh: false }
  const level = stockLevels(known.map(coreMove)).get(body.placeId) ?? emptyLevel
  const fault = moveFault(body, level)
  if (fault) {
    const last = known
      .filter((m) => m.placeId === body.placeId && (fault.kind === 'held' ? m.kind === 'reserved' : m.kind === 'taken'))
      .sort((a, b) => b.at.getTime() - a.at.getTime())[0]
    const who = last ? `: ${last.by} ${fault.kind === 'held' ? 'holds' : 'took'} ${last.count}` : ''
    const when = last ? `, ${byClock(last.at, 'UTC', 'MMM D')}` : ''
    throw fieldProblem(
      'count',
      `${fault.left === 0 ? 'none' : `only ${fault.left}`} of ${itemTitle(item.spec)} left at ${place.name}${who}${when}`,
    )
  }
  const kept = await tx
    .insert(stockMoves)
    .values({ ...body, at: new Date(body.at), by: author.by })
    .onConflictDoNothing()
  return { value: null, fresh: (kept.rowCount ?? 0) > 0 }
}
