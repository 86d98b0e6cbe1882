import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useOnlyTab } from './use-only-tab.ts'

/** Locks as a browser has them: one holder a name, given back when the promise of its holder ends. */
const held = new Set<string>()
beforeEach(() => {
  held.clear()
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, _how: unknown, hold: (lock: object | null) => Promise<void> | undefined) => {
        if (held.has(name)) return hold(null)
        held.add(name)
        await hold({ name })
        held.delete(name)
      },
    },
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('the only tab', () => {
  it('is the first that has a visit open; the second is told, and other visits are others', async () => {
    const first = renderHook(() => useOnlyTab('stop a'))
    const second = renderHook(() => useOnlyTab('stop a'))
    const other = renderHook(() => useOnlyTab('stop b'))
    await waitFor(() => expect(second.result.current).toBe(false))
    expect(first.result.current).toBe(true)
    expect(other.result.current).toBe(true)
  })
  it('is the next one once the first is closed', async () => {
    const first = renderHook(() => useOnlyTab('stop a'))
    first.unmount()
    await act(() => Promise.resolve())
    const second = renderHook(() => useOnlyTab('stop a'))
    await act(() => Promise.resolve())
    expect(second.result.current).toBe(true)
  })
  it('is every tab where the browser has no locks', () => {
    vi.stubGlobal('navigator', {})
    expect(renderHook(() => useOnlyTab('stop a')).result.current).toBe(true)
  })
})
