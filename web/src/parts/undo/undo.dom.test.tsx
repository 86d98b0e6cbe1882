import { act, cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { offerUndo, UndoHost } from './index.ts'

afterEach(cleanup)

describe('what can be undone', () => {
  it('is said with a button that takes it back, once', async () => {
    const user = userEvent.setup()
    render(<UndoHost />)
    const undo = vi.fn()
    act(() => offerUndo('Entry deleted', undo))
    expect(await screen.findByText('Entry deleted')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Undo' }))
    expect(undo).toHaveBeenCalledTimes(1)
  })
  it('shows nothing while nothing was done', () => {
    const { container } = render(<UndoHost />)
    expect(container.textContent).toBe('')
  })
})
