import { describe, expect, it } from 'vitest'
import { told, three, visitAt } from './judged.test-help.ts'
import { lostLineOf } from './index.ts'
import { lostLineNext, lostLineWords } from './lost-line.ts'

const visit = visitAt(0, [11, 11, 11])
const withVolts = (volts: readonly number[], amps: readonly number[] = [11, 11, 11]) => ({
  ...visit,
  readings: [...three('amps', amps), ...three('volts_ll', volts)],
})

// Three-phase geometry; shares of full volts are common practice.
describe('a line that is lost, by volts', () => {
  it.each([
    [[480, 277, 277], { kind: 'line', line: 2 }],
    [[0, 460, 460], { kind: 'back-fed', pair: 0 }],
    [[467, 12, 450], { kind: 'back-fed', pair: 1 }],
    // Neither pattern, and yet a pair without volts beside one that has them all.
    [[460, 20, 300], { kind: 'dead pair', pair: 1 }],
    [[480, 3, undefined], { kind: 'dead pair', pair: 1 }],
    [[480, 470, 475], null],
    [[480, 470, undefined], null],
    [[0, 0, 0], null],
    [[undefined, undefined, 0], null],
    // Misread, and no line lost by it.
    [[480, 480, 970], null],
  ] as const)('%j', (pairs, lost) => expect(lostLineOf(pairs, 460)).toEqual(lost))
  it('is named as far as the volts tell it', () => {
    expect(lostLineWords({ kind: 'line', line: 1 }, ' ahead')).toBe('L2 is lost ahead.')
    expect(lostLineWords({ kind: 'back-fed', pair: 2 }, '')).toContain(
      'L3 or L1 is lost; a load between them backfeeds',
    )
    expect(lostLineWords({ kind: 'dead pair', pair: 0 }, '')).toContain('next to nothing on L1-L2')
    expect(lostLineNext({ kind: 'dead pair', pair: 0 }, 'Read on.')).toBe('Read on.')
    expect(lostLineNext({ kind: 'back-fed', pair: 0 }, 'Read on.')).toContain('across each closed fuse')
  })
})

describe('two legs that carry, without volts', () => {
  it('are not told as three', () =>
    expect(told({ ...visit, readings: three('amps', [11, 11.1]) }, 'lost-leg')).toMatchObject({
      because: 'L1 and L2 carry current; not every leg was read.',
      settles: false,
    }))
})

describe('a visit that shows one', () => {
  it('is level Stop, and its low volts are told as that alone', () => {
    const fed = withVolts([0, 460, 458])
    expect(told(fed, 'lost-leg')).toMatchObject({
      level: 'stop',
      because: expect.stringMatching(/^0\.0, 460, 458 V: .*L1 or L2 is lost/),
    })
    for (const check of ['voltage-unbalance', 'service-voltage', 'contradiction'])
      expect(told(fed, check)).toBeUndefined()
  })
  it('is level Stop by two pairs, and by volts to neutral', () => {
    expect(told(withVolts([480, 2]), 'lost-leg')).toMatchObject({
      level: 'stop',
      because: expect.stringContaining('480, 2.0 V: next to nothing on L2-L3'),
    })
    const neutral = { ...visit, readings: [...three('amps', [11, 11, 11]), ...three('volts_ln', [277, 277, 0])] }
    expect(told(neutral, 'lost-leg')).toMatchObject({
      level: 'stop',
      because: expect.stringContaining('to neutral: L3 is lost or open'),
    })
  })
  it('is level Stop by one leg that carries alone', () =>
    expect(told(visitAt(0, [0, 0.1, 11]), 'lost-leg')).toMatchObject({
      level: 'stop',
      because: expect.stringContaining('Only L3 carries current'),
    }))
  it('keeps an overvoltage beside it', () =>
    expect(told(withVolts([560, 0, 560]), 'service-voltage')).toMatchObject({ level: 'stop' }))
})

describe('volts to neutral of three phases', () => {
  it('are held against the nameplate by √3', () => {
    const read = { ...visit, readings: [...three('amps', [11, 11, 11]), ...three('volts_ln', [277, 276, 278])] }
    expect(told(read, 'service-voltage')).toMatchObject({ level: 'ok' })
    const high = { ...visit, readings: [...three('amps', [11, 11, 11]), ...three('volts_ln', [310, 311, 312])] }
    expect(told(high, 'service-voltage')?.because).toContain('L3-N × 1.73')
  })
})

// (a − b) / (a + b) is the least that two of three leave, whatever the third has; arithmetic.
describe('two of three', () => {
  it('legs', () => {
    expect(told(withVolts([480, 478, 481], [12, 4]), 'current-unbalance')).toMatchObject({ level: 'stop', value: 0.5 })
    expect(told(withVolts([480, 478, 481], [12, 9.2]), 'current-unbalance')).toMatchObject({ level: 'fix' })
    expect(told(withVolts([480, 478, 481], [12, 11]), 'current-unbalance')).toBeUndefined()
  })
  it('pairs', () => {
    expect(told(withVolts([480, 430]), 'voltage-unbalance')).toMatchObject({ level: 'stop', value: 50 / 910 })
    expect(told(withVolts([480, 448]), 'voltage-unbalance')).toMatchObject({ level: 'fix' })
    expect(told(withVolts([480, 470]), 'voltage-unbalance')).toBeUndefined()
  })
})
