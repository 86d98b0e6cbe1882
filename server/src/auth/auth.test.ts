import { randomUUID } from 'node:crypto'
import { endpoints, mayAct, type Endpoint } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import supertest from 'supertest'
import { createApp } from '../http/app.ts'
import { openWorld, type World } from '../test/world.ts'

let world: World
beforeAll(async () => {
  world = await openWorld(true)
})
afterAll(() => world.end())

describe('sign-in', () => {
  it('opens a session, and closes it', async () => {
    const lead = await world.as('vale')
    const session = await lead.get('/session')
    expect(session.body.person).toMatchObject({ login: 'vale', role: 'lead' })
    expect(session.body).not.toHaveProperty('password')
    await lead.delete('/session')
    expect((await lead.get('/session')).body.person).toBeNull()
    expect((await lead.get('/machines')).status).toBe(401)
  })

  it('sets a cookie that scripts and other sites cannot use', async () => {
    const r = await world.visitor().signIn('arden', 'arden-on-the-roof')
    const cookie = String(r.headers['set-cookie'])
    expect(cookie).toContain('HttpOnly')
    expect(cookie).toContain('SameSite=Strict')
  })

  it('on https is of this host alone, and the browser is told to stay there', async () => {
    const config = { ...world.deps.config, PUBLIC_URL: 'https://rounds.example', TRUST_PROXY: 1 }
    const r = await supertest(createApp({ ...world.deps, config }))
      .post('/api/v1/session')
      .set('x-forwarded-proto', 'https')
      .send({ login: 'arden', password: 'arden-on-the-roof' })
    const cookie = String(r.headers['set-cookie'])
    expect(cookie).toMatch(/^__Host-motor-round=/)
    for (const part of ['Secure', 'Path=/', 'HttpOnly', 'SameSite=Strict']) expect(cookie).toContain(part)
    expect(cookie).not.toContain('Domain')
    expect(r.headers['strict-transport-security']).toContain('max-age=31536000')
    const plain = await world.visitor().get('/session')
    expect(plain.headers['strict-transport-security']).toBeUndefined()
  })

  it('answers the same to a wrong name and a wrong password', async () => {
    const a = await world.visitor().signIn('vale', 'wrong-password')
    const b = await world.visitor().signIn('nobody', 'wrong-password')
    expect([a.status, a.body]).toEqual([401, b.body])
  })

  it('stops guessing after eight tries, even with the right password then', async () => {
    for (let i = 0; i < 8; i++) expect((await world.visitor().signIn('okonjo', 'guess')).status).toBe(401)
    expect((await world.visitor().signIn('okonjo', 'okonjo-on-the-roof')).status).toBe(429)
    await world.deps.pool.query('delete from sign_in_tries')
    expect((await world.visitor().signIn('okonjo', 'okonjo-on-the-roof')).status).toBe(200)
  })

  it('counts before it looks: twenty tries at once are twenty', async () => {
    const tries = await Promise.all(Array.from({ length: 20 }, () => world.visitor().signIn('okonjo', 'guess at once')))
    expect(tries.filter((r) => r.status === 401)).toHaveLength(8)
    const refused = tries.filter((r) => r.status === 429)
    expect(refused).toHaveLength(12)
    expect(refused[0]?.headers['retry-after']).toBe('900')
    await world.deps.pool.query('delete from sign_in_tries')
  })

  it('keeps no password that could be read', async () => {
    const rows = await world.deps.pool.query<{ password_hash: string }>('select password_hash from people')
    for (const r of rows.rows) expect(r.password_hash).toMatch(/^\$argon2id\$/)
  })
})

describe('a session', () => {
  const kept = async () =>
    (
      await world.deps.pool.query<{ kept: string; expire: Date }>(
        "select sess->>'keptAt' as kept, expire from session order by expire desc limit 1",
      )
    ).rows[0]
  it('is written when it begins and every few minutes, not at every look', async () => {
    const lead = await world.as('vale')
    await lead.get('/session')
    const first = await kept()
    await lead.get('/machines?limit=1')
    await lead.get('/session')
    expect(await kept()).toEqual(first)
    await world.deps.pool.query(`update session set sess = jsonb_set(sess::jsonb, '{keptAt}', '1')::json`)
    const seen = await lead.get('/session')
    expect(Number((await kept())?.kept)).toBeGreaterThan(Date.now() - 60_000)
    // The cookie goes on with it.
    expect(String(seen.headers['set-cookie'])).toContain('Expires=')
  })
})

describe('one’s own password', () => {
  const next = 'gravel teapot ninety fork'
  it('is changed with the old one, and every other session ends', async () => {
    const [here, there] = [await world.as('arden'), await world.as('arden')]
    const refused = await here.put('/account/password', { current: 'not it', password: next })
    expect([refused.status, refused.body.errors[0].path]).toEqual([422, 'current'])
    expect((await here.get('/account/sessions')).body.length).toBeGreaterThanOrEqual(2)
    const done = await here.put('/account/password', { current: 'arden-on-the-roof', password: next })
    expect(done.status).toBe(200)
    expect(done.body.ended).toBeGreaterThanOrEqual(1)
    expect((await here.get('/machines?limit=1')).status).toBe(200)
    expect((await there.get('/machines?limit=1')).status).toBe(401)
    expect((await world.visitor().signIn('arden', 'arden-on-the-roof')).status).toBe(401)
    expect((await here.put('/account/password', { current: next, password: 'arden-on-the-roof' })).status).toBe(200)
  })
  it.each([
    ['short', 'at least 12 characters'],
    ['password1234', 'is too easy to guess'],
    ['aaaaaaaaaaaaaa', 'is too easy to guess'],
    ['qwertyuiop12', 'is too easy to guess'],
    ['motorroundarden', 'is too easy to guess'],
    ['arden-on-the-roof', 'is the old one'],
  ])('"%s" is refused: %s', async (password, why) => {
    const r = await (await world.as('arden')).put('/account/password', { current: 'arden-on-the-roof', password })
    expect([r.status, r.body.errors[0].path]).toEqual([422, 'password'])
    expect(r.body.errors[0].message).toContain(why)
  })
})

describe('one’s own sessions', () => {
  it('are told with the one that asks first, and all others end at one stroke', async () => {
    const [here, there] = [await world.as('vale'), await world.as('vale')]
    const list = (await here.get('/account/sessions')).body as { current: boolean; startedAt: string; id: string }[]
    expect([list[0]?.current, list.filter((s) => s.current).length]).toEqual([true, 1])
    // Its name opens nothing.
    expect(here.cookie()).not.toContain(list[0]?.id)
    expect((await here.delete('/account/sessions')).body.ended).toBe(list.length - 1)
    expect((await there.get('/account/sessions')).status).toBe(401)
    expect((await here.get('/account/sessions')).body).toHaveLength(1)
  })
  it('end after ninety days, however they are used', async () => {
    const lead = await world.as('vale')
    const old = Date.now() - 91 * 86_400_000
    await world.deps.pool.query(
      `update session set sess = jsonb_set(sess::jsonb, '{startedAt}', '${old}')::json where sess->>'personId' is not null`,
    )
    expect((await lead.get('/machines?limit=1')).status).toBe(401)
    expect((await (await world.as('vale')).get('/machines?limit=1')).status).toBe(200)
  })
  it('last half a day unused, and a month on a phone that holds a round', async () => {
    const hand = await world.as('okonjo')
    const left = async () => {
      const { rows } = await world.deps.pool.query<{ hours: number }>(
        `select extract(epoch from max(expire) - now()) / 3600 as hours from session where sess->>'agent' is not null
         and sess->>'personId' = (select id::text from people where login = 'okonjo')`,
      )
      return Number(rows[0]?.hours)
    }
    expect(await left()).toBeLessThanOrEqual(12.1)
    const [round] = ((await hand.get('/rounds')).body as { id: string }[]) ?? []
    if (!round) throw new Error('the demo has no round')
    const told = await hand.post('/devices', { device: 'phone-of-okonjo', roundId: round.id, holds: 0 })
    expect([told.status, told.body]).toEqual([200, { ok: true }])
    expect(await left()).toBeGreaterThan(29 * 24)
  })
})

describe('the security log', () => {
  it('says who came in, who was refused what, and who took everything along; never a password', async () => {
    await world.visitor().signIn('hunter2-typed-as-a-name', 'hunter2-secret-phrase')
    const viewer = await world.as('arden')
    await viewer.post('/sites', { id: randomUUID(), name: 'No', zone: 'UTC' })
    const lead = await world.as('vale')
    await lead.get('/exports/register.csv')
    const lines = world.deps.known.map((l) => JSON.parse(l) as Record<string, unknown>)
    const has = (part: object) => expect(lines).toContainEqual(expect.objectContaining(part))
    has({ event: 'sign-in refused', person: null })
    has({ event: 'sign-in' })
    has({ event: 'refused by role', role: 'viewer', endpoint: 'addSite' })
    has({ event: 'export', endpoint: 'exportRegister' })
    has({ event: 'password changed' })
    const all = world.deps.known.join('')
    for (const secret of ['hunter2', 'on-the-roof', 'gravel teapot', lead.cookie(), lead.csrf])
      expect(all).not.toContain(secret)
  })
})

describe('who is not allowed', () => {
  it('is told so before what they send is read, and a stranger sends little', async () => {
    const large = { login: 'x'.repeat(40_000), password: 'x' }
    expect((await world.visitor().post('/session', large)).status).toBe(413)
    expect((await world.visitor().post('/sync', { device: 'x'.repeat(100_000) })).status).toBe(401)
    expect((await (await world.as('arden')).post('/sync', { device: 'x'.repeat(3_000_000) })).status).toBe(403)
  })
})

describe('forged requests', () => {
  it('come from no page of ours where they say no origin', async () => {
    const lead = await world.as('vale')
    expect((await lead.post('/session', {}).set('origin', 'null')).status).toBe(403)
    expect((await lead.post('/session', {}).set('origin', 'not an address')).status).toBe(403)
  })

  it('need the token of the session', async () => {
    const lead = await world.as('vale')
    lead.csrf = 'something else'
    const r = await lead.post('/sites', { id: randomUUID(), name: 'Forged', zone: 'UTC' })
    expect(r.status).toBe(403)
  })
  it('from another origin are refused', async () => {
    const lead = await world.as('vale')
    const r = await lead
      .post('/sites', { id: randomUUID(), name: 'Forged', zone: 'UTC' })
      .set('origin', 'https://elsewhere.example')
    expect(r.status).toBe(403)
    expect((await lead.get('/places')).body.sites.map((s: { name: string }) => s.name)).not.toContain('Forged')
  })
})

describe('roles are checked on every route', () => {
  const address = (e: Endpoint) => e.path.replace('{id}', randomUUID()).replace('{token}', 'x')
  const all = Object.values(endpoints) as Endpoint[]
  it.each(all.filter((e) => e.role !== 'anyone').map((e) => [e.id, e] as const))('%s', async (_id, e) => {
    const nobody = world.visitor()
    const viewer = await world.as('arden')
    const call = (who: typeof viewer) =>
      e.method === 'get'
        ? who.get(address(e))
        : e.method === 'delete'
          ? who.delete(address(e))
          : who[e.method](address(e), {})
    expect((await call(nobody)).status).toBe(401)
    const status = (await call(viewer)).status
    if (mayAct('viewer', e.role as 'lead')) expect(status).not.toBe(403)
    else expect(status).toBe(403)
  })
})

describe('accounts', () => {
  it('are made with a one-time link, by which the person sets the password', async () => {
    const lead = await world.as('vale')
    const made = await lead.post('/people', { id: randomUUID(), login: 'new.hand', name: 'New Hand', role: 'mechanic' })
    expect(made.status).toBe(200)
    const token = String(made.body.path).replace('/welcome/', '')
    const visitor = world.visitor()
    expect((await visitor.get(`/invitations/${token}`)).body).toMatchObject({ login: 'new.hand', role: 'mechanic' })
    expect((await visitor.post(`/invitations/${token}`, { password: 'short' })).status).toBe(422)
    const accepted = await visitor.post(`/invitations/${token}`, { password: 'gravel teapot ninety fork' })
    expect(accepted.body.person.login).toBe('new.hand')
    expect(
      (await world.visitor().post(`/invitations/${token}`, { password: 'four teapots by the gravel' })).status,
    ).toBe(404)
    expect((await world.visitor().signIn('new.hand', 'gravel teapot ninety fork')).status).toBe(200)
  })

  it('that are closed lose their open sessions at once', async () => {
    const lead = await world.as('vale')
    const mechanic = await world.as('okonjo')
    const id = (await mechanic.get('/session')).body.person.id as string
    await lead.put(`/people/${id}`, { role: 'mechanic', disabled: true })
    expect((await mechanic.get('/machines')).status).toBe(401)
    expect((await world.visitor().signIn('okonjo', 'okonjo-on-the-roof')).status).toBe(401)
    await lead.put(`/people/${id}`, { role: 'mechanic', disabled: false })
  })

  it('have their new role at every request that begins after the change, however many run side by side', async () => {
    const lead = await world.as('vale')
    const mechanic = await world.as('okonjo')
    const roles = async () => {
      const all = await Promise.all(Array.from({ length: 12 }, () => mechanic.get('/session')))
      return new Set(all.map((r) => r.body.person.role as string))
    }
    const id = (await mechanic.get('/session')).body.person.id as string
    for (const role of ['viewer', 'mechanic', 'viewer', 'mechanic']) {
      // While requests of the same session are under way.
      const before = roles()
      await lead.put(`/people/${id}`, { role, disabled: false })
      expect(await roles()).toEqual(new Set([role]))
      await before
    }
    // Closed while they run: none that begins later gets in.
    const running = Promise.all(Array.from({ length: 12 }, () => mechanic.get('/machines?limit=1')))
    await lead.put(`/people/${id}`, { role: 'mechanic', disabled: true })
    const after = await Promise.all(Array.from({ length: 12 }, () => mechanic.get('/machines?limit=1')))
    expect(new Set(after.map((r) => r.status))).toEqual(new Set([401]))
    await running
    await lead.put(`/people/${id}`, { role: 'mechanic', disabled: false })
  })

  it('keep at least one lead', async () => {
    const lead = await world.as('vale')
    const id = (await lead.get('/session')).body.person.id as string
    expect((await lead.put(`/people/${id}`, { role: 'viewer', disabled: false })).status).toBe(422)
  })
})

describe('a first start without demo', () => {
  it('makes the first lead by a link that works once', async () => {
    const empty = await openWorld(false)
    const token = String(empty.link).replace('/welcome/', '')
    const visitor = empty.visitor()
    expect(
      (await visitor.post(`/invitations/${token}`, { password: 'gravel teapot ninety fork' })).body.errors[0].path,
    ).toBe('login')
    const r = await visitor.post(`/invitations/${token}`, {
      password: 'gravel teapot ninety fork',
      login: 'first',
      name: 'First Lead',
      organization: 'Harbor Maintenance',
    })
    expect((await visitor.get('/session')).body).toMatchObject({ organization: 'Harbor Maintenance' })
    expect(r.body.person).toMatchObject({ login: 'first', role: 'lead' })
    expect((await empty.visitor().get(`/invitations/${token}`)).status).toBe(404)
    await empty.end()
  })
})
