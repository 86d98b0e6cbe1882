import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, expect, it, vi } from 'vitest'
import { SafePart } from './index.ts'

afterEach(cleanup)

function Chart({ value }: { value: number }) {
  if (value > 9) throw new RangeError('too large')
  return <p>drawn {value}</p>
}
function Page() {
  const [value, setValue] = useState(5)
  return (
    <>
      <input aria-label="Value" value={value} onChange={(e) => setValue(Number(e.target.value))} />
      <SafePart what="The chart">
        <Chart value={value} />
      </SafePart>
    </>
  )
}

it('a part that fails leaves what was typed around it, and can be tried again', () => {
  const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  render(<Page />)
  const type = (value: string) => fireEvent.change(screen.getByLabelText('Value'), { target: { value } })
  type('12')
  expect(screen.getByRole('alert').textContent).toContain('The chart cannot be shown.')
  expect(screen.getByLabelText<HTMLInputElement>('Value').value).toBe('12')
  type('7')
  fireEvent.click(screen.getByRole('button', { name: 'Retry' }))
  expect(screen.getByText('drawn 7')).toBeDefined()
  quiet.mockRestore()
})
