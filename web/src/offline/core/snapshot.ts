import { endpoints, problem, roundPage } from '@motor-round/contract'
import { isCached, cacheAnswer, noteClock } from './cache.ts'
import { markThisPhone } from './mark.ts'
import { deviceName, store, storeTrouble } from './store.ts'

async function ask(url: string): Promise<{ data: unknown; bytes: number }> {
  const r = await fetch(`/api/v1${url}`)
  const text = await r.text()
  const data: unknown = JSON.parse(text)
  if (!r.ok) throw new Error(problem.safeParse(data).data?.detail ?? 'The server did not answer.')
  return { data, bytes: text.length }
}

/** What every screen of a walk asks for, whatever the round. */
const always = ['/session', '/policies', '/places', '/rounds', '/speed-changes', '/part-lives']
/** The store of the worker in which it looks for pictures. */
const pictureStore = 'pictures'
const mostPictures = 3

/** Keep pictures where the worker finds them. @returns bytes */
async function keepPictures(addresses: readonly string[]): Promise<number> {
  if (!('caches' in window)) return 0
  const cache = await caches.open(pictureStore)
  let bytes = 0
  for (const address of addresses) {
    if (!(await cache.match(address))) await cache.add(address)
    bytes += (await (await cache.match(address))?.blob())?.size ?? 0
  }
  return bytes
}

/** The newest pictures of a machine. */
const newest = (data: unknown): string[] =>
  (endpoints.pictures.response.safeParse(data).data ?? []).slice(0, mostPictures).map((p) => `/api/v1/pictures/${p.id}`)

/** Keep a machine that joins a round on the way, where it can be reached; without a signal only what is here can join. */
export async function downloadMachine(id: string): Promise<void> {
  const url = `/machines/${id}`
  if (await isCached(url)) return
  markThisPhone()
  await cacheAnswer(url, (await ask(url)).data)
}

/** Tell the server that this phone holds a round, or lets go of it. */
async function tellDevice(roundId: string, holds: number, csrf: string): Promise<boolean> {
  const r = await fetch('/api/v1/devices', {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-csrf-token': csrf },
    body: JSON.stringify({ device: await deviceName(), roundId, holds }),
  })
  return r.ok
}

/** Wait until the app itself can start without a signal: the worker is there and has everything. */
async function keepApp(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false
  const { startWorker } = await import('./worker.ts')
  await startWorker()
  const ready = await Promise.race([
    navigator.serviceWorker.ready.then(() => true),
    new Promise<false>((no) => setTimeout(() => no(false), 30_000)),
  ])
  return ready
}

/** Can the app itself start without a signal? */
export const appIsHere = async (): Promise<boolean> =>
  'serviceWorker' in navigator && (await navigator.serviceWorker.getRegistration())?.active != null

/**
 * Take a round along: its machines with plates, limits and past, policies, plans of the roofs.
 * @param onPart told what is being kept
 * @throws Error with words for the mechanic
 */
export async function downloadRound(
  roundId: string,
  csrf: string,
  onPart: (words: string) => void,
): Promise<{ bytes: number; appHere: boolean }> {
  markThisPhone()
  const first = await ask(`/rounds/${roundId}`)
  const page = roundPage.parse(first.data)
  const urls = [
    ...always,
    ...page.visits.flatMap((s) => [`/machines/${s.machineId}`, `/machines/${s.machineId}/pictures`]),
    ...page.areas.map((a) => `/areas/${a.id}/map`),
  ]
  let bytes = first.bytes
  let appHere: boolean
  try {
    // Without leave to stay, a phone short of room may throw it away.
    await navigator.storage.persist().catch(() => false)
    await cacheAnswer(`/rounds/${roundId}`, first.data)
    for (const [i, url] of urls.entries()) {
      const got = await ask(url)
      bytes += got.bytes
      await cacheAnswer(url, got.data)
      if (url === '/session' && typeof got.data === 'object' && got.data !== null && 'now' in got.data)
        await noteClock(String(got.data.now))
      if (url.endsWith('/pictures')) bytes += await keepPictures(newest(got.data))
      onPart(`${i + 1} of ${urls.length}`)
    }
    bytes += await keepPictures(
      page.areas.flatMap((a) => (a.map.underlay ? [`/api/v1/map-pictures/${a.map.underlay.id}`] : [])),
    )
    // It is not here before the app is: without it nothing starts where there is no signal.
    onPart('The app itself …')
    appHere = await keepApp()
    await store.snapshots.put({
      roundId,
      name: page.head.name,
      at: Date.now(),
      bytes,
      urls: [`/rounds/${roundId}`, ...urls],
    })
  } catch (e) {
    if (e instanceof Error && /Dexie|Quota|IDB|Database|Abort/.test(e.name))
      throw new Error(storeTrouble(e), { cause: e })
    throw e
  }
  await tellDevice(roundId, 1, csrf)
  return { bytes, appHere }
}

/** Drop a round that is synced: what no other round needs is dropped. */
export async function removeDownload(roundId: string, csrf: string): Promise<void> {
  await store.transaction('rw', store.snapshots, store.cache, async () => {
    const own = await store.snapshots.get(roundId)
    await store.snapshots.delete(roundId)
    const others = (await store.snapshots.toArray()).flatMap((t) => t.urls)
    await store.cache.bulkDelete((own?.urls ?? []).filter((u) => !always.includes(u) && !others.includes(u)))
  })
  await tellDevice(roundId, 0, csrf)
}
