import { cleanup, screen, waitFor, within } from '@testing-library/react'
import { create } from 'qrcode'
import { afterEach, describe, expect, it } from 'vitest'
import { api } from '../../app/api.ts'
import { store } from '../../app/store.ts'
import { roundId, roundOf, uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { TagsScreen } from './tags-screen.tsx'

afterEach(cleanup)

/** The dark modules of a code as drawn: each path of the picture says where its dark runs are. */
function drawn(src: string): { size: number; dark: number } {
  const svg = decodeURIComponent(src.split(',')[1] ?? '')
  const size = Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1])
  const dark = [...svg.matchAll(/h(\d+)/g)].reduce((n, m) => n + Number(m[1]), 0)
  return { size, dark }
}

describe('a tag sheet', () => {
  const open = async () => {
    const shown = await showAs('mechanic', <TagsScreen />, { path: '/tags', at: `/tags?round=${roundId}` })
    await store.dispatch(api.util.upsertQueryData('round', { params: { id: roundId } }, roundOf()))
    await waitFor(() => expect(screen.getAllByRole('listitem')).toHaveLength(3))
    return shown
  }
  it('has one label a machine, with its name to be read and a code that opens its visit', async () => {
    await open()
    const labels = within(screen.getByRole('list', { name: 'Tags' })).getAllByRole('listitem')
    expect(labels.map((l) => l.textContent)).toEqual(['RTU-11SFHall roof', 'RTU-12SFHall roof', 'RTU-13SFHall roof'])
    const image = () => labels[1]?.querySelector('img')?.getAttribute('src') ?? ''
    await waitFor(() => expect(image()).toContain('svg'))
    const url = `${location.origin}/machines/${uuid(12)}/visit`
    const { modules } = create(url, { errorCorrectionLevel: 'Q' })
    const dark = modules.data.reduce((n: number, b) => n + (b ? 1 : 0), 0)
    expect(drawn(image()).size).toBe(modules.size)
    // The whole of the picture but its ground: what is drawn dark is what the code of that address has dark.
    expect(drawn(image()).dark - modules.size).toBe(dark)
    const other = create(`${location.origin}/machines/${uuid(11)}/visit`, { errorCorrectionLevel: 'Q' })
    expect(other.modules.data.join()).not.toBe(modules.data.join())
  })
  it('is made for Letter or A4', async () => {
    const { user } = await open()
    const paper = () =>
      [...document.querySelectorAll('style')].find((s) => s.textContent?.includes('@page'))?.textContent
    expect(paper()).toContain('size: letter')
    await user.click(screen.getByRole('combobox', { name: 'Paper' }))
    await user.click(await screen.findByText('A4', { selector: '.ant-select-item-option-content' }))
    expect(document.querySelector('.tag-sheet')?.className).toContain('tag-A4')
    expect(paper()).toContain('size: A4')
  })
})
