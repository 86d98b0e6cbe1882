import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { SpeedChangeScreen } from './index.ts'

const lines = ['L1-L2', 'L2-L3', 'L3-L1']
const legs = ['L1', 'L2', 'L3']
const read = (amps: number) =>
  visitRecord({
    readings: [
      ...lines.map((position) => ({ quantity: 'volts_ll' as const, position, value: 478 })),
      ...legs.map((position) => ({ quantity: 'amps' as const, position, value: amps })),
    ],
  })
let page: unknown = null
const sent: { url: string; body: unknown }[] = []
beforeEach(() => {
  sent.length = 0
  // The wire: a machine, no speed change yet, and what is sent.
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url).pathname
    sent.push({ url, body: request.method === 'GET' ? null : JSON.parse(await request.text()) })
    const answer = url === `/api/v1/machines/${machineId}` ? page : []
    return new Response(JSON.stringify(answer), { status: 200, headers: { 'content-type': 'application/json' } })
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

async function open(of: unknown, role: 'mechanic' | 'viewer' = 'mechanic') {
  page = of
  const shown = await showAs(role, <SpeedChangeScreen />, {
    path: '/speed-change',
    at: `/speed-change?machine=${machineId}`,
  })
  await screen.findByText('AHU-9 / SF')
  return shown
}
const whole = (amps: number) => pageOf({ parts: driveParts(), visits: [read(amps)] })
const does = () => screen.getByRole('region', { name: 'Effect' })

describe('the speed bench on a machine', () => {
  it('says what the nearest way back under the plate does, line by line', async () => {
    await open(whole(13.3))
    expect(within(does()).getByRole('heading').textContent).toMatch(/^Open the motor sheave/)
    const rows = within(does())
      .getAllByRole('row')
      .map((r) => r.textContent ?? '')
    for (const start of [
      'Amps by leg',
      'Mean, 95 % range',
      'Motor load',
      'Fan speed',
      'Motor base',
      'Belt speed',
      'Sound of the fan',
      'Energy a year',
    ])
      expect(
        rows.some((r) => r.startsWith(start)),
        start,
      ).toBe(true)
    expect(screen.getByText(/No earlier speed change of this machine/)).toBeTruthy()
    expect(await screen.findByText(/No planned speed change has been done/)).toBeTruthy()
  })
  it('follows what is typed, and names what is no figure', async () => {
    const { user } = await open(whole(13.3))
    const to = screen.getByRole('textbox', { name: 'To' })
    await user.clear(to)
    await user.type(to, '11')
    expect(within(does()).getByRole('heading').textContent).toMatch(/2 turns|2½ turns|1½ turns/)
    await user.type(screen.getByRole('textbox', { name: 'Volts' }), 'x')
    expect(screen.getByText('“478x” is not a number')).toBeTruthy()
    expect(screen.getByText('Correct the marked fields.')).toBeTruthy()
  })
  it('makes it work to do with what was said beforehand', async () => {
    const { user } = await open(whole(13.3))
    await user.click(screen.getByRole('button', { name: 'Plan this work' }))
    await vi.waitFor(() => expect(sent.some((s) => s.url === '/api/v1/speed-changes' && s.body !== null)).toBe(true))
    const body = sent.find((s) => s.url === '/api/v1/speed-changes' && s.body !== null)?.body as Record<
      string,
      Record<string, unknown>
    >
    expect(body['change']).toMatchObject({ kind: 'turns' })
    expect(body['predicted']?.['was']).toBeCloseTo(13.3, 9)
    expect(body['predicted']?.['low'] as number).toBeLessThan(body['predicted']?.['amps'] as number)
  })
  it('refuses by name what is over the plate, and plans it not', async () => {
    const { user } = await open(whole(12.7))
    await user.click(screen.getByRole('button', { name: /with those not allowed/ }))
    await user.click(screen.getByRole('button', { name: /Close the motor sheave 1 turn/ }))
    expect(within(does()).getByText(/^Over the nameplate/)).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Plan this work' }).hasAttribute('disabled')).toBe(true)
  })
  it('tells what is missing and where to enter it', async () => {
    await open(pageOf({ visits: [read(12)] }))
    expect(screen.getByText(/The sheaves are not entered/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Drive train' }).getAttribute('href')).toBe(`/machines/${machineId}/drive`)
    cleanup()
    await open(pageOf({ parts: driveParts() }))
    expect(screen.getByText(/No readings yet/)).toBeTruthy()
  })
  it('lets a viewer look and plan nothing', async () => {
    await open(whole(13.3), 'viewer')
    expect(screen.queryByRole('button', { name: 'Plan this work' })).toBeNull()
  })
})
