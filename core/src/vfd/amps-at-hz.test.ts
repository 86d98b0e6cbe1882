import { describe, expect, it } from 'vitest'
import { assemblyFor, circuitOfPlate, noLoadAmps, solveRig } from '../machine/index.ts'
import { mean } from '../quantity/index.ts'
import { ampsAtHz } from './amps-at-hz.ts'

const motor = { plateAmps: 12.8, plateHz: 60, noLoadAmps: 5.4 }

describe('output amps at other hertz', () => {
  // Worked example: In 12.8 A, I0 5.4 A, nine tenths of the load: 11.76 A at full speed, 7.980 A at 0.75, 5.998 A at 0.5.
  it('are those of the worked example, from any of its points to any other', () => {
    const points = [
      [60, 11.76],
      [45, 7.98],
      [30, 5.998],
    ] as const
    for (const [hz0, amps] of points)
      for (const [hz, expected] of points)
        expect([hz0, hz, ampsAtHz(motor, { amps, hz: hz0 }, hz)?.amps]).toEqual([hz0, hz, expect.closeTo(expected, 1)])
  })
  it('hold for the motor and fan of the machine model, at any hertz and load', () => {
    const plate = { volts: '460', amps: '12.2', power: 10, phases: 3, rpm: 1755, hz: '60' } as const
    const circuit = circuitOfPlate(plate, { volts: 460, amps: 12.2 }, 60)?.circuit
    if (!circuit) throw new Error('no circuit')
    const m = { plateAmps: 12.2, plateHz: 60, noLoadAmps: noLoadAmps(circuit, 460) }
    for (const load of [0.6, 0.8, 1]) {
      const rig = assemblyFor({ circuit, volts: 460, hz: 60, load, belt: null, wheel: 'backward-inclined' })
      const at = (hz: number) => {
        const { motor: point } = solveRig({ ...rig, stage: { kind: 'drive', hz, limit: 100, dead: null } })
        return mean(point.lineAmps)
      }
      for (const [from, to] of [
        [60, 41],
        [52, 41],
        [41, 52],
        [45, 58],
      ] as const) {
        // prettier-ignore
        const said = ampsAtHz(m, { amps: at(from), hz: from }, to)
        const is = at(to)
        expect([load, from, to, is > (said?.low ?? 99) && is < (said?.high ?? 0)]).toEqual([load, from, to, true])
      }
    }
  })
  it('are wider the further one goes from what was read', () => {
    const wide = (hz: number) => {
      const s = ampsAtHz(motor, { amps: 7, hz: 40 }, hz)
      return s ? (s.high - s.low) / s.amps : NaN
    }
    expect(wide(42)).toBeLessThan(wide(50))
    expect(wide(50)).toBeLessThan(wide(60))
  })
  it('are not said of a motor with hardly any load, or above its own hertz', () => {
    expect(ampsAtHz(motor, { amps: 5.3, hz: 40 }, 50)).toBeNull()
    expect(ampsAtHz(motor, { amps: 12, hz: 60 }, 66)).toBeNull()
    expect(ampsAtHz(motor, { amps: 12, hz: 66 }, 60)).toBeNull()
    expect(() => ampsAtHz(motor, { amps: 12, hz: 0 }, 60)).toThrow(RangeError)
  })
})
