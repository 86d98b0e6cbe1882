import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { photo } from '../test/picture.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let at: string
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  const [area] = ((await hand.get('/places')).body as { areas: { id: string }[] }).areas
  at = `/areas/${area?.id ?? ''}/pictures`
})
afterAll(() => world.end())

const send = async (bytes: string, type = 'image/jpeg') => {
  const id = randomUUID()
  const r = await hand.post(at, { id, type, bytes })
  return { id, status: r.status, error: (r.body as { errors?: { message: string }[] }).errors?.[0]?.message }
}
const kept = async (id: string) => (await hand.get(`/map-pictures/${id}`)).body as Buffer

describe('a photo that is sent', () => {
  it.each(['jpeg', 'png', 'webp'] as const)('is drawn anew as %s', async (format) => {
    const { id, status } = await send(await photo('#c33', format), `image/${format}`)
    expect(status).toBe(200)
    expect(await sharp(await kept(id)).metadata()).toMatchObject({ format, width: 8, height: 6 })
  })
  it('stands upright, and keeps neither where it was taken nor what hangs behind it', async () => {
    // Orientation 6: to be turned by a quarter to the right.
    const bytes = await sharp(Buffer.from(await photo(), 'base64'))
      .withExif({ IFD0: { Orientation: '6', Copyright: 'somebody' }, IFD3: { GPSLatitude: '44/1 38/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer()
    const { id } = await send(Buffer.concat([bytes, Buffer.from('<script>alert(1)</script>')]).toString('base64'))
    const now = await kept(id)
    const shown = await sharp(now).metadata()
    expect([shown.width, shown.height, shown.exif, shown.orientation]).toEqual([6, 8, undefined, undefined])
    expect(now.includes('script')).toBe(false)
  })
  it.each([
    ['a header alone', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])],
    ['a page', Buffer.from('<html></html>')],
    ['a drawing with a program in it', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>')],
    ['nothing', Buffer.alloc(0)],
  ])('is refused where it is %s', async (_what, bytes) => {
    expect(await send(bytes.toString('base64'))).toMatchObject({ status: 422, error: 'is not image/jpeg' })
  })
  it('is refused where it is another kind, cut off, or unfolds to more than a camera takes', async () => {
    expect(await send(await photo('#123', 'png'))).toMatchObject({ status: 422, error: 'is not image/jpeg' })
    const noise = await sharp({
      create: {
        width: 64,
        height: 64,
        channels: 3,
        noise: { type: 'gaussian', mean: 90, sigma: 40 },
        background: '#000',
      },
    })
      .jpeg()
      .toBuffer()
    expect((await send(noise.subarray(0, noise.length / 2).toString('base64'))).status).toBe(422)
    const bomb = await photo('#000', 'png', { width: 9000, height: 9000 })
    expect(bomb.length).toBeLessThan(1_400_000)
    expect((await send(bomb, 'image/png')).status).toBe(422)
    expect(world.logged).toEqual([])
  })
})
