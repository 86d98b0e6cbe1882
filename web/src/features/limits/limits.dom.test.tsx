import { limitRegister, policyChoices, type LimitId } from '@motor-round/core/limits'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { LimitsScreen } from './index.ts'

afterEach(cleanup)

const table = () => screen.getByRole('region', { name: 'Limits' })
const rows = () => [...table().querySelectorAll('tr')]
const rowOf = (id: LimitId) => {
  const row = rows().find((r) => r.textContent?.includes(limitRegister[id].title))
  if (!row) throw new Error(`no row of ${id}`)
  return row
}
const own = (id: LimitId) => screen.getByLabelText<HTMLInputElement>(`Own value: ${limitRegister[id].title}`)
const save = () => screen.queryByRole('button', { name: 'Save and update all results' })

describe('policies', () => {
  it('show every limit with its value in force and its source', async () => {
    await showAs('viewer', <LimitsScreen />)
    expect(rows()).toHaveLength(Object.keys(limitRegister).length + 1)
    for (const id of Object.keys(limitRegister) as LimitId[])
      expect([id, rowOf(id).textContent]).toEqual([id, expect.stringContaining(limitRegister[id].means)])
    expect(rowOf('filter-drop-watch').textContent).toContain('0.5 in wg')
    expect(rowOf('vibration-grown').textContent).toContain('2 times')
    // Each matter the trade disagrees about, with what its policies hold, the default chosen.
    for (const policyChoice of policyChoices) {
      const group = screen.getByRole('radiogroup', { name: policyChoice.title })
      const options = within(group).getAllByRole<HTMLInputElement>('radio')
      expect(options.map((o) => o.value)).toEqual(policyChoice.options.map((o) => o.id))
      expect(options[0]?.checked).toBe(true)
    }
  })

  it('are read, not written, by a mechanic', async () => {
    await showAs('mechanic', <LimitsScreen />)
    for (const radio of screen.getAllByRole<HTMLInputElement>('radio')) expect(radio.disabled).toBe(true)
    expect(screen.queryAllByLabelText(/^Own value/)).toHaveLength(0)
    expect(save()).toBeNull()
  })

  it('take a lead’s own value, and are not saved without a reason', async () => {
    const { user } = await showAs('lead', <LimitsScreen />)
    expect(save()).toBeNull()
    await user.type(own('filter-drop-watch'), '0.8')
    await user.tab()
    expect(rowOf('filter-drop-watch').textContent).toContain('0.8 in wg')
    expect(save()?.hasAttribute('disabled')).toBe(true)
    await user.type(screen.getByLabelText('Why'), 'pleats of the house')
    expect(save()?.hasAttribute('disabled')).toBe(false)
  })

  it('go back to what is in force by Discard, and by emptying the cell', async () => {
    const { user } = await showAs('lead', <LimitsScreen />)
    await user.type(own('filter-drop-watch'), '0.8')
    await user.tab()
    await user.click(screen.getByRole('button', { name: 'Discard' }))
    expect(rowOf('filter-drop-watch').textContent).toContain('0.5 in wg')
    expect(save()).toBeNull()
  })

  it('change a policy, and ask how far below the plate where it is trimmed', async () => {
    const { user } = await showAs('lead', <LimitsScreen />)
    expect(screen.queryByLabelText(/How far below the nameplate/)).toBeNull()
    await user.click(screen.getByRole('radio', { name: /^Trim below the nameplate/ }))
    expect(screen.getByLabelText<HTMLInputElement>(/How far below the nameplate/).value).not.toBe('')
    expect(screen.getByText('our own')).toBeTruthy()
    expect(save()).not.toBeNull()
  })

  it('leave a limit of a standard as it is', async () => {
    await showAs('lead', <LimitsScreen />)
    const fixed = (Object.keys(limitRegister) as LimitId[]).filter((id) => limitRegister[id].house === null)
    expect(fixed.length).toBeGreaterThan(3)
    for (const id of fixed) expect(screen.queryByLabelText(`Own value: ${limitRegister[id].title}`)).toBeNull()
  })

  it('keep what was chosen when the server is out of reach', async () => {
    const { user } = await showAs('lead', <LimitsScreen />)
    await user.click(screen.getByRole('radio', { name: /^Trim below the nameplate/ }))
    await user.type(screen.getByLabelText('Why'), 'bearings of the house')
    const button = save()
    if (!button) throw new Error('nothing to save')
    await user.click(button)
    expect(await screen.findByText(/your choices are kept here/)).toBeTruthy()
    expect(screen.getByRole<HTMLInputElement>('radio', { name: /^Trim below the nameplate/ }).checked).toBe(true)
  })
})
