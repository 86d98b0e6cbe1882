import { randomUUID } from 'node:crypto'
import { judgeNow, toPolicies, type MachinePage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, visitOf, type Caller, type World, refusedToAll } from '../test/world.ts'

let world: World
let mechanic: Caller
beforeAll(async () => {
  world = await openWorld(true)
  mechanic = await world.as('okonjo')
})
afterAll(() => world.end())

const page = async (id: string) => (await mechanic.get(`/machines/${id}`)).body as MachinePage

describe('a visit', () => {
  it('is kept, judged and shown', async () => {
    const id = await mechanic.machine('RTU-12/SF')
    const sent = visitOf(id, [5.6, 5.5, 5.6], { note: 'quiet' })
    const r = await mechanic.post('/visits', sent)
    expect(r.status).toBe(200)
    expect(r.body).toMatchObject({ already: false, visit: { id: sent.id, by: 'Mosi Okonjo', note: 'quiet' } })
    expect((await page(id)).visits[0]?.id).toBe(sent.id)
    const row = (await mechanic.get('/machines?q=rtu-12')).body.rows[0]
    expect(row.rail.legs.map((l: { amps: number }) => l.amps)).toEqual([5.6, 5.5, 5.6])
    expect(row.seenAt).toBe('2026-11-25T08:00:00.000Z')
  })

  it('of the drive train stays on the Roof after the next amps, until the part is changed', async () => {
    const id = await mechanic.machine('RTU-12/SF')
    const level = async () => (await mechanic.get('/machines?q=rtu-12')).body.rows[0].level as string
    const looked = visitOf(id, [5.6, 5.5, 5.6], {
      takenAt: '2026-11-25T08:10:00Z',
      answers: { scope: 'drive', 'wheel.blades': 'cracked', 'belt.wear': 'sound' },
    })
    const readings = [...looked.readings, { quantity: 'vibration', position: 'DE-H', value: 0.12 }]
    expect((await mechanic.post('/visits', { ...looked, readings })).status).toBe(200)
    expect(await level()).toBe('stop')
    expect((await page(id)).visits[0]?.readings).toContainEqual(
      expect.objectContaining({ quantity: 'vibration', position: 'DE-H', value: 0.12 }),
    )
    await mechanic.post('/visits', visitOf(id, [5.6, 5.5, 5.6], { takenAt: '2026-11-25T08:20:00Z' }))
    expect(await level()).toBe('stop')
    expect((await page(id)).judgement?.headline).toContain('cracked')
    const done = await mechanic.post('/work', {
      id: randomUUID(),
      machineId: id,
      doneAt: '2026-11-25T08:30:00Z',
      kind: 'wheel-replaced',
      note: '',
    })
    expect(done.status).toBe(200)
    expect(await level()).not.toBe('stop')
    const wrong = await mechanic.post('/visits', visitOf(id, [5.6, 5.5, 5.6], { answers: { 'wheel.blades': 'shiny' } }))
    expect(wrong.status).toBe(422)
    expect(wrong.body.errors[0].path).toContain('wheel.blades')
  })

  it('sent many times at once is kept once', async () => {
    const id = await mechanic.machine('RTU-13/SF-1')
    const before = (await page(id)).visits.length
    const sent = visitOf(id, [8.1, 8, 8.1])
    const answers = await Promise.all(Array.from({ length: 6 }, () => mechanic.post('/visits', sent)))
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200, 200])
    expect(answers.filter((a) => a.body.already === false)).toHaveLength(1)
    expect((await page(id)).visits).toHaveLength(before + 1)
    const rows = await world.deps.pool.query('select * from readings where visit_id = $1', [sent.id])
    expect(rows.rowCount).toBe(6)
  })

  it('of two people at one machine keeps both', async () => {
    const id = await mechanic.machine('RTU-13/SF-2')
    const lead = await world.as('vale')
    const [a, b] = await Promise.all([
      mechanic.post('/visits', visitOf(id, [8, 8, 8])),
      lead.post('/visits', visitOf(id, [8.1, 8.1, 8.1])),
    ])
    const ids = (await page(id)).visits.map((s) => s.id)
    expect(ids).toContain(a.body.visit.id)
    expect(ids).toContain(b.body.visit.id)
  })

  it('is corrected by another that says why; both stay, the newer counts', async () => {
    const id = await mechanic.machine('RTU-21/SF')
    const wrong = visitOf(id, [31, 3.2, 3.1])
    await mechanic.post('/visits', wrong)
    expect((await page(id)).judgement?.level).toBe('stop')
    const noReason = await mechanic.post('/visits', visitOf(id, [3.1, 3.2, 3.1], { supersedes: wrong.id }))
    expect(noReason.body.errors[0].path).toBe('reason')
    const usual = (await page(id)).judgement?.usual?.middle ?? NaN
    const figure = Math.round(usual * 100) / 100
    const right = visitOf(id, [figure, figure, figure], { supersedes: wrong.id, reason: 'decimal point' })
    expect((await mechanic.post('/visits', right)).status).toBe(200)
    const after = await page(id)
    expect(after.judgement?.level).toBe('ok')
    expect(after.visits.find((s) => s.id === wrong.id)).toMatchObject({
      supersededBy: right.id,
      readings: wrong.readings.toSorted((a, b) =>
        `${a.quantity} ${a.position}`.localeCompare(`${b.quantity} ${b.position}`),
      ),
    })
    const again = await mechanic.post('/visits', visitOf(id, [3, 3, 3], { supersedes: wrong.id, reason: 'again' }))
    expect(again.status).toBe(409)
    expect((await mechanic.get(`/audit?id=${id}`)).body[0]).toMatchObject({
      what: 'visit corrected',
      why: 'decimal point',
    })
  })

  it('cannot be changed or taken out of the database', async () => {
    for (const sql of [
      'update readings set value = 1',
      'delete from readings',
      "update visits set note = 'x'",
      'delete from visits',
    ])
      await refusedToAll(world, sql)
  })

  it.each([
    ['an impossible reading', { readings: [{ quantity: 'amps', position: 'L1', value: 99999 }] }, 'readings.0.value'],
    ['a wrong position', { readings: [{ quantity: 'amps', position: 'L9', value: 9 }] }, 'readings.0.position'],
    ['an unknown quantity', { readings: [{ quantity: 'smell', position: 'L1', value: 9 }] }, 'readings.0.quantity'],
    [
      'a reading given twice',
      { readings: [1, 2].map((value) => ({ quantity: 'amps', position: 'L1', value })) },
      'readings.1',
    ],
    ['nothing', { readings: [] }, 'readings'],
    ['a date in the future', { takenAt: '2027-01-01T00:00:00Z' }, 'takenAt'],
    ['no date', { takenAt: 'yesterday' }, 'takenAt'],
  ])('with %s is refused at its field and nothing is kept', async (_name, over, path) => {
    const id = await mechanic.machine('EF-1/EF')
    const before = (await page(id)).visits.length
    const r = await mechanic.post('/visits', visitOf(id, [4, 4, 4], over))
    expect(r.status).toBe(422)
    expect(r.body.errors[0].path).toBe(path)
    expect((await page(id)).visits).toHaveLength(before)
  })

  it('keeps answers, passed gates and how each value was read; wrong ones are refused at their field', async () => {
    const id = await mechanic.machine('EF-6/EF')
    const said = {
      readings: [
        { quantity: 'winding_ohms', position: 'T1-T2', value: 1.3, how: 'meter', spread: 0.004 },
        { quantity: 'winding_ohms', position: 'T2-T3', value: 100000, how: 'over-range' },
      ],
      answers: { scope: 'dead', 'lock.on': 'yes', 'lock.number': '17', windmill: 'held' },
      passes: [{ gate: 'dead', by: 'Mosi Okonjo', reason: 'second lock on' }],
    }
    const sent = visitOf(id, [5, 5, 5], said)
    expect((await mechanic.post('/visits', sent)).status).toBe(200)
    expect((await page(id)).visits.find((s) => s.id === sent.id)).toMatchObject(said)
    // Who went past a gate is who was signed in, not what was sent; a correction leaves it to them.
    const lead = await world.as('vale')
    const forged = visitOf(id, [5, 5, 5], { passes: [{ gate: 'dead', by: 'Somebody Else', reason: 'hurry' }] })
    expect((await mechanic.post('/visits', forged)).status).toBe(200)
    const corrected = visitOf(id, [5, 5, 6], {
      supersedes: forged.id,
      reason: 'misread',
      passes: [
        { gate: 'dead', by: 'Somebody Else', reason: 'hurry' },
        { gate: 'live', by: 'x', reason: 'again' },
      ],
    })
    expect((await lead.post('/visits', corrected)).status).toBe(200)
    const kept = (await page(id)).visits
    expect(kept.find((v) => v.id === forged.id)?.passes.map((p) => p.by)).toEqual(['Mosi Okonjo'])
    expect(kept.find((v) => v.id === corrected.id)?.passes.map((p) => p.by)).toEqual(['Mosi Okonjo', 'Tamsin Vale'])
    for (const [over, path] of [
      [{ answers: { 'lock.color': 'red' } }, 'answers.lock.color'],
      [{ answers: { windmill: 'perhaps' } }, 'answers.windmill'],
      [{ passes: [{ gate: 'dead', by: 'x', reason: ' ' }] }, 'passes.0.reason'],
    ] as const) {
      const r = await mechanic.post('/visits', visitOf(id, [5, 5, 5], over))
      expect([r.status, r.body.errors?.[0]?.path]).toEqual([422, path])
    }
  })

  it('with dead tests only leaves the machine its amps, and adds what they found', async () => {
    const id = await mechanic.machine('EF-5/EF')
    const before = (await page(id)).judgement
    const sent = visitOf(id, [5, 5, 5], {
      readings: ['T1', 'T2', 'T3'].map((position) => ({ quantity: 'megohms', position, value: 0.4 })),
      answers: { scope: 'dead', 'insulation.place': 'motor' },
    })
    await mechanic.post('/visits', sent)
    const after = (await page(id)).judgement
    expect(after?.rail.legs).toEqual(before?.rail.legs)
    expect(after?.level).toBe('stop')
    expect(after?.headline).toContain('MΩ')
    const dried = { id: randomUUID(), machineId: id, doneAt: '2026-11-25T08:30:00Z', kind: 'winding-dried', note: '' }
    await mechanic.post('/work', dried)
    expect((await page(id)).judgement?.level).not.toBe('stop')
  })

  it('of a machine that is not there is refused', async () => {
    expect((await mechanic.post('/visits', visitOf(randomUUID(), [4, 4, 4]))).status).toBe(404)
  })
})

describe('work', () => {
  it('starts a new baseline and asks for new amps; sent twice it is kept once', async () => {
    const id = await mechanic.machine('AHU-3/SF')
    expect((await page(id)).judgement?.usual).not.toBeNull()
    const body = {
      id: randomUUID(),
      machineId: id,
      doneAt: '2026-11-25T07:00:00Z',
      kind: 'belts-renewed',
      note: 'matched set',
    }
    await mechanic.post('/work', body)
    await mechanic.post('/work', body)
    const after = await page(id)
    expect(after.work.filter((w) => w.id === body.id)).toHaveLength(1)
    expect(after.judgement?.verdicts.map((v) => v.check)).toContain('retest')
    await mechanic.post('/visits', visitOf(id, [17, 17, 17]))
    expect((await page(id)).judgement?.usual).toBeNull()
  })
})

describe('the judge in the hand and the judge on the server', () => {
  it('say the same of every machine of the demo', async () => {
    const policies = toPolicies((await mechanic.get('/policies')).body.policies)
    const roof = (await mechanic.get('/machines?limit=200')).body.rows as {
      machineId: string
      headline: string
      level: string
    }[]
    expect(roof.length).toBeGreaterThan(60)
    for (const row of roof) {
      const p = await page(row.machineId)
      const motors = [...(p.motor ? [p.motor] : []), ...p.pastMotors]
      const known = {
        machine: p.machine,
        motors,
        work: p.work,
        parts: p.parts,
        visits: p.visits,
        twins: p.twins,
        peers: p.peers,
        closings: p.closings,
        live: p.live,
        findings: p.findings,
        traces: p.traces,
        jobs: p.jobs,
        site: p.site,
        policies,
      }
      const inHand = judgeNow(known)
      expect(inHand).toEqual(p.judgement)
      expect([row.level, row.headline]).toEqual([inHand?.level, inHand?.headline])
    }
  })
})
