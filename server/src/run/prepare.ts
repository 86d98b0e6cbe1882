import pg from 'pg'
import type { Config } from '../config.ts'
import { migrateUp } from '../db/client.ts'
import { letServerIn } from '../db/roles.ts'
import type { Deps } from '../deps.ts'
import { refreshForNewJudge } from '../machine/refresh.ts'
import { demoSignIns, firstLead, loadDemo } from '../seed.ts'

/** Bring the schema up to date, as the owner where there is one; the server itself goes on with less. */
async function bringUp(config: Config, pool: pg.Pool): Promise<void> {
  if (config.OWNER_DATABASE_URL === undefined) {
    await migrateUp(pool)
    return
  }
  const owners = new pg.Pool({ connectionString: config.OWNER_DATABASE_URL, max: 1 })
  try {
    await migrateUp(owners)
    const client = await owners.connect()
    await letServerIn(client, config.DATABASE_URL).finally(() => client.release())
  } finally {
    await owners.end()
    delete process.env['OWNER_DATABASE_URL']
  }
}

/** What is told to whoever starts a server. */
export interface Prepared {
  /** Path of the one-time link of the first account; null where there are people. */
  readonly firstLead: string | null
  readonly demo: Awaited<ReturnType<typeof demoSignIns>>
}

/**
 * Everything that is done once before anybody is served.
 * @throws Error in one line where the database cannot be used
 */
export async function prepare(deps: Deps): Promise<Prepared> {
  try {
    await bringUp(deps.config, deps.pool)
  } catch (e) {
    const why = e instanceof Error ? (e.cause instanceof Error ? e.cause.message : e.message) : String(e)
    throw new Error(`The database at ${new URL(deps.config.DATABASE_URL).host} cannot be used: ${why}`, { cause: e })
  }
  if (deps.config.DEMO === 'yes') await loadDemo(deps)
  const demo = await demoSignIns(deps)
  const link = await firstLead(deps)
  await deps.db.transaction((tx) => refreshForNewJudge(tx))
  return { firstLead: link, demo }
}
