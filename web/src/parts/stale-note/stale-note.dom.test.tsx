import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, it, vi } from 'vitest'
import { StaleNote } from './stale-note.tsx'

afterEach(cleanup)

it('puts mine beside theirs when somebody saved first, and either is kept', async () => {
  const [keepMine, takeTheirs] = [vi.fn(), vi.fn()]
  render(
    <StaleNote
      told="Brin Hallow changed it meanwhile."
      differences={[{ what: 'Supply, V', mine: '480', theirs: '208' }]}
      keepMine={keepMine}
      takeTheirs={takeTheirs}
    />,
  )
  expect(screen.getByRole('alert').textContent).toContain('Brin Hallow changed it meanwhile.')
  expect(screen.getByRole('row', { name: 'Supply, V 480 208' })).toBeTruthy()
  await userEvent.click(screen.getByRole('button', { name: 'Keep mine' }))
  await userEvent.click(screen.getByRole('button', { name: 'Keep theirs' }))
  expect([keepMine.mock.calls.length, takeTheirs.mock.calls.length]).toEqual([1, 1])
})
