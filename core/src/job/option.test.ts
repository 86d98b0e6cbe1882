import { describe, expect, it } from 'vitest'
import { optionCosts, type JobOption, type Offer } from './option.ts'
import { wearAt } from './waiting/over-amps.ts'
import { waitingCost, waitingFault, waitingRules } from './waiting/register.ts'

const option = (over: Partial<JobOption> = {}): JobOption => ({
  kind: 'repair',
  title: 'New bearings',
  hours: 5,
  people: 2,
  parts: [
    { name: 'bearing', count: 2, price: 85 },
    { name: 'shaft', count: 1, price: 210 },
  ],
  access: 150,
  down: 6,
  years: 5,
  risk: '',
  ...over,
})
const offer = (over: Partial<Offer> = {}): Offer => ({
  words: 'The bearings are worn.',
  rate: 90,
  downHour: 20,
  options: [option()],
  waiting: [],
  ...over,
})

describe('what an option costs', () => {
  it('is labor, parts, access and hours down, by the year it lasts: worked by hand', () => {
    // 5 h × 2 × 90 = 900; 2 × 85 + 210 = 380; 150; 6 × 20 = 120; together 1,550; over 5 years 310.
    expect(optionCosts(offer())).toEqual([
      {
        option: option(),
        labor: 900,
        parts: 380,
        access: 150,
        down: 120,
        waiting: 0,
        total: 1550,
        perYear: 310,
        best: true,
        barred: '',
      },
    ])
  })
  it('the cheapest by the year wins, and within a tenth is a tie', () => {
    const plain = { hours: 0, parts: [], access: 0, down: 0 }
    const of = (access: number, years: number) => option({ ...plain, access, years })
    // 100, 110 and 111 a year.
    const costs = optionCosts(offer({ options: [of(1000, 10), of(550, 5), of(111, 1)] }))
    expect(costs.map((c) => c.perYear)).toEqual([100, 110, 111])
    expect(costs.map((c) => c.best)).toEqual([true, true, false])
  })
  it('leaving it costs what waiting does, and is out where it may not run', () => {
    const leave = option({ kind: 'leave', hours: 0, parts: [], access: 0, down: 0, years: 0.5 })
    const waiting = [{ rule: 'wrong-speed', figures: { kilowatts: 4, now: 1000, right: 900, hours: 500, price: 0.1 } }]
    // 4 kW × (1 − 0.9³) × 500 h × 0.10 = 54.20 a month; half a year 325.20.
    const [free] = optionCosts(offer({ options: [leave], waiting }))
    expect(free?.waiting).toBeCloseTo(325.2, 6)
    expect(free?.perYear).toBeCloseTo(650.4, 6)
    const [barred, other] = optionCosts(offer({ options: [leave, option()], waiting }), ['Guard off.'])
    expect(barred).toMatchObject({ best: false, barred: 'It may not run as it is: Guard off.' })
    expect(other?.best).toBe(true)
  })
  it('is refused where it would last no time or cost less than nothing', () => {
    expect(() => optionCosts(offer({ options: [option({ years: 0 })] }))).toThrow('years')
    expect(() => optionCosts(offer({ rate: -1 }))).toThrow('rate')
  })
})

describe('what waiting costs', () => {
  it('a winding over its amps: half the life for every 10 °C, worked by hand', () => {
    // At 1.0607 times the amps the rise is 80 × 1.125 = 90 °C, ten over: twice the wear.
    expect(wearAt(10 * Math.sqrt(1.125), 10)).toBeCloseTo(2, 12)
    expect(wearAt(8, 10)).toBe(1)
    // Wear of 2 uses up one more part of 180 of a motor of $1,800 in a month: $10.
    const figures = { amps: 10 * Math.sqrt(1.125), plate: 10, motor: 1800, life: 15 }
    expect(waitingCost([{ rule: 'over-amps', figures }], 6)).toBeCloseTo(60, 9)
    expect(waitingCost([{ rule: 'over-amps', figures: { ...figures, amps: 9 } }], 6)).toBe(0)
    // It cannot cost more than the motor in one month, however far it is over.
    expect(waitingCost([{ rule: 'over-amps', figures: { ...figures, amps: 40 } }], 1)).toBe(1800)
  })
  it('a dirty filter: 10,000 cfm against 0.5 in. wg more at 50 % take 1.173 kW', () => {
    // 10,000 × 0.5 ÷ (6356 × 0.5) = 1.5733 hp = 1.1732 kW; × 400 h × 0.12 = $56.31.
    const figures = { flow: 10_000, extra: 0.5, efficiency: 50, hours: 400, price: 0.12 }
    expect(waitingCost([{ rule: 'dirty-filter', figures }], 1)).toBeCloseTo(56.31, 2)
  })
  it('a part that will fail: chance of each month, if it lived so long, times what a failure costs more', () => {
    const figures = { chance: 10, growth: 50, planned: 1000, times: 4, down: 10, downHour: 20 }
    // More than planned: 3 × 1000 + 200 = 3,200. Months: 0.10; 0.9 × 0.15; 0.9 × 0.85 × 0.225.
    const by = [0.1, 0.9 * 0.15, 0.9 * 0.85 * 0.225].map((p) => 3200 * p)
    expect(waitingCost([{ rule: 'failing-part', figures }], 1)).toBeCloseTo(by[0] ?? 0, 9)
    expect(waitingCost([{ rule: 'failing-part', figures }], 3)).toBeCloseTo(
      by.reduce((a, b) => a + b, 0),
      9,
    )
    // However long one waits it fails once.
    expect(waitingCost([{ rule: 'failing-part', figures }], 600)).toBeLessThanOrEqual(3200 + 1e-9)
  })
  it('too slow costs air, not energy', () => {
    const figures = { kilowatts: 4, now: 800, right: 900, hours: 500, price: 0.1 }
    expect(waitingCost([{ rule: 'wrong-speed', figures }], 12)).toBe(0)
  })
  it('every rule takes its usual figures and its bounds, and nothing else', () => {
    for (const r of waitingRules) {
      const figures = Object.fromEntries(r.fields.map((f) => [f.key, f.usual ?? f.min]))
      expect(waitingFault({ rule: r.id, figures })).toBeNull()
      expect(waitingCost([{ rule: r.id, figures }], 24)).toBeGreaterThanOrEqual(0)
      for (const f of r.fields) {
        expect(waitingFault({ rule: r.id, figures: { ...figures, [f.key]: f.max * 2 + 1 } })?.key).toBe(f.key)
        const { [f.key]: _left, ...rest } = figures
        expect(waitingFault({ rule: r.id, figures: rest })?.message).toBe(`enter: ${f.title}`)
      }
      expect(waitingFault({ rule: r.id, figures: { ...figures, other: 1 } })?.key).toBe('other')
      expect(r.assumptions.length).toBeGreaterThan(0)
    }
    expect(waitingFault({ rule: 'none', figures: {} })?.key).toBe('rule')
    expect(() => waitingCost([{ rule: 'none', figures: {} }], 1)).toThrow('rule')
  })
})
