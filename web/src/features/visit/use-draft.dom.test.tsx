import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useDraft } from './use-draft.ts'

beforeEach(() => localStorage.clear())
afterEach(cleanup)

const open = (machine = 'm', corrects: string | null = null, start = {}) =>
  renderHook(() => useDraft(machine, corrects, start)).result

describe('the draft of a visit', () => {
  it('is found again as it was left, under the same id, whatever happened to the page', () => {
    const first = open()
    act(() => first.current.change({ typed: { 'amps L1': '12' }, waits: { bus: 5 } }))
    const { id } = first.current.draft
    cleanup()
    expect(open().current.draft).toMatchObject({ id, typed: { 'amps L1': '12' }, waits: { bus: 5 } })
  })
  it('two changes in one breath are both kept', () => {
    const hook = open()
    act(() => {
      hook.current.change((o) => ({ typed: { ...o.typed, a: '1' } }))
      hook.current.change((o) => ({ typed: { ...o.typed, b: '2' } }))
    })
    expect(hook.current.draft.typed).toEqual({ a: '1', b: '2' })
    cleanup()
    expect(open().current.draft.typed).toEqual({ a: '1', b: '2' })
  })
  it('that the device refuses to keep is still on the page, and it is reported', () => {
    const refuse = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    const hook = open()
    act(() => hook.current.change({ note: 'hums' }))
    expect(hook.current).toMatchObject({ draft: { note: 'hums' }, kept: false })
    refuse.mockRestore()
    act(() => hook.current.change({ note: 'hums, and warm' }))
    expect(hook.current.kept).toBe(true)
  })
  it('of one machine is not that of another, nor of a correction', () => {
    const hook = open()
    act(() => hook.current.change({ note: 'hums' }))
    expect(open('n').current.draft.note).toBe('')
    expect(open('m', 'old', { note: 'unchanged' }).current.draft.note).toBe('unchanged')
  })
  it('that was written before waits were counted opens with none', () => {
    localStorage.setItem('motor-round-visit m ', JSON.stringify({ id: 'x', typed: { 'amps L1': '9' }, state: {} }))
    expect(open().current.draft).toMatchObject({ id: 'x', waits: {}, scope: 'running', typed: { 'amps L1': '9' } })
  })
  it('that cannot be read is no draft, and hinders nobody', () => {
    for (const text of ['{', '"stop"', '{"id":7}', 'null']) {
      localStorage.setItem('motor-round-visit m ', text)
      expect(open().current.draft.typed).toEqual({})
      cleanup()
    }
  })
  it('forgotten begins anew under another id, so that nothing is sent twice', () => {
    const hook = open()
    act(() => hook.current.change({ note: 'sent' }))
    const { id } = hook.current.draft
    act(() => hook.current.forget())
    expect(localStorage.length).toBe(0)
    expect(hook.current.draft.note).toBe('')
    expect(hook.current.draft.id).not.toBe(id)
  })
})
