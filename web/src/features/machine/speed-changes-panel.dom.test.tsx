import { speedChange, type SpeedChangeRecord } from '@motor-round/contract'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { SpeedChangesPanel } from './speed-changes-panel.tsx'
import { RecordWork } from './record-work.tsx'

const now = Date.parse('2026-11-25T09:00:00Z')
const sent: { url: string; body: Record<string, unknown> }[] = []
beforeEach(() => {
  sent.length = 0
  // The wire: what is sent is looked at, and answered with what was sent.
  vi.stubGlobal('fetch', async (request: Request) => {
    const body = (request.method === 'GET' ? {} : JSON.parse(await request.text())) as Record<string, unknown>
    sent.push({ url: new URL(request.url).pathname, body })
    return new Response(JSON.stringify(body), { status: 200, headers: { 'content-type': 'application/json' } })
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const planned = (n: number, over: Partial<SpeedChangeRecord> = {}): SpeedChangeRecord =>
  speedChange.parse({
    id: `00000000-0000-7000-8000-00000000070${n}`,
    machineId,
    madeAt: '2026-11-20T08:00:00Z',
    change: { kind: 'turns', turns: 3 },
    predicted: {
      was: 12.6,
      amps: 12,
      low: 11.5,
      high: 12.5,
      fanRpm: 760,
      fanRpmNow: 774,
      airShare: 0.98,
      center: 411.2,
      newBelt: null,
    },
    note: '',
    by: 'Lena Vale',
    doneAt: null,
    droppedAt: null,
    droppedWhy: '',
    measured: null,
    ...over,
  })
const measured = (amps: number) => ({
  visitId: '00000000-0000-7000-8000-000000000800',
  at: '2026-11-21T08:00:00Z',
  amps,
})
const done = { doneAt: '2026-11-20T09:00:00Z' }
const show = (speedChanges: SpeedChangeRecord[], mayAct = true) =>
  showAs(
    'mechanic',
    <SpeedChangesPanel page={{ ...pageOf({ parts: driveParts() }), speedChanges }} now={now} mayAct={mayAct} />,
  )

describe('speed changes', () => {
  it('are shown with what was, what was said and what came of it; those to do first', async () => {
    await show([planned(1, { ...done, measured: measured(12.1) }), planned(2)])
    const texts = [...document.querySelectorAll('.speed-change')].map((p) => p.textContent ?? '')
    expect(texts[0]).toContain('Motor sheave 3 turns open, centers 16.19 in')
    expect(texts[0]).toContain('12.6 A12.0 A 11.5 to 12.5–')
    expect(texts[1]).toContain('12.1 A as predicted, +0.8 %')
  })
  it('say by how much they missed, and ask for the visit that proves them', async () => {
    await show([planned(1, { ...done, measured: measured(13) }), planned(2, done)])
    expect(screen.getByText('+8.3 % off the prediction')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Take readings to confirm it' }).getAttribute('href')).toBe(
      `/machines/${machineId}/visit`,
    )
  })
  it('are done the time of the click', async () => {
    const { user } = await show([planned(1)])
    await user.click(screen.getByRole('button', { name: 'Mark done' }))
    await vi.waitFor(() => expect(sent.some((s) => s.url.endsWith('/done'))).toBe(true))
    const call = sent.find((s) => s.url.endsWith('/done'))
    expect(call?.url).toBe('/api/v1/speed-changes/00000000-0000-7000-8000-000000000701/done')
    expect(typeof call?.body['workId']).toBe('string')
    expect(Number.isFinite(Date.parse(String(call?.body['doneAt'])))).toBe(true)
  })
  it('are dropped only with a reason', async () => {
    const { user } = await show([planned(1)])
    await user.click(screen.getByRole('button', { name: 'Cancel work' }))
    expect(screen.getByRole('button', { name: 'Cancel work' }).hasAttribute('disabled')).toBe(true)
    await user.type(screen.getByLabelText('Why it is canceled'), 'no stock')
    await user.click(screen.getByRole('button', { name: 'Cancel work' }))
    await vi.waitFor(() => expect(sent.find((s) => s.url.endsWith('/drop'))?.body).toEqual({ why: 'no stock' }))
  })
  it('give a viewer nothing to press, and take no room where there are none', async () => {
    await show([planned(1)], false)
    expect(screen.queryByRole('button')).toBeNull()
    cleanup()
    await show([])
    expect(screen.queryByText('Planned speed changes')).toBeNull()
  })
})

describe('recording work', () => {
  const open = async (kind: string) => {
    const shown = await showAs(
      'mechanic',
      <RecordWork page={pageOf({ parts: driveParts() })} now={now} done={() => undefined} />,
    )
    await shown.user.click(screen.getByRole('combobox', { name: 'What was done' }))
    await shown.user.click(screen.getByTitle(kind))
    return shown.user
  }
  it('asks a turned sheave for its turns, and keeps where it stood before', async () => {
    const user = await open('turn of the motor sheave')
    await user.type(screen.getByLabelText(/Turns open now .was 2.5/), '3x')
    expect(screen.getByText('“3x” is not a number')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    expect(sent.filter((s) => s.url === '/api/v1/work')).toEqual([])
    await user.clear(screen.getByLabelText(/Turns open now/))
    await user.type(screen.getByLabelText(/Turns open now/), '3')
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    await vi.waitFor(() =>
      expect(sent.find((s) => s.url === '/api/v1/work')?.body).toMatchObject({
        kind: 'sheave-turned',
        turns: { before: 2.5, after: 3 },
      }),
    )
  })
  it('records new belts as a part of the same size, so that the old ones get a life', async () => {
    const user = await open('new belt set')
    expect(screen.getByText('B62')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Save work' }))
    await vi.waitFor(() =>
      expect(sent.find((s) => s.url === `/api/v1/machines/${machineId}/parts`)?.body).toMatchObject({
        part: { slot: 'belts', spec: { section: 'B', number: 62 } },
        removedWhy: 'renewed',
      }),
    )
    expect(sent.some((s) => s.url === '/api/v1/work')).toBe(false)
  })
})
