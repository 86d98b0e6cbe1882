import { describe, expect, it } from 'vitest'
import { assemblyFor, circuitOfPlate, driveInput, solveRig, type Rig } from './index.ts'

const even = [480, 480, 480] as const
const plate = {
  volts: '460',
  amps: '12.8',
  phases: 3,
  power: 10,
  hz: '60',
  rpm: 1755,
  sf: 1.15,
  efficiency: 0.902,
} as const
const circuit = circuitOfPlate(plate, { volts: 460, amps: 12.8 }, 60)?.circuit
if (!circuit) throw new Error('no circuit')
const driven = assemblyFor({
  circuit,
  volts: 480,
  hz: 60,
  load: 0.82,
  belt: { driver: 1, driven: 2 },
  wheel: 'forward-curved',
})

describe('what flows ahead of a drive', () => {
  it('is its power over its volts, by hand: 6 kW at 97 % and 0.78 on 480 V is 9.54 A; the bus 648 V', () => {
    const { amps, bus } = driveInput(even, 6000)
    for (const a of amps) expect(a).toBeCloseTo(6000 / 0.97 / (Math.sqrt(3) * 480 * 0.78), 9)
    expect(amps[0]).toBeCloseTo(9.54, 2)
    expect(bus).toBeCloseTo(648.2, 1)
  })
  it('on two legs is more than √3 times as much on each, and the bus sags', () => {
    const whole = driveInput(even, 6000)
    for (const lost of [0, 1, 2] as const) {
      const { amps, bus } = driveInput(even, 6000, lost)
      expect(amps[lost]).toBe(0)
      const [left = 0] = amps.filter((a) => a > 0)
      expect(left / whole.amps[0]).toBeGreaterThan(Math.sqrt(3))
      expect(bus).toBeLessThan(0.9 * whole.bus)
    }
  })
  it('one per cent of volts makes about ten of amps, on the legs of that pair', () => {
    const { amps } = driveInput([475, 480, 480], 6000)
    expect(amps[0]).toBeCloseTo(amps[1], 6)
    expect(amps[2] / amps[0]).toBeGreaterThan(1.04)
    expect(amps[2] / amps[0]).toBeLessThan(1.12)
  })
  it('of a fan is less than its output at part speed, and falls faster: with the cube, not the square', () => {
    const at = (hz: number) =>
      solveRig({ ...driven, stage: { kind: 'drive', hz, limit: 100, dead: null } } satisfies Rig)
    const [slow, full] = [at(36), at(60)]
    const input = (p: typeof slow) => p.driveInput?.amps[0] ?? NaN
    expect(input(slow)).toBeLessThan(slow.motor.lineAmps[0])
    expect(input(slow) / input(full)).toBeLessThan(slow.motor.lineAmps[0] / full.motor.lineAmps[0])
    expect(solveRig(driven).driveInput).toBeNull()
  })
  it('with a line lost ahead of it the motor goes on even, and the drive takes it from two', () => {
    const lost = solveRig({
      ...driven,
      supply: { kind: 'line open', open: 1, volts: 480 },
      stage: { kind: 'drive', hz: 45, limit: 100, dead: null },
    })
    expect(lost.motor.turning).toBe(true)
    expect(Math.max(...lost.motor.lineAmps) / Math.min(...lost.motor.lineAmps)).toBeCloseTo(1, 6)
    expect(lost.driveInput?.amps[1]).toBe(0)
    expect(lost.driveInput?.amps[0]).toBeGreaterThan(lost.motor.lineAmps[0] * 0.5)
  })
  it('refuses what is no supply', () => {
    expect(() => driveInput([0, 480, 480], 1000)).toThrow(/^line/)
    expect(() => driveInput(even, -1)).toThrow(/^watts/)
  })
})
