import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { needPostgres } from './packages.mjs'
import { root } from './paths.mjs'
import { Cluster } from './postgres.mjs'
import { Plain } from './say.mjs'

/**
 * Do something with the database of a Motor Round, running or stopped: that of DATABASE_URL, or the one in DATA_DIR, which is started
 * where it does not run and stopped again.
 * @template T
 * @param {(of: {url: string, bin: string}) => Promise<T>} work given its address and the folder of PostgreSQL's programs
 * @returns {Promise<T>}
 */
export async function withDatabase(work) {
  const bin = await needPostgres()
  const own = process.env.DATABASE_URL
  const data = resolve(process.env.DATA_DIR ?? join(root, '.data'))
  if (!own && !existsSync(join(data, 'database-password')))
    throw new Plain(`There is no Motor Round in ${data}. Set DATA_DIR or DATABASE_URL.`)
  const cluster = own ? null : new Cluster(data)
  await cluster?.start()
  try {
    return await work({ url: own || (await cluster.ensureDatabase('motor_round')), bin })
  } finally {
    await cluster?.stop()
  }
}
