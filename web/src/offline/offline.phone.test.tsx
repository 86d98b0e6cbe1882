import Dexie from 'dexie'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { machineId, pageOf, visitRecord } from '../test/machine-page.test-help.ts'
import { heldOf, heldWords } from './held-words.ts'
import { bringHome, letter } from './home.ts'
import { answerFrom, keepAnswer, noteClock } from './kept.ts'
import { allWaiting, keepHere } from './line.ts'
import { withPending } from './pending.ts'
import { emptyToFile, readFile } from './phone-file.ts'
import { store, storeTrouble } from './store.ts'
import { tellRound } from './keep.ts'

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
    const { entries } = JSON.parse(init?.body as string) as { entries: { n: number; kind: string }[] }
    return Promise.resolve(new Response(JSON.stringify(sync(entries))))
  })
const answer = (results: object[]) => ({ results, now: '2026-11-25T09:00:00Z', policiesVersion: 1 })
const kept = (n: number, outcome = 'kept', over: object = {}) => ({
  n,
  outcome,
  problem: null,
  judgement: null,
  others: [],
  ...over,
})

beforeEach(async () => {
  await Promise.all(store.tables.map((t) => t.clear()))
})
afterEach(() => vi.unstubAllGlobals())

describe('what waits on this phone', () => {
  it('is told in readings and pictures', async () => {
    await keepHere(uuid(1), [visit(10), note(11)])
    const held = heldOf(await allWaiting())
    expect(held.entries).toBe(2)
    expect(heldWords(held)).toBe('1 reading on this phone')
    expect(heldWords({ entries: 1, readings: 1, pictures: 2, refused: 0 })).toBe('1 reading, 2 photos on this phone')
    expect(heldWords({ entries: 3, readings: 0, pictures: 0, refused: 0 })).toBe('3 entries on this phone')
    expect(heldWords({ entries: 0, readings: 0, pictures: 0, refused: 1 })).toBe('')
  })
  it('is in the machine’s page before it is home, newest first, with what it replaces struck out', () => {
    const page = pageOf({ visits: [visitRecord({ id: uuid(5) })] })
    const line = [
      {
        ...visit(6),
        n: 1,
        refused: null,
        by: '',
        byName: '',
        level: null,
        readings: 6,
        body: visitBody(6, { supersedes: uuid(5), reason: 'slip' }),
      },
    ]
    const shown = withPending(page, line, 'Mosi Okonjo')
    expect(shown.visits.map((s) => s.id)).toContain(uuid(6))
    expect(shown.visits.find((s) => s.id === uuid(5))?.supersededBy).toBe(uuid(6))
    expect(
      withPending(
        page,
        line.map((w) => ({ ...w, refused: 'no' })),
        'x',
      ).visits,
    ).toHaveLength(1)
  })
  it('is said where this phone keeps nothing, or is full', async () => {
    expect(storeTrouble(Object.assign(new Error(''), { name: 'QuotaExceededError' }))).toContain('This phone is full')
    expect(storeTrouble(new Error('denied'))).toContain('cannot store data')
    const full = vi
      .spyOn(store.line, 'add')
      .mockRejectedValue(Object.assign(new Error('x'), { name: 'QuotaExceededError' }))
    expect(
      await tellRound(uuid(1), { id: uuid(2), roundId: uuid(3), machineId, kind: 'began', at: '2026-11-25T08:00:00Z' }),
    ).toContain('full')
    full.mockRestore()
    expect(await allWaiting()).toEqual([])
  })
})

describe('bringing it home', () => {
  it('goes in letters that are small, in order', async () => {
    await keepHere(
      uuid(1),
      Array.from({ length: 90 }, (_, i) => note(100 + i)),
    )
    const line = await allWaiting()
    expect(letter(line, uuid(1))).toHaveLength(40)
    expect(letter(line, uuid(1)).map((w) => w.n)).toEqual(line.slice(0, 40).map((w) => w.n))
    const sent: number[] = []
    server((entries) => {
      sent.push(entries.length)
      return answer(entries.map((e) => kept(e.n)))
    })
    expect(await bringHome()).toBe('home')
    expect(sent).toEqual([40, 40, 10])
    expect(await allWaiting()).toEqual([])
  })
  it('keeps what was not answered, and what was refused with its reason', async () => {
    await keepHere(uuid(1), [visit(10), note(11), note(12)])
    server((entries) =>
      answer(
        entries.map((e, i) =>
          i === 1 ? kept(e.n, 'refused', { problem: { detail: 'doneAt: lies in the future', errors: [] } }) : kept(e.n),
        ),
      ),
    )
    expect(await bringHome()).toBe('home')
    expect((await allWaiting()).map((w) => w.refused)).toEqual(['doneAt: lies in the future'])
  })
  it('tells where home judges otherwise, and who else was there', async () => {
    await keepHere(uuid(1), [{ ...visit(10), level: 'ok' }])
    const judgement = {
      level: 'fix',
      headline: 'Over the plate.',
      verdicts: [],
      conditions: [],
      retests: [],
      completeness: { on: [], missing: [], summary: '' },
      failures: [],
      confidence: 'full',
      rail: { allowed: null, columnVolts: null, source: null, legs: [], usual: null },
      drift: { kind: 'too few', n: 0, needed: 6 },
      usual: null,
      okUpTo: null,
      gates: [],
    }
    server((entries) =>
      answer(
        entries.map((e) =>
          kept(e.n, 'kept', {
            judgement,
            others: [{ visitId: uuid(9), by: 'Brin Hallow', takenAt: '2026-11-25T08:30:00Z' }],
          }),
        ),
      ),
    )
    expect(await bringHome()).toBe('home')
    const words = (await store.words.toArray()).map((w) => w.text)
    expect(words[0]).toContain('Result was ok on this phone, is fix on the server: Over the plate.')
    expect(words[1]).toBe('Brin Hallow took readings here too. Both visits are kept.')
  })
  it('stops where nobody answers, where one has to sign in, and where the server talks nonsense', async () => {
    await keepHere(uuid(1), [note(11)])
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no')))
    expect(await bringHome()).toBe('no signal')
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ ...session, person: null }))))
    expect(await bringHome()).toBe('sign in')
    server(() => ({ nonsense: true }))
    expect(await bringHome()).toBe('server')
    server(() => answer([]))
    expect(await bringHome()).toBe('server')
    expect(await allWaiting()).toHaveLength(1)
  })
  it('never goes home under another name', async () => {
    await keepHere(uuid(77), [note(11)])
    server((entries) => answer(entries.map((e) => kept(e.n))))
    expect(await bringHome()).toBe('other person')
    expect(await allWaiting()).toHaveLength(1)
  })
  it('sends what each person took under their own name, whoever was first on this phone', async () => {
    const sent: number[] = []
    server((entries) => {
      sent.push(...entries.map((e) => e.n))
      return answer(entries.map((e) => kept(e.n)))
    })
    await keepHere(uuid(77), [note(11)])
    await keepHere(uuid(1), [note(12)])
    const [first, second] = await allWaiting()
    expect(await bringHome()).toBe('other person')
    expect(sent).toEqual([second?.n])
    expect(await allWaiting()).toMatchObject([{ n: first?.n, by: uuid(77) }])
  })
  it('is not held up by what another person left behind refused', async () => {
    await keepHere(uuid(77), [note(11)])
    const [left] = await allWaiting()
    await store.line.update(left?.n ?? 0, { refused: 'doneAt: lies in the future' })
    await keepHere(uuid(1), [note(12)])
    server((entries) => answer(entries.map((e) => kept(e.n))))
    expect(await bringHome()).toBe('home')
    expect((await allWaiting()).map((w) => w.by)).toEqual([uuid(77)])
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
    await keepHere(uuid(77), [found])
    await keepHere(uuid(1), [visit(12)])
    server(() => expect.fail('nothing can be sent yet'))
    expect(await bringHome()).toBe('other person')
    expect((await allWaiting()).map((w) => w.refused)).toEqual([null, null])
  })
  it('holds what stands on something refused, also when that went in an earlier letter', async () => {
    const plate = (id: number, version: number) => {
      const motor = pageOf().motor
      if (!motor) throw new Error('the page has a motor')
      const { id: motorId, connectionVolts, fittedAt, why, standIn, plate } = motor
      return {
        kind: 'plate' as const,
        body: { id: uuid(id), motorId, machineId, version, plate, connectionVolts, fittedAt, why, standIn },
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
    await keepHere(uuid(1), [visit(10), plate(50, 1), ...Array.from({ length: 40 }, (_, i) => note(100 + i))])
    await keepHere(uuid(1), [event, plate(51, 2)])
    const sent: string[] = []
    server((entries) => {
      sent.push(...entries.map((e) => e.kind))
      return answer(
        entries.map((e) =>
          e.kind === 'work'
            ? kept(e.n)
            : kept(e.n, 'refused', { problem: { detail: 'no', errors: [], current: undefined } }),
        ),
      )
    })
    expect(await bringHome()).toBe('home')
    // Had they been sent, the second correction would have gone over what somebody else wrote.
    expect(sent.filter((k) => k !== 'work')).toEqual(['visit', 'plate'])
    expect((await allWaiting()).map((w) => [w.kind, w.refused])).toEqual([
      ['visit', 'no'],
      ['plate', 'no'],
      ['event', 'It depends on an entry that was rejected.'],
      ['plate', 'It depends on an entry that was rejected.'],
    ])
  })
})

describe('answers without a signal', () => {
  it('are those that were kept, with the clock of the server and what waits', async () => {
    await keepAnswer('/session', session)
    await noteClock(new Date(Date.now() + 3_600_000).toISOString())
    const told = (await answerFrom('/session')) as { now: string }
    expect(Math.abs(Date.parse(told.now) - Date.now() - 3_600_000)).toBeLessThan(2000)
    await keepAnswer(`/machines/${machineId}`, pageOf())
    await keepHere(uuid(1), [visit(10)])
    const page = (await answerFrom(`/machines/${machineId}`)) as ReturnType<typeof pageOf>
    expect(page.visits[0]).toMatchObject({ id: uuid(10), by: 'Mosi Okonjo' })
    expect(await answerFrom('/find?q=hall%20supply')).toMatchObject([{ id: machineId }])
    expect(await answerFrom('/policies')).toBeUndefined()
  })
})

describe('a phone that never comes home', () => {
  it('is emptied to a file and read in by another, whose book says whose phone it was', async () => {
    await keepHere(uuid(1), [visit(10), note(11)])
    const { text, entries } = await emptyToFile('Mosi Okonjo')
    expect(entries).toBe(2)
    await store.line.clear()
    expect(await readFile(text, { id: uuid(2), name: 'Tamsin Vale' })).toBe(2)
    const line = await allWaiting()
    expect(line.map((w) => w.kind)).toEqual(['visit', 'work'])
    expect(line[0]?.kind === 'visit' && line[0].body.note).toBe('From the phone of Mosi Okonjo.')
  })
  it('names the place of a file that is wrong, and reads nothing of it', async () => {
    await expect(readFile('x', { id: uuid(1), name: '' })).rejects.toThrow('not JSON')
    await expect(readFile('{"format":"motor-round-phone"}', { id: uuid(1), name: '' })).rejects.toThrow('formatVersion')
    expect(await allWaiting()).toEqual([])
  })
})

describe('a phone whose line was kept before each entry had its own person', () => {
  it('keeps every entry, each as that of the one owner', async () => {
    store.close()
    await Dexie.delete('motor-round')
    const old = new Dexie('motor-round')
    old.version(1).stores({ kept: 'url', line: '++n', taken: 'roundId', words: '++n', facts: 'key' })
    await old.table('facts').add({ key: 'owner', value: uuid(77) })
    await old.table('line').bulkAdd([
      { ...visit(10), refused: null, level: 'ok', readings: 6 },
      { ...note(11), refused: 'no', level: null, readings: 0 },
    ])
    old.close()
    await store.open()
    expect((await allWaiting()).map((w) => [w.kind, w.by, w.byName, w.refused, w.readings])).toEqual([
      ['visit', uuid(77), '', null, 6],
      ['work', uuid(77), '', 'no', 0],
    ])
    expect(await store.facts.get('owner')).toBeUndefined()
  })
})
