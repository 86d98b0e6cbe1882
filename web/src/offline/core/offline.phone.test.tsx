import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { callOf } from '../../app/request.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { outboxCounts, outboxSummary } from './outbox-counts.ts'
import { syncOutbox, nextBatch } from './sync.ts'
import { cachedAnswer, cacheAnswer, noteClock } from './cache.ts'
import { queuedMutations, enqueue } from './outbox.ts'
import { withMutations } from './optimistic.ts'
import { exportOutbox, importOutbox } from './phone-file.ts'
import { store, storeTrouble } from './store.ts'
import { enqueueEvent } from './enqueue.ts'

const pageCall = (id: string) => callOf('machinePage', { params: { id } }).call

const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
const visitBody = (n: number, over: object = {}) => {
  const { id, takenAt, state, readings } = visitRecord({ id: uuid(n), takenAt: '2026-11-25T08:00:00Z' })
  return { id, machineId, takenAt, state, readings, ...over }
}
const visit = (n: number) => ({ kind: 'visit' as const, body: visitBody(n) })
const note = (n: number) => ({
  kind: 'work' as const,
  body: { id: uuid(n), machineId, doneAt: '2026-11-25T08:00:00Z', kind: 'note' as const, note: 'x' },
})
const session = {
  person: { id: uuid(1), login: 'o', name: 'Mosi Okonjo', role: 'mechanic', disabledAt: null },
  csrf: 't',
  organization: 'x',
  now: '2026-11-25T09:00:00Z',
}
/** A server that answers each address once in turn, or as a function says. */
const server = (sync: (entries: { n: number; kind: string }[]) => unknown) =>
  vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
    if (url.endsWith('/session')) return Promise.resolve(new Response(JSON.stringify(session)))
    const { mutations: entries } = JSON.parse(init?.body as string) as { mutations: { n: number; kind: string }[] }
    return Promise.resolve(new Response(JSON.stringify(sync(entries))))
  })
const answer = (results: object[]) => ({ results, now: '2026-11-25T09:00:00Z', policiesVersion: 1 })
const kept = (n: number, outcome = 'applied', over: object = {}) => ({
  n,
  outcome,
  problem: null,
  judged: null,
  others: [],
  ...over,
})

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
})
afterEach(() => vi.unstubAllGlobals())

describe('a server that fails without a word', () => {
  const failing = (bad: (entries: { n: number }[]) => boolean, status = 500) => {
    const sizes: number[] = []
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
      if (url.endsWith('/session')) return Promise.resolve(new Response(JSON.stringify(session)))
      const { mutations: entries } = JSON.parse(init?.body as string) as { mutations: { n: number; kind: string }[] }
      sizes.push(entries.length)
      return Promise.resolve(
        bad(entries)
          ? new Response(JSON.stringify({ type: 'about:blank', title: 'Server error', status }), { status })
          : new Response(JSON.stringify(answer(entries.map((e) => kept(e.n))))),
      )
    })
    return sizes
  }
  const outboxIs = async () => (await queuedMutations()).map((w) => [w.n, w.status])

  it('at one entry has it set aside alone; all the others are synced, and no batch goes on for ever', async () => {
    await enqueue(
      uuid(1),
      Array.from({ length: 60 }, (_, i) => note(100 + i)),
    )
    const all = await queuedMutations()
    const bad = all[37]?.n ?? 0
    const sizes = failing((entries) => entries.some((e) => e.n === bad))
    expect(await syncOutbox()).toBe('synced')
    expect(await outboxIs()).toEqual([[bad, 'rejected']])
    expect((await queuedMutations())[0]?.why).toContain('stays on this phone')
    expect(sizes.length).toBeLessThan(25)
    expect(await syncOutbox()).toBe('synced')
  })
  it('at every entry has none set aside', async () => {
    await enqueue(
      uuid(1),
      Array.from({ length: 9 }, (_, i) => note(200 + i)),
    )
    failing(() => true)
    expect(await syncOutbox()).toBe('server')
    expect((await outboxIs()).every(([, status]) => status === 'pending')).toBe(true)
  })
  it('at many of them stops to set aside after some: then it is not the entries', async () => {
    await enqueue(
      uuid(1),
      Array.from({ length: 12 }, (_, i) => note(300 + i)),
    )
    failing((entries) => entries.length > 0)
    expect(await syncOutbox()).toBe('server')
    expect((await outboxIs()).filter(([, status]) => status === 'rejected')).toHaveLength(5)
  })
  it.each([503, 429, 502])('with %d has nothing set aside, and asks no further', async (status) => {
    await enqueue(uuid(1), [note(400), note(401)])
    const sizes = failing(() => true, status)
    expect(await syncOutbox()).toBe('server')
    expect(sizes).toEqual([2])
  })
})

describe('what waits on this phone', () => {
  it('is told in readings and pictures', async () => {
    await enqueue(uuid(1), [visit(10), note(11)])
    const counts = outboxCounts(await queuedMutations())
    expect(counts.entries).toBe(2)
    expect(outboxSummary(counts)).toBe('1 reading on this phone')
    expect(outboxSummary({ entries: 1, readings: 1, pictures: 2, rejected: 0 })).toBe(
      '1 reading, 2 photos on this phone',
    )
    expect(outboxSummary({ entries: 3, readings: 0, pictures: 0, rejected: 0 })).toBe('3 entries on this phone')
    expect(outboxSummary({ entries: 0, readings: 0, pictures: 0, rejected: 1 })).toBe('')
  })
  it('is in the machine’s page before it is synced, newest first, with what it replaces struck out', () => {
    const page = pageOf({ visits: [visitRecord({ id: uuid(5) })] })
    const line = [
      {
        ...visit(6),
        n: 1,
        status: 'pending' as const,
        why: '',
        dependsOn: [],
        author: '',
        authorName: '',
        level: null,
        readings: 6,
        body: visitBody(6, { supersedes: uuid(5), reason: 'slip' }),
      },
    ]
    const shown = withMutations(page, line, 'Mosi Okonjo')
    expect(shown.visits.map((s) => s.id)).toContain(uuid(6))
    expect(shown.visits.find((s) => s.id === uuid(5))?.supersededBy).toBe(uuid(6))
    expect(
      withMutations(
        page,
        line.map((w) => ({ ...w, status: 'rejected', why: 'no' })),
        'x',
      ).visits,
    ).toHaveLength(1)
  })
  it('is said where this phone keeps nothing, or is full', async () => {
    expect(storeTrouble(Object.assign(new Error(''), { name: 'QuotaExceededError' }))).toContain('This phone is full')
    expect(storeTrouble(new Error('denied'))).toContain('cannot store data')
    const full = vi
      .spyOn(store.outbox, 'add')
      .mockRejectedValue(Object.assign(new Error('x'), { name: 'QuotaExceededError' }))
    expect(
      await enqueueEvent(uuid(1), {
        id: uuid(2),
        roundId: uuid(3),
        machineId,
        kind: 'began',
        at: '2026-11-25T08:00:00Z',
      }),
    ).toContain('full')
    full.mockRestore()
    expect(await queuedMutations()).toEqual([])
  })
})

describe('syncing it', () => {
  it('goes in batches that are small, in order', async () => {
    await enqueue(
      uuid(1),
      Array.from({ length: 430 }, (_, i) => note(100 + i)),
    )
    const outbox = await queuedMutations()
    expect(nextBatch(outbox, uuid(1))).toHaveLength(200)
    expect(nextBatch(outbox, uuid(1)).map((w) => w.n)).toEqual(outbox.slice(0, 200).map((w) => w.n))
    const sent: number[] = []
    server((entries) => {
      sent.push(entries.length)
      return answer(entries.map((e) => kept(e.n)))
    })
    expect(await syncOutbox()).toBe('synced')
    expect(sent).toEqual([200, 200, 30])
    expect(await queuedMutations()).toEqual([])
  })
  it('keeps what was not answered, and what was refused with its reason', async () => {
    await enqueue(uuid(1), [visit(10), note(11), note(12)])
    server((entries) =>
      answer(
        entries.map((e, i) =>
          i === 1
            ? kept(e.n, 'rejected', { problem: { detail: 'doneAt: lies in the future', errors: [] } })
            : kept(e.n),
        ),
      ),
    )
    expect(await syncOutbox()).toBe('synced')
    expect((await queuedMutations()).map((w) => w.why)).toEqual(['doneAt: lies in the future'])
  })
  it('tells where the server judges otherwise, and who else was there', async () => {
    await enqueue(uuid(1), [{ ...visit(10), level: 'ok' }])
    server((entries) =>
      answer(
        entries.map((e) =>
          kept(e.n, 'applied', {
            judged: { level: 'fix', headline: 'Over the plate.' },
            others: [{ visitId: uuid(9), by: 'Brin Hallow', takenAt: '2026-11-25T08:30:00Z' }],
          }),
        ),
      ),
    )
    expect(await syncOutbox()).toBe('synced')
    const words = (await store.notices.toArray()).map((w) => w.text)
    expect(words[0]).toContain('Result was ok on this phone, is fix on the server: Over the plate.')
    expect(words[1]).toBe('Brin Hallow took readings here too. Both visits are kept.')
  })
  it('stops where nobody answers, where one has to sign in, and where the server talks nonsense', async () => {
    await enqueue(uuid(1), [note(11)])
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no')))
    expect(await syncOutbox()).toBe('no signal')
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ ...session, person: null }))))
    expect(await syncOutbox()).toBe('sign in')
    server(() => ({ nonsense: true }))
    expect(await syncOutbox()).toBe('server')
    server(() => answer([]))
    expect(await syncOutbox()).toBe('server')
    expect(await queuedMutations()).toHaveLength(1)
  })
  it('is never synced under another name', async () => {
    await enqueue(uuid(77), [note(11)])
    server((entries) => answer(entries.map((e) => kept(e.n))))
    expect(await syncOutbox()).toBe('other person')
    expect(await queuedMutations()).toHaveLength(1)
  })
  it('sends what each person took under their own name, whoever was first on this phone', async () => {
    const sent: number[] = []
    server((entries) => {
      sent.push(...entries.map((e) => e.n))
      return answer(entries.map((e) => kept(e.n)))
    })
    await enqueue(uuid(77), [note(11)])
    await enqueue(uuid(1), [note(12)])
    const [first, second] = await queuedMutations()
    expect(await syncOutbox()).toBe('other person')
    expect(sent).toEqual([second?.n])
    expect(await queuedMutations()).toMatchObject([{ n: first?.n, author: uuid(77) }])
  })
  it('is not held up by what another person left behind refused', async () => {
    await enqueue(uuid(77), [note(11)])
    const [left] = await queuedMutations()
    await store.outbox.update(left?.n ?? 0, { status: 'rejected', why: 'doneAt: lies in the future' })
    await enqueue(uuid(1), [note(12)])
    server((entries) => answer(entries.map((e) => kept(e.n))))
    expect(await syncOutbox()).toBe('synced')
    expect((await queuedMutations()).map((w) => w.author)).toEqual([uuid(77)])
  })
  it('waits with what stands on something another person took and has not sent', async () => {
    const found = {
      kind: 'found' as const,
      body: {
        unit: { id: uuid(30), areaId: uuid(31), tag: 'RTU-9', kind: 'other' as const, modelLine: '' },
        machine: {
          id: machineId,
          tag: 'SF',
          purpose: '',
          phases: 3 as const,
          serviceVolts: 480,
          drive: 'belt' as const,
        },
      },
    }
    await enqueue(uuid(77), [found])
    await enqueue(uuid(1), [visit(12)])
    server(() => expect.fail('nothing can be sent yet'))
    expect(await syncOutbox()).toBe('other person')
    expect((await queuedMutations()).map((w) => w.status)).toEqual(['pending', 'pending'])
  })
  it('blocks what depends on something rejected, also when that went in an earlier batch', async () => {
    const plate = (id: number, version: number) => {
      const motor = pageOf().motor
      if (!motor) throw new Error('the page has a motor')
      const { id: motorId, connectionVolts, installedAt, why, substitute, plate } = motor
      return {
        kind: 'plate' as const,
        body: { id: uuid(id), motorId, machineId, version, plate, connectionVolts, installedAt, why, substitute },
      }
    }
    const event = {
      kind: 'event' as const,
      body: {
        id: uuid(60),
        roundId: uuid(61),
        machineId,
        kind: 'done' as const,
        at: '2026-11-25T08:10:00Z',
        visitId: uuid(10),
      },
    }
    await enqueue(uuid(1), [visit(10), plate(50, 1), ...Array.from({ length: 200 }, (_, i) => note(100 + i))])
    await enqueue(uuid(1), [event, plate(51, 2)])
    const sent: string[] = []
    server((entries) => {
      sent.push(...entries.map((e) => e.kind))
      return answer(
        entries.map((e) =>
          e.kind === 'work'
            ? kept(e.n)
            : kept(e.n, 'rejected', { problem: { detail: 'no', errors: [], current: undefined } }),
        ),
      )
    })
    expect(await syncOutbox()).toBe('synced')
    // Had they been sent, the second correction would have gone over what somebody else wrote.
    expect(sent.filter((k) => k !== 'work')).toEqual(['visit', 'plate'])
    expect((await queuedMutations()).map((w) => [w.kind, w.why])).toEqual([
      ['visit', 'no'],
      ['plate', 'no'],
      ['event', 'It depends on an entry that was rejected.'],
      ['plate', 'It depends on an entry that was rejected.'],
    ])
  })
})

describe('answers without a signal', () => {
  it('are those that were kept, with the clock of the server and what waits', async () => {
    await cacheAnswer('/session', session)
    const before = Date.now()
    await noteClock(new Date(before + 3_600_000).toISOString())
    const told = (await cachedAnswer(callOf('session', {}).call)) as { now: string }
    // To the millisecond, however long it took.
    expect(Date.parse(told.now)).toBeGreaterThanOrEqual(before + 3_600_000)
    expect(Date.parse(told.now)).toBeLessThanOrEqual(Date.now() + 3_600_000)
    await cacheAnswer(`/machines/${machineId}`, pageOf())
    await enqueue(uuid(1), [visit(10)])
    const page = (await cachedAnswer(pageCall(machineId))) as ReturnType<typeof pageOf>
    expect(page.visits[0]).toMatchObject({ id: uuid(10), by: 'Mosi Okonjo' })
    expect(await cachedAnswer(callOf('findMachines', { query: { q: 'hall supply' } }).call)).toMatchObject([
      { id: machineId },
    ])
    expect(await cachedAnswer(callOf('policies', {}).call)).toBeUndefined()
  })
})

describe('a phone that never syncs', () => {
  it('is emptied to a file and read in by another, whose record says whose phone it was', async () => {
    await enqueue(uuid(1), [visit(10), note(11)])
    const { text, entries } = await exportOutbox('Mosi Okonjo')
    expect(entries).toBe(2)
    await store.outbox.clear()
    expect(await importOutbox(text, { id: uuid(2), name: 'Tamsin Vale' })).toBe(2)
    const outbox = await queuedMutations()
    expect(outbox.map((w) => w.kind)).toEqual(['visit', 'work'])
    expect(outbox[0]?.kind === 'visit' && outbox[0].body.note).toBe('From the phone of Mosi Okonjo.')
  })
  it('names the place of a file that is wrong, and reads nothing of it', async () => {
    await expect(importOutbox('x', { id: uuid(1), name: '' })).rejects.toThrow('not JSON')
    await expect(importOutbox('{"format":"motor-round-phone"}', { id: uuid(1), name: '' })).rejects.toThrow(
      'formatVersion',
    )
    expect(await queuedMutations()).toEqual([])
  })
})
