import { sessions } from '../auth/session.ts'
import type { Deps } from '../deps.ts'
import { createApp } from '../http/app.ts'
import { serverFor } from '../http/listen.ts'
import { serveSimulatedMeters } from '../meters/simulated.ts'
import { stopFilling } from '../portfolio/level-days.ts'
import { deafen } from '../rounds/live.ts'

/**
 * Answer requests.
 * @returns how it stops: takes nothing new, and is through when everything that ran is finished
 * @throws Error in one line where the port cannot be had
 */
export async function serve(deps: Deps): Promise<() => Promise<void>> {
  const { config } = deps
  const server = serverFor(config, createApp(deps))
  await new Promise<void>((listening, fail) => {
    server.once('error', (error) =>
      fail(
        (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
          ? new Error(`Port ${config.PORT} is taken; choose another with PORT=…`)
          : error,
      ),
    )
    server.listen(config.PORT, config.HOST, listening)
  })
  const endMeters = serveSimulatedMeters(server, deps, sessions(deps))
  server.requestTimeout = 0 // a file of a gigabyte over a slow line takes its time
  return async () => {
    await new Promise<void>((through) => {
      endMeters()
      void deafen(deps.pool)
      server.close(() => through())
      server.closeIdleConnections()
    })
    await stopFilling(deps)
  }
}
