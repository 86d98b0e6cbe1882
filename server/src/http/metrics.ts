import { createServer, type Server } from 'node:http'
import type { RequestHandler } from 'express'
import { AggregatorRegistry, collectDefaultMetrics, Histogram, Registry } from 'prom-client'

const registry = new Registry()
const seconds = new Histogram({
  name: 'motor_round_request_seconds',
  help: 'Time to answer, by endpoint and status',
  labelNames: ['endpoint', 'status'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
  registers: [registry],
})

/** Time every answer. What is no endpoint is told as one: addresses are what anybody types. */
export const timed: RequestHandler = (_req, res, next) => {
  const from = process.hrtime.bigint()
  res.once('finish', () => {
    const endpoint: unknown = res.locals['endpoint']
    seconds.observe(
      { endpoint: typeof endpoint === 'string' ? endpoint : 'other', status: String(res.statusCode) },
      Number(process.hrtime.bigint() - from) / 1e9,
    )
  })
  next()
}

/** Count for the process that serves the figures of several. */
export function countForCluster(): void {
  collectDefaultMetrics({ register: registry })
  AggregatorRegistry.setRegistries(registry)
  // Made once, it answers when that process asks.
  new AggregatorRegistry()
}

/**
 * Figures for Prometheus, at a port of their own on this machine alone.
 * @param several of the processes that answer, not of this one
 */
export function serveMetrics(port: number, several: boolean): Server {
  const all = several ? new AggregatorRegistry() : null
  if (!all) collectDefaultMetrics({ register: registry })
  const server = createServer((req, res) => {
    if (req.url !== '/metrics') {
      res.writeHead(404).end()
      return
    }
    const figures = all ? all.clusterMetrics() : registry.metrics()
    figures.then(
      (text) => res.writeHead(200, { 'content-type': registry.contentType }).end(text),
      () => res.writeHead(500).end(),
    )
  })
  return server.listen(port, '127.0.0.1')
}
