import { callOf } from '../../app/request.ts'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { pageOf } from '../../test/machine-page.test-help.ts'
import { me, roundId, roundOf, visitOf, uuid } from '../../test/round.test-help.ts'
import { cachedAnswer } from './cache.ts'
import { onThisPhone } from './mark.ts'
import { store } from './store.ts'
import { removeDownload, downloadMachine, downloadRound, type DownloadProgress } from './snapshot.ts'

const pageCall = (id: string) => callOf('machinePage', { params: { id } }).call

const session = { person: { ...me, login: 'o', role: 'mechanic', disabledAt: null }, csrf: 't', organization: 'x' }
const page = { ...pageOf(), machine: { ...pageOf().machine, id: uuid(11) } }
const round = roundOf({ visits: [visitOf(11), visitOf(12)] })
/** What was asked of the server, in order. */
let asked: string[] = []
/** A server that has everything of a round, but for what it is reported to be without. */
function server(without: (address: string) => boolean = () => false) {
  asked = []
  vi.stubGlobal('fetch', (address: string, init?: RequestInit) => {
    const url = address.replace('/api/v1', '')
    asked.push(`${init?.method ?? 'GET'} ${url}${typeof init?.body === 'string' ? ` ${init.body}` : ''}`)
    if (without(url)) return Promise.reject(new TypeError('no network'))
    const body =
      url === `/rounds/${roundId}`
        ? round
        : url === '/session'
          ? { ...session, now: new Date(Date.now() + 600_000).toISOString() }
          : /^\/machines\/[0-9a-f-]+$/.test(url)
            ? { ...page, machine: { ...page.machine, id: url.split('/')[2] } }
            : []
    return Promise.resolve(new Response(JSON.stringify(body)))
  })
}

beforeEach(async () => {
  localStorage.clear()
  await Promise.all(store.tables.map((t) => t.clear()))
  Object.assign(navigator, { storage: { persist: () => Promise.resolve(true) } })
})
afterEach(() => vi.unstubAllGlobals())

describe('taking a round along', () => {
  it('keeps every page the walk will ask for, says how far it is, and tells the server that this phone has it', async () => {
    server()
    const seen: DownloadProgress[] = []
    const done = await downloadRound(roundId, 'token', (progress) => seen.push(progress))
    const { bytes, appHere } = done ?? expect.fail('it was canceled')
    expect(onThisPhone()).toBe(true)
    expect(await store.snapshots.toArray()).toMatchObject([{ roundId, name: 'Hall roof', bytes }])
    expect(bytes).toBeGreaterThan(5000)
    // A browser without workers cannot start the app without a signal, and it is said so.
    expect(appHere).toBe(false)
    expect(seen.at(0)).toMatchObject({ done: 1, app: false })
    expect(seen.at(-1)).toEqual({ done: seen.length - 1, of: seen.length - 1, app: true })
    for (const call of [
      callOf('round', { params: { id: roundId } }).call,
      pageCall(uuid(11)),
      pageCall(uuid(12)),
      callOf('policies', {}).call,
      callOf('partLives', {}).call,
    ])
      expect(await cachedAnswer(call)).toBeDefined()
    expect(Number((await store.settings.get('ahead'))?.value) / 60_000).toBeCloseTo(10, 0)
    expect(asked.at(-1)).toMatch(new RegExp(`^POST /devices .*"roundId":"${roundId}","holds":1`))
  })
  it('is not said to be on this phone where a page of it could not be had', async () => {
    server((url) => url === `/machines/${uuid(12)}`)
    await expect(downloadRound(roundId, 'token', () => undefined)).rejects.toThrow()
    expect(await store.snapshots.count()).toBe(0)
    expect(asked.some((a) => a.startsWith('POST'))).toBe(false)
  })
  it('is canceled with nothing left of it, and one that was complete stays as it was', async () => {
    server()
    const control = new AbortController()
    const stopAt = (done: number) => (p: DownloadProgress) => {
      if (p.done === done) control.abort()
    }
    expect(await downloadRound(roundId, 'token', stopAt(8), control.signal)).toBeNull()
    expect(await store.snapshots.count()).toBe(0)
    expect(await cachedAnswer(pageCall(uuid(11)))).toBeUndefined()
    expect(asked.some((a) => a.startsWith('POST'))).toBe(false)
    await downloadRound(roundId, 'token', () => undefined)
    const again = new AbortController()
    expect(await downloadRound(roundId, 'token', () => again.abort(), again.signal)).toBeNull()
    expect(await store.snapshots.count()).toBe(1)
    expect(await cachedAnswer(pageCall(uuid(11)))).toBeDefined()
  })
  it('says in words that the phone is full', async () => {
    server()
    const full = vi
      .spyOn(store.cache, 'put')
      .mockRejectedValue(Object.assign(new Error('x'), { name: 'QuotaExceededError' }))
    await expect(downloadRound(roundId, 'token', () => undefined)).rejects.toThrow('This phone is full.')
    full.mockRestore()
    expect(await store.snapshots.count()).toBe(0)
  })
  it.each(['SecurityError', 'OpenFailedError', 'DatabaseClosedError'])(
    'says in words that this browser keeps nothing, where its storage fails from the first look on with %s',
    async (name) => {
      server()
      const denied = Promise.reject(Object.assign(new Error('x'), { name }))
      const looks = vi
        .spyOn(store.synced, 'toCollection')
        // Only its last key is asked for.
        .mockReturnValue({ lastKey: () => denied } as unknown as ReturnType<typeof store.synced.toCollection>)
      await expect(downloadRound(roundId, 'token', () => undefined)).rejects.toThrow('cannot store data')
      looks.mockRestore()
    },
  )
  it('is let go of with what no other round needs', async () => {
    server()
    await downloadRound(roundId, 'token', () => undefined)
    await store.snapshots.put({ roundId: uuid(901), name: 'Other', at: 1, bytes: 1, urls: [`/machines/${uuid(12)}`] })
    await removeDownload(roundId, 'token')
    expect((await store.snapshots.toArray()).map((t) => t.name)).toEqual(['Other'])
    expect(await cachedAnswer(pageCall(uuid(11)))).toBeUndefined()
    expect(await cachedAnswer(pageCall(uuid(12)))).toBeDefined()
    expect(await cachedAnswer(callOf('policies', {}).call)).toBeDefined()
    expect(asked.at(-1)).toContain('"holds":0')
  })
  it('takes a machine that joins on the way once, and with it what it is judged by', async () => {
    server()
    await downloadMachine(uuid(30))
    await downloadMachine(uuid(30))
    expect(asked).toEqual([`GET /machines/${uuid(30)}`, 'GET /policies', 'GET /session'])
    expect(await cachedAnswer(callOf('policies', {}).call)).toBeDefined()
  })
})
