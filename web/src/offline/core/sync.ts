import { provides, problem, session, syncAnswer, type SyncResult } from '@motor-round/contract'
import { cacheAnswer, noteClock } from './cache.ts'
import { queuedMutations } from './outbox.ts'
import { deviceName, store, type QueuedMutation } from './store.ts'
import { noteSynced } from './synced.ts'

/** How a sync went: all is on the server, no signal, not signed in, or the server is in trouble. */
export type SyncOutcome = 'synced' | 'no signal' | 'sign in' | 'other person' | 'server' | 'busy'

const blockedWhy = 'It depends on an entry that was rejected.'
const mostMutations = 200
const mostBytes = 1_300_000

const dependsOnAny = (ids: ReadonlySet<string>, w: QueuedMutation): boolean => w.dependsOn.some((id) => ids.has(id))

/**
 * The first of the outbox that this person entered, as many as one batch carries. What depends on something another person
 * entered waits until that is synced.
 * @param most entries at the most
 */
export function nextBatch(outbox: readonly QueuedMutation[], me: string, most = mostMutations): QueuedMutation[] {
  const out: QueuedMutation[] = []
  const elsewhere = new Set<string>()
  let bytes = 0
  for (const w of outbox) {
    if (w.status !== 'pending') continue
    if ((w.author !== '' && w.author !== me) || dependsOnAny(elsewhere, w)) {
      for (const id of provides(w)) elsewhere.add(id)
      continue
    }
    const size = JSON.stringify(w.body).length
    if (out.length > 0 && (out.length >= most || bytes + size > mostBytes)) break
    out.push(w)
    bytes += size
  }
  return out
}

const machineOf = (w: QueuedMutation): string | null =>
  w.kind === 'found' ? w.body.machine.id : 'machineId' in w.body ? w.body.machineId : null

/** What a person should know of an answer: how the server judges otherwise, and who else was there. */
function wordsOf(w: QueuedMutation, r: SyncResult): string[] {
  const out: string[] = []
  if (w.level !== null && r.judged && r.judged.level !== w.level)
    out.push(
      `Result was ${w.level} on this phone, is ${r.judged.level} on the server: ${r.judged.headline} Limits or records changed in the meantime.`,
    )
  for (const o of r.others) out.push(`${o.by} took readings here too. Both visits are kept.`)
  return out
}

/**
 * What depends on something that was rejected in an earlier batch is blocked, as the server blocks it within one: by itself
 * it might fit what the server has by then, and overwrite what somebody else did there.
 */
async function blockDependents(): Promise<void> {
  await store.transaction('rw', store.outbox, async () => {
    const gone = new Set<string>()
    for (const w of await queuedMutations()) {
      if (w.status === 'pending' && !dependsOnAny(gone, w)) continue
      for (const id of provides(w)) gone.add(id)
      if (w.status === 'pending') await store.outbox.update(w.n, { status: 'blocked', why: blockedWhy })
    }
  })
}

async function applyResults(sent: readonly QueuedMutation[], results: readonly SyncResult[]): Promise<void> {
  await store.transaction('rw', store.outbox, store.notices, store.synced, async () => {
    for (const r of results) {
      const w = sent.find((x) => x.n === r.n)
      if (!w) continue
      if (r.outcome === 'applied' || r.outcome === 'duplicate') {
        await store.outbox.delete(w.n)
        await noteSynced([w])
        if (r.outcome === 'applied')
          for (const text of wordsOf(w, r)) await store.notices.add({ at: Date.now(), machineId: machineOf(w), text })
      } else {
        const why = r.outcome === 'blocked' ? blockedWhy : (r.problem?.detail ?? 'Rejected.')
        await store.outbox.update(w.n, { status: r.outcome, why, current: r.problem?.current })
      }
    }
  })
}

/** Nobody answered, or the answer broke off on its way. */
class NoSignal extends Error {}

/** What the server says, null where it is none of ours; and its status. @throws NoSignal */
async function ask(url: string, init: RequestInit): Promise<{ readonly status: number; readonly data: unknown }> {
  const { status, text } = await fetch(url, init)
    .then(async (r) => ({ status: r.status, text: await r.text() }))
    .catch((e: unknown) => {
      throw new NoSignal('no answer', { cause: e })
    })
  try {
    return { status, data: JSON.parse(text) as unknown }
  } catch {
    return { status, data: null }
  }
}

async function askSession(): Promise<{ csrf: string; me: string } | { stopped: SyncOutcome }> {
  const parsed = session.safeParse((await ask('/api/v1/session', { headers: { accept: 'application/json' } })).data)
  if (!parsed.success) return { stopped: 'server' }
  if (!parsed.data.person) return { stopped: 'sign in' }
  await noteClock(parsed.data.now)
  await cacheAnswer('/session', parsed.data)
  return { csrf: parsed.data.csrf, me: parsed.data.person.id }
}

/** One sender at a time, also where two tabs are open; browsers without locks have one tab to themselves. */
async function alone(send: () => Promise<SyncOutcome>): Promise<SyncOutcome> {
  if (!('locks' in navigator)) return send()
  return navigator.locks.request('motor-round sync', { ifAvailable: true }, (lock) => (lock ? send() : 'busy'))
}

/** Nobody signed in, too many at once, or what stands behind the server is away: no entry is to blame for that. */
const blameless = new Set([401, 403, 429, 502, 503, 504])

type Sent =
  { readonly done: readonly SyncResult[]; readonly now: string } | { readonly failed: SyncOutcome | 'unforeseen' }

async function send(device: string, csrf: string, batch: readonly QueuedMutation[]): Promise<Sent> {
  const { status, data } = await ask('/api/v1/sync', {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-csrf-token': csrf },
    body: JSON.stringify({ device, mutations: batch.map(({ n, kind, body }) => ({ n, kind, body })) }),
  })
  const answer = syncAnswer.safeParse(data)
  // An answer that speaks of none of them would be asked for without end.
  if (answer.success && (batch.length === 0 || answer.data.results.some((r) => batch.some((w) => w.n === r.n))))
    return { done: answer.data.results, now: answer.data.now }
  if (problem.safeParse(data).data?.status === 401) return { failed: 'sign in' }
  return { failed: status >= 400 && !blameless.has(status) ? 'unforeseen' : 'server' }
}

/** So many entries in one sync are set aside; a server that takes none at all is in trouble itself. */
const mostAside = 5
const asideWhy =
  'The server cannot take this entry: an error that nobody foresaw. Everything else is synced. Tell your administrator; the entry stays on this phone.'

async function sendAll(): Promise<SyncOutcome> {
  if (!(await queuedMutations()).some((w) => w.status === 'pending')) return 'synced'
  const asked = await askSession()
  if ('stopped' in asked) return asked.stopped
  const device = await deviceName()
  let most = mostMutations
  let aside = 0
  for (;;) {
    await blockDependents()
    const outbox = await queuedMutations()
    const batch = nextBatch(outbox, asked.me, most)
    if (batch.length === 0) return outbox.some((w) => w.status === 'pending') ? 'other person' : 'synced'
    const sent = await send(device, asked.csrf, batch)
    if ('done' in sent) {
      await applyResults(batch, sent.done)
      await noteClock(sent.now)
      // Behind the bad one they go in large batches again.
      most = Math.min(mostMutations, most * 2)
      continue
    }
    if (sent.failed !== 'unforeseen') return sent.failed
    if (batch.length > 1) {
      most = Math.ceil(batch.length / 2)
      continue
    }
    // It stands alone. Only where the server takes a sync at all it is this entry.
    const [bad] = batch
    if (!bad || aside >= mostAside || !('done' in (await send(device, asked.csrf, [])))) return 'server'
    aside += 1
    await store.outbox.update(bad.n, { status: 'rejected', why: asideWhy })
  }
}

/** Send the outbox, batch after batch, until it is empty or something stands in the way. */
export const syncOutbox = (): Promise<SyncOutcome> =>
  alone(async () => {
    try {
      return await sendAll()
    } catch (e) {
      if (e instanceof NoSignal) return 'no signal'
      throw e
    }
  })
