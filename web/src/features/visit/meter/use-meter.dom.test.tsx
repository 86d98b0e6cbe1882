import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { meterAsk, type MeterLine } from '@motor-round/contract'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { WebSocketServer, type WebSocket as Socket } from 'ws'
import type { Cell } from '../cells.ts'
import { useMeter } from './use-meter.ts'

const cell = (position: string): Cell => ({
  key: `amps ${position}`,
  quantity: 'amps',
  position,
  label: position,
  unit: 'A',
  shown: 'A',
  group: 0,
  also: false,
  canOpen: false,
})

/** A meter at the other end of a real socket, as a gateway on this device would be. */
class Instrument {
  readonly asked: unknown[] = []
  private socket: Socket | null = null
  private constructor(
    private readonly http: Server,
    private readonly sockets: WebSocketServer,
  ) {
    sockets.on('connection', (s) => {
      this.socket = s
      s.on('message', (m: Buffer) => this.asked.push(meterAsk.parse(JSON.parse(m.toString()))))
    })
  }
  static async open() {
    const http = createServer()
    const it = new Instrument(http, new WebSocketServer({ server: http }))
    await new Promise<void>((done) => http.listen(0, '127.0.0.1', done))
    return it
  }
  get address() {
    return `ws://127.0.0.1:${(this.http.address() as AddressInfo).port}/`
  }
  say(line: MeterLine | string) {
    this.socket?.send(typeof line === 'string' ? line : JSON.stringify(line))
  }
  stream(position: string, values: readonly number[], from = 0) {
    values.forEach((value, i) =>
      this.say({ say: 'sample', quantity: 'amps', position, at: from + i * 100, value, over: false, digits: 1 }),
    )
  }
  drop() {
    this.socket?.terminate()
  }
  async end() {
    for (const s of this.sockets.clients) s.terminate()
    this.sockets.close()
    await new Promise((done) => this.http.close(done))
  }
}

let meter: Instrument
beforeEach(async () => {
  meter = await Instrument.open()
})
afterEach(async () => {
  cleanup()
  await meter.end()
})

const words: string[] = []
const hook = (position = 'L1') =>
  renderHook(({ at }: { at: string }) => useMeter(cell(at), (q, v) => words.push(`${q} ${v}`)), {
    initialProps: { at: position },
  })
const connected = async (h: ReturnType<typeof hook>) => {
  act(() => h.result.current.connect(meter.address))
  await waitFor(() => expect(meter.asked).toContainEqual({ ask: 'probe', quantity: 'amps', position: 'L1' }))
}
const steady = Array.from({ length: 40 }, (_, i) => 12.8 + (i % 2) * 0.01)

describe('a meter beside the cells', () => {
  it('is sent to the cell with the cursor, and follows it', async () => {
    const h = hook()
    await connected(h)
    h.rerender({ at: 'L2' })
    await waitFor(() => expect(meter.asked.at(-1)).toEqual({ ask: 'probe', quantity: 'amps', position: 'L2' }))
  })

  it('settles on a steady stream, and says its name', async () => {
    const h = hook()
    await connected(h)
    meter.say({ say: 'hello', protocol: 'motor-round-meter/1', meter: 'Clamp 7', quantities: ['amps'] })
    meter.stream('L1', steady)
    await waitFor(() => expect(h.result.current.reading?.steady.kind).toBe('settled'))
    expect(h.result.current.name).toBe('Clamp 7')
    expect(h.result.current.reading?.latest.value).toBeCloseTo(12.81)
  })

  it('shows nothing that comes late from where the probe was', async () => {
    const h = hook()
    await connected(h)
    meter.stream('L1', steady)
    await waitFor(() => expect(h.result.current.reading).not.toBeNull())
    h.rerender({ at: 'L2' })
    expect(h.result.current.reading).toBeNull()
    meter.stream('L1', [99, 99, 99], 5000)
    meter.stream('L2', [3.1, 3.1, 3.1], 5000)
    await waitFor(() => expect(h.result.current.reading?.latest.value).toBe(3.1))
    expect(h.result.current.reading?.peak).toBe(3.1)
  })

  it('holds what had settled while the hand moves a little, not when the figure goes elsewhere', async () => {
    const h = hook()
    await connected(h)
    meter.stream('L1', steady)
    await waitFor(() => expect(h.result.current.reading?.steady.kind).toBe('settled'))
    meter.stream('L1', [12.6, 12.95, 12.7], 4000)
    await waitFor(() => expect(h.result.current.reading?.latest.value).toBe(12.7))
    expect(h.result.current.reading?.steady.kind).toBe('settled')
    meter.stream(
      'L1',
      Array.from({ length: 20 }, (_, i) => 20 + i),
      4300,
    )
    await waitFor(() => expect(h.result.current.reading?.latest.value).toBe(39))
    expect(h.result.current.reading?.steady.kind).not.toBe('settled')
  })

  it('tells when it is gone, and typing goes on', async () => {
    const h = hook()
    await connected(h)
    meter.drop()
    await waitFor(() => expect(h.result.current.problem).toContain('The meter is disconnected'))
    expect(h.result.current.on).toBe(false)
    expect(h.result.current.reading).toBeNull()
  })

  it('names a line that is not of its protocol', async () => {
    const h = hook()
    await connected(h)
    meter.say('volts=3')
    await waitFor(() => expect(h.result.current.problem).toContain('not JSON'))
    const other = hook()
    act(() => other.result.current.connect(meter.address))
    await waitFor(() => expect(meter.asked).toHaveLength(2))
    meter.say('{"volts":3}')
    await waitFor(() => expect(other.result.current.problem).toContain('a different protocol'))
  })

  it('passes on the word of an instrument that answers in words', async () => {
    const h = hook()
    await connected(h)
    meter.say({ say: 'word', question: 'rotation.line', value: 'abc' })
    await waitFor(() => expect(words).toContain('rotation.line abc'))
  })

  it('is off when it is switched off, with no complaint', async () => {
    const h = hook()
    await connected(h)
    meter.stream('L1', steady)
    await waitFor(() => expect(h.result.current.reading).not.toBeNull())
    act(() => h.result.current.disconnect())
    expect(h.result.current).toMatchObject({ on: false, reading: null, problem: null, name: null })
  })
})
