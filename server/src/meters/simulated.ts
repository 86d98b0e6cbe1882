import type { IncomingMessage, Server } from 'node:http'
import type { Duplex } from 'node:stream'
import {
  corePart,
  judgeInput,
  meterAsk,
  simulatedMeterPath,
  simulatedMeterQuery,
  speaking,
  workOf,
  type MeterLine,
} from '@motor-round/contract'
import { todayOf } from '@motor-round/core/speed-change'
import { driveAt, tensionAsked } from '@motor-round/core/installed'
import { defaultPolicies } from '@motor-round/core/limits'
import {
  assemblyFor,
  loadByCircuit,
  meterDigits,
  simulatedUnit,
  type SimulatedMachine,
  type SimulatedUnit,
} from '@motor-round/core/machine'
import { allowedCurrent, supplyHertz } from '@motor-round/core/plate'
import { findQuantity, mean, quantities, type QuantityCode } from '@motor-round/core/quantity'
import type { RequestHandler, Response } from 'express'
import { WebSocketServer, type WebSocket } from 'ws'
import { personOf } from '../auth/session.ts'
import { stillSignedIn } from '../auth/still-signed-in.ts'
import type { Deps } from '../deps.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { loadSnapshots } from '../machine/snapshot.ts'

const every = 100

/**
 * The assembly that would read as this machine was read last, with its sheaves as they stand now: what was turned since
 * shows at the meter. Nothing where the record knows too little.
 */
function asFound(known: MachineSnapshot, now: number): Pick<SimulatedMachine, 'asFound' | 'belt'> {
  const visit = speaking(known)
  const today = visit && todayOf(judgeInput({ ...known, policies: defaultPolicies }, visit))
  if (!today || typeof today === 'string' || !today.circuit || today.onDrive) return {}
  const { circuit, drive } = today
  const load = loadByCircuit(circuit, mean(today.legs), today.volts, today.hz)
  if (load === null) return {}
  const built = assemblyFor({
    circuit,
    volts: today.volts,
    hz: today.hz,
    load,
    belt: drive && { driver: drive.driver, driven: drive.driven },
    wheel: today.wheel?.type ?? 'forward-curved',
    ...(today.pressure === null ? {} : { pressure: Math.max(20, today.pressure) }),
  })
  const stands = driveAt(known.parts.map(corePart), workOf(known), known.machine.layout, now)
  const asked = stands && tensionAsked(stands, circuit.watts, circuit.rpm)
  return {
    asFound: {
      ...built,
      belt: built.belt && stands ? { ...built.belt, driver: stands.driver, driven: stands.driven } : built.belt,
    },
    ...(asked ? { belt: { span: asked.span, tension: 1.1 * asked.used, mass: asked.mass } } : {}),
  }
}

/** The machine as its simulation needs it; a message when it cannot be simulated. @param now ms since 1970 */
export function simulatedOf(known: MachineSnapshot, now: number): SimulatedMachine | string {
  const motor = known.motors.find((m) => m.removedAt === null)
  if (!motor) return 'No motor is entered for this machine: enter its nameplate first.'
  const { machine } = known
  const allowed = allowedCurrent(motor.plate, null, machine.serviceVolts, motor.connectionVolts ?? undefined)
  if (!allowed) return 'The nameplate gives no amps for this supply, so the motor cannot be simulated.'
  return {
    plate: motor.plate,
    plateVolts: allowed.columnVolts,
    plateAmps: allowed.amps,
    phases: machine.phases,
    serviceVolts: machine.serviceVolts,
    hz: supplyHertz(machine.serviceVolts, motor.plate.hz, known.site.hertz),
    capacitorUf: machine.controls.capacitor?.run ?? motor.plate.capacitorUf ?? null,
    transformer: machine.controls.transformer,
    load: 0.8,
    ...asFound(known, now),
  }
}

function serve(socket: WebSocket, unit: SimulatedUnit, pace: number): void {
  const say = (line: MeterLine) => {
    if (socket.readyState === socket.OPEN) socket.send(JSON.stringify(line))
  }
  say({
    say: 'hello',
    protocol: 'motor-round-meter/1',
    meter: 'Simulated clamp, multimeter, insulation and rotation tester',
    quantities: quantities.map((q) => q.code),
  })
  let stream: NodeJS.Timeout | undefined
  const off = () => {
    clearInterval(stream)
    stream = undefined
  }
  socket.on('message', (data: Buffer) => {
    let ask: unknown
    try {
      ask = JSON.parse(data.toString('utf8'))
    } catch {
      say({ say: 'problem', message: 'That line is not JSON.' })
      return
    }
    const parsed = meterAsk.safeParse(ask)
    if (!parsed.success) {
      say({ say: 'problem', message: parsed.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; ') })
      return
    }
    off()
    if (parsed.data.ask === 'off') return
    const { position } = parsed.data
    const quantity: QuantityCode = parsed.data.quantity
    if (!(findQuantity(quantity)?.positions ?? []).includes(position)) {
      say({ say: 'problem', message: `${quantity} is not read at ${position}.` })
      return
    }
    const from = Date.now()
    stream = setInterval(() => {
      const at = (Date.now() - from) * pace
      const shown = unit.read(quantity, position, at / 1000)
      const digits = meterDigits(quantity, shown.value)
      say({
        say: 'sample',
        at,
        quantity,
        position,
        value: Number(shown.value.toFixed(digits)),
        over: shown.over,
        digits,
      })
    }, every / pace)
    if (quantity === 'line_ll') say({ say: 'word', question: 'rotation.meter', value: unit.rotation })
  })
  socket.on('close', off)
  socket.on('error', off)
}

/**
 * Stand-in meters over a WebSocket: whoever is signed in may read a simulated unit built from a machine's own plate.
 * @param lookMs how often it is looked whether who reads is still signed in
 * @returns how to end them: an open stream would keep the server from closing
 */
export function serveSimulatedMeters(
  server: Server,
  deps: Deps,
  sessions: RequestHandler,
  lookMs = 20_000,
): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 4096 })
  const refuse = (socket: Duplex, status: string) => socket.end(`HTTP/1.1 ${status}\r\nconnection: close\r\n\r\n`)
  const accept = async (req: IncomingMessage, socket: Duplex, head: Buffer) => {
    const url = new URL(req.url ?? '/', 'http://localhost')
    const origin = req.headers.origin
    if (url.pathname !== simulatedMeterPath) return refuse(socket, '404 Not Found')
    if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== req.headers.host))
      return refuse(socket, '403 Forbidden')
    // The session middleware wants a request and a response of Express; it reads the cookie and sets nothing here.
    const request = req as Parameters<RequestHandler>[0]
    await new Promise<void>((resolve, reject) =>
      sessions(request, {} as Response, (e?: unknown) =>
        e === undefined ? resolve() : reject(e instanceof Error ? e : new Error('the session could not be read')),
      ),
    )
    if (!(await personOf(deps, request))) return refuse(socket, '401 Unauthorized')
    const query = simulatedMeterQuery.safeParse(Object.fromEntries(url.searchParams))
    if (!query.success) return refuse(socket, '422 Unprocessable Entity')
    const [known] = await loadSnapshots(deps.db, [query.data.machine])
    if (!known) return refuse(socket, '404 Not Found')
    sockets.handleUpgrade(req, socket, head, (ws) => {
      const machine = simulatedOf(known, deps.now().getTime())
      if (typeof machine === 'string') {
        ws.send(JSON.stringify({ say: 'problem', message: machine } satisfies MeterLine))
        ws.close()
        return
      }
      const look = setInterval(() => {
        stillSignedIn(deps, request.sessionID).then(
          (still) => {
            if (!still) ws.close(1008, 'signed out')
          },
          (e: unknown) => deps.log.warn({ err: e }, 'a meter’s session could not be looked up'),
        )
      }, lookMs)
      ws.once('close', () => clearInterval(look))
      serve(ws, simulatedUnit(machine, query.data.pattern, 7), deps.config.METER_PACE)
    })
    return undefined
  }
  server.on('upgrade', (req: IncomingMessage, socket: Duplex, head: Buffer) => {
    socket.on('error', (e) => deps.log.debug({ err: e.message }, 'meter socket'))
    accept(req, socket, head).catch((e: unknown) => {
      deps.log.error({ err: e }, 'simulated meter')
      refuse(socket, '500 Internal Server Error')
    })
  })
  return () => {
    for (const ws of sockets.clients) ws.terminate()
  }
}
