import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { enqueue } from '../../offline/core/outbox.ts'
import { markThisPhone } from '../../offline/core/mark.ts'
import { freshPhone } from '../../test/fresh-phone.test-help.ts'
import { machineId } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { PicturesPanel } from './pictures-panel.tsx'

const now = Date.parse('2026-11-25T09:00:00Z')
const photo = (id: string, of: string) => ({
  kind: 'picture' as const,
  body: {
    id,
    machineId: of,
    visitId: null,
    check: 'Belts',
    takenAt: '2026-11-25T08:50:00Z',
    type: 'image/jpeg' as const,
    note: '',
    bytes: '/9j/2Q==',
  },
})

freshPhone()

describe('a photo that was taken without a signal', () => {
  it('is shown at its machine at once, and at no other', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    markThisPhone()
    await showAs('mechanic', <PicturesPanel machineId={machineId} now={now} mayAct />)
    expect(screen.queryByRole('region', { name: 'Photos' })).toBeNull()
    await enqueue('p1', [
      photo('0190a000-0000-7000-8000-000000000001', machineId),
      photo('0190a000-0000-7000-8000-000000000002', '0190a000-0000-7000-8000-0000000000ff'),
    ])
    await waitFor(() => expect(screen.getAllByRole('img')).toHaveLength(1))
    expect(screen.getByRole('img', { name: 'Belts, Nov 25, not synced yet' }).getAttribute('src')).toBe(
      'data:image/jpeg;base64,/9j/2Q==',
    )
  })
})
