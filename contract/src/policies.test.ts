import { defaultPolicies, limitRegister, type LimitId } from '@motor-round/core/limits'
import { describe, expect, it } from 'vitest'
import { policies, toPolicies } from './policies.ts'

const parse = (over: object) => policies.safeParse({ ...defaultPolicies, ...over })
const paths = (over: object) => parse(over).error?.issues.map((i) => i.path.join('.')) ?? []

describe('policies as they are kept', () => {
  it('gain the default of every policy that an older organization never chose', () => {
    const old = policies.parse({ overAmp: 'service factor', trim: 0.04, limits: {} })
    expect(toPolicies(old)).toEqual({ ...defaultPolicies, overAmp: 'service factor', trim: 0.04 })
  })
  it('take every policy by its word and no other', () => {
    expect(parse({ insulation: 'lamp 30', temperature: 'C', capacitor: 'keep if it measures' }).success).toBe(true)
    expect(paths({ insulation: 'looks fine' })).toEqual(['insulation'])
    expect(paths({ temperature: 'K' })).toEqual(['temperature'])
  })
  it('let a house set its own value only within the bounds of a limit, and none of a fixed one', () => {
    for (const [id, limit] of Object.entries(limitRegister) as [LimitId, (typeof limitRegister)[LimitId]][]) {
      if (limit.house === null) expect(paths({ limits: { [id]: limit.value } })).toContain(`limits.${id}`)
      else {
        expect(paths({ limits: { [id]: limit.house.max * 1.001 } })).toContain(`limits.${id}`)
        expect(paths({ limits: { [id]: limit.house.min * 0.999 - 1e-9 } })).toContain(`limits.${id}`)
      }
    }
  })
  it.each([
    ['current-unbalance-watch', 'current-unbalance-fix', 0.08, 0.06],
    ['change-watch', 'change-fix', 0.19, 0.11],
    ['contact-drop-watch', 'contact-drop-fix', 0.2, 0.15],
    ['winding-even', 'winding-reject', 0.04, 0.03],
    ['insulation-fall-fix', 'insulation-fall-watch', 0.45, 0.4],
    ['filter-drop-watch', 'filter-drop-fix', 1.2, 0.6],
    ['current-unbalance-fix', 'current-unbalance-stop', 0.2, 0.15],
    ['ground-amps-stop', 'ground-amps-drive', 0.3, 0.3],
    ['dead-volts', 'proof-volts', 10, 10],
    ['return-fix', 'return-watch', 60, 14],
  ] as const)('keep %s below %s', (low, high, lowValue, highValue) =>
    expect(paths({ limits: { [low]: lowValue, [high]: highValue } })).toEqual([`limits.${low}`]),
  )
  it('know no limit that the register does not', () => expect(paths({ limits: { vibes: 1 } }).length).toBe(1))
})
