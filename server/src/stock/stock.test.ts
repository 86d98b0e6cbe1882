import { randomUUID } from 'node:crypto'
import type { Stock, StockItem } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let stock: Stock
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  stock = (await hand.get('/stock')).body as Stock
})
afterAll(() => world.end())

const errorsOf = (body: unknown) => (body as { errors?: { path: string; message: string }[] }).errors
const placeId = (name: string) => stock.places.find((p) => p.name === name)?.id ?? ''
const item = (over: object = {}) => ({
  id: randomUUID(),
  code: `T-${randomUUID().slice(0, 8)}`,
  spec: { kind: 'belt', section: 'b', number: 74 },
  ...over,
})
const added = async (over: object = {}) => (await hand.post('/stock/items', item(over))).body as StockItem
const move = (itemId: string, over: object = {}) => ({
  kind: 'stock-move',
  body: {
    id: randomUUID(),
    itemId,
    placeId: placeId('Workshop'),
    at: '2026-11-25T08:00:00.000Z',
    kind: 'received',
    count: 1,
    ...over,
  },
})
const said = async (who: Caller, ...entries: object[]) =>
  (
    (await bring(who, entries)).body as {
      results: { outcome: string; problem: { errors: { path: string; message: string }[] } | null }[]
    }
  ).results.map((r) => r.problem?.errors[0] ?? r.outcome)
const level = async (id: string) =>
  ((await hand.get('/stock')).body as Stock).items
    .find((i) => i.id === id)
    ?.levels.find((l) => l.placeId === placeId('Workshop'))

describe('stock', () => {
  it('stands with its places, what it fits and what to keep', () => {
    expect(stock.places.map((p) => p.name)).toEqual(['Supplier on Tallow Street', 'Terminal cage', 'Van 2', 'Workshop'])
    const belts = stock.items.filter((i) => i.spec.kind === 'belt')
    expect(belts.length).toBeGreaterThan(3)
    expect(belts.every((b) => b.inService > 0 && b.machines > 0 && b.wantMax >= b.wantMin)).toBe(true)
    expect(stock.items.some((i) => i.levels.some((l) => l.held.length > 0))).toBe(true)
  })
  it('an item is added and changed once at a time; its label is its own', async () => {
    const made = await added({ spec: { kind: 'capacitor', microfarads: 7.5, volts: 440 }, price: 18 })
    expect(made).toMatchObject({ title: 'Capacitor 7.5 µF, 440 V', version: 1, levels: [] })
    const again = await hand.post('/stock/items', item({ code: made.code }))
    expect(errorsOf(again.body)?.[0]).toEqual({ path: 'code', message: 'another item has that label' })
    const { id, code, spec, price, leadDays, note } = made
    const edit = { id, code, spec, price, leadDays, note, min: 2, max: 6, version: 1 }
    expect((await hand.put(`/stock/items/${id}`, edit)).body).toMatchObject({ wantMin: 2, wantMax: 6, version: 2 })
    expect((await hand.put(`/stock/items/${id}`, edit)).status).toBe(409)
    const wrong = await hand.put(`/stock/items/${id}`, { ...edit, version: 2, max: 1 })
    expect(errorsOf(wrong.body)?.[0]).toMatchObject({ path: 'max', message: 'not below the minimum' })
    expect((await (await world.as('arden')).post('/stock/items', item())).status).toBe(403)
  })
  it('of two phones that take the last one the second is told who took it', async () => {
    const { id } = await added()
    const first = move(id, { kind: 'taken' })
    expect(await said(hand, move(id), first)).toEqual(['applied', 'applied'])
    expect(await said(hand, first)).toEqual(['duplicate'])
    const other = await world.as('vale')
    expect(await said(other, move(id, { kind: 'taken' }))).toEqual([
      { path: 'count', message: 'none of Belt B74 left at Workshop: Mosi Okonjo took 1, Nov 25' },
    ])
    expect(await level(id)).toMatchObject({ onHand: 0, doubt: false })
  })
  it('at once, from many phones, no more go than there are', async () => {
    const { id } = await added()
    await said(hand, move(id, { count: 5 }))
    const tries = await Promise.all(Array.from({ length: 12 }, () => said(hand, move(id, { kind: 'taken' }))))
    expect(tries.flat().filter((r) => r === 'applied')).toHaveLength(5)
    expect(await level(id)).toMatchObject({ onHand: 0 })
  })
  it.each([
    [{ kind: 'taken', count: 0 }, 'body.count'],
    [{ kind: 'moved' }, 'body.toPlaceId'],
    [{ kind: 'bad' }, 'body.note'],
    [{ kind: 'reserved' }, 'body.jobId'],
    [{ kind: 'reserved', jobId: randomUUID() }, null],
    [{ count: -1 }, 'body.count'],
  ])('a move that cannot be is refused at its field: %j', async (over, path) => {
    const { id } = await added()
    const [r] = await said(hand, move(id, over))
    if (path === null) expect(r).not.toBe('applied')
    else expect(r).toMatchObject({ path })
  })
  it('what happened to an item is kept, with who did it', async () => {
    const { id } = await added()
    await said(
      hand,
      move(id, { count: 3 }),
      move(id, { kind: 'bad', note: 'Cracked in its sleeve.', at: '2026-11-25T08:05:00.000Z' }),
    )
    const { moves } = (await hand.get(`/stock/${id}`)).body as { moves: object[] }
    expect(moves).toMatchObject([
      { kind: 'bad', count: 1, by: 'Mosi Okonjo', note: 'Cracked in its sleeve.' },
      { kind: 'received', count: 3 },
    ])
    expect(await level(id)).toMatchObject({ onHand: 2, bad: 1 })
    expect((await hand.get(`/stock/${randomUUID()}`)).status).toBe(404)
  })
})
