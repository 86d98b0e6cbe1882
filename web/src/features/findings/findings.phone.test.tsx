import { findingOf, type FindingRecord, type FindingStep } from '@motor-round/contract'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { withMutations } from '../../offline/core/optimistic.ts'
import { store } from '../../offline/core/store.ts'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { FindingForm, FindingsPanel } from './index.ts'

const now = Date.parse('2026-11-25T09:00:00Z')
const step = (kind: FindingStep['kind'], note: string, reviewOn: string | null = null): FindingStep => ({
  id: uuid(60),
  findingId: uuid(50),
  machineId,
  at: '2026-11-21T09:00:00Z',
  kind,
  note,
  reviewOn,
  by: 'Tamsin Vale',
})
const found = (over: Partial<FindingRecord> = {}, steps: FindingStep[] = []): FindingRecord =>
  findingOf(
    {
      id: uuid(50),
      machineId,
      roundId: null,
      visitId: null,
      at: '2026-11-20T09:00:00Z',
      level: 'fix',
      text: 'No belt guard',
      owner: 'Tenant',
      reviewOn: null,
      by: 'Mosi Okonjo',
      ...over,
    },
    steps,
  )
const panel = (findings: FindingRecord[], role: 'mechanic' | 'viewer' = 'mechanic') =>
  showAs(role, <FindingsPanel page={{ ...pageOf(), findings }} now={now} mayAct={role === 'mechanic'} />)
const line = async () => (await store.outbox.toArray()).map((w) => ({ ...w.body, entry: w.kind }))

beforeEach(async () => {
  localStorage.clear()
  await Promise.all(store.tables.map((t) => t.clear()))
  // Nobody answers: what is kept stays in the line.
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('the findings of a machine', () => {
  it('say what, how bad, whose, and what became of each; closed ones are folded', async () => {
    const put = found({}, [step('postponed', 'A cleaner comes.', '2026-12-15')])
    const { user } = await panel([
      put,
      found({ id: uuid(51), text: 'Dry trap' }, [{ ...step('closed', 'Filled.'), findingId: uuid(51) }]),
    ])
    const items = () => within(screen.getByRole('region', { name: 'Findings' })).getAllByRole('listitem')
    expect(items()).toHaveLength(1)
    expect(items()[0]?.textContent).toContain('No belt guardNov 20, Mosi Okonjo · Tenant · look again Dec 15')
    expect(items()[0]?.textContent).toContain('Nov 21 postponed to Dec 15: A cleaner comes. Tamsin Vale')
    await user.click(screen.getByRole('button', { name: '1 closed' }))
    expect(items()).toHaveLength(2)
    expect(screen.getByRole('button', { name: 'Reopen' })).toBeTruthy()
  })
  it('are closed with what was done, and put off to a day with a reason, not otherwise', async () => {
    const { user } = await panel([found()])
    await user.click(screen.getByRole('button', { name: 'Postpone' }))
    const put = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Postpone' })
    await user.type(screen.getByLabelText('Why'), 'Waits for the shutdown')
    expect(put().disabled).toBe(true)
    await user.type(screen.getByLabelText('Until'), '2027-03-01')
    await user.click(put())
    await waitFor(async () =>
      expect(await line()).toMatchObject([
        {
          entry: 'finding-step',
          kind: 'postponed',
          findingId: uuid(50),
          machineId,
          note: 'Waits for the shutdown',
          reviewOn: '2027-03-01',
        },
      ]),
    )
    cleanup()
    await panel([found()])
    await user.click(screen.getByRole('button', { name: 'Close' }))
    await user.type(screen.getByLabelText('What was done, or why nothing is needed'), 'Guard is on')
    await user.click(screen.getByRole('button', { name: 'Close' }))
    await waitFor(async () => expect((await line())[1]).toMatchObject({ note: 'Guard is on', reviewOn: null }))
  })
  it('are a mechanic’s to add and close; others read them', async () => {
    await panel([found()], 'viewer')
    expect(screen.queryByRole('button', { name: 'Close' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Add finding' })).toBeNull()
  })
})

describe('telling a finding', () => {
  it('takes words and how bad it is, and is on this phone at once', async () => {
    const done = vi.fn()
    const { user } = await showAs(
      'mechanic',
      <FindingForm of={{ machineId, roundId: uuid(900), visitId: uuid(71) }} done={done} />,
    )
    const keep = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Save finding' })
    await user.type(screen.getByLabelText('Finding'), 'Grease over{Enter}the membrane')
    expect(keep().disabled).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Stop' }))
    await user.type(screen.getByLabelText('Who handles it, if not us'), 'Roofer')
    await user.click(keep())
    await waitFor(() => expect(done).toHaveBeenCalledWith(true))
    expect(await line()).toMatchObject([
      {
        entry: 'finding',
        machineId,
        roundId: uuid(900),
        visitId: uuid(71),
        level: 'stop',
        text: 'Grease over the membrane',
        owner: 'Roofer',
        reviewOn: null,
      },
    ])
    const shown = withMutations(pageOf(), await store.outbox.toArray(), 'Mosi Okonjo')
    expect(shown.findings).toMatchObject([{ text: 'Grease over the membrane', state: 'open', by: 'Mosi Okonjo' }])
  })
  it('is still there after the tab died in mid-word, until it is kept or left', async () => {
    const form = () => showAs('mechanic', <FindingForm of={{ machineId }} done={() => undefined} />)
    const words = () => screen.getByLabelText<HTMLTextAreaElement>('Finding').value
    const first = await form()
    await first.user.type(screen.getByLabelText('Finding'), 'No belt gu')
    await first.user.click(screen.getByRole('button', { name: 'Fix' }))
    cleanup()
    const second = await form()
    expect(words()).toBe('No belt gu')
    expect(screen.getByRole('button', { name: 'Fix' }).getAttribute('aria-pressed')).toBe('true')
    await second.user.click(screen.getByRole('button', { name: 'Cancel' }))
    cleanup()
    await form()
    expect(words()).toBe('')
    expect(await line()).toEqual([])
  })
  it('is one finding however often the button is hit', async () => {
    const { user } = await showAs('mechanic', <FindingForm of={{ machineId }} done={() => undefined} />)
    await user.type(screen.getByLabelText('Finding'), 'Dry trap')
    await user.click(screen.getByRole('button', { name: 'Watch' }))
    const form = screen.getByRole('form', { name: 'A finding' })
    fireEvent.submit(form)
    fireEvent.submit(form)
    await waitFor(async () => expect(await line()).not.toEqual([]))
    await new Promise((later) => setTimeout(later, 50))
    expect(await line()).toMatchObject([{ entry: 'finding', text: 'Dry trap' }])
    const shown = withMutations(pageOf(), await store.outbox.toArray(), 'Mosi Okonjo')
    expect(shown.findings).toHaveLength(1)
  })
  it('is left by Escape, with nothing kept and nothing around it left', async () => {
    const done = vi.fn()
    const around = vi.fn()
    const { user } = await showAs(
      'mechanic',
      <div onKeyDown={around}>
        <FindingForm of={{ machineId }} done={done} />
      </div>,
    )
    around.mockClear()
    await user.type(screen.getByLabelText('Finding'), '{Escape}')
    expect(done).toHaveBeenCalledWith(false)
    expect(around).not.toHaveBeenCalled()
    expect(await line()).toEqual([])
  })
  it('shows on this phone what is still to sync of one that is on the server', async () => {
    const page = { ...pageOf(), findings: [found()] }
    const { id, kind, note, findingId, at } = step('closed', 'Guard is on')
    await store.outbox.add({
      kind: 'finding-step',
      body: { id, kind: kind, note, findingId, machineId, at },
      status: 'pending' as const,
      why: '',
      dependsOn: [],
      author: '',
      authorName: '',
      level: null,
      readings: 0,
    })
    const shown = withMutations(page, await store.outbox.toArray(), 'Mosi Okonjo')
    expect(shown.findings).toMatchObject([{ state: 'closed', steps: [{ note: 'Guard is on', by: 'Mosi Okonjo' }] }])
  })
})
