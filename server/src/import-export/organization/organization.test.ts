import { randomUUID } from 'node:crypto'
import { photo } from '../../test/picture.test-help.ts'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

describe('the whole organization as a file', () => {
  it('comes into an empty house as it was, readings, corrections and all', async () => {
    const area = (await lead.get('/places')).body.areas[0].id as string
    const id = randomUUID()
    await lead.post(`/areas/${area}/pictures`, { id, type: 'image/jpeg', bytes: await photo() })
    const bytes = ((await lead.get(`/map-pictures/${id}`)).body as Buffer).toString('base64')
    const { map, version } = (await lead.get(`/areas/${area}/map`)).body
    const underlay = { id, x: -2, y: 0, w: 30, h: 20 }
    expect((await lead.put(`/areas/${area}/map`, { version, map: { ...map, underlay } })).status).toBe(200)
    const site = (await lead.get('/places')).body.sites[0]
    expect((await lead.put(`/sites/${String(site.id)}`, { ...site, hertz: 60 })).status).toBe(200)
    // A closed account, limits of its own, another name, addresses for the digest.
    const gone = { id: randomUUID(), login: 'gone', name: 'Gone Away', role: 'viewer' }
    await lead.post('/people', gone)
    expect((await lead.put(`/people/${gone.id}`, { role: 'viewer', disabled: true })).status).toBe(200)
    const rules = (await lead.get('/policies')).body
    const limits = { version: rules.version, policies: rules.policies, why: 'x' }
    expect((await lead.put('/policies', limits)).status).toBe(200)
    const machineId = (await lead.get('/machines?limit=1')).body.rows[0].machineId as string
    const closing = {
      id: randomUUID(),
      machineId,
      key: 'terminals@wires',
      at: '2026-03-02T10:00:00.000Z',
      kind: 'closed',
    }
    const body = { ...closing, reason: 'Taped and tied away' }
    const sent = await lead.post('/sync', { device: 'x', mutations: [{ n: 0, kind: 'closing', body }] })
    expect(sent.body).toMatchObject({ results: [{ n: 0 }] })
    const out = await lead.get('/exports/organization.json')
    // The demo has one of its own.
    expect(out.body.conditionClosings).toHaveLength(2)
    expect(out.body.conditionClosings).toContainEqual(expect.objectContaining(body))
    expect(out.body.sites).toContainEqual(expect.objectContaining({ id: site.id, hertz: 60 }))
    expect(out.body.mapPictures).toMatchObject([{ id, areaId: area, bytes, by: 'Tamsin Vale' }])
    const other = await openWorld(false)
    const token = String(other.link).replace('/welcome/', '')
    const visitor = other.visitor()
    const session = await visitor.post(`/invitations/${token}`, {
      password: 'gravel teapot ninety fork',
      login: 'first',
      name: 'First',
    })
    visitor.csrf = session.body.csrf as string
    const r = await visitor.file('organization', JSON.stringify(out.body))
    expect(r.body.errors).toEqual([])
    expect((await visitor.post(`/imports/${String(r.body.id)}/keep`)).body.status).toBe('done')
    const again = await visitor.get('/exports/organization.json')
    // Byte by byte, but for who brought it in and what was written down of that.
    const told = (text: string) => text.replace(/"people":\[.*?\]/, '').replace(/,"audit":\[.*$/s, '')
    expect(told(again.text)).toBe(told(out.text))
    const audits = (b: { audit: { id: string }[] }) => new Set(b.audit.map((a) => a.id))
    for (const id of audits(out.body)) expect(audits(again.body).has(id)).toBe(true)
    expect(again.body.people).toContainEqual(out.body.people.find((p: { id: string }) => p.id === gone.id))
    const parts = ['sites', 'areas', 'units', 'machines', 'motors', 'work', 'visits']
    for (const part of [
      ...parts,
      'rounds',
      'roundEvents',
      'findings',
      'findingSteps',
      'traces',
      'traceSteps',
      'jobs',
      'jobSteps',
      'pictures',
      'mapPictures',
      'conditionClosings',
    ])
      expect(again.body[part]).toEqual(out.body[part])
    expect((await visitor.get('/machines?limit=500')).body.counts).toEqual(
      (await lead.get('/machines?limit=500')).body.counts,
    )
    await other.end()
  })
  it('says what is wrong and where, and keeps nothing', async () => {
    const good = (await lead.get('/exports/organization.json')).body
    const broken = {
      ...good,
      machines: good.machines.map((m: object, i: number) => (i === 3 ? { ...m, phases: 2 } : m)),
    }
    expect((await lead.file('organization', JSON.stringify(broken))).body.errors[0].column).toBe('machines.3.phases')
    const orphan = { ...good, sites: [] }
    expect((await lead.file('organization', JSON.stringify(orphan))).body.errors[0]).toMatchObject({
      column: 'areas.0.siteId',
    })
    const [found] = good.findings
    const elsewhere = good.machines.find((m: { id: string }) => m.id !== found.machineId).id
    const step = { ...good.findingSteps[0], id: randomUUID(), findingId: found.id, machineId: elsewhere }
    const torn = {
      ...good,
      mapPictures: [],
      findings: [{ ...found, roundId: randomUUID() }, ...good.findings.slice(1)],
      findingSteps: [...good.findingSteps, step],
    }
    const errors = (await lead.file('organization', JSON.stringify(torn))).body.errors as { column: string }[]
    expect(errors.map((e) => e.column)).toEqual([
      `findingSteps.${good.findingSteps.length}.machineId`,
      `areas.${good.areas.findIndex((a: { map?: { underlay: object | null } }) => a.map?.underlay)}.map.underlay.id`,
      'findings.0.roundId',
    ])
    const magic = { ...good, jobs: [{ ...good.jobs[0], kinds: ['magic'] }] }
    expect((await lead.file('organization', JSON.stringify(magic))).body.errors).toContainEqual(
      expect.objectContaining({ column: 'jobs.0.kinds.0' }),
    )
    expect((await lead.file('organization', '{\n "format": \n oops')).body.errors[0]).toMatchObject({
      line: 3,
      message: 'The file is not JSON.',
    })
  })
  it('names every record that speaks of one that is not in the file', async () => {
    const good = (await lead.get('/exports/organization.json')).body as Record<string, Record<string, unknown>[]>
    const nowhere = randomUUID()
    const refers: [string, string][] = [
      ...['motors', 'parts', 'work', 'speedChanges', 'visits', 'vfdLinks', 'vfdSettings', 'livePoints', 'liveOffHours'],
      ...['liveDays', 'liveBeside', 'pictures', 'findings', 'conditionClosings', 'traces', 'jobs'],
    ].map((list) => [list, 'machineId'])
    refers.push(['units', 'areaId'], ['machines', 'unitId'], ['vfdLinks', 'profileId'], ['findingSteps', 'findingId'])
    refers.push(['traceSteps', 'traceId'], ['jobSteps', 'jobId'], ['stockMoves', 'itemId'], ['stockMoves', 'placeId'])
    refers.push(['stockMoves', 'toPlaceId'], ['stockMoves', 'jobId'], ['stockPlaces', 'siteId'])
    refers.push(['findings', 'roundId'], ['roundEvents', 'roundId'], ['visits', 'supersedes'])
    const there = refers.filter(([list]) => (good[list] ?? []).length > 0)
    // The demo has nearly all of it.
    expect(refers.length - there.length).toBeLessThanOrEqual(3)
    // A list once in each file, broken at its last record: what is behind a slice is looked through as well.
    for (let left = there; left.length > 0;) {
      const now = left.filter(([list], i) => left.findIndex((r) => r[0] === list) === i)
      left = left.filter((r) => !now.includes(r))
      const last = (list: string) => (good[list] ?? []).length - 1
      const broken = { ...good }
      for (const [list, field] of now)
        broken[list] = (good[list] ?? []).map((r, i) => (i === last(list) ? { ...r, [field]: nowhere } : r))
      const { body } = await lead.file('organization', JSON.stringify(broken))
      expect(body.status).toBe('refused')
      const columns = body.errors.map((e: { column: string }) => e.column) as string[]
      for (const [list, field] of now) expect(columns).toContain(`${list}.${last(list)}.${field}`)
    }
    const [round, ...others] = good['rounds'] ?? []
    const visits = (round?.['visits'] ?? []) as object[]
    const moved = {
      ...good,
      rounds: [{ ...round, visits: visits.map((v, k) => (k === 1 ? { ...v, machineId: nowhere } : v)) }, ...others],
    }
    expect((await lead.file('organization', JSON.stringify(moved))).body.errors).toEqual([
      { line: 0, column: 'rounds.0.visits.1.machineId', message: 'no such machine in the file' },
    ])
  })
  it('counts all that is wrong of one kind and lists the first ones', async () => {
    const good = (await lead.get('/exports/organization.json')).body
    const { body } = await lead.file('organization', JSON.stringify({ ...good, machines: [] }))
    const owned = ['motors', 'parts', 'visits'].reduce((n, list) => n + (good[list] as unknown[]).length, 0)
    expect(body.errorCount).toBeGreaterThan(owned)
    expect(body.errors.length).toBeLessThanOrEqual(200)
  })
  it('has the lists it needs, knows no others, and each only once', async () => {
    const { visits, ...rest } = (await lead.get('/exports/organization.json')).body
    const errorsOf = async (text: string) =>
      ((await lead.file('organization', text)).body.errors as { column: string; message: string }[]).map(
        (e) => `${e.column}: ${e.message}`,
      )
    expect(await errorsOf(JSON.stringify(rest))).toEqual(['visits: is missing'])
    expect(await errorsOf(JSON.stringify({ ...rest, visits: {} }))).toEqual(['visits: must be a list'])
    expect(await errorsOf(JSON.stringify({ ...rest, visits: null }))).toEqual(['visits: must be a list'])
    expect(await errorsOf(JSON.stringify({ ...rest, visits, spells: [1] }))).toEqual([
      'spells: is not part of an organization file',
    ])
    expect(await errorsOf(JSON.stringify({ ...rest, visits, name: ['x'] }))).toEqual(['name: must not be a list'])
    const { name: _name, ...nameless } = rest
    expect(await errorsOf(JSON.stringify({ ...nameless, visits }))).toEqual(['name: is missing'])
    expect(await errorsOf(JSON.stringify({ ...rest, visits }).replace(/\}$/, ',"work":[]}'))).toEqual([
      'work: is in the file twice',
    ])
  })
  it('is tried as a whole before it is called ready: what clashes with the record is told, and nothing of it stays', async () => {
    const good = (await lead.get('/exports/organization.json')).body
    // Another unit under the tag of one on record, with a machine in it.
    const unit = { ...good.units[0], id: randomUUID() }
    const machine = { ...good.machines[0], id: randomUUID(), unitId: unit.id }
    const clash = { ...good, units: [...good.units, unit], machines: [...good.machines, machine] }
    const r = await lead.file('organization', JSON.stringify(clash))
    expect(r.body).toMatchObject({ status: 'refused', errors: [{ column: 'machines' }] })
    expect(r.body.errors[0].message).toContain('another one with the same name or tag is on record')
    // One that would be fine is not kept by being tried.
    const more = {
      ...good,
      sites: [...good.sites, { ...good.sites[0], id: randomUUID(), name: 'Tried and taken back' }],
    }
    expect((await lead.file('organization', JSON.stringify(more))).body.status).toBe('ready')
    expect(JSON.stringify((await lead.get('/places')).body)).not.toContain('Tried and taken back')
  })
  it('that was checked and is not there any more is asked for again', async () => {
    const good = JSON.stringify((await lead.get('/exports/organization.json')).body)
    // Emptied by a crash of the database; as an earlier version laid it out; gone.
    for (const lost of [
      (t: string) => `truncate ${t}`,
      (t: string) => `drop table ${t}; create unlogged table ${t} (line integer, document jsonb)`,
      (t: string) => `drop table ${t}`,
    ]) {
      const id = String((await lead.file('organization', good)).body.id)
      await world.asOwner(lost(`import_${id.replaceAll('-', '')}`))
      const { status, body } = await lead.post(`/imports/${id}/keep`)
      expect([status, body.status]).toEqual([200, 'failed'])
      expect(body.message).toContain('Import the file again.')
    }
  })
  it('has a published JSON Schema', async () => {
    const schema = (await world.visitor().get('/exports/organization.schema.json')).body
    const file = schema.$defs.OrganizationFile
    expect(file.properties.visits.type).toBe('array')
    expect(file.required).toContain('machines')
  })
})
