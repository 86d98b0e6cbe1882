import { calculators, findCalculator } from '@motor-round/core/calc'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  viewer = await world.as('arden')
})
afterAll(() => world.end())

describe('calculators over the API', () => {
  it.each(calculators.map((c) => [c.id, c] as const))('%s answers as the core does', async (id, c) => {
    const r = await viewer.post(`/calc/${id}`, c.example)
    expect(r.status).toBe(200)
    const own = findCalculator(id)?.run(c.example)
    if (!own?.ok) throw new Error(`${id}: its example does not run`)
    expect(r.body).toEqual(JSON.parse(JSON.stringify(own.result)))
  })
  it('a wrong field is named, with no unforeseen fault', async () => {
    const r = await viewer.post('/calc/belt-length', { small: 4, large: 9, center: 5 })
    expect(r.status).toBe(422)
    expect(r.body.errors[0]).toMatchObject({ path: 'center' })
    expect((await viewer.post('/calc/belt-length', { small: 'four' })).status).toBe(422)
    expect((await viewer.post('/calc/perpetual-motion', {})).status).toBe(404)
    expect(world.logged).toEqual([])
  })
  it('is not for who has not signed in', async () =>
    expect((await world.visitor().post('/calc/belt-length', {})).status).toBeGreaterThanOrEqual(401))
})
