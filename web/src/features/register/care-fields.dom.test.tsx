import { noCare, type Care } from '@motor-round/contract'
import { cleanup, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { CareFields } from './care-fields.tsx'

afterEach(cleanup)

let told: Care = noCare
function Form({ care }: { care: Care }) {
  const [own, setOwn] = useState(care)
  return (
    <CareFields
      care={own}
      set={(c) => {
        told = c
        setOwn(c)
      }}
    />
  )
}

describe('what a unit asks of those who come to it', () => {
  it('takes the times at which it may stop as one writes them, and says what is none', async () => {
    const { user } = await showAs('lead', <Form care={noCare} />)
    const field = screen.getByLabelText('May be shut down at')
    await user.type(field, '6:00-10:00, 14:00–15:30')
    expect(told.windows).toEqual([
      { from: 360, to: 600 },
      { from: 840, to: 930 },
    ])
    await user.type(field, ', 9:00-8:00')
    expect(screen.getByRole('alert').textContent).toBe('such as 6:00–10:00, 14:00–15:00')
    // What is no time yet changes nothing that was said before.
    expect(told.windows).toHaveLength(2)
    await user.clear(field)
    expect(told.windows).toEqual([])
  })
  it('shows what was said, and takes people, hazards and who is told', async () => {
    const care: Care = { ...noCare, windows: [{ from: 360, to: 600 }], people: 1, hazards: '', tell: 'Terminal desk' }
    const { user } = await showAs('lead', <Form care={care} />)
    expect(screen.getByDisplayValue('6:00 AM–10:00 AM')).toBeTruthy()
    expect(screen.getByDisplayValue('Terminal desk')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Two' }))
    await user.type(screen.getByLabelText('Hazards'), 'Ice')
    expect(told).toEqual({ ...care, people: 2, hazards: 'Ice' })
    await user.click(screen.getByRole('button', { name: 'One' }))
    expect(told.people).toBe(1)
    await user.type(screen.getByLabelText('Lifting: what, weight and how'), 'Motor, 60 kg')
    await user.click(screen.getByRole('button', { name: 'Yes' }))
    expect(told).toMatchObject({ lift: 'Motor, 60 kg', critical: true })
  })
})
