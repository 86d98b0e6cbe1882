import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { mean, quantities } from '../quantity/index.ts'
import { assemblyFor, circuitOfPlate, ordinaryBelt, solveRig } from './index.ts'
import { fanSide } from './fan-side.ts'

const made = circuitOfPlate(
  { volts: '460', amps: '12.8', phases: 3, power: 10, hz: '60', rpm: 1755, efficiency: 0.902 },
  { volts: 460, amps: 12.8 },
  60,
)
if (!made) throw new Error('the plate gives a circuit')
const { circuit } = made
const facts = {
  circuit,
  volts: 472,
  hz: 60,
  load: 0.8,
  belt: { driver: 110, driven: 220 },
  wheel: 'forward-curved',
} as const

describe('the assembly that reads as a machine was read', () => {
  it('loads its motor as it was told, on every kind of wheel, with a belt and without', () => {
    for (const wheel of ['forward-curved', 'backward-inclined', 'propeller'] as const)
      for (const belt of [facts.belt, null])
        for (const load of [0.35, 0.8, 1.1])
          near(solveRig(assemblyFor({ ...facts, wheel, belt, load })).motor.load, load, 1e-4)
  })
  it('works at its pressure, and turns its fan by the sheaves', () => {
    const p = solveRig(assemblyFor({ ...facts, pressure: 620 }))
    // Creep under load takes a little speed, and its square off the pressure.
    near(p.pressure, 620, 0.03)
    near(p.fanRpm, p.motor.rpm / 2, 0.012)
  })
  it('takes a part of the pressure that stays into its duct', () => {
    const rig = assemblyFor({ ...facts, pressure: 500, fixed: 0.3 })
    near(rig.system.fixed, 150, 1e-9)
  })
  it('names what no motor can carry', () => {
    expect(() => assemblyFor({ ...facts, load: 0 })).toThrow(/^load/)
    expect(() => assemblyFor({ ...facts, load: 6 })).toThrow(/^load/)
    expect(() => assemblyFor({ ...facts, pressure: 0 })).toThrow(/^pressure/)
  })
})

describe('meters on the fan’s side', () => {
  const rig = assemblyFor({ ...facts, pressure: 600 })
  const read = (quantity: (typeof quantities)[number]['code'], position: string, faults = {}) => {
    const own = { ...rig, faults }
    return fanSide(own, solveRig(own), ordinaryBelt, quantity, position)
  }
  it('read both shafts, both sides of the pressure and the air', () => {
    near(read('rpm', 'driven') ?? 0, solveRig(rig).fanRpm, 1e-9)
    near(
      ((read('static_pressure', 'supply') ?? 0) + (read('static_pressure', 'return') ?? 0)) * 249.08891,
      solveRig(rig).pressure,
      1e-6,
    )
    near((read('air_flow', 'fan') ?? 0) * 0.00047194745, solveRig(rig).flow, 1e-6)
  })
  it('a loaded bank takes the pressure the duct had; less air follows', () => {
    expect(read('filter_drop', 'filter', { restriction: 2.5 }) ?? 0).toBeGreaterThan(
      2.5 * (read('filter_drop', 'filter') ?? 0),
    )
    expect(read('air_flow', 'fan', { restriction: 2.5 }) ?? 0).toBeLessThan(0.85 * (read('air_flow', 'fan') ?? 0))
  })
  it('a caked wheel shakes, and a span sounds as its tension has it', () => {
    expect(read('vibration', 'DE-H', { wheel: 0.85 }) ?? 0).toBeGreaterThan(1.5 * (read('vibration', 'DE-H') ?? 0))
    // f = √(T/m)/2t: 260 N, 0.11 kg/m, 0.55 m is 44.2 Hz.
    near(read('belt_note', 'span') ?? 0, 44.2, 2e-3)
    near(read('belt_force', 'span') ?? 0, 260 / 16 / 4.4482216, 1e-6)
  })
  it('leave to others what is read elsewhere', () => {
    expect(read('amps', 'L1')).toBeNull()
    expect(mean(solveRig(rig).motor.lineAmps)).toBeGreaterThan(5)
  })
})
