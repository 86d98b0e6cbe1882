import { describe, expect, it } from 'vitest'
import { calculators } from '../calc/index.ts'
import { checkDefinitions } from '../judge/checks/register.ts'
import { limitRegister } from '../limits/index.ts'
import { calculatorHowTo, checkHowTo, type HowTo } from './index.ts'

const four = (h: HowTo) => [h.where, h.set, h.good, h.bad]

describe('how to', () => {
  it('is there for every check of the visit page and for nothing else', () =>
    expect(Object.keys(checkHowTo).sort()).toEqual(checkDefinitions.map((s) => s.id).sort()))
  it('is there for every calculator and for nothing else', () =>
    expect(Object.keys(calculatorHowTo).sort()).toEqual(calculators.map((c) => c.id).sort()))
  it.each([...Object.entries(checkHowTo), ...Object.entries(calculatorHowTo)])(
    '%s has four lines that a phone shows without scrolling, each its own',
    (_id, h) => {
      expect(new Set(four(h)).size).toBe(4)
      for (const line of four(h)) expect([line, line.length > 8 && line.length <= 130]).toEqual([line, true])
    },
  )
  it('names limits that exist', () => {
    for (const h of Object.values(checkHowTo)) for (const id of h.limits) expect(limitRegister).toHaveProperty([id])
  })
})
