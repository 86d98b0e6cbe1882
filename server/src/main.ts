import pg from 'pg'
import { pino } from 'pino'
import { sealAudit } from './audit/seal.ts'
import { sweepImports } from './import-export/sweep.ts'
import { clock } from './clock.ts'
import { readConfig, type Config } from './config.ts'
import { closeDatabase, migrateUp, openDatabase } from './db/client.ts'
import { letServerIn } from './db/roles.ts'
import type { Deps } from './deps.ts'
import { createApp } from './http/app.ts'
import { serverFor } from './http/listen.ts'
import { safeError } from './http/log-safe.ts'
import { serveMetrics } from './http/metrics.ts'
import { refreshForNewJudge, refreshStale } from './machine/refresh.ts'
import { digestIfDue } from './mail/digest.ts'
import { sendSoon } from './mail/outbox.ts'
import { deafen } from './rounds/live.ts'
import { serveSimulatedMeters } from './meters/simulated.ts'
import { sessions } from './auth/session.ts'
import { demoSignIns, firstLead, loadDemo } from './seed.ts'

/** Say one line to the one who started us, and end. */
function end(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(1)
}

/** Judge what a batch that was cut off left unjudged, by whichever server it was. */
async function judgeStale({ db, log }: Deps): Promise<void> {
  try {
    await db.transaction((tx) => refreshStale(tx))
  } catch (e) {
    // No database: it is tried again, and every answer says so meanwhile.
    log.warn({ err: e instanceof Error ? e.message : String(e) }, 'stale machines were not judged')
  }
}

/** Write the weekly digest when it is due; what fails now is tried again in ten minutes. */
async function digest(deps: Deps): Promise<void> {
  try {
    if ((await digestIfDue(deps)) > 0) sendSoon(deps)
  } catch (e) {
    deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'the weekly digest was not written')
  }
}

/** Time for what runs when the server is told to stop. */
const finishMs = 30_000

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

/** Clear up behind imports that another server did not finish. */
async function sweep(deps: Deps): Promise<void> {
  try {
    await sweepImports(deps)
  } catch (e) {
    deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'imports were not cleared up')
  }
}

/** Put seals on the change log; what fails now is tried again. */
async function seal(deps: Deps): Promise<void> {
  try {
    await sealAudit(deps)
  } catch (e) {
    deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'the change log was not sealed')
  }
}

async function run(): Promise<void> {
  const config = readConfig(process.env)
  // Whoever logs an error, what people entered and the ids of sessions are not in it.
  const log = pino({ level: config.LOG_LEVEL, serializers: { err: (e: unknown) => safeError(e) } }, pino.destination(2))
  const { db, pool, files } = openDatabase(config.DATABASE_URL, (e) =>
    log.warn({ err: e.message }, 'a database connection was lost'),
  )
  const security =
    config.SECURITY_LOG === undefined
      ? log.child({ log: 'security' })
      : pino({ level: 'info' }, pino.destination({ dest: config.SECURITY_LOG, mkdir: true, mode: 0o600, sync: true }))
  const deps: Deps = { config, db, pool, files, log, security, now: clock(config.FIXED_NOW) }
  try {
    await bringUp(config, pool)
  } catch (e) {
    end(
      `The database at ${new URL(config.DATABASE_URL).host} cannot be used: ${e instanceof Error ? (e.cause instanceof Error ? e.cause.message : e.message) : String(e)}`,
    )
  }
  if (config.DEMO === 'yes') await loadDemo(deps)
  const demo = await demoSignIns(deps)
  const link = await firstLead(deps)
  await sweepImports(deps)
  setInterval(() => void sweep(deps), 60_000).unref()
  await deps.db.transaction((tx) => refreshForNewJudge(tx))
  await judgeStale(deps)
  setInterval(() => void judgeStale(deps), 20_000).unref()
  sendSoon(deps)
  setInterval(() => sendSoon(deps), 30_000).unref()
  await seal(deps)
  setInterval(() => void seal(deps), 10_000).unref()
  void digest(deps)
  setInterval(() => void digest(deps), 600_000).unref()
  const app = createApp(deps)
  const server = serverFor(config, app)
  server.once('error', (error) =>
    end(
      (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
        ? `Port ${config.PORT} is taken; choose another with PORT=…`
        : error.message,
    ),
  )
  server.listen(config.PORT, config.HOST, () => {
    process.stdout.write(`${JSON.stringify({ ready: true, port: config.PORT, firstLead: link, demo })}\n`)
  })
  const endMeters = serveSimulatedMeters(server, deps, sessions(deps))
  server.requestTimeout = 0 // a file of a gigabyte over a slow line takes its time
  const metrics = config.METRICS_PORT === undefined ? null : serveMetrics(config.METRICS_PORT)
  const stop = () => {
    endMeters()
    metrics?.close()
    void deafen(pool)
    // What runs is finished, so long as it does not take for ever; whoever watches comes back to another server.
    server.close(
      () =>
        void seal(deps)
          .then(() => closeDatabase(deps))
          .then(() => process.exit(0)),
    )
    server.closeIdleConnections()
    setTimeout(() => process.exit(0), finishMs).unref()
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  // Started by another process: when that one is gone, nobody would stop us.
  if (process.connected) process.on('disconnect', stop)
}

run().catch((e: unknown) => end(e instanceof Error ? e.message : String(e)))
