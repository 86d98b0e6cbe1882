import { describe, expect, it } from 'vitest'
import { dayMs } from '../../../trend/index.ts'
import { terminalPairs, terminalPositions } from '../../../quantity/index.ts'
import { at, now, say, visitOf, told, type Given } from '../say.test-help.ts'

const ohms = (...values: readonly number[]) => at('winding_ohms', terminalPairs, values)
const winding = (celsius: number) => at('temperature', ['winding'], [celsius])
const said = (readings: Parameters<typeof told>[1], given: Given = {}) => told('winding-ohms', readings, given)

describe('winding ohms against themselves (2 % even, 5 % rejected: house limits)', () => {
  it.each([
    [[1.3, 1.31, 1.29], 'ok', /balanced within/],
    [[1.3, 1.34, 1.3], 'watch', /2\.0 % unbalance\. As a wye|2\.\d % unbalance/],
    [[1.3, 1.39, 1.3], 'watch', /4\.5 % unbalance/],
    [[1.3, 1.42, 1.3], 'fix', /T2-T3 high: bad connection/],
    [[1.1, 1.3, 1.3], 'fix', /T1-T2 low: shorted turns/],
  ] as const)('%j: %s', (values, level, because) => {
    const v = said(ohms(...values))
    expect([v.level, v.because]).toEqual([level, expect.stringMatching(because)])
  })
  it('says of each what comes next', () => {
    expect(said(ohms(1.3, 1.42, 1.3)).next).toMatch(/^Check lugs and splices first/)
    expect(said(ohms(1.1, 1.3, 1.3)).next).toMatch(/plan a motor replacement\.$/)
  })
})

describe('winding ohms against the last time (copper, 234.5 °C; a tenth is another winding or another temperature)', () => {
  const past = (day: number, a: number, more: Given['history'] = []) => [visitOf(ohms(a, a, a), -day), ...more]
  it.each([
    [1.3, 1.3, 'ok'],
    [1.42, 1.3, 'ok'],
    [1.44, 1.3, 'watch'],
    [1.18, 1.3, 'ok'],
    [1.16, 1.3, 'watch'],
  ] as const)('%d Ω now, %d Ω then: %s', (a, then, level) => {
    const v = said(ohms(a, a, a), { history: past(30, then) })
    expect(v.level).toBe(level)
    expect(/Last time the mean was 1\.30 Ω\./.test(v.because)).toBe(level === 'watch')
  })
  // Circuit theory: what lies in one lead, or in one phase of a wye, shows in two of three pairs.
  it.each([
    [[1.04, 1.3, 1.3], /T1-T2 low: shorted turns\./, /motor replacement/],
    [[1.56, 1.3, 1.3], /T1-T2 high: bad connection or broken strand\./, /^Check lugs/],
    [[1.3, 1.6, 1.6], /T2-T3 and T3-T1 high: bad joint at T3\./, /^Check lugs/],
    [[1.3, 1, 1], /T2-T3 and T3-T1 low: shorted turns at T3\./, /motor replacement/],
    [[1.9, 1.6, 1.6], /T1-T2 high: bad connection or broken strand, or shorted turns at T3 that lower/, /^Check lugs/],
    [[1.5, 1.8, 1.8], /T1-T2 low: shorted turns, or a bad joint at T3 that raises both/, /motor replacement/],
  ] as const)('even at 1.3 Ω before, %j now', (values, because, next) => {
    const v = said(ohms(...values), { history: past(30, 1.3) })
    expect(v.because).toMatch(because)
    expect(v.next).toMatch(next)
  })
  it('takes the temperature out where it was read, and is surer then', () => {
    // 25 to 75 °C is 19.3 %: 1.30 Ω cold is 1.55 Ω warm.
    const history = [visitOf([...ohms(1.3, 1.3, 1.3), ...winding(25)], -30)]
    expect(said([...ohms(1.55, 1.55, 1.55), ...winding(75)], { history }).level).toBe('ok')
    expect(said(ohms(1.55, 1.55, 1.55), { history })).toMatchObject({ level: 'watch', confidence: 'low' })
    expect(said([...ohms(1.9, 1.9, 1.9), ...winding(75)], { history })).toMatchObject({
      level: 'watch',
      confidence: 'full',
      because: expect.stringMatching(/1\.30 Ω at 25 °C/),
    })
  })
  it('holds against nothing that is of another place, another motor, itself uneven, open or unsteady', () => {
    const level = (history: Given['history'], more: Given = {}) =>
      said(ohms(1.5, 1.5, 1.5), { ...more, ...(history ? { history } : {}) }).level
    expect(level(past(30, 1.3))).toBe('watch')
    expect(level([visitOf(ohms(1.3, 1.3, 1.3), -30, { 'ohms.place': 'plug' })])).toBe('ok')
    expect(level([visitOf(ohms(1.3, 1.5, 1.3), -30)])).toBe('ok')
    expect(level([visitOf(at('winding_ohms', terminalPairs, [1.3, 'OL', 1.3]), -30)])).toBe('ok')
    const shaky = ohms(1.3, 1.3, 1.3).map((r, i) => (i === 1 ? { ...r, how: 'unsteady' as const, spread: 0.4 } : r))
    expect(level([visitOf(shaky, -30)])).toBe('ok')
    // The latest that counts, not the latest of all.
    expect(level([visitOf(ohms(1.3, 1.5, 1.3), -10), ...past(30, 1.3)])).toBe('watch')
    expect(level(past(30, 1.3, past(60, 1.5)))).toBe('watch')
    expect(level(past(30, 1.5, past(60, 1.3)))).toBe('ok')
  })
})

describe('ohms to the frame (an ohmmeter that sees anything: a fault; under 1 MΩ: failed insulation)', () => {
  const frame = (values: readonly (number | 'OL')[]) => at('ground_ohms', terminalPositions, values)
  it.each([
    [['OL', 'OL', 'OL'], 'ok', /^Nothing to ground/],
    [[1e6, 2e6, 'OL'], 'ok', /^Nothing to ground/],
    [[999_999, 'OL', 'OL'], 'fix', /T1 1000\.0 kΩ to the frame on the ohm scale/],
    [[100_000, 'OL', 'OL'], 'fix', /T1 100\.0 kΩ/],
    [[99_999, 'OL', 'OL'], 'stop', /T1 100\.0 kΩ to the frame: the winding is to ground/],
    [['OL', 50, 300], 'stop', /T2 50\.0 Ω, T3 300 Ω/],
  ] as const)('%j: %s', (values, level, because) => {
    const v = told('winding-to-ground', frame(values))
    expect([v.level, v.because]).toEqual([level, expect.stringMatching(because)])
  })
  it('names the least of several, and each lead by itself', () => {
    expect(told('winding-to-ground', frame(['OL', 50, 300]))).toMatchObject({ value: 50, positions: ['T2', 'T3'] })
    expect(told('winding-to-ground', frame([300_000, 'OL', 200_000]))).toMatchObject({
      level: 'fix',
      value: 200_000,
      limit: 1e6,
    })
  })
})

describe('the motor before is not this one', () => {
  it('ohms of before it was installed are none of its past', () => {
    const v = told('winding-ohms', ohms(1.5, 1.5, 1.5), {
      history: [visitOf(ohms(1.3, 1.3, 1.3), -30)],
      installedAt: now - 5 * dayMs,
    })
    expect(v.level).toBe('ok')
  })
})

describe('what a result rests on', () => {
  it('is not that the fan was seen turning: with nothing read that is no OK', () => {
    expect(say([], { state: { turning: 'right way' } }).level).toBe('not judged')
    expect(say([], { state: { turning: 'backwards' } }).level).toBe('fix')
  })
  it('is not a test of before a burnt smell, a trip or a hum', () => {
    const tested = visitOf(
      [...ohms(1.3, 1.3, 1.3), ...at('megohms', ['all'], [800]), ...at('temperature', ['winding'], [25])],
      -60,
    )
    const rests = (answers: Record<string, string>) => say([], { history: [tested], answers }).completeness.on
    expect(rests({ 'look.smell': 'none' })).toEqual(expect.arrayContaining(['winding resistance', 'insulation']))
    for (const found of [{ 'look.smell': 'burnt winding' }, { 'look.breaker': 'tripped' }, { 'look.running': 'hums' }])
      expect([found, rests(found)]).toEqual([found, []])
  })
})
