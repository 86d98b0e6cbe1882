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
    render(<BurnForm step="FD11" burner={null} scale="F" say={say} />)
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
    render(<BurnForm step="FD11" burner={{ oxygenLow: 4, oxygenHigh: 6.5 }} scale="F" say={vi.fn()} />)
    const shown = (label: string) => screen.getByRole<HTMLInputElement>('spinbutton', { name: label }).value
    expect([shown('Appliance: oxygen from, %'), shown('Appliance: oxygen to, %')]).toEqual(['4', '6.5'])
    expect(shown('Appliance: stack from, °F')).toBe('325')
  })
  it('is typed and told in °C where the site has it, and kept in °F', async () => {
    const say = vi.fn().mockResolvedValue(true)
    render(<BurnForm step="FD11" burner={{ stackLow: 300, stackHigh: 392 }} scale="C" say={say} />)
    for (const word of ['Natural gas', 'No leak', 'Steady']) press(word)
    for (const [label, value] of [
      ['CO as read, ppm', '20'],
      ['Oxygen, %', '7'],
      ['Stack (if read), °C', '210'],
      ['Temperature rise, K', '20'],
      ['Nameplate rise from, K', '25'],
      ['Nameplate rise to, K', '40'],
    ] as const)
      enter(label, value)
    const told = screen.getByRole('status').textContent
    // 300 °F is 148.9 °C, 392 °F is 200 °C.
    expect(told).toContain('Stack 210 °C, outside 148.9 to 200 °C')
    expect(told).toContain('Rise 20 K, below the 25 K of the nameplate')
    press('Save the test')
    // 210 °C is 410 °F; a rise of 20 K is one of 36 °F.
    await vi.waitFor(() =>
      expect(say).toHaveBeenCalledWith(
        expect.objectContaining({ test: expect.objectContaining({ stack: 410, rise: 36, riseLow: 45 }) as unknown }),
      ),
    )
  })
})
