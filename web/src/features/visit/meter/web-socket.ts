import { meterLine, type MeterAsk } from '@motor-round/contract'
import type { MeterDriver } from './driver.ts'

/** Any meter that speaks the open protocol over a WebSocket: the simulated ones, or a gateway on this device. */
export const webSocketDriver: MeterDriver = {
  id: 'web-socket',
  title: 'Meter over WebSocket',
  open(address, events) {
    const socket = new WebSocket(address)
    const waiting: string[] = []
    const say = (ask: MeterAsk) => {
      const text = JSON.stringify(ask)
      if (socket.readyState === WebSocket.OPEN) socket.send(text)
      else if (socket.readyState === WebSocket.CONNECTING) waiting.push(text)
    }
    let closed = false
    socket.addEventListener('open', () => {
      for (const text of waiting.splice(0)) socket.send(text)
    })
    socket.addEventListener('message', (e: MessageEvent<unknown>) => {
      let json: unknown
      try {
        json = JSON.parse(String(e.data))
      } catch {
        events.lost('The meter sent a line that is not JSON.')
        return
      }
      const line = meterLine.safeParse(json)
      if (line.success) events.line(line.data)
      else events.lost('The meter uses a different protocol than motor-round-meter/1.')
    })
    socket.addEventListener('close', () => {
      if (!closed) events.lost('The meter is disconnected. Readings taken are kept; you can type the rest.')
    })
    return {
      probe: (quantity, position) => say({ ask: 'probe', quantity, position }),
      off: () => say({ ask: 'off' }),
      close: () => {
        closed = true
        socket.close()
      },
    }
  },
}
