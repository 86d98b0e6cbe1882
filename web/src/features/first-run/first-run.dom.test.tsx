import { cleanup, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { api } from '../../app/api.ts'
import { store } from '../../app/store.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { FirstRun } from './first-run.tsx'

afterEach(cleanup)

async function open(role: 'lead' | 'mechanic' = 'lead') {
  const shown = await showAs(role, <FirstRun />, { path: '/start', at: '/start' })
  await store.dispatch(api.util.upsertQueryData('places', {}, { sites: [], areas: [], units: [] }))
  return shown
}

describe('setting up', () => {
  it('says what is missing, and asks zone, frequency, units, paper and week of the first site', async () => {
    const { user } = await open()
    const add = await screen.findByRole<HTMLButtonElement>('button', { name: 'Add site' })
    expect(add.disabled).toBe(true)
    expect(document.body.textContent).toContain('Still needed: site name.')
    for (const label of ['Time zone', 'Supply frequency'])
      expect(screen.getByRole('combobox', { name: label })).toBeTruthy()
    for (const label of ['Units', 'Paper', 'Week starts on']) expect(screen.getByLabelText(label)).toBeTruthy()
    await user.type(screen.getByLabelText('Site name'), 'Harbor plant')
    expect(add.disabled).toBe(false)
  })
  it('can be skipped step by step, to the three ways machines come in', async () => {
    const { user } = await open()
    await user.click(await screen.findByRole('button', { name: 'Skip' }))
    expect(await screen.findByRole('heading', { name: 'Users' })).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Next' }))
    for (const name of ['Add a machine', 'Import a file', 'Load the demo'])
      expect(await screen.findByRole('button', { name })).toBeTruthy()
  })
  it('is a lead’s', async () => {
    await open('mechanic')
    expect(await screen.findByText('Only a lead can set up sites and users.')).toBeTruthy()
  })
})
