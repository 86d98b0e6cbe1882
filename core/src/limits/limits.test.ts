import { describe, expect, it } from 'vitest'
import { defaultPolicies, limitInForce, limitRegister, policyChoices, type Limit, type LimitId } from './index.ts'

const all = Object.entries(limitRegister) as [LimitId, Limit][]

describe('the register of limits', () => {
  it.each(all)('%s: its own id, words, a basis and a value its house may choose', (id, limit) => {
    expect(limit.id).toBe(id)
    expect(limit.title).not.toBe('')
    expect(limit.means).toMatch(/\.$/)
    expect(limit.basis.text).not.toBe('')
    expect(Number.isFinite(limit.value)).toBe(true)
    if (limit.house) {
      expect(limit.house.min).toBeLessThan(limit.house.max)
      expect(limit.value).toBeGreaterThanOrEqual(limit.house.min)
      expect(limit.value).toBeLessThanOrEqual(limit.house.max)
    }
  })
  it('lets no house move what a standard fixes', () => {
    // MG 1 12.44, 12.45, 14.36; NEC 430.32; IEEE 43.
    for (const id of [
      'voltage-unbalance-stop',
      'voltage-unbalance-clean',
      'volts-motor-window',
      'overload-setting',
      'insulation-random-wound',
    ] as const)
      expect(limitRegister[id].house).toBeNull()
  })
  it('holds the published figures', () => {
    expect(limitRegister['voltage-unbalance-stop'].value).toBe(0.05) // NEMA MG 1, 14.36
    expect(limitRegister['voltage-unbalance-clean'].value).toBe(0.01) // NEMA MG 1, 12.45
    expect(limitRegister['volts-motor-window'].value).toBe(0.1) // NEMA MG 1, 12.44
    expect(limitRegister['insulation-random-wound'].value).toBe(5) // IEEE 43
    expect(limitRegister['insulation-form-wound'].value).toBe(100) // IEEE 43
    expect(limitRegister['polarisation-clear'].value).toBe(5000) // IEEE 43
    expect(limitRegister['bus-volts'].value).toBe(50) // common practice
    expect(limitRegister['ground-amps-watch'].value).toBe(0.03) // IEC 60479-1, from memory
  })
})

describe('a limit in force', () => {
  it('is the site’s own within its bounds, named as such, else the published one', () => {
    const policies = { ...defaultPolicies, limits: { 'dead-volts': 3 } }
    expect(limitInForce('dead-volts', policies)).toMatchObject({ value: 3, basis: { kind: 'site policy' } })
    expect(limitInForce('dead-volts', { ...policies, limits: { 'dead-volts': 400 } }).value).toBe(
      limitRegister['dead-volts'].value,
    )
    expect(limitInForce('bus-volts', { ...policies, limits: { 'bus-volts': 400 } }).value).toBe(50)
  })
})

describe('where the trade disagrees', () => {
  it('the first option of every policy is the default, and says why', () => {
    for (const s of policyChoices) {
      expect(defaultPolicies[s.key]).toBe(s.options[0]?.id)
      expect(s.options[0]?.holds).toContain('Default')
      expect(s.fixed).not.toBe('')
    }
  })
  it('covers every choice of the rules once', () => {
    const keys = Object.keys(defaultPolicies).filter((k) => k !== 'trim' && k !== 'limits')
    expect(policyChoices.map((s) => s.key).sort()).toEqual(keys.sort())
  })
  it('gives every option a basis and its own words', () => {
    for (const s of policyChoices) {
      expect(new Set(s.options.map((o) => o.holds)).size).toBe(s.options.length)
      for (const o of s.options) expect(o.basis.text).not.toBe('')
    }
  })
})
