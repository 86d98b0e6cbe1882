import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { decodeLive, decodeParameters, faultWords, rawOf, rawWords, type Words } from './decode.ts'
import { registerTypes, type RegisterField } from './profile.ts'
import { readPlan } from './read-plan.ts'
import { profile } from './vfd.test-help.ts'

const from =
  (registers: Readonly<Record<number, number>>): Words =>
  (_, r) =>
    registers[r]

const good = { 99: 0b11, 100: 5000, 102: 98, 103: 648, 104: 412, 105: 0x40e8, 106: 0, 107: 1, 108: 0x86a0, 110: 0 }

describe('what a drive says', () => {
  it('is its figures in their units', () => {
    const told = decodeLive(profile, from(good))
    // 0x40e80000 is 7.25 in IEEE 754; 0x186a0 is 100,000.
    expect(told.values).toEqual({
      hz: 50,
      volts: null,
      amps: 9.8,
      bus: 648,
      temperature: 41.2,
      power: 7.25,
      hours: 1e5,
    })
    expect(told.status).toEqual({ ready: true, running: true, fault: false, warning: false, reverse: false })
    expect(told.fault).toBeNull()
    expect(told.doubts).toEqual([])
  })
  it('is below zero where the field has a sign', () =>
    expect(decodeLive(profile, from({ ...good, 104: 0xffce })).values.temperature).toBe(-5))
  it('is told and not guessed where it cannot be', () => {
    const told = decodeLive(profile, from({ ...good, 102: 0xffff, 105: 0x7fc0 }))
    expect(told.values.amps).toBeNull()
    expect(told.values.power).toBeNull()
    expect(told.doubts).toEqual([
      'Output amps: the drive answers 6553.5 A, which is not possible. Check the drive profile.',
      'Output power: the answer is not a number.',
    ])
  })
  it('is a fault with its name, and the last ones with their hours', () => {
    const told = decodeLive(profile, from({ ...good, 99: 0b100, 110: 3, 111: 3, 112: 900, 113: 77, 114: 850, 115: 0 }))
    expect(told.fault).toEqual({ code: 3, text: 'OC-A', family: 'over-current-start' })
    expect(told.log).toEqual([
      { code: 3, text: 'OC-A', family: 'over-current-start', hours: 900 },
      { code: 77, text: null, family: null, hours: 850 },
    ])
    expect(told.log.map(faultWords)).toEqual([
      'OC-A: over-current while speeding up',
      'code 77: this profile does not know it, look it up in the drive manual',
    ])
  })
  it('doubts a trip without a code, and a drive that told nothing', () => {
    expect(decodeLive(profile, from({ ...good, 99: 0b100 })).doubts[0]).toMatch(/tripped and gives no code/)
    const silent = decodeLive(profile, () => undefined)
    expect(Object.values(silent.values).every((v) => v === null)).toBe(true)
    expect(Object.values(silent.status).every((v) => v === null)).toBe(true)
    expect(silent.doubts.length).toBeGreaterThan(5)
  })
  it('is its settings', () => {
    expect(decodeParameters(profile, from({ 300: 128, 301: 210, 330: 600, 400: 7 }))).toEqual({
      set: { 'plate-amps': 12.8, 'overload-amps': 21, 'max-hz': 60 },
      doubts: ['Direction: the drive answers 7, which is not possible. Check the drive profile.'],
    })
  })
})

describe('registers', () => {
  it('give back what was put in, in every type and order', () => {
    const random = seeded(5)
    for (let i = 0; i < 2000; i++)
      for (const type of registerTypes) {
        const field: RegisterField = { register: 10, table: 'holding', type, scale: type === 'f32' ? 1 : 0.1 }
        const signed = type === 's16' || type === 's32' || type === 'f32'
        const value = Math.round(random.next() * 32000 - (signed ? 16000 : 0)) / 10
        for (const order of ['high first', 'low first'] as const) {
          const [one, two] = rawWords(field, order, value)
          const raw = rawOf(field, order, (_, r) => (r === 10 ? one : two))
          expect((raw ?? NaN) * field.scale).toBeCloseTo(value, 2)
        }
      }
  })
  it('refuse what does not fit', () => {
    const field: RegisterField = { register: 0, table: 'holding', type: 'u16', scale: 0.1 }
    expect(() => rawWords(field, 'high first', 6553.6)).toThrow(RangeError)
    expect(() => rawWords(field, 'high first', -0.1)).toThrow(RangeError)
    expect(() => rawWords(field, 'high first', NaN)).toThrow(RangeError)
    expect(rawWords({ ...field, type: 's16' }, 'high first', -0.1)).toEqual([0xffff])
  })
})

describe('what is asked of a drive', () => {
  it('goes in as few requests as its gaps allow', () => {
    expect(readPlan(profile, 'live')).toEqual([{ table: 'holding', from: 99, count: 18 }])
    expect(readPlan(profile, 'parameters')).toEqual([
      { table: 'holding', from: 300, count: 2 },
      { table: 'holding', from: 330, count: 1 },
      { table: 'holding', from: 400, count: 1 },
    ])
  })
  it('never asks for more than a drive answers at once', () => {
    const long = { ...profile, faultLog: { register: 111, table: 'holding' as const, entries: 50 } }
    for (const b of readPlan(long, 'live')) expect(b.count).toBeLessThanOrEqual(100)
    expect(readPlan(long, 'live').reduce((n, b) => n + b.count, 0)).toBeGreaterThanOrEqual(112)
  })
})
