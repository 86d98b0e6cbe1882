import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { roundNews, type DueMachine, type RoundHead, type RoundPage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bring, eventBody, todayOf } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { deafen } from './live.ts'

let world: World
let lead: Caller
let hand: Caller
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  hand = await world.as('okonjo')
  viewer = await world.as('arden')
})
afterAll(async () => {
  await deafen(world.deps.pool)
  await world.end()
})

const today = () => todayOf(viewer)
const siteIds = async () => ((await viewer.get('/places')).body as { sites: { id: string; name: string }[] }).sites
const person = { id: randomUUID(), name: 'Mosi Okonjo', from: 420, to: 900 }
const due = async (site = 0) =>
  (await viewer.get(`/due?sites=${(await siteIds())[site]?.id ?? ''}`)).body as DueMachine[]
/** A round of the first machines that want anything. */
const asked = async (count: number, over: object = {}) => {
  const list = (await due()).slice(0, count)
  return {
    id: randomUUID(),
    name: 'A round',
    day: '2026-11-26',
    siteIds: [...new Set(list.map((d) => d.siteId))],
    visits: list.map((d) => ({ machineId: d.machineId, tasks: [d.tasks[0]?.task ?? 'amps'] })),
    people: [person],
    ...over,
  }
}
const send = (entries: object[], who = hand) => bring(who, entries)

describe('what is due', () => {
  it('is told of every machine of a site, soonest first, each day with its reason', async () => {
    const list = await due()
    expect(list.length).toBeGreaterThan(10)
    for (const d of list) {
      expect(d.tasks.map((t) => t.dueAt)).toEqual(d.tasks.map((t) => t.dueAt).toSorted())
      for (const t of d.tasks) expect(t.why).toMatch(/^(Never done|Last ).*\.$/)
    }
    expect(list.flatMap((d) => d.tasks).some((t) => t.moved === 'forward')).toBe(true)
    expect((await viewer.get('/due?sites=nonsense')).body).toEqual([])
  })
})

describe('a round', () => {
  it('is planned, with who is where when; the same twice is one', async () => {
    const body = await asked(6)
    const made = await lead.post('/rounds', body)
    expect(made.status).toBe(200)
    const page = made.body as RoundPage
    expect(page.head).toMatchObject({ name: 'A round', visits: 6, done: 0, state: 'planned' })
    expect(page.route.steps.length + page.route.left.length).toBe(6)
    expect(page.areas.length).toBeGreaterThan(0)
    await lead.post('/rounds', body)
    expect(((await viewer.get('/rounds')).body as RoundHead[]).filter((r) => r.id === body.id)).toHaveLength(1)
  })
  it('is a lead’s to plan, and names the field that is wrong', async () => {
    expect((await hand.post('/rounds', await asked(2))).status).toBe(403)
    const wrong = async (over: object, path: string) => {
      const r = await lead.post('/rounds', await asked(2, over))
      expect(r.status).toBe(422)
      expect((r.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(path)
    }
    await wrong({ visits: [] }, 'visits')
    await wrong({ people: [{ ...person, to: 400 }] }, 'people.0.to')
    await wrong({ visits: [{ machineId: randomUUID(), tasks: ['amps'] }] }, 'visits.0.machineId')
    await wrong({ siteIds: [randomUUID()] }, 'visits.0.machineId')
    const one = (await asked(1)).visits[0]
    await wrong({ visits: [one, one] }, 'visits.1.machineId')
    await wrong({ visits: [{ machineId: one?.machineId, tasks: ['combustion'] }] }, 'visits.0.tasks.0')
  })
  it('is moved by hand with its cost told, and a stale hand is told what changed', async () => {
    const page = (await lead.post('/rounds', await asked(5))).body as RoundPage
    const order = page.route.order[0]?.steps ?? []
    const move = { version: page.head.version, step: order[4], walker: person.id, position: 0 }
    const r = await lead.post(`/rounds/${page.head.id}/move`, move)
    expect(r.status).toBe(200)
    const moved = r.body as { page: RoundPage; by: { travel: number } }
    expect(moved.page.route.order[0]?.steps[0]).toBe(order[4])
    expect(Number.isFinite(moved.by.travel)).toBe(true)
    const stale = await lead.post(`/rounds/${page.head.id}/move`, move)
    expect(stale.status).toBe(409)
    const nowhere = await lead.post(`/rounds/${page.head.id}/move`, { ...move, version: 2, step: 'none' })
    expect((nowhere.body as { errors: unknown[] }).errors).toEqual([
      { path: 'step', message: 'visit is not in this round' },
    ])
  })
  it('is planned again when a storm comes: what is outdoors and later stays undone, and says why', async () => {
    const page = (await lead.post('/rounds', await asked(6))).body as RoundPage
    const r = await lead.post(`/rounds/${page.head.id}/replan`, {
      version: 1,
      people: [person],
      heat: null,
      storm: 440,
    })
    expect(r.status).toBe(200)
    const { route } = r.body as RoundPage
    expect(route.left.length).toBeGreaterThan(0)
    expect(route.left.every((l) => l.why === 'not before the storm' || l.why === 'no time left')).toBe(true)
  })
  it('goes on to the next day with what finds no room, and with nothing else', async () => {
    const short = { ...person, to: 420 + 60 }
    const body = await asked(12, { name: 'Long one', people: [short], days: 3 })
    const first = (await lead.post('/rounds', body)).body as RoundPage
    expect(first.route.left.every((l) => l.why !== 'no time left')).toBe(true)
    const heads = ((await viewer.get('/rounds')).body as RoundHead[]).filter((h) => h.name === 'Long one')
    expect(heads.map((h) => h.day)).toEqual(['2026-11-26', '2026-11-27', '2026-11-28'].slice(0, heads.length))
    expect(heads.length).toBeGreaterThan(1)
    const all = await Promise.all(
      heads.map(async (h) => ((await viewer.get(`/rounds/${h.id}`)).body as RoundPage).visits),
    )
    expect(
      all
        .flat()
        .map((s) => s.machineId)
        .toSorted(),
    ).toEqual(body.visits.map((s) => s.machineId).toSorted())
  })
  it('closes only when all is synced and reported, or with a reason; one that recurs is planned again', async () => {
    const page = (await lead.post('/rounds', await asked(2, { recurs: { every: 'month', times: 1 } })))
      .body as RoundPage
    const [a = '', b = ''] = page.visits.map((s) => s.machineId)
    const close = (reason = '') => lead.post(`/rounds/${page.head.id}/close`, { version: 1, reason })
    const reasonOf = (r: Awaited<ReturnType<typeof close>>) =>
      (r.body as { errors: { message: string }[] }).errors[0]?.message
    expect(reasonOf(await close())).toBe('2 visits are neither done nor skipped; enter why')
    await hand.post('/devices', { device: 'phone', roundId: page.head.id, holds: 3 })
    expect(reasonOf(await close())).toContain('Mosi Okonjo still has this round on a phone')
    await send([
      { kind: 'event', body: eventBody(page.head.id, a, 'done') },
      { kind: 'event', body: eventBody(page.head.id, b, 'skipped', { note: 'locked by others' }) },
    ])
    await hand.post('/devices', { device: 'phone', roundId: page.head.id, holds: 0 })
    const closed = await close()
    expect(closed.status).toBe(200)
    expect(closed.body).toMatchObject({
      head: { state: 'closed', done: 1, skipped: 1, left: 0 },
      closing: { by: 'Tamsin Vale', next: '2026-12-26' },
    })
    expect((await close('again')).status).toBe(409)
    const heads = (await viewer.get('/rounds')).body as RoundHead[]
    expect(heads.some((h) => h.day === '2026-12-26' && h.name === 'A round')).toBe(true)
  })
  it('learns how long a machine takes from those that were walked', async () => {
    const [first] = (await due()).slice(8)
    const machineId = first?.machineId ?? ''
    const body = async () => ({
      ...(await asked(1)),
      siteIds: [first?.siteId],
      visits: [{ machineId, tasks: ['amps'] }],
    })
    for (let i = 0; i < 4; i++) {
      const page = (await lead.post('/rounds', await body())).body as RoundPage
      expect(page.visits[0]?.learnt).toBe(i < 3 ? 0 : 3)
      if (i === 3) expect(page.visits[0]?.minutes).toBeGreaterThan(8)
      await send([
        { kind: 'event', body: eventBody(page.head.id, machineId, 'began', { at: '2026-11-25T08:00:00Z' }) },
        { kind: 'event', body: eventBody(page.head.id, machineId, 'done', { at: '2026-11-25T08:24:00Z' }) },
      ])
    }
  })
  it('is told live to those who watch', async () => {
    const round = await today()
    const server = world.app.listen(0, '127.0.0.1')
    await once(server, 'listening')
    try {
      const address = server.address()
      const port = typeof address === 'object' && address ? address.port : 0
      const end = new AbortController()
      const r = await fetch(`http://127.0.0.1:${port}/api/v1/rounds/${round?.id ?? ''}/live`, {
        headers: { cookie: viewer.cookie() },
        signal: end.signal,
      })
      expect(r.headers.get('content-type')).toContain('text/event-stream')
      const reader = r.body?.getReader()
      let heard = ''
      const until = async (text: string) => {
        while (!heard.includes(text)) {
          const more = await reader?.read()
          if (more?.done !== false) throw new Error(`"${text}" was not heard before the end: ${heard}`)
          heard += new TextDecoder().decode(more.value)
        }
      }
      await until('{"say":"here"}')
      const page = (await viewer.get(`/rounds/${round?.id ?? ''}`)).body as RoundPage
      const machineId = page.visits[0]?.machineId ?? ''
      await send([{ kind: 'event', body: eventBody(page.head.id, machineId, 'began') }])
      await until('"say":"event"')
      const finding = {
        id: randomUUID(),
        machineId,
        at: '2026-11-25T08:30:00.000Z',
        level: 'fix',
        text: 'The belt guard is missing',
      }
      await send([{ kind: 'finding', body: finding }])
      await until('The belt guard is missing')
      const news = heard
        .split('\n')
        .filter((l) => l.startsWith('data: '))
        .map((l) => roundNews.parse(JSON.parse(l.slice(6))))
      // A twin fan that is on the round too is judged with it.
      expect([...new Set(news.map((n) => n.say))]).toEqual(['here', 'event', 'machine', 'finding'])
      // What is told is what the page has.
      const after = (await viewer.get(`/rounds/${page.head.id}`)).body as RoundPage
      for (const n of news) {
        if (n.say === 'event') expect(after.events).toContainEqual(n.event)
        if (n.say === 'finding') expect(after.findings).toContainEqual(n.finding)
        if (n.say === 'machine') {
          if (n.machine.machineId === machineId) expect(n.machine.level).not.toBe('ok')
          expect(after.visits.find((v) => v.machineId === n.machine.machineId)).toMatchObject(n.machine)
        }
      }
      end.abort()
    } finally {
      server.closeAllConnections()
      server.close()
    }
  })
})

describe('the demo’s rounds', () => {
  it('are one of yesterday, walked and closed, and one of today', async () => {
    const heads = (await viewer.get('/rounds')).body as RoundHead[]
    const closed = heads.find((h) => h.name === 'Departures hall roof')
    expect(closed).toMatchObject({ state: 'closed', left: 0 })
    expect(closed?.done).toBeGreaterThan(8)
    const page = (await viewer.get(`/rounds/${(await today())?.id ?? ''}`)).body as RoundPage
    expect(page.visits.length).toBeGreaterThan(5)
    expect(page.areas.map((a) => a.name)).toEqual(['Crew house roof', 'Freight shed roof'])
  })
})
