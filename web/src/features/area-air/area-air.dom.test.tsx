import type { AirMover } from '@motor-round/contract'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { AreaAirScreen } from './index.ts'

const id = '00000000-0000-7000-8000-000000000002'
const fan = (
  n: number,
  unitTag: string,
  air: AirMover['air'],
  flow: number | null,
  over: Partial<AirMover> = {},
): AirMover => ({
  machineId: `00000000-0000-7000-8000-00000000000${n}`,
  unitTag,
  tag: 'F',
  purpose: '',
  air,
  outsideShare: null,
  flow,
  at: flow === null ? null : '2026-03-12T09:00:00Z',
  level: 'ok',
  headline: '',
  ...over,
})
let movers: AirMover[] = []
beforeEach(() => {
  vi.stubGlobal('fetch', async () =>
    Promise.resolve(
      new Response(JSON.stringify({ areaName: 'Hall roof', siteName: 'Ferry terminal', movers }), {
        status: 200,
        headers: { 'content-type': 'application/json' },
      }),
    ),
  )
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})
const open = async (list: AirMover[]) => {
  movers = list
  const { user } = await showAs('viewer', <AreaAirScreen />, { path: '/areas/:id/air', at: `/areas/${id}/air` })
  await screen.findByRole('heading', { name: 'Air of Hall roof' })
  return user
}
const balance = () => screen.getByRole('region', { name: 'Air balance' }).textContent ?? ''

describe('the air of an area', () => {
  it('adds up what comes and goes, says what is assumed and what nobody measured', async () => {
    await open([
      fan(1, 'AHU', 'supply', 10_000),
      fan(2, 'MAU', 'make-up', 1000),
      fan(3, 'EF', 'exhaust', 4000),
      fan(4, 'EF-2', 'exhaust', null),
      fan(5, 'RF', 'inside', 8000),
    ])
    expect(balance()).toContain('3,000 cfm')
    expect(balance()).toContain('−1,000 cfm')
    expect(balance()).toContain('the space is under negative pressure')
    expect(balance()).toContain('Not measured: EF-2 / F.')
    expect(screen.getByText(/supply, from outside 20 %, assumed/)).toBeTruthy()
    expect(screen.getByText('recirculated')).toBeTruthy()
  })
  it('says who must follow when a fan is sped up', async () => {
    const user = await open([fan(2, 'MAU', 'make-up', 4000), fan(3, 'EF', 'exhaust', 4000)])
    await user.click(screen.getByRole('combobox', { name: 'Fan' }))
    await user.click(screen.getByTitle('EF / F'))
    const change = screen.getByRole('region', { name: 'Change of one fan’s speed' })
    expect(change.textContent).toContain('Then −200 cfm net. To keep the balance, bring in 200 cfm more outside air')
    const speed = within(change).getByRole('textbox', { name: /^New speed/ })
    await user.clear(speed)
    await user.type(speed, '90')
    expect(change.textContent).toContain('bring in 400 cfm less outside air')
  })
  it('tells the pressure where the leaks are known', async () => {
    const user = await open([fan(2, 'MAU', 'make-up', 1200), fan(3, 'EF', 'exhaust', 600)])
    expect(balance()).not.toContain('in wg')
    await user.type(screen.getByRole('textbox', { name: /^Leakage/ }), '0.8')
    // Check values E14.8: 600 cfm over 0.8 ft² is 0.0826 in wg.
    expect(balance()).toMatch(/\+0\.08[123] in wg/)
  })
  it('names what has to be in order before any balance', async () => {
    await open([fan(3, 'EF', 'exhaust', 600, { level: 'fix', headline: 'The belt is slack.' })])
    expect(screen.getByRole('heading', { name: 'Fix before balancing' })).toBeTruthy()
    expect(screen.getByText('The belt is slack.')).toBeTruthy()
  })
})
