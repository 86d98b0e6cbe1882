import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { root } from './paths.mjs'
import { anyPort, Cluster } from './postgres.mjs'
import { builtServerArgs } from './server-process.mjs'

/** The instant at which the clocks of tests and pictures stand. */
export const fixedNow = '2026-11-25T09:00:00Z'

/**
 * The built server over a database, loaded with the demo when that is empty.
 * @param {{url: string, port?: number, env?: Record<string, string>, log?: (text: string) => void}} options `log` is given what it logs;
 * left out, that goes to where this process logs
 * @returns {Promise<{base: string, pid: number | undefined, firstLead: string | null, end: () => Promise<void>, kill: () => Promise<void>}>} `kill` leaves it
 * no time for anything; `firstLead` is the one-time link of a server without users
 */
export async function builtServer({ url, port, env = {}, log }) {
  const use = port ?? (await anyPort())
  const server = spawn(process.execPath, builtServerArgs, {
    env: {
      ...process.env,
      DATABASE_URL: url,
      PORT: String(use),
      SESSION_SECRET: 'only-for-throwaway-data',
      WEB_DIR: join(root, 'web/dist'),
      DEMO: 'yes',
      FIXED_NOW: fixedNow,
      ...env,
    },
    stdio: ['ignore', 'pipe', log ? 'pipe' : 'inherit'],
  })
  server.stderr?.on('data', (b) => log(String(b)))
  const endBy = async (signal) => {
    if (server.exitCode !== null || server.signalCode !== null) return
    const gone = new Promise((r) => server.once('exit', r))
    server.kill(signal)
    await gone
  }
  const end = () => endBy('SIGTERM')
  const kill = () => endBy('SIGKILL')
  const said = await new Promise((done, fail) => {
    server.stdout.once('data', done)
    server.once('exit', () => fail(new Error('the server did not start')))
  })
  return { base: `http://127.0.0.1:${use}`, pid: server.pid, firstLead: JSON.parse(String(said)).firstLead, end, kill }
}

/** A new database beside another, from a template: its URL. */
async function newDatabase(url, template) {
  const name = `${new URL(url).pathname.slice(1)}_${randomUUID().replaceAll('-', '')}`
  const at = (database) => Object.assign(new URL(url), { pathname: `/${database}` }).href
  const admin = new pg.Client(at('postgres'))
  await admin.connect()
  await admin.query(`create database ${name} template ${template}`)
  await admin.end()
  return at(name)
}

/** A copy of a database nobody is connected to, beside it: its URL. */
export const copyOf = (url) => newDatabase(url, new URL(url).pathname.slice(1))

/** An empty database beside another: its URL. */
export const emptyBeside = (url) => newDatabase(url, 'template0')

/** A throwaway cluster with a database in it, and how it goes away; `durable` keeps the safety on, as in life. */
export async function throwawayCluster({ durable = false } = {}) {
  const dir = mkdtempSync(join(tmpdir(), 'motor-round-demo-'))
  const cluster = new Cluster(dir, { fast: !durable })
  await cluster.start()
  const url = await cluster.ensureDatabase('demo')
  const end = async () => {
    await cluster.stop('immediate')
    rmSync(dir, { recursive: true, force: true })
    if (cluster.base !== dir) rmSync(cluster.base, { recursive: true, force: true })
  }
  return { cluster, url, end }
}

/**
 * The built server on demo data of its own, in a throwaway cluster.
 * @returns {Promise<{base: string, pid: number | undefined, cluster: Cluster, url: string, end: () => Promise<void>}>}
 */
export async function demoServer({ port, env = {}, durable = false } = {}) {
  const { cluster, url, end } = await throwawayCluster({ durable })
  const server = await builtServer({ url, port, env })
  return {
    base: server.base,
    pid: server.pid,
    cluster,
    url,
    end: async () => {
      await server.end()
      await end()
    },
  }
}

/**
 * A drive that stands in for a real one, as a process of its own, on loopback.
 * @param {string} machine one of the demo that has a drive
 * @param {{port?: number, pace?: number}} how the port of the demo where it is left out; how many times faster than life
 * @returns {Promise<{port: number, end: () => Promise<void>}>}
 */
export async function standInDrive(machine, { port, pace = 1 } = {}) {
  const args = ['--machine', machine, '--pace', String(pace), ...(port === undefined ? [] : ['--port', String(port)])]
  const drive = spawn(process.execPath, [join(root, 'server/dist/stand-in-drive.js'), ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const said = await new Promise((done, fail) => {
    drive.stdout.once('data', done)
    drive.once('exit', () => fail(new Error('the stand-in drive did not start')))
  })
  const end = async () => {
    if (drive.exitCode !== null || drive.signalCode !== null) return
    const gone = new Promise((r) => drive.once('exit', r))
    drive.kill('SIGTERM')
    await gone
  }
  return { port: JSON.parse(String(said)).port, end }
}
