// The server that the end-to-end tests drive: the built one, on demo data, with a clock that stands still.
import { demoServer } from './lib/demo-server.mjs'
import { main } from './lib/say.mjs'

main(async () => {
  const { end } = await demoServer({
    port: Number(process.env.E2E_PORT),
    env: { CHECK_ANSWERS: 'yes', METER_PACE: '12' },
  })
  const stop = () => void end().then(() => process.exit(0))
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
})
