import { cleanup, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { api } from '../../app/api.ts'
import { store } from '../../app/store.ts'
import { machineId, pageOf } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { InstallMotor } from './install-motor.tsx'

beforeEach(() => localStorage.clear())
afterEach(cleanup)

async function open() {
  const page = { ...pageOf(), motor: null }
  const shown = await showAs('mechanic', <InstallMotor />, {
    path: '/machines/:id/motor',
    at: `/machines/${page.machine.id}/motor`,
  })
  await store.dispatch(api.util.upsertQueryData('machinePage', { params: { id: page.machine.id } }, page))
  return shown
}

describe('a nameplate that is being typed', () => {
  it('begins in its first blank field, and is there again after the page was closed in the middle of one', async () => {
    const { user } = await open()
    expect(await screen.findByLabelText('Rated power, hp or kW')).toBe(document.activeElement)
    await user.keyboard('7-1/2{Enter}1755{Enter}')
    await user.click(screen.getByRole('button', { name: /^Volts as printed/ }))
    await user.keyboard('460')
    cleanup()
    await open()
    expect((await screen.findByRole('button', { name: /^Rated power/ })).textContent).toContain('7.5')
    expect(screen.getByRole('button', { name: /^Full-load speed/ }).textContent).toContain('1755')
    expect(screen.getByRole('button', { name: /^Volts as printed/ }).textContent).toContain('460')
    expect(document.body.textContent).toContain('Continued from what was typed on this device and not saved.')
  })
  it('is gone when one starts over', async () => {
    const { user } = await open()
    await screen.findByLabelText('Rated power, hp or kW')
    await user.keyboard('10{Enter}')
    cleanup()
    const { user: again } = await open()
    await again.click(await screen.findByRole('button', { name: 'Start over' }))
    expect(document.body.textContent).not.toContain('Continued from')
    expect(localStorage.length).toBe(0)
  })
  it('that cannot be read back is none', async () => {
    localStorage.setItem(`motor-round-motor ${machineId}`, '{"plate":7}')
    await open()
    expect(await screen.findByText(/^Tap a field/)).toBeTruthy()
  })
})
