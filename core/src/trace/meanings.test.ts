import { describe, expect, it } from 'vitest'
import { meaningful, meaningOf, rules, trippedAgain } from '../judge/index.ts'
import { testOf } from './model.ts'

describe('what results mean at their machine', () => {
  const checks = new Set(rules.map((r) => r.id))
  it('names tests and outcomes that there are', () => {
    for (const key of meaningful.filter((k) => k !== trippedAgain)) {
      const [test = '', outcome = ''] = key.split(' ')
      expect(
        testOf.get(test)?.outcomes.some((o) => o.id === outcome),
        key,
      ).toBe(true)
    }
  })
  it('names checks of visits, or says itself what it is about', () => {
    for (const key of meaningful) {
      const [test = '', outcome = ''] = key.split(' ')
      const m = meaningOf(test, outcome)
      expect(m && (checks.has(m.check) || m.as !== undefined), key).toBe(true)
    }
  })
})
