import { afterEach, expect, it, vi } from 'vitest'
import { api } from './api.ts'
import { answerFor } from './confirm-again.ts'
import { store } from './store.ts'

afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

it('a call that breaks on this side is a failure like any other, which every page can show', async () => {
  const told = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  const refusal = { type: 'about:blank', title: 'Enter your password again', status: 403, needs: 'password' }
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(refusal), { status: 403 })))
  const why = new Error('the dialog was not loaded')
  const leave = answerFor(() => Promise.reject(why))
  const { error } = await store.dispatch(api.endpoints.findMachines.initiate({ query: { q: 'this side' } }))
  leave()
  expect(error).toMatchObject({ noSignal: false, problem: { title: 'The app failed here' } })
  expect(told).toHaveBeenCalledWith(why)
})
