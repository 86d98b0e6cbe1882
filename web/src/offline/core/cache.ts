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
import { lastSynced, syncedSince } from './synced.ts'
import { store, type QueuedMutation } from './store.ts'

/** A call of the API: of which endpoint, and its address. */
export interface Call {
  readonly endpoint: EndpointId
  readonly url: string
  readonly params?: unknown
  readonly query?: unknown
}

/**
 * Cache an answer of the server for offline.
 * @param after the newest entry of this phone that the server had when it was asked
 */
export const cacheAnswer = (url: string, data: unknown, after = 0) =>
  store.cache.put({ url, data, at: Date.now(), after })

/**
 * Cache an answer that has just come, unless something was synced while it was on its way: nobody knows whether it has that, and what
 * is taken from a shelf counts once. What was cached before stands then, with all that was synced since.
 */
export async function cacheUnlessOvertaken(url: string, data: unknown, after: number): Promise<boolean> {
  if ((await lastSynced()) !== after) return false
  await cacheAnswer(url, data, after)
  return true
}

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
  const kept = await store.cache.get(`/machines/${id}`)
  const outbox = await notShownIn(kept?.after ?? 0)
  const cached = machinePage.safeParse(kept?.data)
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
 * What an answer does not show: what waits in the outbox, and before it what was synced since the answer was asked for. It may be
 * older than the sync, and without a signal none that is newer comes: what was just entered would be gone from the page.
 */
const notShownIn = (after: number): Promise<readonly QueuedMutation[]> =>
  // Together, so that nothing is on its way from one to the other.
  store.transaction('r', store.outbox, store.synced, async () => [
    ...(await syncedSince(after)),
    ...(await queuedMutations()),
  ])

/** How the answers of one endpoint are given on this phone. */
interface Handler {
  /** An answer, fresh or cached, with what it does not show yet. */
  readonly overlay?: (data: unknown, after: number) => Promise<unknown>
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
    overlay: async (data, after) => {
      const page = machinePage.safeParse(data)
      return page.success ? withMutations(page.data, await notShownIn(after), await signedInName()) : data
    },
    offline: async ({ params }) => {
      const asked = byId.safeParse(params)
      return asked.success ? ((await machineHere(asked.data.id)) ?? undefined) : undefined
    },
  },
  round: {
    overlay: async (data, after) => {
      const page = roundPage.safeParse(data)
      return page.success
        ? roundWithMutations(page.data, await notShownIn(after), await signedInName(), machineHere)
        : data
    },
  },
  stock: {
    overlay: async (data, after) => {
      const kept = stock.safeParse(data)
      return kept.success ? stockWithMutations(kept.data, await notShownIn(after)) : data
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
  return cached && withOutbox(call, cached.data, cached.after ?? 0)
}

/**
 * An answer, fresh or cached, with what was entered on this phone and is not in it.
 * @param after the newest entry that the server had when it was asked
 */
export const withOutbox = (call: Call, data: unknown, after: number): Promise<unknown> =>
  handlerOf(call).overlay?.(data, after) ?? Promise.resolve(data)

export { lastSynced }
