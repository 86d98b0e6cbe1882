import { createServer, connect, Socket, type Server } from 'node:net'
import {
  decodeLive,
  decodeParameters,
  practiceRegisters,
  rawWords,
  readPlan,
  shippedProfiles,
} from '@motor-round/core/vfd'
import { demoVfds } from '@motor-round/demo'
import { client as clients, server as servers } from 'jsmodbus'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readRegisters, writeRegisters, type Registers } from './modbus.ts'
import { serveStandIn, standInOf } from './stand-in.ts'

// An implementation of the protocol by other people speaks to ours in both roles.

const [supply] = demoVfds
const [profile] = shippedProfiles
if (!supply || !profile) throw new Error('no demo drive')
const blocks = readPlan(profile, 'live')
const open: { close: () => void }[] = []
afterAll(() => {
  for (const o of open) o.close()
})

const portOf = (s: Server): number => {
  const at = s.address()
  if (at === null || typeof at !== 'object') throw new Error('not listening')
  return at.port
}
const listening = async (server: Server): Promise<number> => {
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  open.push(server)
  return portOf(server)
}
const at = (port: number, unit = 1) => ({ host: '127.0.0.1', port, unit })
const failed = (r: Registers) => ('failed' in r ? r.failed : 'read')

describe('the stand-in drive, asked by another implementation', () => {
  let port = 0
  let end: () => Promise<void> = () => Promise.resolve()
  beforeAll(async () => {
    ;({ port, end } = await serveStandIn(standInOf(supply), 0, 20))
  })
  afterAll(() => end())

  const asking = async <T>(ask: (c: InstanceType<typeof clients.TCP>) => Promise<T>): Promise<T> => {
    const socket = new Socket()
    const client = new clients.TCP(socket, 1, 3000)
    await new Promise<void>((ready) => socket.connect(port, '127.0.0.1', ready))
    try {
      return await ask(client)
    } finally {
      socket.destroy()
    }
  }

  it('answers with the settings that it has', async () => {
    const words = await asking(async (c) => (await c.readHoldingRegisters(200, 19)).response.body.valuesAsArray)
    const { set, doubts } = decodeParameters(profile, (_, r) => words[r - 200])
    expect(doubts).toEqual([])
    expect(set).toMatchObject({ 'plate-amps': 18.7, 'overload-amps': 18.7, 'max-hz': 60 })
  })
  it('answers with the same figures that we read', async () => {
    const theirs = await asking(async (c) => (await c.readHoldingRegisters(100, 24)).response.body.valuesAsArray)
    const ours = await readRegisters({ at: at(port), blocks })
    if ('failed' in ours) throw new Error(ours.failed)
    const word = (register: number) =>
      ours.blocks.flatMap((b) => (register >= b.from ? [b.words[register - b.from]] : []))[0]
    for (const register of [102, 107, 108, 110])
      expect([register, word(register)]).toEqual([register, theirs[register - 100]])
    const told = decodeLive(profile, (_, r) => word(r))
    expect(told.doubts).toEqual([])
    expect(told.values.bus).toBeGreaterThan(780)
  })
  it('refuses what it does not have, in the words of the protocol', async () => {
    const refused = asking((c) => c.readHoldingRegisters(5000, 4))
    await expect(refused).rejects.toMatchObject({ response: { body: { code: 2 } } })
    await expect(asking((c) => c.writeSingleRegister(100, 1))).rejects.toMatchObject({
      response: { body: { code: 2 } },
    })
  })
  it('trips when it is told to, and says so to both', async () => {
    await asking((c) => c.writeSingleRegister(practiceRegisters.cause, 5))
    const ours = await readRegisters({ at: at(port), blocks })
    if ('failed' in ours) throw new Error(ours.failed)
    const told = decodeLive(
      profile,
      (_, r) => ours.blocks.flatMap((b) => (r >= b.from && r < b.from + b.count ? [b.words[r - b.from]] : []))[0],
    )
    expect(told.fault).toEqual({ code: 5, text: 'GF', family: 'ground' })
    expect(told.status).toMatchObject({ fault: true, running: false })
  })
  it('takes a setting from us, and gives it back to them', async () => {
    const field = profile.parameters['max-hz']
    if (!field) throw new Error('no field')
    const words = rawWords(field, profile.wordOrder, 55)
    expect(await writeRegisters({ at: at(port), register: field.register, words })).toEqual({ written: true })
    const read = await asking(
      async (c) => (await c.readHoldingRegisters(field.register, 1)).response.body.valuesAsArray,
    )
    expect(read[0]).toBe(550)
    expect(await writeRegisters({ at: at(port), register: field.register, words: [65_535] })).toEqual({
      failed: 'no such register',
    })
  })
  it('lives on when a client goes away in mid-question', async () => {
    for (let i = 0; i < 20; i++)
      await new Promise<void>((gone) => {
        const socket = connect(port, '127.0.0.1', () => {
          socket.write(Buffer.from([0, 1, 0, 0, 0, 6, 1, 3, 0]))
          socket.destroy()
        })
        socket.once('close', () => gone())
      })
    expect(failed(await readRegisters({ at: at(port), blocks }))).toBe('read')
  })
})

describe('a drive of another implementation, read by us', () => {
  it('gives its registers, of both tables', async () => {
    const holding = Buffer.alloc(400)
    const input = Buffer.alloc(400)
    holding.writeUInt16BE(4711, 2 * 101)
    input.writeUInt16BE(815, 2 * 7)
    const net = createServer()
    new servers.TCP(net, { holding, input })
    const port = await listening(net)
    expect(
      await readRegisters({
        at: at(port),
        blocks: [
          { table: 'holding', from: 100, count: 3 },
          { table: 'input', from: 7, count: 1 },
        ],
      }),
    ).toEqual({
      blocks: [
        { table: 'holding', from: 100, count: 3, words: [0, 4711, 0] },
        { table: 'input', from: 7, count: 1, words: [815] },
      ],
    })
  })
})

/** A drive that answers every question with what it is given. */
const answering = async (answer: (socket: Socket, question: Buffer) => void): Promise<number> =>
  listening(
    createServer((socket) => {
      socket.on('error', () => undefined)
      socket.on('data', (q) => answer(socket, q))
    }),
  )

/** A right frame around some bytes, for the question that was asked. */
const frame = (question: Buffer, pdu: readonly number[], length = pdu.length + 1) =>
  Buffer.concat([question.subarray(0, 4), Buffer.from([length >> 8, length & 255, question[6] ?? 0, ...pdu])])

describe.concurrent('a drive that does not answer as it should', () => {
  const one = [{ table: 'holding' as const, from: 100, count: 2 }]
  it.each<[string, (socket: Socket, q: Buffer) => void, readonly string[]]>([
    ['hangs up', (s) => s.destroy(), ['no answer', 'connection lost', 'wrong answer']],
    [
      'says half of it and hangs up',
      (s, q) => s.end(frame(q, [3, 4, 0, 1]).subarray(0, 9)),
      ['no answer', 'connection lost', 'wrong answer'],
    ],
    [
      'says half of it and no more',
      (s, q) => void s.write(frame(q, [3, 4, 0, 1, 0, 2]).subarray(0, 10)),
      ['no answer'],
    ],
    ['says nothing', () => undefined, ['no answer']],
    ['has no such register', (s, q) => void s.write(frame(q, [0x83, 2])), ['no such register']],
    ['is busy', (s, q) => void s.write(frame(q, [0x83, 6])), ['wrong answer']],
    [
      'answers another question',
      (s, q) => void s.write(frame(Buffer.concat([Buffer.from([9, 9]), q.subarray(2)]), [3, 4, 0, 1, 0, 2])),
      ['no answer'],
    ],
    ['answers with too few', (s, q) => void s.write(frame(q, [3, 2, 0, 1])), ['wrong answer']],
    ['answers with too many', (s, q) => void s.write(frame(q, [3, 8, 0, 1, 0, 2, 0, 3, 0, 4])), ['wrong answer']],
    ['lies about its length', (s, q) => void s.write(frame(q, [3, 200, 0, 1])), ['wrong answer']],
    ['answers by another function', (s, q) => void s.write(frame(q, [4, 4, 0, 1, 0, 2])), ['wrong answer']],
    ['sends an empty frame', (s, q) => void s.write(frame(q, [], 0)), ['wrong answer', 'no answer']],
    [
      'speaks HTTP',
      (s) => void s.write('HTTP/1.1 400 Bad Request\r\nContent-Length: 0\r\n\r\n'),
      ['no answer', 'wrong answer'],
    ],
  ])('one that %s is told, and nothing is guessed', async (_what, answer, told) => {
    expect(told).toContain(failed(await readRegisters({ at: at(await answering(answer)), blocks: one })))
  })
  it('one that pours out bytes for ever is left in time', async () => {
    const port = await answering((s) => {
      const pour = () => {
        if (!s.destroyed) {
          s.write(Buffer.alloc(20_000, 7))
          setTimeout(pour, 20)
        }
      }
      pour()
    })
    expect(failed(await readRegisters({ at: at(port), blocks: one }))).not.toBe('read')
  })
  it('random answers are never taken for figures of the right size by accident, and never thrown', async () => {
    let n = 1
    const next = () => (n = (n * 48_271) % 2_147_483_647) & 255
    const port = await answering((s, q) => {
      // Half of them begin as they should.
      const body = Buffer.from(Array.from({ length: 3 + (next() % 30) }, next))
      s.end(next() % 2 ? Buffer.concat([q.subarray(0, 4), Buffer.from([0, body.length + 1, q[6] ?? 0]), body]) : body)
    })
    const found = await Promise.all(Array.from({ length: 60 }, () => readRegisters({ at: at(port), blocks: one })))
    for (const r of found)
      expect(['read', 'no answer', 'wrong answer', 'connection lost', 'no such register']).toContain(failed(r))
    for (const r of found) if ('blocks' in r) expect(r.blocks[0]?.words).toHaveLength(2)
  })
  it('nothing there, a name that does not exist', async () => {
    const net = createServer()
    const port = await listening(net)
    await new Promise((done) => net.close(done))
    expect(failed(await readRegisters({ at: at(port), blocks: one }))).toBe('refused')
    const nowhere = { host: 'no-such-drive.invalid', port: 502, unit: 1 }
    expect(failed(await readRegisters({ at: nowhere, blocks: one }))).toBe('unknown name')
  })
})
