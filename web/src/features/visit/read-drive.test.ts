import { describe, expect, it } from 'vitest'
import { filledBy } from './read-drive.tsx'

const values = { hz: 47.03, volts: 450.4, amps: 6.04, bus: 831.2, power: 3, temperature: 34, hours: 21_455 }
const status = { ready: true, running: true, fault: false, warning: false, reverse: false }
const fault = { code: 5, text: 'GF', family: 'ground' } as const
const of = (over: object) => filledBy({ values, status, fault: null, log: [], doubts: [], ...over })

describe('what a drive that was read puts into a visit', () => {
  it('is its figures while it runs, told as read by an instrument', () => {
    const filled = of({})
    expect(filled.typed).toEqual({
      'hz motor': '47.03',
      'drive_amps output': '6.04',
      'drive_volts output': '450',
      'bus_volts bus': '831',
    })
    expect(new Set(Object.values(filled.taken).map((t) => t.how))).toEqual(new Set(['meter']))
    expect(filled.answers).toEqual({ 'drive.display': 'run' })
  })
  it('leaves out what it did not show', () => {
    const { typed } = of({ values: { ...values, amps: null, bus: null } })
    expect(Object.keys(typed)).toEqual(['hz motor', 'drive_volts output'])
  })
  it('is its fault, and no figure of a fan that stands', () => {
    const tripped = { ...status, running: false, fault: true }
    expect(of({ status: tripped, fault })).toEqual({
      typed: {},
      taken: {},
      answers: { 'drive.display': 'fault', 'drive.code': 'GF', 'drive.family': 'ground' },
    })
    expect(of({ status: tripped, fault: { code: 77, text: null, family: null } }).answers).toEqual({
      'drive.display': 'fault',
      'drive.code': '77',
    })
  })
  it('answers nothing for a drive that stands without a fault, or does not say', () => {
    expect(of({ status: { ...status, running: false } })).toEqual({ typed: {}, taken: {}, answers: {} })
    const silent = { ready: null, running: null, fault: null, warning: null, reverse: null }
    expect(of({ status: silent })).toEqual({ typed: {}, taken: {}, answers: {} })
    expect(of({ status: { ...status, warning: true } }).answers).toEqual({ 'drive.display': 'warning' })
  })
})
