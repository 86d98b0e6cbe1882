import type { MachineListPage, MachinePage } from '@motor-round/contract'
import { storyOf, truth } from '@motor-round/demo'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, type Caller, type World } from '../test/world.ts'
import { naturalKey } from '../machine/natural-key.ts'

let world: World
let viewer: Caller
beforeAll(async () => {
  world = await openWorld(true)
  viewer = await world.as('arden')
})
afterAll(() => world.end())

interface Row {
  headline: string
  found: { open: boolean } | null
  unitTag: string
  tag: string
  level: string
  siteName: string
  seenAt: string
  rail: { allowed: number | null; legs: { amps: number }[] }
}
const roof = async (query = '') =>
  (await viewer.get(`/machines?limit=500${query}`)).body as {
    rows: Row[]
    total: number
    counts: Record<string, number>
  }

describe('the Roof', () => {
  it('has every machine once, worst first', async () => {
    const { rows, total, counts } = await roof()
    const order = ['stop', 'fix', 'watch', 'ok']
    const ranks = rows.map((r) => order.indexOf(r.level))
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    expect(rows).toHaveLength(total)
    expect(new Set(rows.map((r) => `${r.unitTag}/${r.tag}`)).size).toBe(total)
    expect(
      (counts['stop'] ?? 0) +
        (counts['fix'] ?? 0) +
        (counts['watch'] ?? 0) +
        (counts['ok'] ?? 0) +
        (counts['not judged'] ?? 0),
    ).toBe(total)
  })
  it('shows just the machines of the planted stories as needing a person', async () => {
    const { rows } = await roof('&level=stop,fix,watch')
    // Besides a finding that is open, or a job that was begun and not closed.
    const open = rows.filter((r) => r.found?.open !== true && !r.headline.startsWith('Job not finished'))
    expect(open.filter((r) => !storyOf(`${r.unitTag}/${r.tag}`)).map((r) => r.unitTag)).toEqual([])
    expect(rows.filter((r) => storyOf(`${r.unitTag}/${r.tag}`))).toHaveLength(new Set(truth.map((s) => s.machine)).size)
  })
  it('is the same read in pages', async () => {
    const all = (await roof()).rows
    const pages: Row[] = []
    for (let offset = 0; offset < all.length; offset += 25)
      pages.push(...((await viewer.get(`/machines?limit=25&offset=${offset}`)).body as { rows: Row[] }).rows)
    expect(pages).toEqual(all)
  })
  it('is filtered by site, area, level and words', async () => {
    const places = (await viewer.get('/places')).body as {
      sites: { id: string; name: string }[]
      areas: { id: string; name: string }[]
    }
    const slipway = places.sites.find((s) => s.name === 'Slipway Workshop')
    const atSite = await roof(`&site=${slipway?.id ?? ''}`)
    expect(atSite.total).toBe(13)
    expect(new Set(atSite.rows.map((r) => r.siteName))).toEqual(new Set(['Slipway Workshop']))
    const area = places.areas.find((a) => a.name === 'Gift hall roof')
    expect((await roof(`&area=${area?.id ?? ''}`)).total).toBe(7)
    expect((await roof('&level=stop')).rows.map((r) => r.unitTag)).toEqual(['EF-14', 'MAU-5', 'EF-7'])
    expect((await roof('&q=shark%20tunnel')).rows.map((r) => r.unitTag)).toEqual(['RTU-32'])
  })
  it('takes search signs for what they are', async () => {
    expect((await roof('&q=%25')).total).toBe(0)
    expect((await roof('&q=_')).total).toBe(0)
    expect((await viewer.get(`/find?q=${encodeURIComponent("'; drop table machines; --")}`)).body).toEqual([])
  })
  it('sorts by tag as a person counts, by load and by sight', async () => {
    const tags = (await roof('&sort=tag')).rows.filter((r) => r.siteName.startsWith('Quillback')).map((r) => r.unitTag)
    expect(tags.indexOf('RTU-3')).toBeLessThan(tags.indexOf('RTU-11'))
    const seen = (await roof('&sort=seen')).rows.map((r) => r.seenAt)
    expect(seen).toEqual([...seen].sort())
    const loads = (await roof('&sort=load')).rows.flatMap((r) =>
      r.rail.allowed === null
        ? []
        : [r.rail.legs.reduce((s, l) => s + l.amps, 0) / r.rail.legs.length / r.rail.allowed],
    )
    expect(loads).toEqual([...loads].sort((a, b) => b - a))
  })
  it('refuses a filter that means nothing', async () => {
    expect((await viewer.get('/machines?level=terrible')).status).toBe(422)
    expect((await viewer.get('/machines?site=x')).status).toBe(422)
  })
})

describe('a machine whose place is renamed', () => {
  it('is shown by its new names', async () => {
    const lead = await world.as('vale')
    const id = await lead.machine('RTU-32/SF')
    const page = (await lead.get(`/machines/${id}`)).body as MachinePage
    const { site, area, unit, machine } = page
    const send = async (path: string, body: object) => expect((await lead.put(path, body)).status).toBe(200)
    await send(`/sites/${site.id}`, { ...site, name: 'Site B' })
    await send(`/areas/${area.id}`, {
      id: area.id,
      siteId: site.id,
      name: 'Roof B',
      kind: area.kind,
      version: area.version,
    })
    const { siteId: _site, ...ofUnit } = unit
    await send(`/units/${unit.id}`, { ...ofUnit, tag: 'RTU-B' })
    const { siteId: _own, retiredAt: _retired, ...ofMachine } = machine
    await send(`/machines/${id}`, { ...ofMachine, tag: 'SF-B', purpose: 'Space B' })
    const { rows } = (await viewer.get('/machines?limit=500')).body as MachineListPage
    expect(rows.find((r) => r.machineId === id)).toMatchObject({
      siteName: 'Site B',
      areaName: 'Roof B',
      unitTag: 'RTU-B',
      tag: 'SF-B',
      purpose: 'Space B',
    })
  })
})

describe('the sorting key', () => {
  it('puts RTU-2 before RTU-11 and SF-1 before SF-10', () => {
    expect(naturalKey('a', 'RTU-2', 'SF') < naturalKey('a', 'RTU-11', 'SF')).toBe(true)
    expect(naturalKey('a', 'RTU-1', 'SF-9') < naturalKey('a', 'RTU-1', 'SF-10')).toBe(true)
  })
})
