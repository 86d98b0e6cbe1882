import { parseArgs } from 'node:util'
import { demoVfds } from '@motor-round/demo'
import { serveStandIn, standInOf } from './stand-in.ts'

// A stand-in drive as a process of its own: `stand-in-drive.js --machine AHU-3/SF [--port 0] [--pace 10]`. Says where it is in one
// line of JSON.
const { values } = parseArgs({
  options: { machine: { type: 'string' }, port: { type: 'string' }, pace: { type: 'string' } },
})
const of = demoVfds.find((d) => d.machine === values.machine)
if (!of) {
  process.stderr.write(`--machine: one of ${demoVfds.map((d) => d.machine).join(', ')}\n`)
  process.exit(1)
}
try {
  const served = await serveStandIn(standInOf(of), Number(values.port ?? of.port), Number(values.pace ?? 1))
  process.stdout.write(`${JSON.stringify({ standIn: of.machine, port: served.port })}\n`)
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => void served.end().then(() => process.exit(0)))
  // Whoever started it is gone: nobody needs it any more.
  process.once('disconnect', () => void served.end().then(() => process.exit(0)))
} catch (e) {
  process.stderr.write(
    `The stand-in drive of ${of.machine} did not start: ${e instanceof Error ? e.message : String(e)}\n`,
  )
  process.exit(1)
}
