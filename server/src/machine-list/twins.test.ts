import type { MachinePage } from '@motor-round/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openWorld, visitOf, type Caller, type World } from '../test/world.ts'

let world: World
let mechanic: Caller
beforeAll(async () => {
  world = await openWorld(true)
  mechanic = await world.as('okonjo')
})
afterAll(() => world.end())

const page = async (id: string) => (await mechanic.get(`/machines/${id}`)).body as MachinePage
const twinOf = (p: MachinePage) => p.judgement?.verdicts.find((v) => v.check === 'twin')
const row = async (id: string) =>
  (
    (await mechanic.get('/machines?limit=200')).body as {
      rows: { machineId: string; level: string; headline: string }[]
    }
  ).rows.find((r) => r.machineId === id)

describe('a machine and its twin', () => {
  it('carry alike in the demo, and each page knows the other’s load', async () => {
    const left = await page(await mechanic.machine('RTU-13/SF-1'))
    expect(left.twins.map((s) => s.tag)).toEqual(['SF-2'])
    expect(twinOf(left)?.level).toBe('ok')
  })
  it('are both judged again when one of them is read; Roof and page agree', async () => {
    const left = await mechanic.machine('RTU-13/SF-1')
    const right = await mechanic.machine('RTU-13/SF-2')
    const usual = (await page(left)).judgement?.usual?.middle ?? NaN
    const low = Math.round(usual * 0.7 * 100) / 100
    const state = {
      settled: true,
      mode: 'normal',
      filters: null,
      panels: 'on',
      twin: 'running',
      turning: 'right way',
    }
    expect((await mechanic.post('/visits', visitOf(left, [low, low, low], { state }))).status).toBe(200)
    for (const id of [left, right]) {
      const p = await page(id)
      expect(twinOf(p)?.level).toBe('watch')
      const shown = await row(id)
      expect([shown?.level, shown?.headline]).toEqual([p.judgement?.level, p.judgement?.headline])
    }
  })
  it('many visits on both at once end with both judged by the last loads, and none lost', async () => {
    const left = await mechanic.machine('RTU-31/SF-1')
    const right = await mechanic.machine('RTU-31/SF-2')
    const before = [(await page(left)).visits.length, (await page(right)).visits.length]
    const sent = Array.from({ length: 8 }, (_, i) =>
      mechanic.post(
        '/visits',
        visitOf(i % 2 === 0 ? left : right, [7, 7.1, 7], { takenAt: `2026-11-25T08:${10 + i}:00Z` }),
      ),
    )
    expect((await Promise.all(sent)).map((r) => r.status)).toEqual(Array.from({ length: 8 }, () => 200))
    const after = [await page(left), await page(right)]
    expect(after.map((p) => p.visits.length)).toEqual(before.map((n) => n + 4))
    for (const p of after) expect((await row(p.machine.id))?.headline).toBe(p.judgement?.headline)
  })
  it('a fan without a twin has none', async () => {
    const p = await page(await mechanic.machine('EF-1/EF'))
    expect(p.twins).toEqual([])
    expect(twinOf(p)).toBeUndefined()
  })
})
