// A throwaway PostgreSQL for the server's tests: its own folder and port, gone afterwards.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Cluster } from './lib/postgres.mjs'

export default async function setup(project) {
  const dir = mkdtempSync(join(tmpdir(), 'motor-round-test-'))
  const cluster = new Cluster(dir, { fast: true })
  await cluster.start()
  project.provide('databaseUrl', cluster.url('postgres'))
  return async () => {
    await cluster.stop('immediate')
    rmSync(dir, { recursive: true, force: true })
    if (cluster.base !== dir) rmSync(cluster.base, { recursive: true, force: true })
  }
}
