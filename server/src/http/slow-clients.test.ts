import { connect, type Socket } from 'node:net'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import { createServer, type Server } from 'node:http'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'

const many = Number(process.env['DRILL_RUNS'] ?? 12)
let world: World
let hands: Caller[]
let server: Server
const sockets: Socket[] = []
beforeAll(async () => {
  world = await openWorld(true)
  hands = [await world.as('vale'), await world.as('okonjo'), await world.as('arden')]
  server = createServer(world.app).listen(0, '127.0.0.1')
  await once(server, 'listening')
})
afterAll(async () => {
  for (const s of sockets) s.destroy()
  server.closeAllConnections()
  server.close()
  await world.end()
})

/** A client that speaks by hand, so that it can stop in the middle. */
async function open(text: string): Promise<Socket> {
  const socket = connect((server.address() as AddressInfo).port, '127.0.0.1')
  socket.on('error', () => undefined)
  sockets.push(socket)
  await once(socket, 'connect')
  socket.write(text)
  return socket
}

it('readers that take nothing, bodies that do not end and headers that stop hold up nobody else', async () => {
  const [lead, hand] = hands
  if (!lead || !hand) throw new Error('they signed in')
  for (let i = 0; i < many; i++) {
    const cookie = (hands[i % hands.length] ?? lead).cookie()
    const reader = await open(`GET /api/v1/exports/readings.csv HTTP/1.1\r\nHost: x\r\nCookie: ${cookie}\r\n\r\n`)
    reader.pause()
    await open(
      `POST /api/v1/visits HTTP/1.1\r\nHost: x\r\nCookie: ${lead.cookie()}\r\nX-CSRF-Token: ${lead.csrf}\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{"id":`,
    )
    await open(
      `POST /api/v1/imports?kind=readings&id=00000000-0000-7000-8000-${String(i).padStart(12, '0')}&name=x HTTP/1.1\r\nHost: x\r\nCookie: ${lead.cookie()}\r\nX-CSRF-Token: ${lead.csrf}\r\nContent-Type: application/octet-stream\r\nTransfer-Encoding: chunked\r\n\r\n5\r\nsite,\r\n`,
    )
    await open(`GET /api/v1/machines HTTP/1.1\r\nHost: x\r\nCook`)
  }
  // The others, meanwhile. That they are answered at all is what is asked here; how fast is measured elsewhere.
  for (let i = 0; i < 20; i++) {
    const all = await Promise.all([
      hand.get('/session'),
      hand.get('/machines?limit=50'),
      hand.get(`/machines/${await hand.machine('RTU-12/SF')}`),
      world.visitor().get('/health'),
    ])
    expect(all.map((r) => r.status)).toEqual([200, 200, 200, 200])
  }
  // On a busy machine an export behind a dozen others may wait too long for its connection: it is told so, and logged.
  const waited = /"url":"\/api\/v1\/exports\/readings\.csv".*"the database refused"/
  expect(world.logged.filter((line) => !waited.test(line))).toEqual([])
})
