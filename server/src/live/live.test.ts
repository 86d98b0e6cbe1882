import { randomUUID } from 'node:crypto'
import { mkdtemp, mkdir, readdir, readFile, rm, utimes, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { LiveFile, LivePage, MachinePage, ResponseOf, liveEndpoints } from '@motor-round/contract'
import { demoVfds } from '@motor-round/demo'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { refreshStale } from '../machine/refresh.ts'
import { openWorld, testNow, type Caller, type World } from '../test/world.ts'
import { serveStandIn, standInOf } from '../vfd/stand-in.ts'
import { takeFolder } from './folder.ts'
import { keepMinutes } from './keep.ts'
import { sumUp } from './pass.ts'
import { pollDrives } from './poll.ts'
import { minutesBetween } from './read.ts'
import { thin } from './thin.ts'

type Sources = ResponseOf<typeof liveEndpoints.liveSources>

let world: World
let lead: Caller
let mechanic: Caller
let id: string
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  mechanic = await world.as('okonjo')
  id = await mechanic.machine('AHU-1/SF')
})
afterAll(() => world.end())

const now = Date.parse(testNow)
const minuteMs = 60_000
const send = (text: string, query = '', own = randomUUID()) =>
  lead
    .post(`/live/files?id=${own}&name=a.csv${query}`)
    .set('content-type', 'application/octet-stream')
    .send(Buffer.from(text))
const pointOf = (over: object = {}) => ({
  id: randomUUID(),
  name: 'AHU1 SF Amps',
  machineId: id,
  quantity: 'amps',
  unit: 'A',
  ...over,
})
const live = async (of: string, query = 'span=day') =>
  (await mechanic.get(`/machines/${of}/live?${query}`)).body as LivePage
const pageOf = async (of: string) => (await mechanic.get(`/machines/${of}`)).body as MachinePage
const utc = (t: number) => new Date(t).toISOString().slice(0, 16).replace('T', ' ')
/** A row each minute over some days before now, by UTC. */
const csv = (head: string, days: number, row: (t: number) => string, until = now - 30 * minuteMs) => {
  const from = Math.floor((until - days * 86_400_000) / minuteMs) * minuteMs
  const lines = [head]
  for (let t = from; t < until; t += minuteMs) lines.push(`${utc(t)},${row(t)}`)
  return lines.join('\n')
}
const settled = async () => {
  await sumUp(world.deps.db, new Date(now + 3_600_000))
  await refreshStale(world.deps.db)
}

describe('columns of a building’s files', () => {
  it('are looked at before they belong to a machine: its unit is held against the nameplate', async () => {
    const first = (
      await send(
        csv('time,AHU1 SF Amps', 1, () => '94'),
        '&zone=UTC',
      )
    ).body as LiveFile
    expect(first).toMatchObject({ status: 'kept', kept: 0, unmapped: [{ name: 'ahu1 sf amps', seen: { middle: 94 } }] })
    expect(first.message).toContain('None of its columns')
    expect((await mechanic.put('/live/points', pointOf())).status).toBe(403)
    const wrong = await lead.put('/live/points', pointOf({ unit: 'Hz' }))
    expect(wrong.body.errors[0]).toMatchObject({ path: 'unit' })
    const doubt = await lead.put('/live/points', pointOf())
    expect(doubt.status).toBe(422)
    expect(doubt.body.errors[0].message).toMatch(/Mostly 94 A .*Is it sent in 0\.1 A/)
    const kept = (await lead.put('/live/points', pointOf({ unit: '0.1 A' }))).body as Sources
    expect(kept.points.filter((p) => p.machineId === id)).toMatchObject([
      { name: 'ahu1 sf amps', unit: '0.1 A', factor: 0.1, unitTag: 'AHU-1', tag: 'SF' },
    ])
    expect(kept.unmapped).toEqual([])
  })
  it('give a machine each quantity once', async () => {
    const again = await lead.put('/live/points', pointOf({ name: 'other' }))
    expect(again.body.errors).toEqual([
      { path: 'quantity', message: 'comes from the column "ahu1 sf amps" already: remove that one first' },
    ])
    const taken = await lead.put('/live/points', pointOf({ quantity: 'running', unit: 'on/off' }))
    expect(taken.body.errors).toEqual([{ path: 'name', message: 'that column belongs to a machine already' }])
    expect((await lead.put('/live/points', pointOf({ machineId: randomUUID() }))).body.errors[0].path).toBe('machineId')
  })
  it('stand in the change log', async () => {
    const { rows } = await world.deps.pool.query(
      `select what from audit where entity_id = $1 and what like 'live data%'`,
      [id],
    )
    expect(rows).toEqual([{ what: 'live data column assigned' }])
  })
})

describe('a file that is taken', () => {
  // A fan that runs from six to ten and draws 9.4 A; twice a day short cycling for an hour is not its way.
  const text = csv('time,AHU1 SF Amps', 5, (t) => {
    const h = new Date(t).getUTCHours()
    return h >= 10 ? String(94 + (Math.floor(t / minuteMs) % 3)) : '1'
  })
  const own = randomUUID()
  it('is kept, summed up, and drawn by the minute and by the hour', async () => {
    const f = (await send(text, '&zone=UTC', own)).body as LiveFile
    expect(f).toMatchObject({ status: 'kept', rows: 7200, kept: 7200, already: 0, differ: 0, errorCount: 0 })
    const day = await live(id)
    expect(day.last).toBe(new Date(now - 31 * minuteMs).toISOString())
    const [amps] = day.series
    expect(amps?.quantity).toBe('amps')
    expect(amps?.points.length).toBe(1440 - 31)
    expect(amps?.points.every(([at, low, mean, high]) => low === mean && mean === high && at % minuteMs === 0)).toBe(
      true,
    )
    const week = await live(id, 'span=week')
    expect(week.series[0]?.points.length).toBeGreaterThan(118)
    expect(week.days.at(-2)).toMatchObject({ minutes: 1440, known: 1440, ran: 840, starts: 1 })
    expect((await live(id, 'span=year')).series[0]?.points.length).toBe(6)
  })
  it('once more doubles nothing, in any order', async () => {
    expect(((await send(text, '&zone=UTC', own)).body as LiveFile).kept).toBe(7200)
    const again = (await send(text, '&zone=UTC')).body as LiveFile
    expect(again).toMatchObject({ kept: 0, already: 7200, differ: 0 })
    const [head = '', ...lines] = text.split('\n')
    const backward = [head, ...lines.reverse()].join('\n')
    expect((await send(backward, '&zone=UTC')).body).toMatchObject({ kept: 0, already: 7200 })
  })
  it('does not change what is there: what differs is counted', async () => {
    const f = (
      await send(
        csv('time,ahu1 sf amps', 1, () => '50'),
        '&zone=UTC',
      )
    ).body as LiveFile
    expect(f).toMatchObject({ kept: 0, differ: 1440 })
    expect((await live(id)).series[0]?.points.some(([, , mean]) => mean === 5)).toBe(false)
  })
  it('with wrong lines is kept but for these', async () => {
    const f = (await send(`time,ahu1 sf amps\n${utc(now - 20 * minuteMs)},91\n2026-11-25 08:45,lots\n`, '&zone=UTC'))
      .body as LiveFile
    expect(f).toMatchObject({ kept: 1, errorCount: 1, errors: [{ line: 3, column: 'ahu1 sf amps' }] })
  })
  it('that cannot be read keeps nothing, and says why', async () => {
    expect((await send('just text')).body).toMatchObject({ status: 'refused', errorCount: 1 })
    expect((await send('time,ahu1 sf amps\n"2026,1')).body).toMatchObject({ status: 'refused' })
    expect((await mechanic.post(`/live/files?id=${randomUUID()}`)).status).toBe(403)
  })
})

describe('what is noticed', () => {
  it('stands at the machine beside what visits found, and goes when the days are good again', async () => {
    await settled()
    const before = await pageOf(id)
    expect(before.live?.days.length).toBeGreaterThan(3)
    expect(before.judgement?.verdicts.map((v) => v.check)).toContain('live-starts')
    expect(before.judgement?.conditions.some((k) => k.verdict.check === 'live-starts')).toBe(false)
    const other = await mechanic.machine('AHU-2/SF')
    await lead.put('/live/points', pointOf({ name: 'ahu2 sts', machineId: other, quantity: 'running', unit: 'on/off' }))
    // On and off every two minutes.
    await send(
      csv('time,AHU2 Sts', 2, (t) => (Math.floor(t / minuteMs / 2) % 2 === 0 ? 'on' : 'off')),
      '&zone=UTC',
    )
    await settled()
    const cycling = (await pageOf(other)).judgement?.conditions.find((k) => k.verdict.check === 'live-starts')
    expect(cycling?.verdict).toMatchObject({ level: 'fix' })
    expect(cycling?.verdict.because).toContain('15 starts in an hour')
    const { rows } = await world.deps.pool.query(`select level, conditions from machine_states where machine_id = $1`, [
      other,
    ])
    expect(rows[0]).toMatchObject({ level: expect.stringMatching(/fix|stop/) as string })
    expect(JSON.stringify(rows[0])).toContain('short cycles')
  })
  it('by off hours that a lead enters', async () => {
    expect((await mechanic.put(`/machines/${id}/live/off-hours`, { offHours: [] })).status).toBe(403)
    const off = { days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 0, hz: null }
    expect((await lead.put(`/machines/${id}/live/off-hours`, { offHours: [off] })).body.errors[0].path).toBe(
      'offHours.0.to',
    )
    const kept = await lead.put(`/machines/${id}/live/off-hours`, { offHours: [{ ...off, to: 1439 }] })
    expect(kept.status).toBe(200)
    await settled()
    const k = (await pageOf(id)).judgement?.conditions.find((c) => c.verdict.check === 'live-off-hours')
    expect(k?.verdict.level).toBe('watch')
    await lead.put(`/machines/${id}/live/off-hours`, { offHours: [] })
    await settled()
    expect((await pageOf(id)).judgement?.conditions.some((c) => c.verdict.check === 'live-off-hours')).toBe(false)
  })
  it('where clamp and sensor disagree at a visit', async () => {
    const takenAt = new Date(now - 90 * minuteMs).toISOString()
    // At that hour it stood; two hours before midnight it ran.
    const ran = new Date(now - 11 * 3_600_000).toISOString()
    expect(takenAt < testNow).toBe(true)
    const visit = {
      id: randomUUID(),
      machineId: id,
      takenAt: ran,
      state: { settled: true, mode: null, filters: null, panels: 'on', twin: null, turning: 'right way' },
      readings: ['L1', 'L2', 'L3'].map((position) => ({ quantity: 'amps', position, value: 12.1 })),
      answers: {},
      passes: [],
      note: '',
      supersedes: null,
      reason: '',
    }
    expect((await mechanic.post('/visits', visit)).status).toBe(200)
    await settled()
    const v = (await pageOf(id)).judgement?.verdicts.find((x) => x.check === 'live-against-visit')
    expect(v).toMatchObject({ level: 'watch' })
    expect(v?.because).toMatch(/clamp 12\.1 A, sensor 9\.5\d? A/)
  })
})

describe('a drive that is read every minute', () => {
  it('gives its hertz, amps and whether it runs; one that does not answer gives nothing', async () => {
    const own = demoVfds[1]
    if (!own) throw new Error('no drive')
    const { port, end } = await serveStandIn(standInOf(own), 0, 40)
    const driven = await mechanic.machine('AHU-3/RF')
    const link = { host: '127.0.0.1', port, unit: 1, profileId: own.profileId, mayWrite: false, live: true }
    try {
      await lead.put(`/machines/${driven}/vfd/link`, link)
      await lead.put(`/machines/${await mechanic.machine('AHU-3/SF')}/vfd/link`, { ...link, port: 1, live: true })
      await new Promise((go) => setTimeout(go, 1500))
      expect(await pollDrives(world.deps)).toBe(1)
      // Within the same minute nothing is there twice.
      expect(await pollDrives(world.deps)).toBe(1)
    } finally {
      await end()
    }
    const page = await live(driven)
    const minute = Math.floor(now / minuteMs) * minuteMs
    // Beside what the demo has of it up to some minutes ago.
    const fresh = page.series.map((s) => [s.quantity, s.points.filter(([at]) => at === minute).length])
    expect(page).toMatchObject({ polled: true, now: { running: 1 } })
    expect(fresh).toEqual([
      ['amps', 1],
      ['hz', 1],
      ['running', 1],
    ])
    const sources = (await mechanic.get('/live')).body as Sources
    expect(sources.polled.map((p) => [p.tag, p.last])).toEqual([
      ['RF', testNow.replace('Z', '.000Z')],
      ['SF', new Date(now - 4 * minuteMs).toISOString()],
    ])
    const refused = await lead.put('/live/points', pointOf({ name: 'rf amps', machineId: driven }))
    expect(refused.body.errors).toEqual([{ path: 'quantity', message: 'is read from its drive every minute already' }])
  })
})

describe('the folder', () => {
  it('is emptied: into done, what is to be looked at, and what belongs to nothing yet, which is taken again when it does', async () => {
    const dir = await mkdtemp(join(tmpdir(), 'motor-round-live-'))
    const deps = { ...world.deps, config: { ...world.deps.config, LIVE_DIR: dir } }
    const put = async (name: string, text: string, age = 60) => {
      await writeFile(join(dir, name), text)
      const then = Date.now() / 1000 - age
      await utimes(join(dir, name), then, then)
    }
    try {
      await put('good.csv', `time,ahu1 sf amps\n${utc(now - 12 * minuteMs)}Z,91\n`)
      await put('bad.csv', `time,ahu1 sf amps\n${utc(now - 11 * minuteMs)}Z,91\nnever,9\n`)
      await put('new.csv', `time,ahu1 sf call\n${utc(now - 10 * minuteMs)}Z,1\n`)
      await put('half.csv', 'time,ahu1 sf am', 0)
      await put('notes.pdf', 'x')
      await mkdir(join(dir, 'own'))
      expect(await takeFolder(deps)).toBe(3)
      expect((await readdir(dir)).sort()).toEqual(['done', 'half.csv', 'look-at', 'notes.pdf', 'own', 'unassigned'])
      expect(await readdir(join(dir, 'done'))).toEqual([expect.stringMatching(/^good-\w+\.csv$/)])
      const looked = (await readdir(join(dir, 'look-at'))).sort()
      expect(looked).toEqual([expect.stringMatching(/^bad-\w+\.csv$/), expect.stringMatching(/problems\.txt$/)])
      expect(await readFile(join(dir, 'look-at', looked[1] ?? ''), 'utf8')).toContain(
        'line 3, time: "never" is not a date',
      )
      expect((await live(id)).series[0]?.points.slice(-2).map((p) => p[2])).toEqual([9.1, 9.1])
      expect(await takeFolder(deps)).toBe(0)
    } finally {
      await rm(dir, { recursive: true })
    }
  })
})

describe('minutes long past', () => {
  it('are let go of, and their hours stay; what comes for them later changes nothing', async () => {
    const old = Math.floor((now - 500 * 86_400_000) / 86_400_000) * 86_400_000
    const minutes = Array.from({ length: 1440 }, (_, m) => old / minuteMs + m)
    const series = {
      machineId: id,
      quantity: 'hz' as const,
      minutes,
      values: minutes.map((_, m) => 40 + (m % 60) / 10),
    }
    const keep = () => world.deps.db.transaction((tx) => keepMinutes(tx, [series], new Date(now)))
    expect(await keep()).toEqual({ kept: 1440, already: 0, differ: 0 })
    const read = () => minutesBetween(world.deps.db, id, old, old + 86_400_000)
    expect((await read()).get('hz')?.slice(0, 2)).toEqual([
      [old, 40],
      [old + minuteMs, 40.1],
    ])
    expect(await thin(world.deps)).toBe(1)
    expect(await thin(world.deps)).toBe(0)
    expect((await read()).get('hz')).toBeUndefined()
    const year = await live(id, `span=year&until=${new Date(old + 3 * 86_400_000).toISOString()}`)
    expect(year.series.find((s) => s.quantity === 'hz')?.points).toEqual([[old, 40, expect.closeTo(42.95, 2), 45.9]])
    expect(await keep()).toEqual({ kept: 0, already: 1440, differ: 0 })
  })
})

describe('two that keep the same minutes', () => {
  it('keep each once', async () => {
    const other = await mechanic.machine('AHU-2/RF')
    const at = Math.floor((now - 3 * 86_400_000) / minuteMs)
    const part = (from: number) => ({
      machineId: other,
      quantity: 'amps' as const,
      minutes: Array.from({ length: 600 }, (_, m) => at + from + m),
      values: Array.from({ length: 600 }, () => 7),
    })
    const kept = await Promise.all(
      [0, 100, 200, 300].map((from) => world.deps.db.transaction((tx) => keepMinutes(tx, [part(from)], new Date(now)))),
    )
    expect(kept.reduce((s, k) => s + k.kept, 0)).toBe(900)
    const got = await minutesBetween(world.deps.db, other, at * minuteMs, (at + 2000) * minuteMs)
    expect(got.get('amps')?.map(([t]) => t / minuteMs - at)).toEqual(Array.from({ length: 900 }, (_, i) => i))
  })
})

describe('numbers of series', () => {
  it('are not used up by keeping minutes of series that are there', async () => {
    const last = async () => {
      const { rows } = await world.asOwner('select last_value as n from live_series_id_seq')
      return Number((rows as { n: string }[])[0]?.n)
    }
    const series = { machineId: id, quantity: 'amps' as const, minutes: [Math.floor(now / minuteMs) - 2], values: [9] }
    const keep = () => world.deps.db.transaction((tx) => keepMinutes(tx, [series], new Date(now)))
    await keep()
    const before = await last()
    for (let i = 0; i < 3; i++) await keep()
    expect(await last()).toBe(before)
  })
})

describe('the organization as a file', () => {
  it('has columns, off hours, days, and what was beside visits', async () => {
    const file = JSON.parse((await lead.get('/exports/organization.json')).text) as {
      livePoints: unknown[]
      liveDays: unknown[]
      liveBeside: { machineId: string; beside: unknown[] }[]
    }
    expect(file.livePoints.length).toBe(5)
    expect(file.liveDays.length).toBeGreaterThan(5)
    expect(file.liveBeside.find((b) => b.machineId === id)?.beside.length).toBeGreaterThan(0)
  })
})
