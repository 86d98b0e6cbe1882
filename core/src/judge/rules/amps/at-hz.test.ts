import { describe, expect, it } from 'vitest'
import type { RigFaults } from '../../../machine/index.ts'
import { say, visitOf } from '../../checks/say.test-help.ts'
import { driven, readAtHz } from '../../driven.test-help.ts'

/** What the machine model draws at these hertz, legs a percent apart, some meter error on top. */
const read = (hz: number, faults: RigFaults = {}, error = 1) => readAtHz(hz, faults, error, 0.01)
const history = [
  [52, 1.01],
  [41, 0.99],
  [47, 1.02],
].map(([hz = 0, error = 1], i) => visitOf(read(hz, {}, error), -30 * (i + 1)))
const vfd = { machine: { hasVfd: true } }
const said = (hz: number, faults: RigFaults, past = history) =>
  say(read(hz, faults), { ...vfd, history: past }).verdicts.find((v) => v.check === 'amps-at-hz')

describe('amps of a fan on a drive, at a frequency it was never read at', () => {
  it.each([38, 44, 50, 57])('are as its other frequencies let expect at %i Hz', (hz) =>
    expect(said(hz, {})).toMatchObject({ level: 'ok' }),
  )
  it('are told where the fan takes half as much power again, or has lost its belt', () => {
    expect(said(57, { drag: 0.5 * driven.fan.power })).toMatchObject({ level: 'watch' })
    expect(said(57, { drag: 0.5 * driven.fan.power })?.because).toMatch(
      /A at 57\.0 Hz; its visits at other frequencies say/,
    )
    expect(said(57, { beltOff: true })).toMatchObject({ level: 'watch' })
  })
  it('are compared with nothing where one visit is all there is, or another state', () => {
    expect(said(57, {}, history.slice(0, 1))).toBeUndefined()
    const test = history.map((v) => ({ ...v, state: { ...v.state, mode: 'test' as const } }))
    expect(said(57, {}, test)).toBeUndefined()
  })
  it('are left to the usual range where there is one at this frequency', () => {
    const same = Array.from({ length: 6 }, (_, i) => visitOf(read(57, {}, 1 + (i % 3) / 200), -20 * (i + 1) - 1))
    expect(said(57, {}, [...history, ...same])).toBeUndefined()
  })
  it('say nothing of a machine on the line', () =>
    expect(say(read(57), { history }).verdicts.find((v) => v.check === 'amps-at-hz')).toBeUndefined())
})
