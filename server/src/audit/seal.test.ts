import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { checkAudit } from '../../../scripts/lib/audit-chain.mjs'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { sealAudit } from './seal.ts'

let world: World
let lead: Caller
let client: pg.Client
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  client = new pg.Client(world.deps.config.DATABASE_URL)
  await client.connect()
})
afterAll(async () => {
  await client.end()
  await world.end()
})

/** Something that is written down, with letters beyond the first plane and a line break. */
const addSite = () =>
  lead.post('/sites', { id: randomUUID(), name: `Hilltop 🏥 ${randomUUID()}`, zone: 'America/Chicago' })

/** As the owner does who puts the triggers out of force first. */
const forge = async (...texts: string[]) => {
  for (const table of ['audit', 'audit_seals']) await world.asOwner(`alter table ${table} disable trigger all`)
  for (const text of texts) await world.asOwner(text)
  for (const table of ['audit', 'audit_seals']) await world.asOwner(`alter table ${table} enable trigger all`)
}

describe('the seals on the change log', () => {
  it('stand on every line, each over the one before, whoever seals', async () => {
    await sealAudit(world.deps)
    const before = await checkAudit(client)
    for (let i = 0; i < 5; i++) expect((await addSite()).status).toBe(200)
    expect((await checkAudit(client)).waiting).toBe(5)
    // Several servers at once.
    const done = await Promise.all([1, 2, 3, 4].map(() => sealAudit(world.deps)))
    expect(done.reduce((a, b) => a + b, 0)).toBe(5)
    const after = await checkAudit(client)
    expect(after).toMatchObject({ sealed: before.sealed + 5, waiting: 0, problems: [] })
    expect(world.deps.known.at(-1)).toContain(`"seq":${after.sealed},"hash":"${after.hash}"`)
    // A seal that was kept holds later on as well.
    expect((await checkAudit(client, { seq: before.sealed + 2, hash: 'f'.repeat(64) })).problems).toHaveLength(1)
    expect((await checkAudit(client, { seq: after.sealed, hash: after.hash })).problems).toEqual([])
  })
  it('name people by id', async () => {
    const { rows } = await client.query<{ login: string }>(
      `select p.login from audit a join people p on p.id = a.by_id where a.what = 'site added'`,
    )
    expect(new Set(rows.map((r) => r.login))).toEqual(new Set(['vale']))
  })
  it('show a line that was changed by the owner of the database himself, and one that was taken out or slipped in', async () => {
    const whole = await checkAudit(client)
    const at = (n: number) => `(select audit_id from audit_seals where seq = ${n})`
    const n = whole.sealed - 2
    await forge(`update audit set why = why || ' ' where id = ${at(n)}`)
    expect((await checkAudit(client)).problems).toEqual([expect.stringMatching(`^Line ${n} .* is not what was sealed`)])
    await forge(`update audit set why = rtrim(why) where id = ${at(n)}`)
    expect((await checkAudit(client)).problems).toEqual([])

    await forge(
      `create table aside as select * from audit where id = ${at(n)}`,
      `delete from audit where id = ${at(n)}`,
    )
    expect((await checkAudit(client)).problems).toEqual([expect.stringMatching(`^Line ${n} was taken out`)])
    await forge('insert into audit select * from aside')
    expect((await checkAudit(client)).problems).toEqual([])

    await forge(
      `insert into audit select gen_random_uuid(), at, by, what, entity, entity_id, why, changes, null, by_id from aside`,
    )
    expect((await checkAudit(client)).problems).toEqual([expect.stringMatching('^One line has no seal')])
    await forge('delete from audit a where not exists (select from audit_seals s where s.audit_id = a.id)')
    await forge(`delete from audit_seals where seq = ${n}`)
    expect((await checkAudit(client)).problems[0]).toBe(`Seal ${n} is missing.`)
  })
  it('show a chain that was made anew, to who kept a seal', async () => {
    // What stands in the security log.
    const kept = [...world.deps.known].reverse().find((l) => l.includes('change log sealed')) ?? ''
    const known = JSON.parse(kept) as { seq: number; hash: string }
    await forge(
      `update audit set by = 'somebody else' where what = 'site added'`,
      'delete from audit_seals',
      'insert into audit_waiting select id from audit',
    )
    await sealAudit(world.deps)
    expect((await checkAudit(client)).problems).toEqual([])
    expect((await checkAudit(client, known)).problems).toEqual([
      `Seal ${known.seq} is not the one that was kept: the chain was made anew.`,
    ])
    expect((await checkAudit(client, { ...known, seq: known.seq + 1 })).problems[0]).toContain('its end was taken off')
  })
})
