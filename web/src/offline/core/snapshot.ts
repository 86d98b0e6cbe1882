import { picture, problem, roundPage } from '@motor-round/contract'
import { isCached, cacheUnlessOvertaken, noteClock } from './cache.ts'
import { markThisPhone } from './mark.ts'
import { deviceName, ofStore, store, storeTrouble } from './store.ts'
import { lastSynced } from './synced.ts'

async function ask(url: string, signal?: AbortSignal): Promise<{ data: unknown; bytes: number }> {
  const r = await fetch(`/api/v1${url}`, signal ? { signal } : {})
  const text = await r.text()
  const data: unknown = JSON.parse(text)
  if (!r.ok) throw new Error(problem.safeParse(data).data?.detail ?? 'The server did not answer.')
  return { data, bytes: text.length }
}

/** Ask and keep the answer. What was synced meanwhile has it asked for again: it may be in it, and may not. */
async function askAndKeep(url: string, signal?: AbortSignal): Promise<{ data: unknown; bytes: number }> {
  for (;;) {
    const after = await lastSynced()
    const got = await ask(url, signal)
    if (await cacheUnlessOvertaken(url, got.data, after)) return got
  }
}

/** What every screen of a walk asks for, whatever the round. */
const always = ['/session', '/policies', '/places', '/rounds', '/speed-changes', '/part-lives', '/stock', '/jobs/pace']
/** The store of the worker in which it looks for pictures. */
export const pictureStore = 'pictures'
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
  (picture.array().safeParse(data).data ?? []).slice(0, mostPictures).map((p) => `/api/v1/pictures/${p.id}`)

/** Keep answers that are not kept yet, where they can be had. */
async function keepToo(addresses: readonly string[]): Promise<void> {
  for (const url of addresses) {
    if (await isCached(url)) continue
    markThisPhone()
    await askAndKeep(url)
  }
}

/**
 * Keep a machine that joins a round on the way, or that is worked on, where it can be reached; without a signal only what is here can
 * join. The limits come with it: a machine is not shown without what it is judged by.
 */
export const downloadMachine = (id: string): Promise<void> => keepToo([`/machines/${id}`, '/policies', '/session'])

/** Keep the stock: parts are taken and counted where there is no signal. */
export const downloadStock = (): Promise<void> => keepToo(['/stock', '/session'])

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

/** How far a download is, in answers; `app`: all are here, and the app itself is waited for. */
export interface DownloadProgress {
  readonly done: number
  readonly of: number
  readonly app: boolean
}

/**
 * Download a round: its machines with nameplates, limits and history, policies, roof maps.
 * @param signal cancels it; what was kept for this round alone is dropped again
 * @returns null when it was canceled
 * @throws Error with words for the mechanic
 */
export async function downloadRound(
  roundId: string,
  csrf: string,
  onProgress: (progress: DownloadProgress) => void,
  signal: AbortSignal = new AbortController().signal,
): Promise<{ bytes: number; appHere: boolean } | null> {
  markThisPhone()
  const kept: string[] = []
  try {
    return await downloadAll(roundId, csrf, onProgress, signal, kept)
  } catch (e) {
    if (!signal.aborted) throw ofStore(e) ? new Error(storeTrouble(e), { cause: e }) : e
    // What an earlier download of it holds stays.
    if (!(await store.snapshots.get(roundId))) await dropCached(kept)
    return null
  }
}

async function downloadAll(
  roundId: string,
  csrf: string,
  onProgress: (progress: DownloadProgress) => void,
  signal: AbortSignal,
  kept: string[],
): Promise<{ bytes: number; appHere: boolean }> {
  const after = await lastSynced()
  const first = await ask(`/rounds/${roundId}`, signal)
  const page = roundPage.parse(first.data)
  const urls = [
    ...always,
    ...page.visits.flatMap((s) => [`/machines/${s.machineId}`, `/machines/${s.machineId}/pictures`]),
    ...page.areas.map((a) => `/areas/${a.id}/map`),
  ]
  let bytes = first.bytes
  // Without leave to stay, a phone short of room may throw it away.
  await navigator.storage.persist().catch(() => false)
  kept.push(`/rounds/${roundId}`)
  if (!(await cacheUnlessOvertaken(`/rounds/${roundId}`, first.data, after)))
    await askAndKeep(`/rounds/${roundId}`, signal)
  for (const [i, url] of urls.entries()) {
    signal.throwIfAborted()
    kept.push(url)
    const got = await askAndKeep(url, signal)
    bytes += got.bytes
    if (url === '/session' && typeof got.data === 'object' && got.data !== null && 'now' in got.data)
      await noteClock(String(got.data.now))
    if (url.endsWith('/pictures')) bytes += await keepPictures(newest(got.data))
    onProgress({ done: i + 1, of: urls.length, app: false })
  }
  bytes += await keepPictures(
    page.areas.flatMap((a) => (a.map.underlay ? [`/api/v1/map-pictures/${a.map.underlay.id}`] : [])),
  )
  // It is not here before the app is: without it nothing starts where there is no signal.
  onProgress({ done: urls.length, of: urls.length, app: true })
  const appHere = await keepApp()
  signal.throwIfAborted()
  await store.snapshots.put({
    roundId,
    name: page.head.name,
    at: Date.now(),
    bytes,
    urls: [`/rounds/${roundId}`, ...urls],
  })
  await tellDevice(roundId, 1, csrf)
  return { bytes, appHere }
}

/** Drop answers that no downloaded round needs. */
async function dropCached(urls: readonly string[]): Promise<void> {
  const needed = (await store.snapshots.toArray()).flatMap((t) => t.urls)
  await store.cache.bulkDelete(urls.filter((u) => !always.includes(u) && !needed.includes(u)))
}

/** Drop a round that is synced: what no other round needs is dropped. */
export async function removeDownload(roundId: string, csrf: string): Promise<void> {
  await store.transaction('rw', store.snapshots, store.cache, async () => {
    const own = await store.snapshots.get(roundId)
    await store.snapshots.delete(roundId)
    await dropCached(own?.urls ?? [])
  })
  await tellDevice(roundId, 0, csrf)
}
