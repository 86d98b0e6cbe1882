import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { withMutations } from '../../offline/core/optimistic.ts'
import { store } from '../../offline/core/store.ts'
import { freshPhone } from '../../test/fresh-phone.test-help.ts'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { RecordWork } from './record-work.tsx'

const now = Date.parse('2026-11-25T09:00:00Z')

freshPhone()

describe('work without a signal', () => {
  it('is kept on this phone and stands on the machine at once', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    const done = vi.fn()
    const page = pageOf({ parts: driveParts() })
    const { user } = await showAs('mechanic', <RecordWork page={page} now={now} done={done} />)
    await user.type(screen.getByLabelText('Notes'), 'by force')
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    await waitFor(() => expect(done).toHaveBeenCalled())
    const outbox = await store.outbox.toArray()
    expect(outbox.map((w) => w.kind)).toEqual(['work'])
    expect(outbox[0]?.kind === 'work' && outbox[0].body).toMatchObject({
      machineId,
      kind: 'belts-tensioned',
      note: 'by force',
    })
    const shown = withMutations(page, outbox, 'Mosi Okonjo')
    expect(shown.work.filter((w) => w.note === 'by force').map((w) => w.by)).toEqual(['Mosi Okonjo'])
  })
  it('of a part that was renewed is the part itself, with the old one out', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    const done = vi.fn()
    const page = pageOf({ parts: driveParts() })
    const { user } = await showAs('mechanic', <RecordWork page={page} now={now} done={done} />)
    await user.click(screen.getByRole('combobox', { name: 'What was done' }))
    await user.click(await screen.findByText('new belt set'))
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    await waitFor(() => expect(done).toHaveBeenCalled())
    const outbox = await store.outbox.toArray()
    expect(outbox.map((w) => w.kind)).toEqual(['part'])
    const belts = withMutations(page, outbox, 'Mosi Okonjo').parts.filter((p) => p.part.slot === 'belts')
    expect(belts.slice(-2).map((p) => [p.removedAt === null, p.removedWhy, p.installedBy === 'Mosi Okonjo'])).toEqual([
      [false, 'renewed', false],
      [true, '', true],
    ])
  })
  it('is not taken for kept where the server answers that it is wrong', async () => {
    const problem = { type: 'about:blank', title: 'Not valid', status: 422, detail: 'is in the future', errors: [] }
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(problem), { status: 422 })))
    const done = vi.fn()
    const { user } = await showAs('mechanic', <RecordWork page={pageOf()} now={now} done={done} />)
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    await screen.findByText(/is in the future/)
    expect(done).not.toHaveBeenCalled()
    expect(await store.outbox.count()).toBe(0)
  })
})
