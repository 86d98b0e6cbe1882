import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Deps } from '../deps.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { digestIfDue } from './digest.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

const at = (instant: string): Deps => ({ ...world.deps, now: () => new Date(instant) })
const letters = async () =>
  (
    await world.deps.pool.query<{ to: string; subject: string; body: string }>(
      'select "to", subject, body from mails order by "to"',
    )
  ).rows

describe('the weekly digest', () => {
  it('says what may not run, what is due again and what to order, and goes to nobody who was not set', async () => {
    const text = ((await lead.get('/digest')).body as { subject: string; text: string }).text
    const list = (await lead.get('/machines?limit=1')).body as { counts: { stop: number; fix: number } }
    expect(text).toContain(`${list.counts.stop} to stop, ${list.counts.fix} to fix`)
    expect(text).toMatch(/May not run \(\d+\)\n- /)
    expect(text).toMatch(/Postponed, and due again \(\d+\)\n- EF-11 \/ EF: Replace the wheel/)
    expect(text).toMatch(/Parts to order \(\d+\)/)
    expect(await digestIfDue(world.deps)).toBe(0)
  })
  it('is written once a week, on Monday from six by the clock of the site, however many servers ask', async () => {
    const set = await lead.put('/digest', { emails: ['B@example.org', 'a@example.org', 'b@example.org'] })
    expect(set.body).toEqual({ emails: ['a@example.org', 'b@example.org'] })
    // Halifax is four hours behind in November: Monday half past five, and half past six.
    expect(await digestIfDue(at('2026-11-30T09:30:00Z'))).toBe(0)
    const due = at('2026-11-30T10:30:00Z')
    expect((await Promise.all([1, 2, 3].map(() => digestIfDue(due)))).sort()).toEqual([0, 0, 2])
    expect(await digestIfDue(at('2026-12-05T10:30:00Z'))).toBe(0)
    expect((await letters()).map((l) => l.to)).toEqual(['a@example.org', 'b@example.org'])
    expect((await letters())[0]?.subject).toContain('fans, week of Nov 30, 2026')
    // The next week, and one that was missed on its Monday.
    expect(await digestIfDue(at('2026-12-09T15:00:00Z'))).toBe(2)
  })
  it('takes e-mail addresses alone, from a lead alone', async () => {
    expect((await lead.put('/digest', { emails: ['nobody'] })).body).toMatchObject({ errors: [{ path: 'emails.0' }] })
    expect((await (await world.as('okonjo')).put('/digest', { emails: [] })).status).toBe(403)
  })
})
