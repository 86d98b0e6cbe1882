import { randomUUID } from 'node:crypto'
import { photo } from '../test/picture.test-help.ts'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  viewer = await world.as('arden')
})
afterAll(() => world.end())

describe('the plan of a roof', () => {
  it('is drawn, kept by version, and names a unit that is not there', async () => {
    const area = ((await viewer.get('/places')).body as { areas: { id: string; name: string }[] }).areas.find(
      (a) => a.name === 'Main tank roof',
    )
    const at = `/areas/${area?.id ?? ''}/map`
    const before = (await viewer.get(at)).body as {
      map: { width: number; units: object }
      version: number
      units: { id: string }[]
    }
    expect(Object.keys(before.map.units)).toHaveLength(before.units.length)
    const map = { ...before.map, width: before.map.width + 5 }
    expect((await hand.put(at, { version: before.version, map })).status).toBe(200)
    const stale = await hand.put(at, { version: before.version, map })
    expect(stale.status).toBe(409)
    expect((stale.body as { current: { map: { width: number } } }).current.map.width).toBe(map.width)
    const wrong = { ...map, units: { [randomUUID()]: { x: 1, y: 1, w: 1, h: 1 } } }
    expect((await hand.put(at, { version: before.version + 1, map: wrong })).status).toBe(422)
    expect((await viewer.put(at, { version: 1, map })).status).toBe(403)
    expect((await hand.put(`/areas/${randomUUID()}/map`, { version: 0, map: before.map })).status).toBe(404)
    expect((await viewer.get(`/areas/${randomUUID()}/map`)).status).toBe(404)
  })
  it('is drawn over a picture of its own, which is kept once and never changes', async () => {
    const [one, two] = ((await viewer.get('/places')).body as { areas: { id: string }[] }).areas
    const id = randomUUID()
    const sent = { id, type: 'image/jpeg', bytes: await photo('#a00') }
    const at = `/areas/${one?.id ?? ''}/pictures`
    expect((await hand.post(at, sent)).body).toEqual({ id })
    const other = { ...sent, bytes: await photo('#00a') }
    expect((await hand.post(at, other)).status).toBe(200)
    const got = await viewer.get(`/map-pictures/${id}`)
    expect(got.headers['content-type']).toBe('image/jpeg')
    const { dominant } = await sharp(got.body as Buffer).stats()
    expect(dominant.r).toBeGreaterThan(dominant.b)
    const png = await hand.post(at, { ...sent, id: randomUUID(), type: 'image/png' })
    expect(png.status).toBe(422)
    expect((png.body as { errors: object[] }).errors).toMatchObject([{ path: 'bytes', message: 'is not image/png' }])
    expect((await hand.post(`/areas/${randomUUID()}/pictures`, sent)).status).toBe(404)
    expect((await viewer.post(at, { ...sent, id: randomUUID() })).status).toBe(403)
    expect((await viewer.get(`/map-pictures/${randomUUID()}`)).status).toBe(404)
    const wrong = `/areas/${two?.id ?? ''}/map`
    const { map, version } = (await viewer.get(wrong)).body as { map: object; version: number }
    const refused = await hand.put(wrong, { version, map: { ...map, underlay: { id, x: 0, y: 0, w: 10, h: 10 } } })
    expect((refused.body as { errors: object[] }).errors).toMatchObject([{ path: 'map.underlay.id' }])
  })
})
