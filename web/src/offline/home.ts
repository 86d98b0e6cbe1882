import { makes, problem, session, standsOn, syncAnswer, type SyncResult } from '@motor-round/contract'
import { keepAnswer, noteClock } from './kept.ts'
import { allWaiting } from './line.ts'
import { deviceName, store, type Waiting } from './store.ts'

/** How bringing home went: all is home, no signal, not signed in, or the server is in trouble. */
export type Homecoming = 'home' | 'no signal' | 'sign in' | 'other person' | 'server' | 'busy'

const standsOnRefused = 'It depends on an entry that was rejected.'
const mostEntries = 40
const mostBytes = 1_300_000

/** Does this fact stand on one of those that are not home? */
const heldBy = (ids: ReadonlySet<string>, w: Waiting): boolean => standsOn(w).some((id) => ids.has(id))

/**
 * The first of the line that this person took, as many as one letter carries. What stands on something another person took
 * waits until that is home.
 */
export function letter(line: readonly Waiting[], me: string): Waiting[] {
  const out: Waiting[] = []
  const elsewhere = new Set<string>()
  let bytes = 0
  for (const w of line) {
    if (w.refused !== null) continue
    if ((w.by !== '' && w.by !== me) || heldBy(elsewhere, w)) {
      for (const id of makes(w)) elsewhere.add(id)
      continue
    }
    const size = JSON.stringify(w.body).length
    if (out.length > 0 && (out.length >= mostEntries || bytes + size > mostBytes)) break
    out.push(w)
    bytes += size
  }
  return out
}

const machineOf = (w: Waiting): string | null =>
  w.kind === 'found' ? w.body.machine.id : 'machineId' in w.body ? w.body.machineId : null

/** What a person should know of an answer: how the server judges otherwise, and who else was there. */
function wordsOf(w: Waiting, r: SyncResult): string[] {
  const out: string[] = []
  if (w.level !== null && r.judgement && r.judgement.level !== w.level)
    out.push(
      `Result was ${w.level} on this phone, is ${r.judgement.level} on the server: ${r.judgement.headline} Limits or records changed in the meantime.`,
    )
  for (const o of r.others) out.push(`${o.by} took readings here too. Both visits are kept.`)
  return out
}

/**
 * What stands on something that was refused in an earlier letter is held, as the server holds it within one: by itself it
 * might fit what is in the book by then, and overwrite what somebody else did there.
 */
async function holdBack(): Promise<void> {
  await store.transaction('rw', store.line, async () => {
    const gone = new Set<string>()
    for (const w of await allWaiting()) {
      if (w.refused === null && !heldBy(gone, w)) continue
      for (const id of makes(w)) gone.add(id)
      if (w.refused === null) await store.line.update(w.n, { refused: standsOnRefused })
    }
  })
}

async function settle(sent: readonly Waiting[], results: readonly SyncResult[]): Promise<void> {
  await store.transaction('rw', store.line, store.words, async () => {
    for (const r of results) {
      const w = sent.find((x) => x.n === r.n)
      if (!w) continue
      if (r.outcome === 'kept' || r.outcome === 'already') {
        await store.line.delete(w.n)
        if (r.outcome === 'kept')
          for (const text of wordsOf(w, r)) await store.words.add({ at: Date.now(), machineId: machineOf(w), text })
      } else {
        const why = r.outcome === 'held' ? standsOnRefused : (r.problem?.detail ?? 'Refused.')
        await store.line.update(w.n, { refused: why, current: r.problem?.current })
      }
    }
  })
}

/** Nobody answered, or the answer broke off on its way. */
class NoSignal extends Error {}

/** What the server says; null where it is none of ours. @throws NoSignal */
async function ask(url: string, init: RequestInit): Promise<unknown> {
  const text = await fetch(url, init)
    .then((r) => r.text())
    .catch((e: unknown) => {
      throw new NoSignal('no answer', { cause: e })
    })
  try {
    return JSON.parse(text) as unknown
  } catch {
    return null
  }
}

async function askSession(): Promise<{ csrf: string; me: string } | { stopped: Homecoming }> {
  const parsed = session.safeParse(await ask('/api/v1/session', { headers: { accept: 'application/json' } }))
  if (!parsed.success) return { stopped: 'server' }
  if (!parsed.data.person) return { stopped: 'sign in' }
  await noteClock(parsed.data.now)
  await keepAnswer('/session', parsed.data)
  return { csrf: parsed.data.csrf, me: parsed.data.person.id }
}

/** One sender at a time, also where two tabs are open; browsers without locks have one tab to themselves. */
async function alone(send: () => Promise<Homecoming>): Promise<Homecoming> {
  if (!('locks' in navigator)) return send()
  return navigator.locks.request('motor-round home', { ifAvailable: true }, (lock) => (lock ? send() : 'busy'))
}

async function sendAll(): Promise<Homecoming> {
  if (!(await allWaiting()).some((w) => w.refused === null)) return 'home'
  const asked = await askSession()
  if ('stopped' in asked) return asked.stopped
  const device = await deviceName()
  for (;;) {
    await holdBack()
    const line = await allWaiting()
    const sent = letter(line, asked.me)
    if (sent.length === 0) return line.some((w) => w.refused === null) ? 'other person' : 'home'
    const data = await ask('/api/v1/sync', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-csrf-token': asked.csrf },
      body: JSON.stringify({ device, entries: sent.map(({ n, kind, body }) => ({ n, kind, body })) }),
    })
    const answer = syncAnswer.safeParse(data)
    // An answer that speaks of none of them would be asked for without end.
    if (!answer.success || !answer.data.results.some((r) => sent.some((w) => w.n === r.n)))
      return problem.safeParse(data).data?.status === 401 ? 'sign in' : 'server'
    await settle(sent, answer.data.results)
    await noteClock(answer.data.now)
  }
}

/** Send the line home, letter after letter, until it is empty or something stands in the way. */
export const bringHome = (): Promise<Homecoming> =>
  alone(async () => {
    try {
      return await sendAll()
    } catch (e) {
      if (e instanceof NoSignal) return 'no signal'
      throw e
    }
  })
