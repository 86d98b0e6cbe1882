import { randomUUID } from 'node:crypto'
import { demoServer, fixedNow } from '../scripts/lib/demo-server.mjs'
import { lead, quantile } from './client.mjs'
import { fillMachines, psqlAt } from './many-machines.mjs'

const machines = 5000
/** A month is LIVE_DAYS=31; a few days show the same. */
const days = Number(process.env.LIVE_DAYS ?? 3)
const minutesADay = 1440
const at = Math.floor(Date.parse(fixedNow) / 86_400_000)
/** So many machines a transaction. */
const group = 100

/** A day of a fan on a drive: off at night, faster in the afternoon, and the noise of its sensors. */
function dayOf(random, day, n) {
  const minutes = new Float64Array(minutesADay)
  const hz = new Float64Array(minutesADay)
  const amps = new Float64Array(minutesADay)
  const running = new Float64Array(minutesADay)
  const plate = 5 + (n % 40)
  for (let m = 0; m < minutesADay; m++) {
    const on = m > 330 + (n % 60) && m < 1290
    const speed = on ? 44 + 10 * Math.sin((m / minutesADay) * Math.PI) + 0.15 * random.normal() : 0
    minutes[m] = day * minutesADay + m
    hz[m] = speed
    amps[m] = on ? plate * (0.35 + 0.6 * (speed / 60) ** 2) * (1 + 0.006 * random.normal()) : 0
    running[m] = on ? 1 : 0
  }
  return { minutes, hz, amps, running }
}

const seconds = (began) => (performance.now() - began) / 1000

/** Minutes of 5,000 machines in, what they take, a year of one drawn, and the pass of a night. */
export async function bench(say) {
  const { seeded } = await import('../core/src/machine/index.ts')
  const { openDatabase, closeDatabase } = await import('../server/src/db/client.ts')
  const { keepMinutes } = await import('../server/src/live/keep.ts')
  const { sumUp } = await import('../server/src/live/pass.ts')
  const { refreshStale } = await import('../server/src/machine/refresh.ts')
  const { base, url, end } = await demoServer({ durable: true })
  const database = openDatabase(url, (e) => process.stderr.write(`${e.message}\n`))
  const { db } = database
  try {
    const psql = psqlAt(url)
    await fillMachines(psql, machines)
    const ids = (await psql('select id from machines order by id')).split('\n')
    const random = seeded(3)
    // Not before all is in: the server would sum up meanwhile.
    const due = new Date(Date.parse(fixedNow) + 86_400_000)
    let values = 0
    let took = 0
    const keepDay = async (day, list) => {
      for (let i = 0; i < list.length; i += group) {
        const series = list.slice(i, i + group).flatMap((machineId, k) => {
          const { minutes, ...by } = dayOf(random, day, i + k)
          return Object.entries(by).map(([quantity, own]) => ({ machineId, quantity, minutes, values: own }))
        })
        const began = performance.now()
        const { kept } = await db.transaction((tx) => keepMinutes(tx, series, due))
        took += seconds(began)
        values += kept
      }
    }
    for (let d = days; d > 1; d--) await keepDay(at - d, ids)
    await psql('delete from live_dirty')
    await keepDay(at - 1, ids)
    say(
      `${values.toLocaleString('en')} values of ${machines} machines × 3 × ${days} days in (goal: ≥ 0.5 M a second)`,
      `${(values / took / 1e6).toFixed(2)} M a second`,
    )
    let began = performance.now()
    const summed = await sumUp(db, due)
    say(`the pass of a night: ${summed} machines summed up`, `${seconds(began).toFixed(0)} s`)
    began = performance.now()
    for (let left = 1; left > 0;) {
      await db.transaction((tx) => refreshStale(tx))
      left = Number(await psql('select count(*) from machine_states where stale'))
    }
    say('and judged again', `${seconds(began).toFixed(0)} s`)
    for (const table of ['live_chunks', 'live_days', 'live_states', 'live_dirty'])
      await psql(`vacuum (analyze) ${table}`)
    const sizes = await psql(`
      select sum(pg_total_relation_size(c.oid)) from pg_class c where c.relkind in ('r', 'm') and c.relname ~ '^live_' and c.relname <> 'live_files'`)
    const perValue = Number(sizes) / values
    say(
      'on disk all told, states and days of one day with it (goal: ≤ 3 bytes a value)',
      `${perValue.toFixed(2)} bytes a value`,
    )
    const one = ids[17]
    for (let d = 370; d > days; d--) await keepDay(at - d, [one])
    await sumUp(db, due)
    const { cookie, call } = await lead(base)
    for (const span of ['year', 'month', 'week', 'day']) {
      const times = []
      for (let i = 0; i < 30; i++) {
        const from = performance.now()
        const r = await fetch(`${base}/api/v1/machines/${one}/live?span=${span}`, { headers: { cookie } })
        await r.arrayBuffer()
        if (!r.ok) throw new Error(String(r.status))
        times.push(performance.now() - from)
      }
      say(
        `a ${span} of one machine, median and p95${span === 'year' ? ' (goal: < 150 ms)' : ''}`,
        `${quantile(times, 0.5).toFixed(0)}, ${quantile(times, 0.95).toFixed(0)} ms`,
      )
    }
    await csv(say, { call, psql, ids: ids.slice(1000, 1300), random })
  } finally {
    await closeDatabase(database)
    await end()
  }
}

/** Some days of 300 points as one CSV file over HTTP: read, checked and kept. */
async function csv(say, { call, psql, ids, random }) {
  await psql(`
    insert into live_points (id, name, machine_id, quantity, unit, factor, by, at)
    select gen_random_uuid(), 'p' || n, id::uuid, 'amps', 'A', 1, 'bench', now() from unnest('{${ids.join(',')}}'::text[]) with ordinality t (id, n)`)
  const lines = [['time', ...ids.map((_, n) => `p${n + 1}`)].join(',')]
  for (const day of [at - 42, at - 41, at - 40]) {
    const columns = ids.map((_, n) => dayOf(random, day, n))
    for (let m = 0; m < minutesADay; m++)
      lines.push(
        [new Date((day * minutesADay + m) * 60_000).toISOString(), ...columns.map((c) => c.amps[m].toFixed(2))].join(
          ',',
        ),
      )
  }
  const began = performance.now()
  const { kept } = await call('POST', `/live/files?id=${randomUUID()}&name=bench.csv`, lines.join('\n'))
  say(
    `a CSV file of ${kept.toLocaleString('en')} values, over HTTP, its first days summed up (goal: ≥ 0.5 M a second)`,
    `${(kept / seconds(began) / 1e6).toFixed(2)} M a second`,
  )
}
