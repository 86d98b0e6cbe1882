import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { DrivePanel, DriveTrainScreen } from './index.ts'

const now = Date.parse('2026-11-25T09:00:00Z')
const sent: { url: string; body: unknown }[] = []
let shown: unknown = null
beforeEach(() => {
  sent.length = 0
  // The wire: this page asks for its machine and for part lives, and sends what was typed.
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url).pathname
    sent.push({ url, body: request.method === 'GET' ? null : JSON.parse(await request.text()) })
    const answer = url === `/api/v1/machines/${machineId}` ? shown : []
    return new Response(JSON.stringify(answer), { status: 200, headers: { 'content-type': 'application/json' } })
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const layout = { center: 450, rotation: 'clockwise', seenFrom: 'drive end' }
const page = (over: object = {}) => pageOf({ parts: driveParts(), machine: { layout, ...over } })
async function open(role: 'mechanic' | 'viewer' = 'mechanic', of = page()) {
  shown = of
  const { user } = await showAs(role, <DriveTrainScreen />, {
    path: '/machines/:id/drive',
    at: `/machines/${machineId}/drive`,
  })
  await screen.findByRole('heading', { name: 'Installed parts' })
  return user
}

describe('what is installed', () => {
  it('shows every slot with its part, its past and why the old one went', async () => {
    await open()
    const belts = screen.getByRole('region', { name: 'Belts' })
    expect(belts.textContent).toContain('B62')
    expect(belts.textContent).toContain('May 1, 2022 to May 1, 2024: B62; frayed')
    expect(belts.textContent).toContain('median life 2.0 years on this machine')
    expect(screen.getByRole('region', { name: 'Filters' }).textContent).toContain('Not entered.')
  })
  it('draws the belt to scale with its words', async () => {
    await open()
    const drawing = screen.getByRole('img', { name: /^Belt drive/ })
    expect(drawing.getAttribute('aria-label')).toMatch(
      /4\.9 in, 2\.5 turns open; 11 in; 1 × B62 · centers .* in; 1,755 → \d+ rpm; turns clockwise/,
    )
    const [small, large] = [...drawing.querySelectorAll('.belt-is circle')].map((c) => Number(c.getAttribute('r')))
    expect((large ?? 0) / (small ?? 1)).toBeCloseTo(279.4 / (137.16 - 2.5 * 5.08), 3)
  })
  it('draws the collar with the shaft’s rotation, as one stands before it', async () => {
    await open()
    expect(screen.getByRole('img', { name: 'Drive end, facing it: turn the collar clockwise' })).toBeTruthy()
    cleanup()
    await open('mechanic', page({ layout: { ...layout, seenFrom: 'opposite end' } }))
    expect(screen.getByRole('img', { name: 'Drive end, facing it: turn the collar counter-clockwise' })).toBeTruthy()
  })
  it('replaces a belt: the same size stands there, the reason is asked, nothing is sent while something is missing', async () => {
    const user = await open()
    const belts = screen.getByRole('region', { name: 'Belts' })
    await user.click(within(belts).getByRole('button', { name: 'Replace' }))
    const number = within(belts).getByLabelText('Number on the belt')
    expect((number as HTMLInputElement).value).toBe('62')
    await user.clear(number)
    await user.click(within(belts).getByRole('button', { name: 'Save replacement' }))
    expect(await within(belts).findByText('is needed')).toBeTruthy()
    expect(sent.filter((s) => s.url.endsWith('/parts'))).toEqual([])
    await user.type(number, '63')
    await user.click(within(belts).getByLabelText('The old part was removed because'))
    await user.click(await screen.findByTitle('Worn out or failed'))
    await user.type(within(belts).getByLabelText('What was wrong with the old one'), 'cracked')
    await user.click(within(belts).getByRole('button', { name: 'Save replacement' }))
    await vi.waitFor(() => expect(sent.some((s) => s.url === `/api/v1/machines/${machineId}/parts`)).toBe(true))
    expect(sent.find((s) => s.url.endsWith('/parts'))?.body).toMatchObject({
      part: { slot: 'belts', spec: { section: 'B', number: 63, count: 1 } },
      removedFor: 'worn',
      removedWhy: 'cracked',
    })
  })
  it('tells how much grease and how often, and a sealed bearing none', async () => {
    const parts = driveParts().map((p) =>
      p.part.slot === 'bearing-de' ? { ...p, part: { ...p.part, spec: { ...p.part.spec, greasable: true } } } : p,
    )
    await open('viewer', pageOf({ parts, machine: { layout } }))
    // G = 0.005 D B (check values E11.4's formula): 0.005 · 80 · 49 is 19.6 g.
    expect(screen.getByRole('region', { name: 'Bearing, drive end' }).textContent).toMatch(
      /20 g of grease about every \d+ months/,
    )
    cleanup()
    await open('viewer')
    expect(screen.getByRole('region', { name: 'Bearing, drive end' }).textContent).not.toContain('g of grease')
  })
  it('shows a viewer no buttons', async () => {
    await open('viewer')
    expect(screen.queryByRole('button', { name: 'Replace' })).toBeNull()
  })
})

describe('the drive train on a machine’s page', () => {
  it('tells what the span asks for, in inches and pounds', async () => {
    await showAs('mechanic', <DrivePanel page={page()} now={now} mayEdit />)
    expect(screen.getByText(/^Press \d\.\d\d in with \d+\.\d to \d+\.\d lbf$/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Speed change' }).getAttribute('href')).toBe(
      `/speed-change?machine=${machineId}`,
    )
  })
  it('says what is missing where no sheave is imported', async () => {
    await showAs('mechanic', <DrivePanel page={pageOf()} now={now} mayEdit />)
    expect(screen.getByText(/The sheaves are not entered/)).toBeTruthy()
    expect(screen.queryByRole('link', { name: 'Speed change' })).toBeNull()
  })
})
