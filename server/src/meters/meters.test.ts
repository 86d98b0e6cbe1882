import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { meterLine, simulatedMeterPath, type MeterLine } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import WebSocket from 'ws'
import { sessions } from '../auth/session.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { serveSimulatedMeters } from './simulated.ts'

let world: World
let mechanic: Caller
let server: Server
let end: () => void
let port = 0
beforeAll(async () => {
  world = await openWorld(true)
  mechanic = await world.as('okonjo')
  server = createServer(world.app)
  end = serveSimulatedMeters(server, world.deps, sessions(world.deps), 50)
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r))
  port = (server.address() as AddressInfo).port
})
afterAll(async () => {
  end()
  await new Promise<void>((r) => server.close(() => r()))
  await world.end()
})

const open = (query: string, headers: Record<string, string> = {}) =>
  new WebSocket(`ws://127.0.0.1:${port}${simulatedMeterPath}?${query}`, { headers })

/** Lines until so many came, or the socket closed. */
function lines(socket: WebSocket, count: number): Promise<MeterLine[]> {
  const got: MeterLine[] = []
  return new Promise((resolve, reject) => {
    socket.on('message', (data: Buffer) => {
      got.push(meterLine.parse(JSON.parse(data.toString('utf8'))))
      if (got.length >= count) resolve(got)
    })
    socket.on('close', () => resolve(got))
    socket.on('error', reject)
  })
}
const refused = (socket: WebSocket): Promise<number> =>
  new Promise((resolve) => {
    socket.on('unexpected-response', (_req, res) => resolve(res.statusCode ?? 0))
    socket.on('error', () => undefined)
  })

describe('the simulated meters', () => {
  it('greet, stream samples of where the probe is, and name what is asked wrongly', async () => {
    const machine = await mechanic.machine('RTU-12/SF')
    const socket = open(`machine=${machine}&pattern=healthy`, { cookie: mechanic.cookie() })
    socket.on('open', () => {
      socket.send('not json')
      socket.send(JSON.stringify({ ask: 'probe', quantity: 'amps', position: 'L9' }))
      socket.send(JSON.stringify({ ask: 'probe', quantity: 'smell', position: 'L1' }))
      socket.send(JSON.stringify({ ask: 'probe', quantity: 'amps', position: 'L2' }))
    })
    const got = await lines(socket, 8)
    socket.close()
    expect(got[0]).toMatchObject({ say: 'hello', protocol: 'motor-round-meter/1' })
    expect(got.filter((l) => l.say === 'problem')).toHaveLength(3)
    const samples = got.filter((l) => l.say === 'sample')
    expect(samples.length).toBeGreaterThanOrEqual(4)
    for (const s of samples) expect(s).toMatchObject({ quantity: 'amps', position: 'L2', over: false })
    for (const s of samples) if (s.say === 'sample') expect(s.value).toBeGreaterThan(3)
  })
  it('end with the session, and with its ninety days', async () => {
    for (const ending of ['sign-out', 'age'] as const) {
      const guest = await world.as('okonjo')
      const machine = await guest.machine('RTU-12/SF')
      const socket = open(`machine=${machine}&pattern=healthy`, { cookie: guest.cookie() })
      await lines(socket, 1)
      const closed = new Promise<number>((resolve) => socket.once('close', resolve))
      if (ending === 'sign-out') await guest.delete('/session')
      else
        await world.deps.pool.query(
          `update session set sess = jsonb_set(sess::jsonb, '{startedAt}', to_jsonb($2::float8))::json where sid = $1`,
          [
            decodeURIComponent(guest.cookie())
              .replace(/^.*=s:/, '')
              .split('.')[0],
            Date.now() - 91 * 86_400_000,
          ],
        )
      expect(await closed).toBe(1008)
    }
  })
  it('are for those who are signed in, of this house, and for machines that exist', async () => {
    const machine = await mechanic.machine('RTU-12/SF')
    expect(await refused(open(`machine=${machine}`))).toBe(401)
    expect(
      await refused(open(`machine=${machine}`, { cookie: mechanic.cookie(), origin: 'https://elsewhere.example' })),
    ).toBe(403)
    expect(await refused(open('machine=x', { cookie: mechanic.cookie() }))).toBe(422)
    expect(await refused(open(`machine=${machine}&pattern=haunted`, { cookie: mechanic.cookie() }))).toBe(422)
    expect(await refused(open('machine=0199aaaa-0000-7000-8000-000000000000', { cookie: mechanic.cookie() }))).toBe(404)
    expect(await refused(new WebSocket(`ws://127.0.0.1:${port}/elsewhere`))).toBe(404)
  })
  it('say why a machine cannot be simulated: no amps on its plate', async () => {
    const machine = await mechanic.machine('EF-12/EF')
    const got = await lines(open(`machine=${machine}`, { cookie: mechanic.cookie() }), 2)
    expect(got).toEqual([{ say: 'problem', message: expect.stringContaining('no amps') as string }])
  })
})
