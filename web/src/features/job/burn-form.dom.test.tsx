import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { BurnForm } from './burn-form.tsx'

const enter = (label: string, value: string) =>
  fireEvent.change(screen.getByRole('spinbutton', { name: label }), { target: { value } })
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }))

afterEach(cleanup)

describe('a combustion test', () => {
  it('is judged as it is typed by the ranges of the appliance, and kept whole', async () => {
    const say = vi.fn().mockResolvedValue(true)
    render(<BurnForm step="FD11" burner={null} say={say} />)
    press('Natural gas')
    press('No leak')
    press('Steady')
    for (const [label, value] of [
      ['CO as read, ppm', '20'],
      ['Oxygen, %', '9.8'],
      ['Temperature rise, °F', '45'],
      ['Nameplate rise from, °F', '30'],
      ['Nameplate rise to, °F', '60'],
    ] as const)
      enter(label, value)
    expect(screen.getByRole('status').textContent).toContain('Oxygen 9.8 %, outside 6 to 9 %')
    enter('Appliance: oxygen to, %', '10')
    expect(screen.getByRole('status').textContent).toContain('Burns clean, everything in range.')
    enter('Appliance: oxygen from, %', '11')
    expect(screen.getByRole('alert').textContent).toContain('from its lower end')
    expect(screen.getByRole('button', { name: 'Enter the whole test' })).toHaveProperty('disabled', true)
    enter('Appliance: oxygen from, %', '7')
    press('Save the test')
    await vi.waitFor(() =>
      expect(say).toHaveBeenCalledWith({
        kind: 'burn',
        step: 'FD11',
        test: expect.objectContaining({
          oxygen: 9.8,
          oxygenLow: 7,
          oxygenHigh: 10,
          stackLow: 325,
          steady: true,
        }) as unknown,
      }),
    )
  })
  it('starts from the ranges that are entered at the machine', () => {
    render(<BurnForm step="FD11" burner={{ oxygenLow: 4, oxygenHigh: 6.5 }} say={vi.fn()} />)
    const shown = (label: string) => screen.getByRole<HTMLInputElement>('spinbutton', { name: label }).value
    expect([shown('Appliance: oxygen from, %'), shown('Appliance: oxygen to, %')]).toEqual(['4', '6.5'])
    expect(shown('Appliance: stack from, °F')).toBe('325')
  })
})
