import { describe, expect, it } from 'vitest'
import type { RigFaults } from '../machine/index.ts'
import { driven, modelAmps, readAtHz } from './driven.test-help.ts'
import { atOneHz, ampsHistory } from './index.ts'
import { inputFor, visitOf } from './checks/say.test-help.ts'

const months = (list: readonly number[], faults: RigFaults = {}) =>
  list.map((hz, i) => visitOf(readAtHz(hz, faults), -30 * (list.length - i)))
const onDrive = { machine: { hasVfd: true } }
const seen = (history: ReturnType<typeof months>, hz: number, faults: RigFaults = {}) => {
  const input = inputFor(readAtHz(hz, faults), { ...onDrive, history })
  return atOneHz(input, ampsHistory(input))
}

describe('amps of a fan on a drive as at one frequency', () => {
  it('are alike for a healthy fan, whatever it was read at (held against the machine model)', () => {
    const found = seen(months([41, 52, 36, 58, 45]), 49)
    expect(found?.hz).toBe(60)
    const all = found?.history.points.map((p) => p.amps) ?? []
    expect(all).toHaveLength(6)
    const full = modelAmps(60)
    for (const a of all) expect(Math.abs(a / full - 1)).toBeLessThan(0.12)
    // As they were read they differ by far more.
    expect(modelAmps(58) / modelAmps(36)).toBeGreaterThan(1.35)
  })
  it('show a fan that drags, through all its frequencies', () => {
    const found = seen([...months([41, 52, 45]), visitOf(readAtHz(55, { drag: 0.5 * driven.fan.power }), -5)], 44, {
      drag: 0.5 * driven.fan.power,
    })
    const all = found?.history.points.map((p) => p.amps) ?? []
    expect(Math.min(...all.slice(3))).toBeGreaterThan(1.12 * Math.max(...all.slice(0, 3)))
  })
  it('are not worked out where all was read at one, or no drive is there', () => {
    expect(seen(months([50, 50.5, 50]), 50)).toBeNull()
    const input = inputFor(readAtHz(50), { history: months([41, 52]) })
    expect(atOneHz(input, ampsHistory(input))).toBeNull()
  })
})
