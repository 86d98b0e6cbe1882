import { cleanup, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { markThisPhone } from '../../offline/core/mark.ts'
import { store } from '../../offline/core/store.ts'
import { machineId, visitRecord } from '../../test/machine-page.test-help.ts'
import { roundId, uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { useSaveVisit } from './use-save.ts'

const { takenAt, state, readings } = visitRecord({ takenAt: '2026-11-25T08:00:00Z' })
const body = { id: uuid(20), machineId, takenAt, state, readings }

function Saver({ round, forget }: { round: string | null; forget: () => void }) {
  const saving = useSaveVisit(round, '/back', forget)
  return (
    <>
      <button onClick={() => saving.save(body, 'ok')}>save</button>
      <p>{saving.trouble}</p>
      <p>{saving.queuedHere === null ? '' : `${saving.queuedHere} kept here`}</p>
    </>
  )
}
const line = async () => (await store.outbox.toArray()).map((w) => w.kind)
async function save(round: string | null) {
  const forget = vi.fn()
  const shown = await showAs('mechanic', <Saver round={round} forget={forget} />, { path: '/visit', at: '/visit' })
  await shown.user.click(screen.getByRole('button', { name: 'save' }))
  return { ...shown, forget }
}
const asked = vi.fn<(url: string) => void>()

beforeEach(async () => {
  localStorage.clear()
  asked.mockClear()
  await Promise.all(store.tables.map((t) => t.clear()))
  vi.stubGlobal('fetch', (r: Request | string) => {
    asked(typeof r === 'string' ? r : r.url)
    return Promise.reject(new TypeError('no network'))
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('saving a visit', () => {
  it('on a round joins the line with what it means for the round, and leads back to the walk', async () => {
    const { forget, router } = await save(roundId)
    await waitFor(() => expect(router.state.location.pathname).toBe('/back'))
    const [visit, event] = await store.outbox.toArray()
    expect(visit).toMatchObject({ kind: 'visit', level: 'ok', readings: 1, body: { id: body.id } })
    expect(event?.kind === 'event' && event.body).toMatchObject({ kind: 'done', roundId, machineId, visitId: body.id })
    expect(forget).toHaveBeenCalledOnce()
  })
  it('where nothing was ever kept here asks the server, and is kept here when nobody answers', async () => {
    const { forget, router } = await save(null)
    await screen.findByText('1 kept here')
    expect(asked.mock.calls.some(([url]) => url.endsWith('/visits'))).toBe(true)
    expect(await line()).toEqual(['visit'])
    expect(router.state.location.pathname).toBe('/visit')
    expect(forget).toHaveBeenCalledOnce()
  })
  it('where something was kept here before stays in order behind it, and asks nobody', async () => {
    markThisPhone()
    const { router } = await save(null)
    await waitFor(() => expect(router.state.location.pathname).toBe('/back'))
    expect(asked.mock.calls.some(([url]) => url.endsWith('/visits'))).toBe(false)
    expect(await line()).toEqual(['visit'])
  })
  it('that this phone has no room for stays on the page, draft and all, and says so', async () => {
    const full = vi
      .spyOn(store.outbox, 'add')
      .mockRejectedValue(Object.assign(new Error('x'), { name: 'QuotaExceededError' }))
    const { forget, router } = await save(roundId)
    await screen.findByText(/This phone is full/)
    expect(forget).not.toHaveBeenCalled()
    expect(router.state.location.pathname).toBe('/visit')
    full.mockRestore()
  })
})
