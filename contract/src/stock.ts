import type { ItemSpec, MoveKind } from '@motor-round/core/stock'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'

const word = (most: number, what: string) => line(most).min(1, `enter ${what}`)
const amount = z.number().positive().max(1e6)

/** What an item is, with what decides where it fits. */
export const stockSpec = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('belt'),
    section: word(6, 'the section').overwrite((t) => t.toUpperCase()),
    number: amount,
  }),
  z.strictObject({ kind: z.literal('filter'), size: word(40, 'the size') }),
  z.strictObject({ kind: z.literal('bearing'), mark: word(40, 'the marking') }),
  z.strictObject({ kind: z.literal('sheave'), mark: word(40, 'the marking') }),
  z.strictObject({ kind: z.literal('capacitor'), microfarads: amount, volts: amount }),
  z.strictObject({ kind: z.literal('fuse'), amps: amount, type: word(30, 'the class') }),
  z.strictObject({
    kind: z.literal('motor'),
    hp: amount,
    rpm: amount,
    volts: word(30, 'the volts'),
    frame: word(20, 'the frame'),
  }),
  z.strictObject({ kind: z.literal('contactor'), amps: amount, coil: amount }),
  z.strictObject({ kind: z.literal('other'), name: word(80, 'the name') }),
]) satisfies z.ZodType<ItemSpec>
export type StockSpec = z.output<typeof stockSpec>

export const stockPlaceKinds = ['shop', 'van', 'cage', 'supplier'] as const
/** Where stock lies. A supplier’s shelf is not ours: what is there still has to be fetched. */
export const stockPlaceBody = z.strictObject({
  id,
  name: word(60, 'the name'),
  kind: z.enum(stockPlaceKinds),
  siteId: id.nullable().default(null),
})

const pieces = z.int().min(0).max(100_000)
export const stockItemBody = z
  .strictObject({
    id,
    /** What its label says. */
    code: word(20, 'the label').regex(/^[A-Za-z0-9-]+$/, 'letters, digits and hyphens'),
    spec: stockSpec,
    /** US dollars. */
    price: z.number().min(0).max(1e7).nullable().default(null),
    leadDays: z.int().min(0).max(400).nullable().default(null),
    /** Set by hand; null: as it is worked out. */
    min: pieces.nullable().default(null),
    max: pieces.nullable().default(null),
    note: text(400).default(''),
  })
  .superRefine((i, ctx) => {
    if (i.min !== null && i.max !== null && i.max < i.min)
      ctx.addIssue({ code: 'custom', path: ['max'], message: 'not below the minimum' })
  })

export const stockMoveKinds = [
  'received',
  'taken',
  'returned',
  'counted',
  'moved',
  'bad',
  'reserved',
  'released',
] as const satisfies readonly MoveKind[]
/** What happened to pieces of an item. Facts: kept once, never changed. */
export const stockMoveBody = z
  .strictObject({
    id,
    itemId: id,
    placeId: id,
    at: instant,
    kind: z.enum(stockMoveKinds),
    count: pieces,
    toPlaceId: id.nullable().default(null),
    jobId: id.nullable().default(null),
    /** Of what came in or back: was it tested; null: nobody said. */
    tested: z.boolean().nullable().default(null),
    condition: z.enum(['new', 'used', 'substitute']).default('new'),
    note: text(400).default(''),
  })
  .superRefine((m, ctx) => {
    const fault = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
    if (m.count === 0 && m.kind !== 'counted') fault('count', 'enter how many')
    if (m.kind === 'moved' && m.toPlaceId === null) fault('toPlaceId', 'choose where to')
    if (m.kind === 'moved' && m.toPlaceId === m.placeId) fault('toPlaceId', 'is where it is')
    if ((m.kind === 'reserved' || m.kind === 'released') && m.jobId === null) fault('jobId', 'choose the job')
    if (m.kind === 'bad' && m.note.trim() === '') fault('note', 'enter what is wrong with it')
  })
export type StockMoveBody = z.output<typeof stockMoveBody>

export const stockLevel = z.object({
  placeId: id,
  onHand: z.int(),
  reserved: z.int(),
  bad: z.int(),
  free: z.int(),
  doubt: z.boolean(),
  held: z.array(z.object({ jobId: id, count: z.int() })),
})
export const stockItem = z
  .object({
    ...stockItemBody.shape,
    version: z.int(),
    title: z.string(),
    levels: z.array(stockLevel),
    /** Pieces in service that it replaces, and on how many machines. */
    inService: z.int(),
    machines: z.int(),
    /** What to keep, worked out from lives and lead time; by hand where that was set. */
    perYear: z.number(),
    years: z.number(),
    wantMin: z.int(),
    wantMax: z.int(),
    /** Chance to run out before what is ordered today is here. */
    risk: z.number(),
  })
  .meta({ id: 'StockItem' })
export type StockItem = z.infer<typeof stockItem>
export const stockPlace = stockPlaceBody.extend({ version: z.int() }).meta({ id: 'StockPlace' })
export type StockPlace = z.infer<typeof stockPlace>
export const stockMove = z.object({ ...stockMoveBody.shape, by: z.string() }).meta({ id: 'StockMove' })
export type StockMoveRecord = z.infer<typeof stockMove>
/** All of the stock as it stands. */
export const stock = z.object({ places: z.array(stockPlace), items: z.array(stockItem) }).meta({ id: 'Stock' })
export type Stock = z.infer<typeof stock>
