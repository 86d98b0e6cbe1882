import { randomUUID } from 'node:crypto'
import type { Express } from 'express'
import type { JudgeInput } from '@motor-round/core/judge'
import { demoPassword } from '@motor-round/demo'
import pg from 'pg'
import { pino } from 'pino'
import supertest from 'supertest'
import { expect, inject } from 'vitest'
import { clock } from '../clock.ts'
import { readConfig } from '../config.ts'
import { closeDatabase, migrateUp, openDatabase } from '../db/client.ts'
import { letServerIn } from '../db/roles.ts'
import type { Deps } from '../deps.ts'
import { createApp } from '../http/app.ts'
import { firstLead, loadDemo } from '../seed.ts'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

export const testNow = '2026-11-25T09:00:00Z'

const databaseAt = (name: string) => inject('databaseUrl').replace(/\/postgres$/, `/${name}`)
/** The same database, as the server signs in to it: with a role of its own that may do no more than it needs. */
const asServer = (url: string) =>
  Object.assign(new URL(url), { username: 'motor_round_app', password: 'for-tests' }).href

/** What a server needs, over that database. */
function depsOf(url: string, log: Deps['log']): Deps & { /** The security log. */ readonly known: readonly string[] } {
  const config = readConfig({
    DATABASE_URL: url,
    SESSION_SECRET: 'only-for-tests-000000',
    LOG_LEVEL: 'error',
    CHECK_ANSWERS: 'yes',
    FIXED_NOW: testNow,
  })
  const known: string[] = []
  const security = pino({ level: 'info' }, { write: (line: string) => void known.push(line) })
  return { config, ...openDatabase(url, (e) => log.error(e.message)), log, security, known, now: clock(testNow) }
}

/**
 * A database of its own: a copy of one that was migrated, and filled, once for the whole run. Whoever comes first makes
 * that one while the others wait.
 */
async function copyOf(demo: boolean, log: Deps['log']) {
  const template = demo ? 'with_demo' : 'empty'
  const name = `t_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client(inject('databaseUrl'))
  await admin.connect()
  try {
    await admin.query(`select pg_advisory_lock(${demo ? 1 : 2})`)
    const { rowCount } = await admin.query('select from pg_database where datname = $1', [template])
    if (rowCount === 0) {
      await admin.query(`create database ${template}_new`)
      const deps = depsOf(databaseAt(`${template}_new`), log)
      await migrateUp(deps.pool)
      const owner = await deps.pool.connect()
      await letServerIn(owner, asServer(databaseAt(name))).finally(() => owner.release())
      if (demo) await loadDemo(deps)
      await closeDatabase(deps)
      await admin.query(`alter database ${template}_new rename to ${template}`)
    }
    await admin.query(`create database ${name} template ${template}`)
  } finally {
    await admin.end()
  }
  return asServer(databaseAt(name))
}

async function asOwner(name: string, text: string, values: unknown[]): Promise<pg.QueryResult> {
  const owner = new pg.Client(databaseAt(name))
  await owner.connect()
  try {
    return await owner.query(text, values)
  } finally {
    await owner.end()
  }
}

/** What neither the server may do nor, while its triggers stand, the owner of the database. */
export async function refusedToAll(world: World, text: string): Promise<void> {
  await expect(world.deps.pool.query(text)).rejects.toThrow('permission denied')
  await expect(world.asOwner(text)).rejects.toThrow('append-only')
}

/** A server over a database of its own, on the real PostgreSQL. */
export async function openWorld(demo: boolean) {
  const logged: string[] = []
  const log = pino({ level: 'error' }, { write: (line: string) => void logged.push(line) })
  return worldOver(await copyOf(demo, log), log, logged)
}

/** A server over a database that is there. */
export async function worldOver(url: string, log: Deps['log'], logged: string[] = []) {
  const deps = depsOf(url, log)
  const link = await firstLead(deps)
  const app = createApp(deps)
  return {
    deps,
    app,
    /** The one-time link of the first lead; null where there are people. */
    link,
    /** What the server logged as unforeseen. */
    logged,
    /** A statement as the owner of the database makes it, past what the server may do. */
    asOwner: (text: string, values: unknown[] = []) => asOwner(new URL(url).pathname.slice(1), text, values),
    visitor: () => new Caller(app),
    as: async (login: 'vale' | 'okonjo' | 'arden') => {
      const caller = new Caller(app)
      await caller.signIn(login, demoPassword(login))
      return caller
    },
    end: () => closeDatabase(deps),
  }
}
export type World = Awaited<ReturnType<typeof openWorld>>

/** One person's browser: cookie and token. */
export class Caller {
  private readonly agent: ReturnType<typeof supertest.agent>
  csrf = ''
  private session = ''
  constructor(app: Express) {
    this.agent = supertest.agent(app)
  }
  async signIn(login: string, password: string) {
    const r = await this.agent.post('/api/v1/session').send({ login, password })
    if (r.status === 200) this.csrf = (r.body as { csrf: string }).csrf
    const set: unknown = r.headers['set-cookie']
    if (Array.isArray(set)) this.session = String(set[0]).split(';')[0] ?? ''
    return r
  }
  /** The cookie of this session, for what is not asked over HTTP. */
  cookie = () => this.session
  get = (path: string) => this.agent.get(`/api/v1${path}`)
  post = (path: string, body?: object) => this.agent.post(`/api/v1${path}`).set('x-csrf-token', this.csrf).send(body)
  put = (path: string, body?: object) => this.agent.put(`/api/v1${path}`).set('x-csrf-token', this.csrf).send(body)
  /** A request of any kind. */
  ask = (method: string, path: string) =>
    method === 'get'
      ? this.get(path)
      : method === 'put'
        ? this.put(path)
        : method === 'delete'
          ? this.delete(path)
          : this.post(path)
  delete = (path: string) => this.agent.delete(`/api/v1${path}`).set('x-csrf-token', this.csrf)
  /** Send a file to be checked. */
  file = (kind: string, content: string | Buffer, more = '', id: string = randomUUID()) =>
    this.agent
      .post(`/api/v1/imports?kind=${kind}&id=${id}${more}`)
      .set('x-csrf-token', this.csrf)
      .set('content-type', 'application/octet-stream')
      .send(content)
  /** The machine of a tag in the demo, `AHU-2/SF`. */
  async machine(tag: string) {
    const [unit, section] = tag.split('/')
    const found = await this.get(`/find?q=${encodeURIComponent(unit ?? '')}`)
    const hit = (found.body as { id: string; unitTag: string; tag: string }[]).find(
      (m) => m.unitTag === unit && m.tag === section,
    )
    if (!hit) throw new Error(`no machine ${tag}`)
    return hit.id
  }
}

const unsaid: JudgeInput['visit']['state'] = {
  settled: true,
  mode: null,
  filters: null,
  panels: null,
  twin: null,
  turning: null,
}

/** A visit to send. */
export const visitOf = (machineId: string, amps: readonly number[], over: object = {}) => ({
  id: randomUUID(),
  machineId,
  takenAt: '2026-11-25T08:00:00Z',
  state: unsaid,
  readings: [
    ...[479, 478, 480].map((value, i) => ({ quantity: 'volts_ll', position: ['L1-L2', 'L2-L3', 'L3-L1'][i], value })),
    ...amps.map((value, i) => ({ quantity: 'amps', position: `L${i + 1}`, value })),
  ],
  ...over,
})
