import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { store } from '../../offline/core/store.ts'
import { freshPhone } from '../../test/fresh-phone.test-help.ts'
import { pageOf } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { PlatePanel } from './plate-panel.tsx'

const now = Date.parse('2026-11-25T09:00:00Z')

freshPhone()

describe('a plate without a signal', () => {
  it('is kept under the id it was sent with, once, however often the button is hit', async () => {
    const sent: string[] = []
    vi.stubGlobal('fetch', async (request: Request) => {
      const { changeId } = (await request.clone().json()) as { changeId: string }
      sent.push(changeId)
      throw new TypeError('the answer was lost')
    })
    const { user } = await showAs('mechanic', <PlatePanel page={pageOf()} mayEdit now={now} />)
    await user.click(screen.getByRole('button', { name: /^Full-load speed/ }))
    await user.keyboard('1760{Enter}{Escape}')
    const save = screen.getByRole('button', { name: /^Save nameplate/ })
    await Promise.all([user.click(save), user.click(save)])
    await waitFor(async () => expect(await store.outbox.count()).toBeGreaterThan(0))
    await waitFor(() => expect(screen.queryByRole('button', { name: /^Save nameplate/ })).toBeNull())
    const outbox = await store.outbox.toArray()
    expect(outbox[0]).toMatchObject({ kind: 'plate', body: { version: 1, plate: { rpm: 1760 } } })
    expect(sent.length).toBeGreaterThan(0)
    // Home makes a change of one id once: a second of them is no second change.
    expect(new Set([...sent, ...outbox.map((w) => (w.kind === 'plate' ? w.body.id : ''))]).size).toBe(1)
  })
})
