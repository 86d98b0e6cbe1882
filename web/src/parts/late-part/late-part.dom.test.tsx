import { act, cleanup, render, screen } from '@testing-library/react'
import { Suspense, type ComponentType } from 'react'
import { afterEach, expect, it, vi } from 'vitest'
import { lazyPart, screenOf } from './index.ts'

afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
})
const signal = (is: boolean) => vi.spyOn(navigator, 'onLine', 'get').mockReturnValue(is)

/** A part whose code comes once it may. */
function comingPart() {
  let here = false
  const load = (): Promise<ComponentType<{ of: string }>> =>
    here ? Promise.resolve(({ of }) => <p>chart of {of}</p>) : Promise.reject(new TypeError('Failed to fetch'))
  return { load, arrive: () => (here = true) }
}

it('a part that was not loaded says so in its place, and is there when it can be had', async () => {
  signal(false)
  const { load, arrive } = comingPart()
  const Chart = lazyPart('The chart', load)
  render(
    <>
      <p>amps 12.1</p>
      <Suspense fallback={null}>
        <Chart of="amps" />
      </Suspense>
    </>,
  )
  expect((await screen.findByRole('alert')).textContent).toMatch(/The chart was not loaded\. There was no signal/)
  expect(screen.getByText('amps 12.1')).toBeDefined()
  expect(screen.queryByRole('button')).toBeNull()
  signal(true)
  arrive()
  await act(async () => {
    window.dispatchEvent(new Event('online'))
    await Promise.resolve()
  })
  expect(await screen.findByText('chart of amps')).toBeDefined()
  expect(screen.queryByRole('alert')).toBeNull()
})

it('one that cannot be had with signal either asks for a reload, until the signal is gone', async () => {
  signal(true)
  const { load } = comingPart()
  const Chart = lazyPart('The chart', load)
  render(
    <Suspense fallback={null}>
      <Chart of="amps" />
    </Suspense>,
  )
  expect(await screen.findByRole('button', { name: 'Reload' })).toBeDefined()
  act(() => void window.dispatchEvent(new Event('offline')))
  expect(screen.queryByRole('button')).toBeNull()
  expect(screen.getByRole('alert').textContent).toMatch(/Reload the page when there is signal/)
})

it('a screen says that it opens by itself', async () => {
  signal(false)
  const Page = (await screenOf('This page', comingPart().load)) as ComponentType<{ of: string }>
  render(<Page of="amps" />)
  expect(screen.getByRole('alert').textContent).toMatch(/It opens by itself when there is signal/)
})
