import { cleanup, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { SignalLine } from '../../app/shell/signal-line.tsx'
import { enqueue } from '../../offline/core/outbox.ts'
import { markThisPhone } from '../../offline/core/mark.ts'
import { noteSignal } from '../../offline/core/signal.ts'
import { store } from '../../offline/core/store.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { me, roundId, uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { PhoneScreen } from './phone-screen.tsx'

const visit = (n: number) => {
  const { takenAt, state, readings } = visitRecord({ id: uuid(n), takenAt: '2026-11-25T08:00:00Z' })
  return { kind: 'visit' as const, body: { id: uuid(n), machineId, takenAt, state, readings } }
}
const lines = () => [...document.querySelectorAll('.signal-line')].map((l) => l.textContent)
const both = (
  <>
    <SignalLine />
    <PhoneScreen />
  </>
)

beforeEach(async () => {
  localStorage.clear()
  markThisPhone()
  noteSignal(true)
  await Promise.all(store.tables.map((t) => t.clear()))
  // Nobody answers: whatever is tried stays here.
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('the phone’s own line', () => {
  it('says nothing where there is nothing to say', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}')))
    await showAs('mechanic', both)
    await screen.findByText('Everything is synced.')
    expect(lines()).toEqual([])
  })
  it('says plainly that there is no signal and what is on this phone', async () => {
    await showAs('mechanic', both)
    noteSignal(false)
    await enqueue(me.id, [visit(20), visit(21)])
    await waitFor(() => expect(lines()[0]).toBe('No signal · 2 readings on this phoneView'))
    expect(document.body.textContent).toContain('2 readings on this phone, waiting to sync.')
  })
  it('tells what was refused, why, and lets it be dropped after it was seen', async () => {
    await enqueue(me.id, [visit(20)])
    const [first] = await store.outbox.toArray()
    await store.outbox.update(first?.n ?? 0, { status: 'rejected', why: 'readings.0.value: not above zero' })
    const { user } = await showAs('mechanic', both)
    await screen.findByText('readings.0.value: not above zero')
    expect(lines()).toEqual(['1 entry rejected by the server, still on this phone. See why'])
    await user.click(screen.getByRole('button', { name: 'Delete' }))
    await waitFor(() => expect(lines()).toEqual([]))
    expect(await store.outbox.count()).toBe(0)
  })
  it('tells a clock that is wrong by minutes, and not one that is wrong by seconds', async () => {
    await store.settings.put({ key: 'ahead', value: String(-12 * 60_000) })
    await showAs('mechanic', both)
    await waitFor(() => expect(lines()[0]).toContain('clock is 12 minutes ahead of the server’s'))
    await store.settings.put({ key: 'ahead', value: '4000' })
    await waitFor(() => expect(lines()).toEqual([]))
  })
  it('shows what the server answered, until it is read', async () => {
    await store.notices.bulkAdd([
      { at: 1, machineId, text: 'Brin Hallow took readings here too. Both visits are kept.' },
      { at: 2, machineId: null, text: 'Judged ok on this phone, fix at home.' },
    ])
    const { user } = await showAs('mechanic', both)
    await waitFor(() => expect(lines()).toEqual(['2 messages from the server. View']))
    expect(screen.getByRole('link', { name: 'Open machine' }).getAttribute('href')).toBe(`/machines/${machineId}`)
    await user.click(screen.getByRole('button', { name: 'Clear messages' }))
    await waitFor(() => expect(lines()).toEqual([]))
  })
})

describe('what is on this phone', () => {
  it('lists the rounds that were taken along and how large they are', async () => {
    await store.snapshots.put({ roundId, name: 'Hall roof', at: 1, bytes: 2_340_000, urls: [] })
    await showAs('mechanic', both)
    const item = (await screen.findByRole('link', { name: 'Hall roof' })).closest('li')
    expect(item?.textContent).toBe('Hall roof, 2.3 MB')
  })
  it('goes out as a file and comes in from one, and says that twice is once', async () => {
    await enqueue(me.id, [visit(20)])
    const made: Blob[] = []
    vi.stubGlobal(
      'URL',
      Object.assign(URL, { createObjectURL: (b: Blob) => (made.push(b), 'blob:x'), revokeObjectURL: () => undefined }),
    )
    // Where a browser would ask for a place to write it to.
    const given = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockReturnValue()
    const { user } = await showAs('mechanic', both)
    await screen.findByText(/waiting to sync/)
    await user.click(screen.getByRole('button', { name: 'Export to a file' }))
    await screen.findByText(/^1 entry saved to .*Everything also stays on this phone/)
    expect(made).toHaveLength(1)
    expect(given).toHaveBeenCalledTimes(1)
    given.mockRestore()
    await store.outbox.clear()
    const file = new File(made, 'phone.json', { type: 'application/json' })
    await user.upload(screen.getByLabelText('Import a file'), file)
    await screen.findByText('1 entry imported, syncing now.')
    expect(await store.outbox.count()).toBe(1)
  })
  it('says what is wrong with a file that is none', async () => {
    const { user } = await showAs('mechanic', both)
    await user.upload(
      await screen.findByLabelText('Import a file'),
      new File(['{}'], 'x.json', { type: 'application/json' }),
    )
    const said = await within(document.body).findAllByRole('status')
    expect(said.map((s) => s.textContent).join()).toMatch(/not|no /i)
    expect(await store.outbox.count()).toBe(0)
  })
})

describe('two versions', () => {
  it('shows yours and the server’s side by side, until a person decides', async () => {
    const server = pageOf().motor
    if (!server) throw new Error('the page has a motor')
    const { id: motorId, connectionVolts, installedAt, why, substitute, version, plate } = server
    await enqueue(me.id, [
      {
        kind: 'plate',
        body: {
          id: uuid(50),
          motorId,
          machineId,
          version,
          plate: { ...plate, amps: '13.4' },
          connectionVolts,
          installedAt,
          why,
          substitute,
        },
      },
    ])
    const [first] = await store.outbox.toArray()
    await store.outbox.update(first?.n ?? 0, {
      status: 'rejected',
      why: 'Tamsin Vale changed this motor in the meantime.',
      current: { ...server, version: 2, plate: { ...plate, amps: '12.4' } },
    })
    const { user } = await showAs('mechanic', both)
    const two = within((await screen.findByText('Conflicts')).closest('section') as HTMLElement)
    expect(two.getByText('Tamsin Vale changed this motor in the meantime.')).toBeDefined()
    expect(two.getAllByRole('row').map((r) => r.textContent)).toEqual([
      'FieldYoursOn the server',
      'Full-load amps as printed, 27.0-25.6/12.813.412.4',
    ])
    await user.click(two.getByRole('button', { name: 'Keep mine' }))
    await waitFor(async () =>
      expect(await store.outbox.toArray()).toMatchObject([
        { kind: 'plate', status: 'pending' as const, why: '', body: { version: 2, plate: { amps: '13.4' } } },
      ]),
    )
    await waitFor(() => expect(screen.queryByText('Conflicts')).toBeNull())
  })
})
