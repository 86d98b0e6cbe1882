import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './paths.mjs'
import { anyPort, Cluster } from './postgres.mjs'

/** The instant at which the clocks of tests and pictures stand. */
export const fixedNow = '2026-11-25T09:00:00Z'

/**
 * `durable` keeps the database's safety on, as in life; tests and pictures do without.
 * The built server on demo data of its own, in a throwaway cluster.
 * @returns {Promise<{base: string, cluster: Cluster, url: string, end: () => Promise<void>}>}
 */
export async function demoServer({ port, env = {}, durable = false } = {}) {
  const dir = mkdtempSync(join(tmpdir(), 'motor-round-demo-'))
  const cluster = new Cluster(dir, { fast: !durable })
  await cluster.start()
  const url = await cluster.ensureDatabase('demo')
  const use = port ?? (await anyPort())
  const server = spawn(process.execPath, ['--enable-source-maps', join(root, 'server/dist/main.js')], {
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
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const end = async () => {
    if (server.exitCode === null && server.signalCode === null) {
      const gone = new Promise((r) => server.once('exit', r))
      server.kill('SIGTERM')
      await gone
    }
    await cluster.stop('immediate')
    rmSync(dir, { recursive: true, force: true })
    if (cluster.base !== dir) rmSync(cluster.base, { recursive: true, force: true })
  }
  await new Promise((done, fail) => {
    server.stdout.once('data', done)
    server.once('exit', () => fail(new Error('the server did not start')))
  })
  return { base: `http://127.0.0.1:${use}`, cluster, url, end }
}
