import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { UnitField } from './unit-field.tsx'

afterEach(cleanup)

function Form({
  unit,
  metric,
  at,
  say,
}: {
  unit: string
  metric: boolean
  at: number | null
  say: (v: unknown) => void
}) {
  const [value, setValue] = useState(at)
  return (
    <UnitField
      title="Figure"
      unit={unit}
      metric={metric}
      value={value}
      max={1000}
      onChange={(v) => {
        setValue(v)
        say(v)
      }}
    />
  )
}
const cell = () => screen.getByRole<HTMLInputElement>('spinbutton')
const type = (text: string) => fireEvent.change(cell(), { target: { value: text } })

describe('a figure that is kept in US units', () => {
  it.each([
    // 1 in wg is 249.08891 Pa, 1 cfm 1.699 m³/h, 1 lb·ft² 0.04214 kg·m² (NIST SP 811, appendix B); 60 °C is 140 °F, 18 °F of rise 10 K.
    ['in wg', 'Figure, Pa', 0.5, '124.5445', '249.0889', 1],
    ['cfm', 'Figure, m³/h', 100, '169.9011', '1699.011', 1000],
    ['lb·ft²', 'Figure, kg·m²', 20, '0.8428022', '4.214011', 100],
    ['°F', 'Figure, °C', 140, '60', '100', 212],
    ['Δ°F', 'Figure, K', 18, '10', '20', 36],
  ])('%s is %s on a metric site', (unit, label, at, shown, typed, kept) => {
    const say = vi.fn()
    render(<Form unit={unit} metric at={at} say={say} />)
    expect(screen.getByRole('spinbutton', { name: label })).toBe(cell())
    expect(Number(cell().value)).toBeCloseTo(Number(shown), 3)
    type(typed)
    expect(say.mock.lastCall?.[0]).toBeCloseTo(kept, 2)
    // What was typed stands as it was typed.
    expect(cell().value).toBe(typed)
  })
  it('is shown and kept as it is typed where the site has US units', () => {
    const say = vi.fn()
    render(<Form unit="in wg" metric={false} at={0.5} say={say} />)
    expect(screen.getByRole('spinbutton', { name: 'Figure, in wg' })).toBe(cell())
    type('0.75')
    expect(say).toHaveBeenLastCalledWith(0.75)
    type('')
    expect(say).toHaveBeenLastCalledWith(null)
  })
})
