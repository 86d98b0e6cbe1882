import { endpoints, type Endpoint, type MachinePage, type Stock } from '@motor-round/contract'
import { seeded } from '@motor-round/core/machine'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openApiDocument } from '../openapi/document.ts'
import { Hostile } from '../test/from-schema.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
})
afterAll(() => world.end())

interface Operation {
  readonly operationId: string
  readonly parameters?: readonly { name: string; in: string; schema: Record<string, unknown>; required?: boolean }[]
  readonly requestBody?: { content: Record<string, { schema: Record<string, unknown> }> }
}

const runs = Number(process.env['DRILL_RUNS'] ?? 400)
const seed = Number(process.env['HOSTILE_SEED'] ?? 1)
/** What ends the session, or is a day's work of its own. */
const without = new Set([
  'signOut',
  'signIn',
  'loadDemo',
  'roundEvents',
  'cancelImport',
  'exportOrganization',
  'exportReadings',
])

/** Ids of the demo, by the name of the field that holds one. */
async function idsThatExist(): Promise<Record<string, string | undefined>> {
  const machineId = await lead.machine('AHU-2/RF')
  const page = (await lead.get(`/machines/${machineId}`)).body as MachinePage
  const stock = (await lead.get('/stock')).body as Stock
  const rounds = (await lead.get('/rounds')).body as { id: string }[] | { rounds: { id: string }[] }
  const round = (Array.isArray(rounds) ? rounds : rounds.rounds)[0]
  return {
    machineId,
    siteId: page.site.id,
    areaId: page.area.id,
    unitId: page.unit.id,
    motorId: page.motor?.id,
    visitId: page.visits[0]?.id,
    jobId: page.jobs[0]?.id,
    findingId: page.findings[0]?.id,
    roundId: round?.id,
    itemId: stock.items[0]?.id,
    placeId: stock.places[0]?.id,
    '/machines': machineId,
    '/sites': page.site.id,
    '/areas': page.area.id,
    '/units': page.unit.id,
    '/motors': page.motor?.id,
    '/rounds': round?.id,
    '/jobs': page.jobs[0]?.id,
    '/stock': stock.items[0]?.id,
    '/parts': page.parts[0]?.id,
    '/roof-maps': page.area.id,
  }
}

/** Halves of characters cannot be put into an address: they are sent as their bytes would be. */
function inAddress(text: string): string {
  try {
    return encodeURIComponent(text)
  } catch {
    return '%ED%A0%80'
  }
}

describe('requests that are nearly right', () => {
  it('are answered with what is wrong, never with a server error', async () => {
    const document = openApiDocument()
    const of = await idsThatExist()
    const random = seeded(seed)
    const any = Object.values(of).flatMap((id) => id ?? [])
    const hostile = new Hostile(() => random.next(), document, { any, of }, 0.03)
    const operations = Object.entries((document as { paths: Record<string, Record<string, Operation>> }).paths)
      .flatMap(([path, methods]) => Object.entries(methods).map(([method, operation]) => ({ path, method, operation })))
      .filter((o) => !without.has(o.operation.operationId))
    const bad: unknown[] = []
    for (let i = 0; i < runs; i++) {
      const { path, method, operation } = hostile.pick(operations)
      const parameters = operation.parameters ?? []
      const at = path.replace('/api/v1', '').replace(/\{(\w+)\}/g, (_all, name: string) => {
        const own = of[/^\/[\w-]+/.exec(path.replace('/api/v1', ''))?.[0] ?? '']
        const schema = parameters.find((x) => x.in === 'path' && x.name === name)?.schema ?? { type: 'string' }
        return own !== undefined && hostile.chance(0.9) ? own : inAddress(String(hostile.value(schema)))
      })
      const query = parameters
        .filter((p) => p.in === 'query' && (p.required === true || hostile.chance(0.5)))
        .map((p) => `${p.name}=${inAddress(String(hostile.value(p.schema, 0, p.name)))}`)
        .join('&')
      const address = query === '' ? at : `${at}?${query}`
      const schema = operation.requestBody?.content['application/json']?.schema
      const body = schema ? JSON.stringify(hostile.value(schema)) : undefined
      const { bodyType } = endpoints[operation.operationId as keyof typeof endpoints] as Endpoint
      const sent = lead.ask(method, address)
      const r = await (body === undefined || bodyType ? sent : sent.type('json').send(body))
      if (r.status >= 500) bad.push([r.status, method, address.slice(0, 300), body?.slice(0, 1500), r.body])
    }
    expect(bad).toEqual([])
    expect(world.logged).toEqual([])
  }, 600_000)
})
