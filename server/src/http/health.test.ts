import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import supertest from 'supertest'
import { migrateUp } from '../db/client.ts'
import { openWorld, type World } from '../test/world.ts'
import { safeError, safeUrl } from './log-safe.ts'

let world: World
beforeAll(async () => {
  world = await openWorld(true)
})
afterAll(() => world.end())

describe('health', () => {
  it('the process lives, and can work', async () => {
    expect((await supertest(world.app).get('/livez')).body).toEqual({ ok: true })
    const ready = await supertest(world.app).get('/readyz')
    expect([ready.status, ready.body]).toEqual([200, { ok: true, database: 'ok', clock: 'ok', disk: 'ok' }])
  })
  it('a clock that went back is this machine’s fault, and it says so', async () => {
    await world.deps.pool.query(
      `insert into audit (id, by, at, what, entity, why, changes)
       values (gen_random_uuid(), 'Test', '2026-11-25T10:00:00Z', 'x', 'person', '', '[]')`,
    )
    const ready = await supertest(world.app).get('/readyz')
    expect(ready.status).toBe(503)
    expect(ready.body.clock).toBe('The clock is 60 minutes behind what was recorded. Set the clock of this machine.')
  })
})

describe('what is written down of a request', () => {
  it('every answer has an id that a person can quote, and so has what nobody foresaw', async () => {
    const one = await supertest(world.app).get('/api/v1/session')
    expect(one.headers['x-request-id']).toMatch(/^[0-9a-f]{10}$/)
    const two = await supertest(world.app).get('/api/v1/session')
    expect(two.headers['x-request-id']).not.toBe(one.headers['x-request-id'])
  })
  it('holds no secret of an address, and nothing that people entered', () => {
    expect(safeUrl('/api/v1/invitations/abcdefghijklmnop?x=1')).toBe('/api/v1/invitations/…?x=1')
    expect(safeUrl('/api/v1/calendar/abcdefghijklmnop.ics')).toBe('/api/v1/calendar/….ics')
    expect(safeUrl('/api/v1/machines/0183c0de-0000-7000-8000-000000000001')).toContain('0183c0de')
    const cause = new Error('duplicate key')
    const failed = new Error('Failed query: insert into people\nparams: okonjo,$argon2id$secret', { cause })
    // Some places hand on the message alone.
    expect(JSON.stringify(safeError(failed.message))).not.toContain('params')
    const safe = JSON.stringify(safeError(failed))
    expect(safe).toContain('insert into people')
    expect(safe).toContain('duplicate key')
    expect(safe).not.toContain('argon2id')
  })
  it('a file that is not there is not there', async () => {
    expect((await supertest(world.app).get('/assets/none.js')).status).toBeLessThan(500)
  })
})

describe('a database that a newer version made', () => {
  it('is refused in one line, and left as it is', async () => {
    const older = await openWorld(false)
    await older.asOwner(
      "insert into drizzle.__drizzle_migrations (hash, created_at) values ('of a later version', 9999999999999)",
    )
    await expect(migrateUp(older.deps.pool)).rejects.toThrow('it was made by a newer Motor Round')
    await older.end()
  })
})
