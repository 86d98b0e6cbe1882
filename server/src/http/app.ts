import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { Router, type Express } from 'express'
import expressStaticGzip from 'express-static-gzip'
import helmet from 'helmet'
import { pinoHttp } from 'pino-http'
import { auditRoutes } from '../audit/routes.ts'
import { authRoutes } from '../auth/routes.ts'
import { cookieName, sessions } from '../auth/session.ts'
import { demoRoutes } from '../demo/routes.ts'
import { importExportRoutes } from '../import-export/routes.ts'
import { calcRoutes } from '../calc/routes.ts'
import type { Deps } from '../deps.ts'
import { openApiDocument } from '../openapi/document.ts'
import { peopleRoutes } from '../people/routes.ts'
import { speedChangeRoutes } from '../speed-changes/routes.ts'
import { liveRoutes } from '../live/routes.ts'
import { vfdRoutes } from '../vfd/routes.ts'
import { machineRoutes } from '../register/machines.ts'
import { motorRoutes } from '../register/motors.ts'
import { partRoutes } from '../register/parts.ts'
import { placeRoutes } from '../register/places.ts'
import { areaAirRoutes } from '../machine-list/area-air.ts'
import { machineListRoutes } from '../machine-list/routes.ts'
import { roofMapRoutes } from '../register/roof-map.ts'
import { pictureRoutes } from '../pictures/routes.ts'
import { calendarRoutes } from '../rounds/calendar.ts'
import { roundFileRoutes } from '../rounds/files.ts'
import { roundRoutes } from '../rounds/routes.ts'
import { syncRoutes } from '../sync/routes.ts'
import { jobsRoutes } from '../jobs/routes.ts'
import { quoteRoutes } from '../jobs/quote-routes.ts'
import { portfolioRoutes } from '../portfolio/routes.ts'
import { tableRoutes } from '../tables/routes.ts'
import { stockRoutes } from '../stock/routes.ts'
import { mailRoutes } from '../mail/routes.ts'
import { policiesRoutes } from '../policies/routes.ts'
import { visitRoutes } from '../visits/routes.ts'
import { problemHandler } from './errors.ts'
import { healthRoutes } from './health.ts'
import { safeError, safeUrl } from './log-safe.ts'
import { timed } from './metrics.ts'
import { HttpProblem } from './problem.ts'
import { Trouble } from './trouble.ts'

/** The whole server as one Express application: API below /api/v1, the web app for every other address. */
export function createApp(deps: Deps): Express {
  const app = express()
  app.disable('x-powered-by')
  app.set('trust proxy', deps.config.TRUST_PROXY)
  app.use(
    helmet({
      // Only where it speaks https: on plain http a browser that was told so would not come back.
      strictTransportSecurity: cookieName(deps.config).startsWith('__Host-') ? { maxAge: 31_536_000 } : false,
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          // A meter of one's own may listen on this very device.
          'connect-src': ["'self'", 'ws://127.0.0.1:*', 'ws://localhost:*'],
          'img-src': ["'self'", 'data:', 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  )
  // A phone on a roof gains by the first steps of compression; the last ones cost the server more than they save.
  app.use(compression({ level: 3 }))
  app.use(
    pinoHttp({
      logger: deps.log,
      autoLogging: deps.config.LOG_LEVEL === 'info' || deps.config.LOG_LEVEL === 'debug',
      // An id that a person can quote.
      genReqId: (_req, res) => {
        const id = randomBytes(5).toString('hex')
        res.setHeader('x-request-id', id)
        return id
      },
      serializers: {
        req: (req: { id: string; method: string; url: string }) => ({
          id: req.id,
          method: req.method,
          url: safeUrl(req.url),
        }),
        res: (res: { statusCode: number }) => ({ status: res.statusCode }),
        err: (e: unknown) => safeError(e),
      },
    }),
  )
  app.use((_req, res, next) => {
    // The log, compression, figures, turns, time limits and a stream each wait for the end of an answer.
    res.setMaxListeners(20)
    next()
  })
  app.use(timed)
  const trouble = new Trouble()
  healthRoutes(app, deps, trouble)
  let document: object | null = null
  app.get('/api/v1/openapi.json', (_req, res) => {
    document ??= openApiDocument()
    res.json(document)
  })

  const api = Router()
  api.use(sessions(deps))
  authRoutes(api, deps)
  peopleRoutes(api, deps)
  placeRoutes(api, deps)
  machineRoutes(api, deps)
  motorRoutes(api, deps)
  partRoutes(api, deps)
  speedChangeRoutes(api, deps)
  vfdRoutes(api, deps)
  liveRoutes(api, deps)
  visitRoutes(api, deps)
  machineListRoutes(api, deps)
  areaAirRoutes(api, deps)
  roofMapRoutes(api, deps)
  roundRoutes(api, deps)
  roundFileRoutes(api, deps)
  calendarRoutes(api, deps)
  syncRoutes(api, deps)
  pictureRoutes(api, deps)
  jobsRoutes(api, deps)
  quoteRoutes(api, deps)
  mailRoutes(api, deps)
  stockRoutes(api, deps)
  tableRoutes(api, deps)
  portfolioRoutes(api, deps)
  policiesRoutes(api, deps)
  auditRoutes(api, deps)
  calcRoutes(api, deps)
  importExportRoutes(api, deps)
  demoRoutes(api, deps)
  app.use('/api/v1', api)
  app.use('/api', () => {
    throw new HttpProblem(404, 'No such address in this API.')
  })

  const web = deps.config.WEB_DIR
  if (web !== undefined && existsSync(join(web, 'index.html'))) {
    app.use(
      '/assets',
      // As the build compressed them, the smallest that the browser takes.
      expressStaticGzip(join(web, 'assets'), {
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        index: false,
        serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
      }),
    )
    app.use(express.static(web, { index: false, maxAge: 0 }))
    app.get('/{*path}', (_req, res) => {
      res.set('cache-control', 'no-cache').sendFile(join(web, 'index.html'))
    })
  }
  app.use(problemHandler(deps.log, trouble))
  return app
}
