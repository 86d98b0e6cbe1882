import { roofMapPage, type RoofMapPage } from '@motor-round/contract'
import { blankMap } from '@motor-round/core/round'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { api } from '../../app/api.ts'
import { store } from '../../app/store.ts'
import { uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { RoofMapScreen } from './roof-map-screen.tsx'

afterEach(cleanup)

const areaId = uuid(2)
const page: RoofMapPage = roofMapPage.parse({
  area: { id: areaId, siteId: uuid(1), name: 'Hall roof', kind: 'roof', siteName: 'Ferry terminal' },
  map: {
    ...blankMap,
    units: { [uuid(101)]: { x: 5, y: 5, w: 3, h: 2 }, [uuid(102)]: { x: 20, y: 5, w: 3, h: 2 } },
    hatches: [{ id: uuid(700), name: 'Hatch', x: 2, y: 20 }],
    ladders: [{ id: uuid(701), name: 'Cage', x: 30, y: 2, to: null, height: 4 }],
    obstacles: [{ id: uuid(702), name: 'Skylight', kind: 'keep-clear', x: 10, y: 10, w: 8, h: 2 }],
    underlay: { id: uuid(703), x: -1, y: 0, w: 42, h: 24 },
  },
  version: 3,
  units: [
    {
      id: uuid(101),
      tag: 'RTU-1',
      kind: 'RTU',
      machines: [
        { id: uuid(11), tag: 'SF', level: 'ok', load: 0.8 },
        { id: uuid(12), tag: 'RF', level: 'fix', load: 1.1 },
      ],
    },
    { id: uuid(102), tag: 'RTU-2', kind: 'RTU', machines: [] },
  ],
  areas: [{ id: uuid(3), name: 'Upper roof' }],
})
const site = {
  id: uuid(1),
  name: 'Ferry terminal',
  zone: 'UTC',
  hertz: null,
  paper: 'letter',
  weekStart: 'sunday',
  version: 1,
} as const
async function open(
  role: 'mechanic' | 'viewer' = 'mechanic',
  over: Partial<RoofMapPage> = {},
  units: 'us' | 'metric' = 'metric',
) {
  const shown = await showAs(role, <RoofMapScreen />, { path: '/areas/:id/map', at: `/areas/${areaId}/map` })
  await store.dispatch(api.util.upsertQueryData('places', {}, { sites: [{ ...site, units }], areas: [], units: [] }))
  await store.dispatch(api.util.upsertQueryData('roofMap', { params: { id: areaId } }, { ...page, ...over }))
  await screen.findByRole('heading', { name: 'Roof map of Hall roof' })
  return shown
}
const unit = (tag: string) => screen.getByRole('button', { name: new RegExp(`^${tag}, `) })
const boxOf = (tag: string) => {
  const rect = unit(tag).querySelector('rect')
  return [rect?.getAttribute('x'), rect?.getAttribute('y')].map(Number)
}

describe('the plan of a roof', () => {
  it('shows each unit with its worst level and heaviest load, to scale, over its picture', async () => {
    await open('viewer')
    expect(unit('RTU-1').getAttribute('aria-label')).toBe('RTU-1, Fix, 110 % of plate')
    expect(unit('RTU-2').getAttribute('aria-label')).toBe('RTU-2, Not judged')
    expect(document.querySelector('image')?.getAttribute('href')).toBe(`/api/v1/map-pictures/${uuid(703)}`)
    expect(document.querySelector('.map-ruler text')?.textContent).toBe('10 m')
    expect(document.body.textContent).toContain('Cage, 4 m')
    expect(screen.queryByRole('button', { name: 'Edit map' })).toBeNull()
  })
  it('leads from a unit to its first fan', async () => {
    const { user, router } = await open()
    await user.click(unit('RTU-1'))
    expect(router.state.location.pathname).toBe(`/machines/${uuid(11)}`)
  })
  it('says where nobody has drawn it', async () => {
    await open('viewer', { version: 0 })
    expect(document.body.textContent).toContain('No map of this roof yet')
  })
})

describe('on a site of US units', () => {
  it('shows and takes feet, and keeps meters', async () => {
    const { user } = await open('mechanic', {}, 'us')
    expect(document.querySelector('.map-ruler text')?.textContent).toBe('50 ft')
    expect(document.body.textContent).toContain('Cage, 13.1 ft')
    await user.click(screen.getByRole('button', { name: 'Edit map' }))
    await user.click(unit('RTU-1'))
    fireEvent.keyDown(unit('RTU-1'), { key: 'ArrowRight' })
    expect(boxOf('RTU-1')[0]).toBeCloseTo(17 * 0.3048, 6)
    const width = screen.getByLabelText('Width, ft')
    await user.clear(width)
    await user.type(width, '200')
    expect(screen.getByRole('group', { name: /^Roof map of Hall roof, 200 by/ })).toBeTruthy()
    expect(document.querySelector('.map-deck')?.getAttribute('width')).toBe(String(200 * 0.3048))
    await user.clear(width)
    await user.type(width, 'wide')
    expect(screen.getByRole('alert').textContent).toBe('6.6 to 6561.7 ft')
    await user.click(screen.getByRole('button', { name: 'Set the scale' }))
    expect(document.body.textContent).toContain('Tap the first of two points')
  })
})

describe('drawing it', () => {
  const draw = async () => {
    const shown = await open()
    await shown.user.click(screen.getByRole('button', { name: 'Edit map' }))
    return shown
  }
  const save = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Save map' })
  it('moves a picked unit with the arrow keys by half a metre, turns it, and leaves the others', async () => {
    const { user } = await draw()
    await user.click(unit('RTU-1'))
    expect(document.body.textContent).toContain('RTU-1 is selected: arrow keys move it by half a meter.')
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowDown', 'ArrowLeft']) fireEvent.keyDown(unit('RTU-1'), { key })
    expect(boxOf('RTU-1')).toEqual([5.5, 5.5])
    expect(boxOf('RTU-2')).toEqual([20, 5])
    await user.click(screen.getByRole('button', { name: 'Rotate' }))
    expect(document.body.textContent).toContain('2 × 3 m, 5.5 m from the left')
  })
  it('takes sizes as they are typed, says at the field what is none, and does not save it', async () => {
    const { user } = await draw()
    const width = screen.getByLabelText('Width, m')
    await user.clear(width)
    await user.type(width, '52,5')
    expect(screen.getByRole('group', { name: 'Roof map of Hall roof, 52.5 by 24 m' })).toBeTruthy()
    const deep = screen.getByLabelText('Keep clear 1, depth, m')
    await user.clear(deep)
    await user.type(deep, 'wide')
    expect(screen.getByRole('alert').textContent).toBe('0.5 to 2000 m')
    expect(save().disabled).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Take off Skylight' }))
    expect(save().disabled).toBe(false)
  })
  it('says where a ladder leads, and takes the picture away', async () => {
    const { user } = await draw()
    expect(screen.getByLabelText('Ladder 1 leads to')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Set the scale' }))
    expect(document.body.textContent).toContain('Tap the first of two points whose distance you know.')
    await user.click(screen.getByRole('button', { name: 'Remove photo' }))
    expect(document.querySelector('image')).toBeNull()
    expect(document.body.textContent).toContain('RTU-1')
  })
  it('leaves all as it was', async () => {
    const { user } = await draw()
    await user.click(unit('RTU-1'))
    fireEvent.keyDown(unit('RTU-1'), { key: 'ArrowRight' })
    await user.click(screen.getByRole('button', { name: 'Discard changes' }))
    expect(boxOf('RTU-1')).toEqual([5, 5])
  })
})
