import { Piscina } from 'piscina'
import { HttpProblem } from '../http/problem.ts'
import type * as heavyTasks from './heavy.ts'

type Heavy = typeof heavyTasks

/** So many wait; who comes later is asked to come again. */
const mostWaiting = 50
/** A thread that has nothing to do ends; the next one takes a moment to come up. */
const idleMs = 60_000

let pool: Piscina | null = null

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
  pool ??= new Piscina({
    filename: new URL('./heavy.js', import.meta.url).href,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: mostWaiting,
    idleTimeout: idleMs,
  })
  if (pool.queueSize >= mostWaiting) throw new HttpProblem(503, 'Too many reports at once. Retry in a minute.')
  return (await pool.run(input, { name: task })) as Awaited<ReturnType<Heavy[K]>>
}
