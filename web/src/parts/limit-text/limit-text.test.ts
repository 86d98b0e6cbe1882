import { limitRegister, type LimitId } from '@motor-round/core/limits'
import { describe, expect, it } from 'vitest'
import { limitWords, shownLimit, typedLimit } from './limit-text.ts'

describe('a limit as it is read and typed', () => {
  it('shows ratios in per cent and every other with its unit', () => {
    expect(shownLimit({ unit: 'ratio' }, 0.045)).toBe('4.5 %')
    expect(shownLimit({ unit: 'V' }, 50)).toBe('50 V')
    expect(shownLimit({ unit: 'inwg' }, 0.5)).toBe('0.5 in wg')
    expect(shownLimit({ unit: 'count' }, 2)).toBe('2 times')
    expect(shownLimit({ unit: 'Mohm' }, 5)).toBe('5 MΩ')
  })
  it('reads back what it shows, of every limit there is', () => {
    for (const id of Object.keys(limitRegister) as LimitId[]) {
      const limit = limitRegister[id]
      const back = typedLimit(limit, shownLimit(limit, limit.value))
      expect([id, back]).toEqual([id, expect.closeTo(limit.value, 4)])
    }
  })
  it('shows no limit without its unit', () => {
    for (const limit of Object.values(limitRegister)) expect(shownLimit(limit, limit.value)).toMatch(/\S \S/)
  })
  it('tells a pressure for US and metric sites, and takes it typed in either', () => {
    expect(limitWords({ unit: 'inwg' }, 0.5)).toBe('0.5 in wg (125 Pa)')
    expect(limitWords({ unit: 'V' }, 50)).toBe('50 V')
    expect(typedLimit({ unit: 'inwg' }, '125 Pa')).toBe(0.502)
    expect(typedLimit({ unit: 'inwg' }, 'some Pa')).toBeNull()
  })
  it('tells a temperature in both scales, and takes it typed in either', () => {
    expect(limitWords({ unit: 'degC' }, 95)).toBe('95 °C (203 °F)')
    expect(typedLimit({ unit: 'degC' }, '203 °F')).toBe(95)
    expect(typedLimit({ unit: 'degC' }, '203F')).toBe(95)
    expect(typedLimit({ unit: 'degC' }, '95 °C')).toBe(95)
    expect(typedLimit({ unit: 'degC' }, 'hot °F')).toBeNull()
  })
  it('takes a comma, and refuses what is no figure', () => {
    expect(typedLimit({ unit: 'V' }, '47,5')).toBe(47.5)
    expect(typedLimit({ unit: 'ratio' }, '6 %')).toBe(0.06)
    expect(typedLimit({ unit: 'V' }, 'much')).toBeNull()
    expect(typedLimit({ unit: 'V' }, '')).toBeNull()
  })
})
