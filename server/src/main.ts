import cluster from 'node:cluster'
import { pino } from 'pino'
import { clock } from './clock.ts'
import { readConfig } from './config.ts'
import { closeDatabase, openDatabase } from './db/client.ts'
import type { Deps } from './deps.ts'
import { safeError } from './http/log-safe.ts'
import { countForCluster, serveMetrics } from './http/metrics.ts'
import { keepHouse } from './run/chores.ts'
import { prepare } from './run/prepare.ts'
import { serve } from './run/serve.ts'
import { startWorkers } from './run/workers.ts'

/** Say one line to the one who started us, and end. */
function end(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(1)
}

/** Time for what runs when the server is told to stop. */
const finishMs = 30_000

/** Stop once, when told to, or when whoever started this is gone and nobody could tell it. */
function stopOn(stop: () => Promise<void>): void {
  let stopping = false
  const once = () => {
    if (stopping) return
    stopping = true
    setTimeout(() => process.exit(0), finishMs + (cluster.isPrimary ? 5_000 : 0)).unref()
    stop().then(
      () => process.exit(0),
      () => process.exit(1),
    )
  }
  process.on('SIGINT', once)
  process.on('SIGTERM', once)
  if (process.connected) process.on('disconnect', once)
}

function depsOf(): Deps {
  const config = readConfig(process.env)
  // Whoever logs an error, what people entered and the ids of sessions are not in it.
  const log = pino({ level: config.LOG_LEVEL, serializers: { err: (e: unknown) => safeError(e) } }, process.stderr)
  const database = openDatabase(
    config.DATABASE_URL,
    (e) => log.warn({ err: e.message }, 'a database connection was lost'),
    config.WORKERS,
  )
  const security =
    config.SECURITY_LOG === undefined
      ? log.child({ log: 'security' })
      : pino({ level: 'info' }, pino.destination({ dest: config.SECURITY_LOG, mkdir: true, mode: 0o600, sync: true }))
  return { config, ...database, log, security, now: clock(config.FIXED_NOW) }
}

/** One of several processes: it answers, and does nothing else. */
async function work(deps: Deps): Promise<void> {
  if (deps.config.METRICS_PORT !== undefined) countForCluster()
  const stopServing = await serve(deps)
  stopOn(() => stopServing().then(() => closeDatabase(deps)))
}

/** The server: alone, or with processes that answer for it. */
async function lead(deps: Deps): Promise<void> {
  const { config, log } = deps
  const prepared = await prepare(deps)
  const stopHouse = await keepHouse(deps)
  const several = config.WORKERS > 1
  const stopServing = several ? await startWorkers(config.WORKERS, log, () => process.exit(1)) : await serve(deps)
  const metrics = config.METRICS_PORT === undefined ? null : serveMetrics(config.METRICS_PORT, several)
  stopOn(async () => {
    metrics?.close()
    await stopServing()
    await stopHouse()
    await closeDatabase(deps)
  })
  process.stdout.write(`${JSON.stringify({ ready: true, port: config.PORT, ...prepared })}\n`)
}

// Whoever read what is said here may be gone: that is no reason to hang on.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined)

const run = async (): Promise<void> => (cluster.isWorker ? work(depsOf()) : lead(depsOf()))

run().catch((e: unknown) => end(e instanceof Error ? e.message : String(e)))
