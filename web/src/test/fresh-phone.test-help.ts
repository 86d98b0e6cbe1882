import { cleanup } from '@testing-library/react'
import { afterEach, beforeEach, vi } from 'vitest'
import { store } from '../offline/core/store.ts'

/** Each test of a file begins on a phone that keeps nothing, and leaves no page and no stand-in behind. */
export function freshPhone(): void {
  beforeEach(async () => {
    localStorage.clear()
    await Promise.all(store.tables.map((t) => t.clear()))
  })
  afterEach(() => {
    cleanup()
    vi.unstubAllGlobals()
  })
}
