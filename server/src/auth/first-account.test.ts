import { pino } from 'pino'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openWorld, worldOver, type World } from '../test/world.ts'

const rounds = Number(process.env['DRILL_RUNS'] ?? 3)
let world: World
const others: World[] = []
beforeAll(async () => {
  world = await openWorld(false)
})
afterAll(async () => {
  for (const w of [world, ...others]) await w.end()
})

const account = (n: number) => ({
  login: `lead${n}`,
  name: `Lead ${n}`,
  password: 'gravel teapot ninety fork',
  organization: 'Hilltop',
})

it('servers that start together on an empty database tell one link, and it makes one account, whoever is asked', async () => {
  const url = world.deps.config.DATABASE_URL
  for (let round = 0; round < rounds; round++) {
    const started = await Promise.all([1, 2, 3].map(() => worldOver(url, pino({ level: 'silent' }))))
    others.push(...started)
    expect(new Set(started.map((w) => w.link))).toEqual(new Set([world.link]))
  }
  const token = String(world.link).replace('/welcome/', '')
  const answers = await Promise.all(others.map((w, i) => w.visitor().post(`/invitations/${token}`, account(i))))
  expect(answers.filter((r) => r.status === 200)).toHaveLength(1)
  expect(answers.filter((r) => r.status !== 200).every((r) => r.status === 404)).toBe(true)
  const { rows } = await world.deps.pool.query<{ n: number }>('select count(*)::int as n from people')
  expect(rows[0]?.n).toBe(1)
  // Those that start later tell none.
  const late = await worldOver(url, pino({ level: 'silent' }))
  others.push(late)
  expect(late.link).toBeNull()
})
