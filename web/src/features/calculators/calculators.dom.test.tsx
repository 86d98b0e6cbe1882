import { calculators } from '@motor-round/core/calc'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { Calculators, CalculatorScreen } from './index.ts'

afterEach(cleanup)

const result = () => screen.getByRole('region', { name: 'Result' }).textContent ?? ''
const open = async (id: string) => {
  const shown = await showAs('mechanic', <CalculatorScreen />, { path: '/calculators/:id', at: `/calculators/${id}` })
  return shown.user
}
const openEmpty = async (id: string) => {
  const user = await open(id)
  await user.click(screen.getByText('Clear'))
  return user
}

describe('a calculator', () => {
  it('lists every calculator once, in its group', async () => {
    await showAs('viewer', <Calculators />)
    const links = screen.getAllByRole('link').map((a) => a.getAttribute('href'))
    for (const c of calculators) expect(links.filter((l) => l === `/calculators/${c.id}`)).toHaveLength(1)
    for (const heading of ['Belts and sheaves', 'Bearings and grease', 'Air', 'Vibration, balance and sound'])
      expect(screen.getByRole('heading', { name: heading })).toBeTruthy()
  })
})

describe('a calculator’s page', () => {
  it('answers as soon as all is there, key by key', async () => {
    const user = await openEmpty('bearing-life')
    expect(result()).toContain('the answer updates as you type')
    await user.type(screen.getByLabelText('Rating C, kN'), '14')
    await user.type(screen.getByLabelText('Load P, kN'), '1.8')
    await user.type(screen.getByLabelText('Rpm, rpm'), '1760')
    // ISO 281: 4456 h.
    expect(result()).toContain('4,456 h')
    await user.clear(screen.getByLabelText('Load P, kN'))
    await user.type(screen.getByLabelText('Load P, kN'), '3.6')
    expect(result()).toContain('556.9 h')
  })

  it('names the field of what cannot be, and keeps what was typed', async () => {
    const user = await openEmpty('belt-length')
    await user.type(screen.getByLabelText('Smaller pitch diameter, in'), '4.2')
    await user.type(screen.getByLabelText('Larger pitch diameter, in'), '9.4')
    await user.type(screen.getByLabelText('Center distance, in'), '5')
    expect(screen.getByText(/more than half the two diameters/)).toBeTruthy()
    expect(result()).toContain('Correct the marked fields.')
    await user.type(screen.getByLabelText('Center distance, in'), '0')
    expect(result()).toMatch(/Nearest stocked beltA\d+/)
    expect(screen.getByLabelText<HTMLInputElement>('Smaller pitch diameter, in').value).toBe('4.2')
  })

  it('a word where a figure belongs is told', async () => {
    const user = await openEmpty('belt-note')
    await user.type(screen.getByLabelText('Frequency of the span, Hz'), 'fourty')
    await user.type(screen.getByLabelText('Free span, in'), '21.65')
    expect(result()).toContain('Correct the marked fields.')
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0)
  })

  it('opens with its worked example, which what is typed replaces, and clears it', async () => {
    const user = await open('grease')
    expect(result()).toContain('10.35 g')
    expect(screen.getByText(/worked example/)).toBeTruthy()
    await user.type(screen.getByLabelText('Bore, mm'), '50')
    expect(screen.getByLabelText<HTMLInputElement>('Bore, mm').value).toBe('50')
    expect(screen.queryByText(/worked example/)).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Worked example' }))
    expect(result()).toContain('10.35 g')
    await user.click(screen.getByText('Clear'))
    expect(screen.getByLabelText<HTMLInputElement>('Bore, mm').value).toBe('')
  })

  it('is read and typed in metric units where that is wanted, and only where there is something to change', async () => {
    const user = await open('belt-length')
    await user.click(screen.getByRole('button', { name: 'Metric units' }))
    await user.click(screen.getByRole('button', { name: 'Worked example' }))
    const small = screen.getByLabelText<HTMLInputElement>('Smaller pitch diameter, mm')
    expect(Number(small.value)).toBeGreaterThan(50)
    expect(result()).toMatch(/\d mm/)
    expect(result()).not.toMatch(/\d in\b/)
    await user.click(screen.getByRole('button', { name: 'Inches, pounds, cfm' }))
    expect(screen.getByLabelText('Smaller pitch diameter, in')).toBeTruthy()
    cleanup()
    await open('current-unbalance')
    expect(screen.queryByRole('button', { name: 'Metric units' })).toBeNull()
  })

  it('carries what was typed over to the other units, and says what is wrong in those', async () => {
    const user = await open('adjustable-sheave')
    await user.click(screen.getByRole('button', { name: 'Worked example' }))
    await user.clear(screen.getByLabelText('Pitch diameter, closed, in'))
    await user.type(screen.getByLabelText('Pitch diameter, closed, in'), '4.5')
    await user.click(screen.getByRole('button', { name: 'Metric units' }))
    const closed = screen.getByLabelText<HTMLInputElement>('Pitch diameter, closed, mm')
    expect(closed.value).toBe('114.3')
    await user.clear(closed)
    await user.type(closed, '300000')
    expect(document.body.textContent).toContain('Pitch diameter, closed: 300,000 mm is more than 254,000 mm.')
    await user.click(screen.getByRole('button', { name: 'Inches, pounds, cfm' }))
    expect(screen.getByLabelText<HTMLInputElement>('Pitch diameter, closed, in').value).toBe('11811.023622')
    expect(document.body.textContent).toContain('Pitch diameter, closed: 11,811 in is more than 10,000 in.')
  })

  it('says that there is no such one', async () => {
    await open('perpetual-motion')
    expect(screen.getByText(/no such calculator/)).toBeTruthy()
  })
})
