import { defaultPolicies } from '@motor-round/core/limits'
import { checkDefinitions, type Wait } from '@motor-round/core/judge'
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { facts } from '../../test/facts.test-help.ts'
import { clockText } from '../../app/clock-text.ts'
import { WaitClock } from './wait-clock.tsx'

const wait: Wait = { id: 'bus', words: 'Drive bus draining', seconds: 900, then: 'Measure the bus.' }
const began = Date.parse('2026-11-25T09:00:00Z')
const nothing = () => undefined
const show = (startedAt: number | null, start = nothing, stop = nothing) =>
  render(<WaitClock wait={wait} startedAt={startedAt} start={start} stop={stop} />)
const left = () => screen.getByRole('timer').textContent

beforeEach(() => {
  vi.useFakeTimers()
  vi.setSystemTime(began)
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

describe('a wait', () => {
  it('says beforehand how long it will be', () => {
    const start = vi.fn()
    show(null, start)
    const button = screen.getByRole('button', { name: 'Drive bus draining: wait 15 min' })
    button.click()
    expect(start).toHaveBeenCalledOnce()
  })
  it('counts down by the clock of the device', () => {
    show(began)
    expect(left()).toBe('15:00')
    act(() => void vi.advanceTimersByTime(61_000))
    expect(left()).toBe('13:59')
  })
  it('has gone on while the screen was dark', () => {
    show(began)
    act(() => {
      vi.setSystemTime(began + 600_000)
      vi.advanceTimersByTime(500)
    })
    expect(left()).toMatch(/^(5:00|4:59)$/)
  })
  it('says what is done next when it is over, and stays at nothing', () => {
    show(began)
    expect(screen.queryByText('Measure the bus.')).toBeNull()
    act(() => void vi.advanceTimersByTime(900_000))
    expect(left()).toBe('0:00')
    expect(screen.getByText('Measure the bus.')).toBeTruthy()
    act(() => void vi.advanceTimersByTime(60_000))
    expect(left()).toBe('0:00')
  })
  it('never waits longer than it is, though the clock of the device was set back', () => {
    show(began + 3_600_000)
    expect(left()).toBe('15:00')
  })
  it('is ended by hand', () => {
    const stop = vi.fn()
    show(began, nothing, stop)
    screen.getByRole('button', { name: 'Off' }).click()
    expect(stop).toHaveBeenCalledOnce()
  })
})

describe('the waits of the checks', () => {
  const of = (machine: typeof facts) =>
    checkDefinitions.flatMap((c) => (c.for(machine) ? (c.waits?.(machine, defaultPolicies) ?? []) : []))
  it('a drive’s bus where there is a drive, a protector where the motor is single-phase', () => {
    expect(of(facts)).toEqual([])
    expect(of({ ...facts, hasVfd: true }).map((w) => [w.id, w.seconds])).toEqual([['bus', 900]])
    expect(of({ ...facts, phases: 1, serviceVolts: 230 }).map((w) => [w.id, w.seconds])).toEqual([['protector', 3600]])
  })
  it('the bus waits as long as the limit says', () => {
    const policies = { ...defaultPolicies, limits: { 'drive-wait': 5 } }
    const check = checkDefinitions.find((c) => c.id === 'prove-dead')
    expect(check?.waits?.({ ...facts, hasVfd: true }, policies).map((w) => w.seconds)).toEqual([300])
  })
  it('none of them calls anything safe', () => {
    for (const w of of({ ...facts, phases: 1, serviceVolts: 230, hasVfd: true }))
      expect(`${w.words} ${w.then}`).not.toMatch(/\bsafe\b/i)
  })
})

describe('a clock’s text', () => {
  it('is minutes and seconds', () => {
    expect([0, 9, 60, 601, 3600].map(clockText)).toEqual(['0:00', '0:09', '1:00', '10:01', '60:00'])
  })
})
