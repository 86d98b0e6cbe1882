import { Secret, TOTP } from 'otpauth'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoPassword } from '@motor-round/demo'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { stepOf } from './factor.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

const login = { login: 'vale', password: demoPassword('vale') }
/** The app on the phone, by the server's clock and some steps of 30 s later. */
const codeOf = (secret: string, later = 0) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: world.deps.now().getTime() + later * 30_000 })
const wrong = (secret: string) => {
  const good = [-2, -1, 0, 1, 2].map((n) => codeOf(secret, n))
  return ['111111', '222222', '333333', '444444', '555555', '666666'].find((c) => !good.includes(c)) ?? ''
}

describe('a code of an authenticator app', () => {
  // RFC 6238, appendix B: SHA-1, eight digits 94287082 at 59 s and 07081804 at 1,111,111,109 s; six digits are their end.
  it.each([
    [59, '287082', 1],
    [1_111_111_109, '081804', 37_037_036],
  ])('is that of the standard at %d s', (at, code, step) => {
    const secret = Secret.fromLatin1('12345678901234567890').base32
    expect(stepOf(secret, code, new Date(at * 1000))).toBe(step)
    // One step before and behind, for clocks that differ; no further.
    expect(stepOf(secret, code, new Date((at + 30) * 1000))).toBe(step)
    expect(stepOf(secret, code, new Date((at + 90) * 1000))).toBeNull()
  })
})

describe('a second factor', () => {
  let secret: string
  let codes: string[]
  it('is on once a code of the app was entered, and gives ten recovery codes', async () => {
    expect((await lead.put('/account/second-factor', { code: '123456' })).status).toBe(409)
    const begun = await lead.post('/account/second-factor')
    secret = String(begun.body.secret)
    expect(begun.body.address).toContain(`otpauth://totp/Motor%20Round:vale?`)
    expect((await lead.get('/account/second-factor')).body).toEqual({ on: false, left: 0 })
    const refused = await lead.put('/account/second-factor', { code: wrong(secret) })
    expect([refused.status, refused.body.errors[0].path]).toEqual([422, 'code'])
    const on = await lead.put('/account/second-factor', { code: codeOf(secret) })
    codes = on.body.codes
    expect(new Set(codes).size).toBe(10)
    expect((await lead.get('/account/second-factor')).body).toEqual({ on: true, left: 10 })
    // Neither lies in the database as it is.
    const { rows } = await world.deps.pool.query(
      'select (f.*)::text as a, array_agg(r.code_hash)::text as b from second_factors f, recovery_codes r group by f.*',
    )
    expect(JSON.stringify(rows)).not.toContain(secret)
    expect(JSON.stringify(rows)).not.toContain(codes[0])
  })
  it('is asked for at sign-in after the password, and no code is good twice', async () => {
    const guest = world.visitor()
    const asked = await guest.post('/session', login)
    expect([asked.status, asked.body.needs]).toEqual([401, 'code'])
    expect(
      (await guest.post('/session', { ...login, password: 'wrong', code: codeOf(secret, 1) })).body.needs,
    ).toBeUndefined()
    expect((await guest.post('/session', { ...login, code: wrong(secret) })).status).toBe(401)
    // The one that turned it on is used up.
    expect((await guest.post('/session', { ...login, code: codeOf(secret) })).status).toBe(401)
    const both = await Promise.all(
      [1, 2].map(() => world.visitor().post('/session', { ...login, code: codeOf(secret, 1) })),
    )
    expect(both.map((r) => r.status).sort()).toEqual([200, 401])
  })
  it('takes a recovery code in its place, once, as it was noted by hand', async () => {
    const noted = (codes[3] ?? '').toLowerCase().replace('-', ' ')
    expect((await world.visitor().post('/session', { ...login, code: noted })).status).toBe(200)
    expect((await world.visitor().post('/session', { ...login, code: noted })).status).toBe(401)
    expect((await lead.get('/account/second-factor')).body.left).toBe(9)
  })
  it('is not guessed, from however many addresses', async () => {
    const tries = []
    for (let i = 0; i < 12; i++)
      tries.push((await world.visitor().post('/session', { ...login, code: wrong(secret) })).status)
    expect(tries).toContain(401)
    expect(tries.at(-1)).toBe(429)
    await world.deps.pool.query('delete from sign_in_tries')
  })
  it('is turned off with a code, and gone after a lead’s new link', async () => {
    expect((await lead.post('/account/second-factor/off', { code: wrong(secret) })).status).toBe(422)
    expect((await lead.post('/account/second-factor/off', { code: codes[5] ?? '' })).body).toEqual({
      on: false,
      left: 0,
    })
    expect((await world.visitor().post('/session', login)).status).toBe(200)
    const hand = await world.as('okonjo')
    const own = String((await hand.post('/account/second-factor')).body.secret)
    await hand.put('/account/second-factor', { code: codeOf(own) })
    const { people } = await lead.get('/people').then((r) => ({ people: r.body as { id: string; login: string }[] }))
    const link = await lead.post(`/people/${people.find((p) => p.login === 'okonjo')?.id ?? ''}/link`)
    const token = String(link.body.path).replace('/welcome/', '')
    await world.visitor().post(`/invitations/${token}`, { password: 'gravel teapot ninety fork' })
    const again = await world.visitor().post('/session', { login: 'okonjo', password: 'gravel teapot ninety fork' })
    expect(again.status).toBe(200)
  })
})

describe('what takes the password once more', () => {
  it('is refused an hour after it was entered, and goes on when it is entered', async () => {
    await world.deps.pool.query(`update session set sess = (sess::jsonb - 'confirmedAt')::json`)
    const person = { id: '00000000-0000-7000-8000-00000000f00d', login: 'newhand', name: 'New Hand', role: 'mechanic' }
    const refused = await lead.post('/people', person)
    expect([refused.status, refused.body.needs]).toEqual([403, 'password'])
    // Readings are never held up by it.
    expect((await lead.get('/machines')).status).toBe(200)
    expect((await lead.post('/account/confirm', { password: 'no' })).body.errors[0].path).toBe('password')
    expect((await lead.post('/account/confirm', { password: login.password })).body).toEqual({ confirmed: true })
    expect((await lead.post('/people', person)).status).toBe(200)
  })
})
