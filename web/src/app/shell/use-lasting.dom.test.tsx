import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useLasting } from './use-lasting.ts'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})
const pass = (ms: number) => act(() => void vi.advanceTimersByTime(ms))

it('what is over sooner is never told, and each time counts from its own start', () => {
  const { result, rerender } = renderHook(({ on }) => useLasting(on, 2000), { initialProps: { on: false } })
  for (let i = 0; i < 3; i++) {
    rerender({ on: true })
    pass(1500)
    expect(result.current).toBe(false)
    rerender({ on: false })
    pass(1500)
  }
  rerender({ on: true })
  pass(2000)
  expect(result.current).toBe(true)
  rerender({ on: false })
  expect(result.current).toBe(false)
})
