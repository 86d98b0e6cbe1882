import {
  byId,
  findQuery,
  machinePage,
  places,
  roofMapPage,
  roundPage,
  session,
  stock,
  type EndpointId,
  type MachinePage,
} from '@motor-round/contract'
import { queuedMutations } from './outbox.ts'
import { pageOfFound, queuedMap, roundWithMutations, withMutations } from './optimistic.ts'
import { stockWithMutations } from './stock.ts'
import { store, type QueuedMutation } from './store.ts'

/** A call of the API: of which endpoint, and its address. */
export interface Call {
  readonly endpoint: EndpointId
  readonly url: string
  readonly params?: unknown
  readonly query?: unknown
}

/** Cache an answer of the server for offline. */
export const cacheAnswer = (url: string, data: unknown) => store.cache.put({ url, data, at: Date.now() })

/** Is this address cached, so that a newer answer should replace it? */
export const isCached = async (url: string): Promise<boolean> =>
  (await store.cache.where('url').equals(url).count()) > 0

const cachedSession = async () => session.safeParse((await store.cache.get('/session'))?.data).data
const signedInName = async (): Promise<string> => (await cachedSession())?.person?.name ?? ''

/** How far the server's clock was ahead of this phone's when it last answered, ms. */
const clockAheadOf = async (): Promise<number> => Number((await store.settings.get('ahead'))?.value ?? 0)
export const noteClock = (serverNow: string) =>
  store.settings.put({ key: 'ahead', value: String(Date.parse(serverNow) - Date.now()) })

/** Machines of the downloaded rounds whose tag or purpose holds the words that are looked for. */
async function search(words: string): Promise<unknown> {
  const pages = await store.cache.where('url').startsWith('/machines/').toArray()
  return pages.flatMap(({ data }) => {
    const page = machinePage.safeParse(data)
    if (!page.success) return []
    const { machine, unit, site } = page.data
    const hit = `${unit.tag} / ${machine.tag} ${machine.purpose}`.toLowerCase().includes(words.toLowerCase())
    return hit
      ? [{ id: machine.id, unitTag: unit.tag, tag: machine.tag, purpose: machine.purpose, siteName: site.name }]
      : []
  })
}

/** A machine's page as it is on this phone: cached, or of a unit that was found offline and is not synced yet. */
async function machineHere(id: string): Promise<MachinePage | null> {
  const outbox = await queuedMutations()
  const cached = machinePage.safeParse((await store.cache.get(`/machines/${id}`))?.data)
  const found = outbox.find((w) => w.kind === 'found' && w.body.machine.id === id)
  const known = places.safeParse((await store.cache.get('/places'))?.data)
  const page = cached.success
    ? cached.data
    : found?.kind === 'found' && known.success
      ? pageOfFound(found.body, known.data)
      : null
  return page && withMutations(page, outbox, await signedInName())
}

/**
 * The outbox with what was synced since an answer was asked for: the answer may be older than the sync, and what was just
 * entered would be gone from the page for a moment.
 */
async function outboxSince(waited: readonly QueuedMutation[]): Promise<readonly QueuedMutation[]> {
  const outbox = await queuedMutations()
  const here = new Set(outbox.map((w) => w.n))
  return [...waited.filter((w) => w.status === 'pending' && !here.has(w.n)), ...outbox]
}

/** How the answers of one endpoint are given on this phone. */
interface Handler {
  /** An answer, fresh or cached, with what waits in the outbox. */
  readonly overlay?: (data: unknown, waited: readonly QueuedMutation[]) => Promise<unknown>
  /** What this phone can answer by itself; undefined: nothing. */
  readonly offline?: (call: Call) => Promise<unknown>
}

/** By endpoint: what is not here is given as it was cached. */
const handlers: { readonly [Id in EndpointId]?: Handler } = {
  session: {
    offline: async () => {
      const known = await cachedSession()
      return known && { ...known, now: new Date(Date.now() + (await clockAheadOf())).toISOString() }
    },
  },
  findMachines: {
    offline: ({ query }) => search(findQuery.safeParse(query).data?.q ?? ''),
  },
  machinePage: {
    overlay: async (data, waited) => {
      const page = machinePage.safeParse(data)
      return page.success ? withMutations(page.data, await outboxSince(waited), await signedInName()) : data
    },
    offline: async ({ params }) => {
      const asked = byId.safeParse(params)
      return asked.success ? ((await machineHere(asked.data.id)) ?? undefined) : undefined
    },
  },
  round: {
    overlay: async (data, waited) => {
      const page = roundPage.safeParse(data)
      return page.success
        ? roundWithMutations(page.data, await outboxSince(waited), await signedInName(), machineHere)
        : data
    },
  },
  stock: {
    overlay: async (data, waited) => {
      const kept = stock.safeParse(data)
      return kept.success ? stockWithMutations(kept.data, await outboxSince(waited)) : data
    },
  },
  roofMap: {
    overlay: async (data) => {
      const page = roofMapPage.safeParse(data)
      return page.success ? { ...page.data, ...queuedMap(await queuedMutations(), page.data.area.id) } : data
    },
  },
}
const handlerOf = (call: Call): Handler => new Map<string, Handler>(Object.entries(handlers)).get(call.endpoint) ?? {}

/** What the phone has for a call, with what still waits to sync in it; undefined where it has nothing. */
export async function cachedAnswer(call: Call): Promise<unknown> {
  const { offline } = handlerOf(call)
  if (offline) return offline(call)
  const cached = await store.cache.get(call.url)
  return cached && withOutbox(call, cached.data, [])
}

/**
 * An answer, fresh or cached, with what waits on this phone.
 * @param waited the outbox when the server was asked
 */
export const withOutbox = (call: Call, data: unknown, waited: readonly QueuedMutation[]): Promise<unknown> =>
  handlerOf(call).overlay?.(data, waited) ?? Promise.resolve(data)

/** The outbox as it was when an answer was asked for. */
export const outboxNow = queuedMutations
