import { describe, expect, it } from 'vitest'
import { hubNext, nextRung, rungs, type HubMoney } from './hub.ts'

const money = { saved: 480, rate: 1.5, people: 1, spoils: 0.1, spoiled: 480 }

describe('a stuck hub', () => {
  // Worked by hand: a part of 240, 40 minutes at 1.50, two days of 90; puller after the drift: 0.16/0.28.
  it('the puller is worth its fifteen minutes', () => {
    const a = nextRung(5, money)
    expect(a?.rung.id).toBe('puller')
    expect(a?.chance).toBeCloseTo(0.571, 3)
    expect(a?.gain).toBeCloseTo(274.3, 1)
    expect(a?.cost).toBeCloseTo(70.5, 9)
    expect(a?.go).toBe(true)
  })
  it('is cut where the part is worth less than the minutes', () =>
    expect(nextRung(5, { ...money, saved: 30, spoils: 0 })?.go).toBe(false))
  it('ends at the cut, and each rung frees more than the one before', () => {
    expect(nextRung(8, money)).toBeNull()
    expect(rungs.every((r, i) => r.free > (rungs[i - 1]?.free ?? 0))).toBe(true)
  })
  it('refuses what is no sum', () => expect(() => nextRung(0, { ...money, rate: -1 })).toThrow(/rate/))
})

describe('what is done with a stuck hub now', () => {
  // Worked example: 240 + 40 · 1.5 + 2 · 90 = $480 is saved; one person at $1.50 a minute; one in ten spoils it all.
  const money: HubMoney = { saved: 480, rate: 1.5, people: 1, spoils: 0.1, spoiled: 480 }
  const tried = (...list: readonly string[]) => list.map((rung) => ({ rung, minutes: 5, freed: false }))
  it('goes up while the next way pays, and says free when it came', () => {
    expect(hubNext([], money)).toMatchObject({ say: 'go', advice: { rung: { id: 'clean' } } })
    expect(hubNext(tried('clean', 'oil', 'screws'), money)).toMatchObject({
      say: 'go',
      advice: { rung: { id: 'turn' } },
    })
    expect(hubNext([{ rung: 'clean', minutes: 8, freed: true }], money)).toEqual({ say: 'free' })
  })
  it('stops for a person after 45 minutes of hands, or two ways that moved nothing', () => {
    expect(hubNext([{ rung: 'clean', minutes: 45, freed: false }], money)).toMatchObject({
      say: 'ask',
      because: 'minutes',
    })
    expect(hubNext(tried('clean', 'oil', 'screws', 'turn', 'drift'), money)).toMatchObject({
      say: 'ask',
      because: 'still',
    })
  })
  it('cuts where the next way costs more than it saves', () => {
    expect(hubNext(tried('clean'), { ...money, saved: 5 })).toMatchObject({ say: 'cut' })
  })
})
