import { createServer, type Server, type Socket } from 'node:net'
import { circuitOfPlate, assemblyFor } from '@motor-round/core/machine'
import { shippedProfiles, StandIn, type RegisterTable } from '@motor-round/core/vfd'
import type { DemoVfd } from '@motor-round/demo'
import { ServerTCP } from 'modbus-serial'

/** Modbus exception codes. @source Modbus application protocol 1.1b3, 7 */
const exceptions = { 'no such register': 2, 'not writable': 2, 'bad value': 3 } as const

const refusal = (why: keyof typeof exceptions): Error =>
  Object.assign(new Error(why), { modbusErrorCode: exceptions[why] })

/** The drive that a description stands for. @throws RangeError where its profile or nameplate makes none */
export function standInOf(of: DemoVfd): StandIn {
  const profile = shippedProfiles.find((p) => p.id === of.profileId)
  if (!profile) throw new RangeError(`profileId: ${of.profileId} does not come with the product`)
  const plate = { ...of.plate, phases: 3, hz: '60', sf: 1.15 } as const
  const [volts, amps] = [Number(of.plate.volts), Number(of.plate.amps)]
  const circuit = circuitOfPlate(plate, { volts, amps }, 60)?.circuit
  if (!circuit) throw new RangeError('plate: makes no motor')
  const rig = assemblyFor({ circuit, volts: of.lineVolts, hz: 60, load: of.load, belt: null, wheel: 'forward-curved' })
  return new StandIn({ profile, rig, parameters: of.set, hours: of.hours, command: { run: true, hz: of.hz } })
}

/** How often a stand-in goes on, ms. */
const every = 200
/** No step is longer than this, seconds: a machine that slept does not wake to an hour gone by. */
const longest = 5

/**
 * Serve a stand-in by Modbus TCP on loopback until it is ended.
 * @param pace how many times faster than life it runs
 * @throws where the port is taken
 */
export async function serveStandIn(
  drive: StandIn,
  port: number,
  pace = 1,
): Promise<{ readonly port: number; readonly end: () => Promise<void> }> {
  let last = performance.now()
  const timer = setInterval(() => {
    const now = performance.now()
    drive.advance(Math.min(longest, ((now - last) / 1000) * pace))
    last = now
  }, every)
  const read = (table: RegisterTable) => (from: number, count: number) => {
    const all = drive.registers(table)
    // A real drive answers for gaps between its registers with noughts, and refuses what lies outside of them all.
    if (![...all.keys()].some((r) => r >= from && r < from + count)) throw refusal('no such register')
    return Array.from({ length: count }, (_, i) => all.get(from + i) ?? 0)
  }
  const write = (register: number, words: readonly number[]) => {
    const done = drive.write(register, words)
    if (done !== 'ok') throw refusal(done)
  }
  const free = port === 0 ? await freePort() : port
  const server = new ServerTCP(
    {
      getMultipleHoldingRegisters: read('holding'),
      getMultipleInputRegisters: read('input'),
      getHoldingRegister: (at: number) => read('holding')(at, 1)[0] ?? 0,
      getInputRegister: (at: number) => read('input')(at, 1)[0] ?? 0,
      setRegister: (at: number, value: number) => write(at, [value]),
      setRegisterArray: (at: number, values: number[]) => write(at, values),
    },
    { host: '127.0.0.1', port: free, unitID: 255 },
  )
  await new Promise<void>((ready, fail) => {
    server.once('initialized', ready)
    server.once('serverError', (e: Error | null) => fail(e ?? new Error('the port is taken')))
  }).catch((e: unknown) => {
    clearInterval(timer)
    throw e
  })
  // A client that goes away in mid-question is nothing to die of.
  server.on('socketError', () => undefined)
  server.on('serverError', () => undefined)
  return {
    port: free,
    end: async () => {
      clearInterval(timer)
      for (const s of server.socks.keys() as Iterable<Socket>) s.destroy()
      await new Promise<void>((done) => server.close(() => done()))
    },
  }
}

const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const probe: Server = createServer()
    probe.once('error', fail)
    probe.listen(0, '127.0.0.1', () => {
      const at = probe.address()
      probe.close(() => (at !== null && typeof at === 'object' ? done(at.port) : fail(new Error('no port'))))
    })
  })
