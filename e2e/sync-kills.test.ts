import 'fake-indexeddb/auto'
import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import type { Server } from 'node:http'
import type { MachinePage, Motor } from '@motor-round/contract'
import { seeded, type Random } from '@motor-round/core/machine'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { openDatabase } from '../server/src/db/client.ts'
import { createApp } from '../server/src/http/app.ts'
import { openWorld, visitOf, type World } from '../server/src/test/world.ts'

// What a browser has and Node has not; the line asks for no more.
const marks = new Map<string, string>()
vi.stubGlobal('navigator', { userAgent: 'test' })
vi.stubGlobal('localStorage', {
  getItem: (k: string) => marks.get(k) ?? null,
  setItem: (k: string, v: string) => marks.set(k, v),
})
const { syncOutbox } = await import('../web/src/offline/core/sync.ts')
const { enqueue } = await import('../web/src/offline/core/outbox.ts')
const { store } = await import('../web/src/offline/core/store.ts')

const runs = Number(process.env['DRILL_RUNS'] ?? 200)
let world: World
let server: Server
let base = ''
let cookie = ''
let machineIds: string[] = []
const motors = new Map<string, { motor: Motor; version: number }>()
let killer: pg.Client
const nodeFetch = globalThis.fetch

async function listen(app: ReturnType<typeof createApp>): Promise<void> {
  server = app.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const at = server.address()
  base = `http://127.0.0.1:${typeof at === 'object' && at ? at.port : 0}`
}

beforeAll(async () => {
  world = await openWorld(true)
  const hand = await world.as('okonjo')
  cookie = hand.cookie()
  const rows = (await hand.get('/machines?limit=60')).body as { rows: { machineId: string }[] }
  machineIds = rows.rows.map((r) => r.machineId)
  for (const id of machineIds) {
    const { motor } = (await hand.get(`/machines/${id}`)).body as MachinePage
    if (motor) motors.set(id, { motor, version: motor.version })
  }
  await listen(world.app)
  killer = new pg.Client(world.deps.config.DATABASE_URL)
  await killer.connect()
})
afterAll(async () => {
  vi.unstubAllGlobals()
  server.closeAllConnections()
  server.close()
  await killer.end()
  await world.end()
})

/** Every connection of the database is ended in the middle of what it does, as when PostgreSQL is killed. */
const killDatabase = () =>
  killer.query(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
  )

/** The server is gone with all it was doing, and another one starts. */
async function killServer(): Promise<void> {
  server.closeAllConnections()
  server.close()
  await killDatabase()
  await listen(createApp({ ...world.deps, ...openDatabase(world.deps.config.DATABASE_URL, () => undefined) }))
}

/** The tab is gone: what it had in hand is lost, what its store had written is not. */
async function killTab(): Promise<void> {
  store.close({ disableAutoOpen: false })
  await store.open()
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** A network on which anything may break, by chance: before the server heard, while it works, after it answered. */
function badNetwork(random: Random, trouble: number): typeof fetch {
  return async (input, init) => {
    const url = new URL(typeof input === 'string' ? input : input instanceof URL ? input.href : input.url, base)
    const roll = random.next()
    if (roll < trouble * 0.25) throw new TypeError('no signal')
    const headers = { ...(init?.headers as Record<string, string> | undefined), cookie }
    const asked = nodeFetch(url, { ...init, headers })
    // Whoever waits for it is reported below; while something is being killed nobody waits yet.
    asked.catch(() => undefined)
    if (roll < trouble * 0.45) {
      await wait(random.between(0, 12))
      await killDatabase()
    } else if (roll < trouble * 0.6) {
      await wait(random.between(0, 12))
      await killServer()
    }
    const answer = await asked
    // Heard and kept, and the answer never came.
    if (roll >= trouble * 0.6 && roll < trouble) throw new TypeError('the answer was lost')
    return answer
  }
}

describe('a phone sends what it kept over and over while everything around it breaks', () => {
  it(`${runs} times by seed: no fact is lost, none is doubled, and their order is kept`, async () => {
    const born: string[] = []
    const work: string[] = []
    const findings: string[] = []
    const plates: string[] = []
    for (let run = 0; run < runs; run++) {
      const random = seeded(1000 + run)
      const count = 1 + Math.floor(random.next() * 2)
      const machineId = random.pick(machineIds)
      for (let i = 0; i < count; i++) {
        const takenAt = new Date(Date.UTC(2026, 5, 1) + (run * 10 + i) * 60_000).toISOString()
        const visit = visitOf(machineId, [5, 5.1, 5.2], { takenAt })
        const workId = randomUUID()
        born.push(visit.id)
        work.push(workId)
        const found = { id: randomUUID(), machineId, at: takenAt, level: 'watch' as const, text: `run ${run}` }
        const step = {
          id: randomUUID(),
          findingId: found.id,
          machineId,
          at: takenAt,
          kind: 'closed' as const,
          note: 'x',
        }
        findings.push(found.id)
        // Each correction stands on the one before it: one that is lost, or made twice, refuses all that follow.
        const known = motors.get(machineId)
        const { plate, connectionVolts = null, installedAt = '', why, substitute } = known?.motor ?? {}
        const correction = {
          id: randomUUID(),
          motorId: known?.motor.id ?? '',
          machineId,
          version: known?.version ?? 0,
          plate: { ...plate, serial: `run ${run} ${i}` },
          connectionVolts,
          installedAt,
          why: why ?? '',
          substitute: substitute ?? false,
        }
        if (known) {
          known.version++
          plates.push(correction.id)
        }
        await enqueue('', [
          { kind: 'visit', body: visit as never },
          { kind: 'work', body: { id: workId, machineId, doneAt: takenAt, kind: 'note', note: `run ${run}` } },
          { kind: 'finding', body: found },
          { kind: 'finding-step', body: step },
          ...(known ? [{ kind: 'plate' as const, body: correction }] : []),
        ])
      }
      vi.stubGlobal('fetch', badNetwork(random, 0.5))
      for (let tries = 0; (await store.outbox.count()) > 0; tries++) {
        // Nothing of it is wrong: an entry that is set aside waits for a person who can do nothing about it.
        const aside = (await store.outbox.toArray()).filter((w) => w.status !== 'pending')
        if (aside.length > 0) throw new Error(`set aside in run ${run}: ${JSON.stringify(aside)}`)
        if (tries > 60) throw new Error(`never sent in run ${run}`)
        if (tries > 30) {
          vi.stubGlobal('fetch', badNetwork(random, 0))
          // As a phone does, which waits longer each time: a database that was killed takes a moment on a busy machine.
          await wait(20 * (tries - 30))
        }
        const going = syncOutbox()
        if (random.next() < 0.15) {
          await wait(random.between(0, 15))
          await killTab()
        }
        // A tab that was closed under its hands throws; the next one takes the line up.
        await going.catch(() => undefined)
      }
    }
    expect(await store.outbox.count()).toBe(0)
    // Whatever broke was foreseen, and told as what it is.
    expect(world.logged.filter((line) => line.includes('"unforeseen"'))).toEqual([])
    const kept = await killer.query<{ id: string; n: string; readings: string }>(
      `select s.id, count(distinct s.taken_at) as n, count(r.*) as readings from visits s
       left join readings r on r.visit_id = s.id where s.id = any($1::uuid[]) group by s.id`,
      [born],
    )
    const lost = born.filter((id) => !kept.rows.some((r) => r.id === id))
    const doubled = kept.rows.filter((r) => Number(r.n) !== 1 || Number(r.readings) !== 6)
    expect({ born: born.length, lost, doubled }).toEqual({ born: born.length, lost: [], doubled: [] })
    const { rows } = await killer.query<{ n: string; all: string }>(
      `select count(distinct id) as n, count(*) as all from work where id = any($1::uuid[])`,
      [work],
    )
    expect(rows[0]).toEqual({ n: String(work.length), all: String(work.length) })
    const told = await killer.query<{ n: string; all: string }>(
      `select count(distinct f.id) as n, count(*) as all from findings f
       join finding_steps s on s.finding_id = f.id where f.id = any($1::uuid[])`,
      [findings],
    )
    expect(told.rows[0]).toEqual({ n: String(findings.length), all: String(findings.length) })
    const changed = await killer.query<{ n: string }>(
      `select count(*) as n from audit where change_id = any($1::uuid[])`,
      [plates],
    )
    expect(changed.rows[0]).toEqual({ n: String(plates.length) })
    const versions = await killer.query<{ id: string; version: number }>(
      `select id, version from components where id = any($1::uuid[])`,
      [[...motors.values()].map((m) => m.motor.id)],
    )
    const said = new Map([...motors.values()].map((m) => [m.motor.id, m.version]))
    expect(versions.rows.filter((r) => r.version !== said.get(r.id))).toEqual([])
    expect(plates.length).toBeGreaterThan(runs / 2)
  }, 900_000)
})
