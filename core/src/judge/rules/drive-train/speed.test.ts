import { describe, expect, it } from 'vitest'
import { at, onDrive, plate, say } from '../../checks/say.test-help.ts'

const of = (motor: number | null, fan: number | null, given = {}) => {
  const readings = [
    ...(motor === null ? [] : at('rpm', ['motor'], [motor])),
    ...(fan === null ? [] : at('rpm', ['driven'], [fan])),
    ...at('amps', ['L1', 'L2', 'L3'], [11, 11, 11]),
  ]
  return say(readings, { ...onDrive, ...given }).verdicts.filter((v) => v.check === 'speed')
}
const motorLevel = (motor: number, given = {}) => of(motor, null, given).find((v) => v.positions?.[0] === 'motor')
const beltLevel = (motor: number, fan: number, given = {}) =>
  of(motor, fan, given).find((v) => v.positions?.[0] === 'belt')

describe('the tachometer on the motor (an induction motor runs below its synchronous speed: 1800 rpm)', () => {
  it.each([
    [1755, 'ok', /^Motor 1755 rpm\.$/],
    [1800, 'ok', /^Motor 1800 rpm\.$/],
    [1818, 'ok', /^Motor 1818 rpm\.$/],
    [1819, 'watch', /above its 1800 rpm synchronous speed/],
    [1584, 'ok', /^Motor 1584 rpm\.$/],
    [1580, 'fix', /12 % below synchronous/],
    [0, 'fix', /it does not turn/],
  ] as const)('%d rpm: %s', (rpm, level, because) => {
    const v = motorLevel(rpm)
    expect([v?.level, v?.because]).toEqual([level, expect.stringMatching(because)])
  })
  it('allows three times the slip of the nameplate where that is more', () => {
    // 1700 of 1800 rpm is 5.6 %: three times is 16.7 %.
    const high = { plate: { ...plate, rpm: 1700 } }
    expect(motorLevel(1510, high)?.level).toBe('ok')
    expect(motorLevel(1490, high)?.level).toBe('fix')
  })
  it('goes by the hertz of a drive, and says nothing where those were not read', () => {
    const drive = { machine: { hasVfd: true } }
    const at45 = say([...at('rpm', ['motor'], [1320]), ...at('hz', ['motor'], [45])], { ...onDrive, ...drive })
    expect(at45.verdicts.find((v) => v.check === 'speed')).toMatchObject({ level: 'ok', limit: 1350 })
    expect(of(1320, null, drive)).toEqual([])
  })
})

describe('the fan against its sheaves (110 to 220 mm, 1 % creep; more than 5 % is slip: common practice)', () => {
  // By hand: 1755 · 110/220 · 0.99 = 868.7 rpm.
  it.each([
    [868, 'ok', /868 rpm, 869 by the sheaves\.$/],
    [826, 'ok', /by the sheaves\.$/],
    [824, 'fix', /the belt slips 5\.1 %/],
    [911, 'ok', /by the sheaves\.$/],
    [913, 'watch', /differ from the record/],
  ] as const)('%d rpm: %s', (rpm, level, because) => {
    const v = beltLevel(1755, rpm)
    expect([v?.level, v?.because]).toEqual([level, expect.stringMatching(because)])
    expect(v?.limit).toBeCloseTo(868.725, 3)
  })
  it('says what to do of each', () => {
    expect(beltLevel(1755, 800)?.next).toMatch(/^Set the tension on the base/)
    expect(beltLevel(1755, 950)?.next).toMatch(/^Measure both sheaves/)
    expect(beltLevel(1755, 868)?.next).toBe('Nothing to do.')
    expect(beltLevel(0, 868)).toBeUndefined()
  })
})
