import { cleanup, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { Welcome } from './index.ts'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

it('the first account names the organization and itself, and is told what is still needed', async () => {
  const sent: unknown[] = []
  vi.stubGlobal('fetch', async (input: Request) => {
    if (input.method === 'GET') return Response.json({ login: null, name: null, role: 'lead' })
    sent.push(await input.clone().json())
    return Response.json({ type: 'about:blank', title: 'Not found', status: 404 }, { status: 404 })
  })
  const { user } = await showAs('lead', <Welcome />, { path: '/welcome/:token', at: '/welcome/once' })
  expect(await screen.findByText(/Still needed: organization name, your name, sign-in name, password/)).toBeTruthy()
  const send = screen.getByRole('button', { name: 'Set password and sign in' })
  await user.type(screen.getByLabelText('Organization name'), 'Harbor Maintenance')
  await user.type(screen.getByLabelText('Your name'), 'Ada')
  await user.type(screen.getByLabelText('Sign-in name'), 'ada')
  expect(send.hasAttribute('disabled')).toBe(true)
  expect(screen.getByText('Still needed: password of 12 characters.')).toBeTruthy()
  await user.type(screen.getByLabelText(/^Password/), 'twelve letters')
  expect(screen.queryByText(/Still needed/)).toBeNull()
  await user.click(send)
  await vi.waitFor(() =>
    expect(sent).toContainEqual({
      organization: 'Harbor Maintenance',
      name: 'Ada',
      login: 'ada',
      password: 'twelve letters',
    }),
  )
})
