import type { StockMoveBody, stockPlaceKinds, StockSpec } from '@motor-round/contract'
import { boolean, doublePrecision, index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { at, sites } from './schema.ts'

/** Where stock lies: shop, van, cage of a site, shelf of a supplier. */
export const stockPlaces = pgTable('stock_places', {
  id: uuid().primaryKey(),
  name: text().notNull().unique(),
  kind: text().$type<(typeof stockPlaceKinds)[number]>().notNull(),
  siteId: uuid('site_id').references(() => sites.id),
  version: integer().notNull().default(1),
})

/** What is kept, with what decides where it fits. How many there are stands in the moves. */
export const stockItems = pgTable('stock_items', {
  id: uuid().primaryKey(),
  code: text().notNull().unique(),
  spec: jsonb().$type<StockSpec>().notNull(),
  price: doublePrecision(),
  leadDays: integer('lead_days'),
  min: integer(),
  max: integer(),
  note: text().notNull(),
  version: integer().notNull().default(1),
})

/** Append-only: what came, went, was counted, held or found bad. */
export const stockMoves = pgTable(
  'stock_moves',
  {
    id: uuid().primaryKey(),
    itemId: uuid('item_id')
      .notNull()
      .references(() => stockItems.id),
    placeId: uuid('place_id')
      .notNull()
      .references(() => stockPlaces.id),
    at: at('at').notNull(),
    kind: text().$type<StockMoveBody['kind']>().notNull(),
    count: integer().notNull(),
    toPlaceId: uuid('to_place_id').references(() => stockPlaces.id),
    jobId: uuid('job_id'),
    tested: boolean(),
    condition: text().$type<StockMoveBody['condition']>().notNull(),
    note: text().notNull(),
    by: text().notNull(),
  },
  (t) => [index('stock_moves_item').on(t.itemId, t.at)],
)
