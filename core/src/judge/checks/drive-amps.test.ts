import { describe, expect, it } from 'vitest'
import type { Reading } from '../../quantity/index.ts'
import { dayMs } from '../../trend/index.ts'
import { at, now, say, visitOf } from './say.test-help.ts'

describe('input and output amps of a drive, each by itself', () => {
  const vfd = { machine: { hasVfd: true } }
  const input = (...legs: readonly number[]) => at('input_amps', ['L1', 'L2', 'L3'].slice(0, legs.length), legs)
  const of = (check: string, readings: Reading[], given = {}) =>
    say(readings, { ...vfd, ...given }).verdicts.filter((v) => v.check === check)

  it('a leg that is lost ahead of it is a stop; legs that differ by a third are usual, by half are not', () => {
    expect(of('drive-input', input(7, 7.4, 0.1))).toMatchObject([{ level: 'stop', value: 0.1 }])
    expect(of('drive-input', input(7, 6, 4.4))).toMatchObject([{ level: 'ok' }])
    expect(of('drive-input', input(9, 5, 4))).toMatchObject([{ level: 'watch' }])
    // Two legs tell a lost one, and nothing good.
    expect(of('drive-input', input(7, 0.1))).toMatchObject([{ level: 'stop', value: 0.1 }])
    expect(of('drive-input', input(7, 7))).toEqual([])
    // 1.5 A of 12.8: so light that volts a few apart empty a leg.
    expect(of('drive-input', input(1.5, 1.4, 0))).toMatchObject([{ level: 'fix' }])
    // A drive that stands, one leg, a machine on the line.
    expect(of('drive-input', input(0.1, 0, 0.1))).toEqual([])
    expect(of('drive-input', input(7))).toEqual([])
    expect(of('drive-input', input(7, 7, 7), { machine: { hasVfd: false } })).toEqual([])
  })
  it('they prove nothing of the motor', () => {
    expect(say(input(7, 7, 7), vfd).level).toBe('not judged')
    expect(say(input(7, 7, 7), vfd).rail.legs).toEqual([])
  })
  it.each([
    ['drive-input-past', (a: number) => input(a, a, a)],
    ['drive-output-past', (a: number) => at('drive_amps', ['output'], [a])],
  ] as const)('%s is its own past at like Hz', (check, read) => {
    const run = (amps: number, hz: number) => [...read(amps), ...at('hz', ['motor'], [hz])]
    const history = [6, 6.1, 5.9, 6, 6.05].map((a, i) => visitOf(run(a, 48), -30 * (i + 1)))
    expect(of(check, run(6.05, 48), { history })).toMatchObject([{ level: 'ok' }])
    expect(of(check, run(7.5, 48.4), { history })).toMatchObject([{ level: 'watch' }])
    expect(of(check, run(4.5, 48), { history })).toMatchObject([{ level: 'watch' }])
    // What was told stays told when it is next read at a speed of which nothing is known.
    const up = [...history, visitOf(run(7.5, 48), -5)]
    expect(of(check, run(9, 57), { history: up })).toMatchObject([
      {
        level: 'watch',
        value: 7.5,
        because: expect.stringMatching(/usual at its Hz on .* 5\.\d+ to 6\.\d+ A/) as string,
      },
    ])
    expect(of(check, run(6, 48), { history: up })).toMatchObject([{ level: 'ok' }])
    // Another speed, too few of them, or before the motor that is in now.
    expect(of(check, run(9, 57), { history })).toEqual([])
    expect(of(check, run(7.5, 48), { history: history.slice(0, 3) })).toEqual([])
    const work = [{ at: now - 10 * dayMs, kind: 'motor-replaced' as const, note: '' }]
    expect(of(check, run(7.5, 48), { history, work })).toEqual([])
  })
  it('input amps are never held against output amps', () => {
    const history = [6, 6.1, 5.9, 6, 6.05].map((a, i) => visitOf(at('drive_amps', ['output'], [a]), -30 * (i + 1)))
    expect(of('drive-input-past', input(3, 3, 3), { history })).toEqual([])
  })
})
