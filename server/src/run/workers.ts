import cluster from 'node:cluster'
import type { Logger } from 'pino'

/** Of a worker that dies again and again. */
const longestWaitMs = 30_000
/** One that ran for so long starts afresh at once. */
const provenMs = 60_000
/** Time for what runs, and some more. */
const killMs = 33_000

/**
 * Serve from several processes at one port; one that dies is started again, later each time.
 * @param failed one of them could not start: there is no use in the others
 * @returns once all of them answer: how they stop
 */
export function startWorkers(count: number, log: Logger, failed: () => void): Promise<() => Promise<void>> {
  let stopping = false
  const ready = new Set<number>()
  const stop = () => {
    stopping = true
    return Promise.all(
      Object.values(cluster.workers ?? {}).map(
        (worker) =>
          new Promise<void>((gone) => {
            if (!worker || worker.isDead()) return gone()
            worker.once('exit', () => gone())
            worker.process.kill('SIGTERM')
            setTimeout(() => worker.process.kill('SIGKILL'), killMs).unref()
            return undefined
          }),
      ),
    ).then(() => undefined)
  }
  return new Promise((all) => {
    const start = (slot: number, tries: number) => {
      const worker = cluster.fork()
      const since = Date.now()
      worker.once('listening', () => {
        ready.add(slot)
        if (ready.size === count) all(stop)
      })
      worker.once('exit', (code, signal) => {
        if (stopping) return
        if (!ready.has(slot)) return failed()
        const again = Date.now() - since > provenMs ? 0 : tries + 1
        const wait = Math.min(longestWaitMs, 250 * 2 ** again)
        log.error({ worker: slot, code, signal, wait }, 'a process of the server ended and is started again')
        setTimeout(() => {
          if (!stopping) start(slot, again)
        }, wait)
        return undefined
      })
    }
    for (let slot = 0; slot < count; slot++) start(slot, 0)
  })
}
