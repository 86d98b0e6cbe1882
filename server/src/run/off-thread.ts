import { Piscina } from 'piscina'
import { HttpProblem } from '../http/problem.ts'
import type * as heavyTasks from './heavy.ts'

type Heavy = typeof heavyTasks

/** A thread that has nothing to do ends; the next one takes a moment to come up. */
const idleMs = 60_000

/**
 * Files are drawn one after the other. Drives are waited for side by side, and apart from the files: what a drive sends may be
 * anything, and an answer that breaks its reader takes down that thread alone.
 */
const laneOf = {
  drawPdf: 'files',
  drawXlsx: 'files',
  findRoute: 'plans',
  standsOf: 'judging',
  levelsAt: 'reports',
  readRegisters: 'drives',
  writeRegisters: 'drives',
} as const
const atOnce = { files: 1, plans: 1, judging: 1, reports: 1, drives: 16 } as const
/** So many wait; who comes later is asked to come again. A round that waits to be planned holds a connection. */
const mostWaiting = { files: 50, plans: 6, judging: 200, reports: 10, drives: 50 } as const
type Lane = keyof typeof atOnce

const pools = new Map<Lane, Piscina>()

/** Built, the tasks are a file beside this one; run from source they are run where they are asked for. */
const built = import.meta.url.endsWith('.js')

/**
 * Run a task in a thread of its own, so that requests are answered meanwhile.
 * @throws HttpProblem 503 where too many wait
 */
export async function offThread<K extends keyof Heavy>(
  task: K,
  input: Parameters<Heavy[K]>[0],
): Promise<Awaited<ReturnType<Heavy[K]>>> {
  if (!built) {
    const tasks = await import('./heavy.ts')
    const run = tasks[task] as (of: typeof input) => ReturnType<Heavy[K]>
    return await run(input)
  }
  const lane = laneOf[task]
  const pool = poolOf(lane)
  if (pool.queueSize >= mostWaiting[lane]) throw new HttpProblem(503, 'Too many at once. Retry in a minute.')
  return (await pool.run(input, { name: task })) as Awaited<ReturnType<Heavy[K]>>
}

function poolOf(lane: Lane): Piscina {
  const known = pools.get(lane)
  if (known) return known
  const pool = startPool(new URL('./heavy.js', import.meta.url).href, lane, (e) => {
    process.emitWarning(e)
    pools.delete(lane)
  })
  pools.set(lane, pool)
  return pool
}

/**
 * One thread for the tasks of a file. One that cannot begin takes nothing else down; its pool would start no other and let tasks wait for
 * ever, so it ends, and what waited in it fails.
 * @param broken is told why
 */
export function startPool(filename: string, lane: Lane, broken: (why: Error) => void): Piscina {
  const pool = new Piscina({
    filename,
    minThreads: 0,
    maxThreads: 1,
    concurrentTasksPerWorker: atOnce[lane],
    maxQueue: mostWaiting[lane],
    idleTimeout: idleMs,
  })
  pool.on('error', (why: Error) => {
    broken(why)
    void pool.destroy()
  })
  return pool
}
