// How a crowd is served: technicians who look at the list, open machines, save visits and sync, with a pause between; and how long
// one alone waits. Loopback, bounded. CPU of a request is that of the server's process, by the kernel.
import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { demoServer } from '../scripts/lib/demo-server.mjs'
import { lead, quantile as at } from './client.mjs'

const users = Number(process.env.LOAD_USERS ?? 200)
const pause = 2500
const seconds = Number(process.env.LOAD_SECONDS ?? 40)
const ticks = 100
/** Processes that answer: as many as `npm start` has. */
const workers = Number(process.env.LOAD_WORKERS ?? Math.max(1, Math.min(4, availableParallelism() - 1)))

/** Seconds of a process and of those it started. */
const cpuOf = (pid) => {
  let sum = 0
  for (const p of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    let fields
    try {
      // utime and stime, in ticks of a hundredth of a second; the name before them may hold spaces.
      fields = readFileSync(`/proc/${p}/stat`, 'utf8').split(') ')[1].split(' ')
    } catch {
      continue // it ended while we looked
    }
    if (Number(p) === pid || Number(fields[1]) === pid) sum += (Number(fields[11]) + Number(fields[12])) / ticks
  }
  return sum
}

const visitOf = (machineId, amps) => ({
  id: randomUUID(),
  machineId,
  takenAt: new Date(Date.parse('2026-11-25T08:00:00Z') + Math.floor(Math.random() * 3_000_000)).toISOString(),
  state: { settled: true, mode: null, filters: null, panels: null, twin: null, turning: null },
  readings: amps.map((value, i) => ({ quantity: 'amps', position: `L${i + 1}`, value })),
})

/** What a user does next, and what it is called. */
function act(client, ids) {
  const id = ids[Math.floor(Math.random() * ids.length)]
  const amps = [3 + Math.random(), 3 + Math.random(), 3 + Math.random()]
  const r = Math.random()
  if (r < 0.35) return ['machines list', () => client.get('/machines?limit=200')]
  if (r < 0.75) return ['machine page', () => client.get(`/machines/${id}`)]
  if (r < 0.9) return ['save a visit', () => client.post('/visits', visitOf(id, amps))]
  const mutations = Array.from({ length: 5 }, (_, n) => ({ n, kind: 'visit', body: visitOf(id, amps) }))
  return ['sync of five', () => client.post('/sync', { device: 'bench', mutations })]
}

async function crowd(clients, ids) {
  const took = new Map()
  let errors = 0
  const end = performance.now() + seconds * 1000
  await Promise.all(
    clients.map(async (client) => {
      await new Promise((go) => setTimeout(go, Math.random() * pause))
      while (performance.now() < end) {
        const [what, run] = act(client, ids)
        const t0 = performance.now()
        try {
          await run()
        } catch {
          errors += 1
        }
        const list = took.get(what) ?? []
        list.push(performance.now() - t0)
        took.set(what, list)
        await new Promise((go) => setTimeout(go, pause * (0.5 + Math.random())))
      }
    }),
  )
  return { took, errors }
}

async function alone(client, ids, say) {
  const rows = {
    'who am I': () => client.get('/session'),
    'machines list': () => client.get('/machines?limit=200'),
    'machine page': (i) => client.get(`/machines/${ids[i % ids.length]}`),
    'save a visit': (i) => client.post('/visits', visitOf(ids[i % ids.length], [3.1, 3.2, 3.3])),
  }
  for (const [what, run] of Object.entries(rows)) {
    const list = []
    for (let i = 0; i < 60; i++) {
      const t0 = performance.now()
      await run(i)
      list.push(performance.now() - t0)
    }
    list.splice(0, 20)
    say(`alone: ${what}`, `median ${at(list, 0.5).toFixed(1)} ms, p95 ${at(list, 0.95).toFixed(1)} ms`)
  }
}

export async function bench(say) {
  const server = await demoServer({ env: { WORKERS: String(workers) } })
  try {
    const { call } = await lead(server.base)
    const first = {
      get: (path) => call('GET', path),
      post: (path, body) => call('POST', path, JSON.stringify(body), 'application/json'),
    }
    const { rows } = await first.get('/machines?limit=200')
    const ids = rows.map((r) => r.machineId)
    await alone(first, ids, say)
    // One sign-in each would time the hashing of passwords: the crowd shares a session, as tabs do.
    const clients = Array.from({ length: users }, () => first)
    const [cpu, t0] = [cpuOf(server.pid), performance.now()]
    const { took, errors } = await crowd(clients, ids)
    const used = cpuOf(server.pid) - cpu
    const all = [...took.values()].flat()
    say(
      `${users} users, ${pause / 1000} s between clicks, ${workers} processes: ${all.length} requests, ${errors} errors`,
      `p50 ${at(all, 0.5).toFixed(0)}, p95 ${at(all, 0.95).toFixed(0)}, p99 ${at(all, 0.99).toFixed(0)} ms`,
    )
    for (const [what, list] of took) {
      say(`crowd: ${what} (${list.length})`, `p50 ${at(list, 0.5).toFixed(0)}, p95 ${at(list, 0.95).toFixed(0)} ms`)
    }
    say(
      'CPU of the server for a request',
      `${((1000 * used) / all.length).toFixed(1)} ms, ${((100 * used * 1000) / (performance.now() - t0)).toFixed(0)} % of a core`,
    )
  } finally {
    await server.end()
  }
}
