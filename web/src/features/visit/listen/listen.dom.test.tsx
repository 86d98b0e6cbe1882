import { cleanup, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { showAs } from '../../../test/show.test-help.tsx'
import { Listen } from './listen.tsx'
import { mayListen } from '../../../parts/ear/index.ts'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})
/** A browser whose microphone answers so. */
const microphone = (answer: () => Promise<MediaStream>) =>
  vi.stubGlobal('navigator', { ...navigator, mediaDevices: { getUserMedia: answer } })
const refused = (name: string) => () => Promise.reject(Object.assign(new Error(''), { name }))

describe('listening to a span', () => {
  it('is not offered where there is nothing to listen with', () => {
    expect(mayListen()).toBe(false)
    microphone(refused('x'))
    for (const part of ['AudioContext', 'AudioWorkletNode']) vi.stubGlobal(part, class {})
    expect(mayListen()).toBe(true)
  })
  it('says why it cannot, and may be tried again; nothing is taken', async () => {
    const take = vi.fn()
    const { user } = await showAs('mechanic', <Listen take={take} />)
    for (const [name, words] of [
      ['NotAllowedError', /Microphone access is blocked/],
      ['NotFoundError', /No microphone found/],
      ['NotReadableError', /microphone is in use/],
    ] as const) {
      microphone(refused(name))
      await user.click(await screen.findByRole('button', { name: 'Listen' }))
      expect((await screen.findByText(words)).getAttribute('role')).toBe('alert')
    }
    expect(take).not.toHaveBeenCalled()
  })
  it('lets go of the microphone when what it takes to listen cannot be had', async () => {
    const stop = vi.fn()
    microphone(() => Promise.resolve({ getTracks: () => [{ stop }] } as unknown as MediaStream))
    const closed = vi.fn(() => Promise.resolve())
    vi.stubGlobal(
      'AudioContext',
      class {
        audioWorklet = { addModule: () => Promise.reject(new Error('no')) }
        close = closed
      },
    )
    const { user } = await showAs('mechanic', <Listen take={vi.fn()} />)
    await user.click(await screen.findByRole('button', { name: 'Listen' }))
    await screen.findByRole('alert')
    await waitFor(() => expect([stop.mock.calls.length, closed.mock.calls.length]).toEqual([1, 1]))
  })
})
