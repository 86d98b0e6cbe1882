import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoSignIns } from '../seed.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let empty: World
let lead: Caller
beforeAll(async () => {
  empty = await openWorld(false)
  const token = String(empty.link).replace('/welcome/', '')
  lead = empty.visitor()
  const session = await lead.post(`/invitations/${token}`, {
    password: 'gravel teapot ninety fork',
    login: 'first',
    name: 'First',
    organization: 'Harbor Works',
  })
  lead.csrf = session.body.csrf as string
})
afterAll(() => empty.end())

describe('the demo, loaded by the first lead', () => {
  it('is there with its machines judged, and leaves the organization its name and its lead', async () => {
    expect((await empty.visitor().post('/demo')).status).toBe(401)
    const loaded = await lead.post('/demo')
    expect([loaded.status, loaded.body.sites]).toEqual([200, 3])
    const list = (await lead.get('/machines?limit=500')).body as { total: number; counts: Record<string, number> }
    expect(list.total).toBe(loaded.body.machines)
    expect(list.counts['fix']).toBeGreaterThan(0)
    const session = (await lead.get('/session')).body as { organization: string; person: { login: string } }
    expect([session.organization, session.person.login]).toEqual(['Harbor Works', 'first'])
  })
  it('opens no account: nothing is told that nobody can sign in with', async () => {
    expect(await demoSignIns(empty.deps)).toBeNull()
    const vale = await empty.visitor().post('/session', { login: 'vale', password: 'vale-on-the-roof' })
    expect(vale.status).toBe(401)
  })
  it('is refused where there are machines', async () => {
    const again = await lead.post('/demo')
    expect([again.status, again.body.detail ?? again.body.title]).toEqual([
      409,
      'There are machines already: the demo is for an empty database.',
    ])
  })
})

describe('the sign-ins of the demo', () => {
  it('are told while they work', async () => {
    const world = await openWorld(true)
    try {
      const told = async () => (await demoSignIns(world.deps))?.map((d) => d.login)
      expect(await told()).toEqual(['vale', 'okonjo', 'arden'])
      await world.asOwner(`update people set password_hash = null where login = 'okonjo'`)
      expect(await told()).toEqual(['vale', 'arden'])
    } finally {
      await world.end()
    }
  })
})
