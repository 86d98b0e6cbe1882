import { describe, expect, it } from 'vitest'
import { gradeBurn, jobStands, type JobFact } from './index.ts'

const test = {
  fuel: 'natural gas' as const,
  co: 40,
  oxygen: 7,
  rise: 45,
  riseLow: 30,
  riseHigh: 60,
  leakFree: true,
}

describe('a combustion test', () => {
  it('takes the excess air out of the carbon monoxide: worked by hand', () => {
    // 40 × 20.9 ÷ (20.9 − 7) = 60.1 ppm.
    expect(gradeBurn(test)).toMatchObject({ grade: 'good' })
    expect(gradeBurn(test).airFree).toBeCloseTo(60.14, 2)
  })
  it.each([
    // 67 × 20.9 ÷ 13.9 = 100.7; 66 gives 99.2. 267 gives 401.5; 266 gives 400.0 (399.96).
    [{ co: 66 }, 'good'],
    [{ co: 67 }, 'investigate'],
    [{ co: 266 }, 'investigate'],
    [{ co: 267 }, 'stop'],
    [{ rise: 61 }, 'investigate'],
    [{ rise: 29 }, 'investigate'],
    [{ oxygen: 15 }, 'stop'],
    [{ leakFree: false }, 'stop'],
    // Oxygen 6 to 9 %, stack 325 to 450 °F (common practice), or by the appliance.
    [{ oxygen: 9 }, 'good'],
    [{ oxygen: 9.8 }, 'stop'],
    [{ oxygen: 5.9 }, 'stop'],
    [{ oxygen: 9.8, oxygenLow: 7, oxygenHigh: 10 }, 'good'],
    [{ stack: 451 }, 'stop'],
    [{ stack: 325 }, 'good'],
    [{ stack: 470, stackLow: 300, stackHigh: 480 }, 'good'],
    [{ steady: false }, 'investigate'],
    [{ steady: true }, 'good'],
  ])('%j is %s', (over, grade) => {
    expect(gradeBurn({ ...test, ...over }).grade).toBe(grade)
  })
  it('does its step only where it is good; the last test counts', () => {
    const job = { at: 0, kinds: ['deck'], skip: [] }
    const burn = (at: number, over: object = {}): JobFact => ({
      id: `b${at}`,
      at,
      by: 'V',
      kind: 'burn',
      step: 'FD11',
      test: { ...test, ...over },
    })
    const word: JobFact = { id: 'd', at: 1, by: 'V', kind: 'done', step: 'FD11', note: '' }
    const state = (...facts: JobFact[]) =>
      jobStands(job, facts, { hasVfd: false }, []).steps.find((s) => s.id === 'FD11')?.state
    expect(state(word)).not.toBe('done')
    expect(state(burn(1))).toBe('done')
    expect(state(burn(1), burn(2, { co: 500 }))).not.toBe('done')
    expect(state(burn(1, { co: 500 }), burn(2))).toBe('done')
  })
})
