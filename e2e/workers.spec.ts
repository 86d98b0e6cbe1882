import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { ownServer } from './world.ts'

/** Processes that another one started. */
const childrenOf = (pid: number): number[] =>
  readdirSync('/proc')
    .filter((p) => /^\d+$/.test(p))
    .flatMap((p) => {
      try {
        const after = readFileSync(`/proc/${p}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? []
        return Number(after[1]) === pid && after[0] !== 'Z' ? [Number(p)] : []
      } catch {
        return [] // it ended while we looked
      }
    })

test('several processes answer as one: signed in at one is signed in at all, what one saves the others show, and one that dies comes back', async ({
  playwright,
}) => {
  const server = await ownServer({ WORKERS: '3', LOG_LEVEL: 'silent' })
  try {
    const pid = server.pid ?? 0
    expect(childrenOf(pid)).toHaveLength(3)
    const api = await playwright.request.newContext({ baseURL: server.base })
    const login = { login: 'okonjo', password: 'okonjo-on-the-roof' }
    const { csrf } = (await (await api.post('/api/v1/session', { data: login })).json()) as { csrf: string }
    const { rows } = (await (await api.get('/api/v1/machines?limit=1')).json()) as { rows: { machineId: string }[] }
    const machineId = rows[0]?.machineId ?? ''
    const note = (n: number) => ({
      id: `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`,
      machineId,
      doneAt: '2026-11-25T08:00:00Z',
      kind: 'note',
      note: `note ${n}`,
    })
    // One connection each, so that they go to all of them in turn.
    const headers = { 'x-csrf-token': csrf, connection: 'close' }
    const notesSeen = async () => {
      const page = await api.get(`/api/v1/machines/${machineId}`, { headers: { connection: 'close' } })
      const { work } = (await page.json()) as { work: { note: string }[] }
      return work.filter((w) => w.note.startsWith('note ')).length
    }
    for (let n = 1; n <= 9; n++) {
      expect((await api.post('/api/v1/work', { data: note(n), headers })).status()).toBe(200)
      // Whichever is asked: none shows the machine as it was before.
      for (let i = 0; i < 3; i++) expect(await notesSeen()).toBe(n)
    }
    const [first] = childrenOf(pid)
    process.kill(first ?? 0, 'SIGKILL')
    await expect.poll(() => childrenOf(pid).filter((p) => p !== first).length, { timeout: 20_000 }).toBe(3)
    for (let i = 0; i < 6; i++) expect(await notesSeen()).toBe(9)
    await api.dispose()
  } finally {
    await server.end()
  }
})
