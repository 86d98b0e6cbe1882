import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ampsAtSpeed, fanOnSystem, systemThrough, type Fan } from '../air/index.ts'
import { near } from '../near.test-help.ts'
import { mean } from '../quantity/index.ts'
import { circuitOfPlate, noLoadAmps, seeded, solveRig, type Rig, type RigFaults } from './index.ts'

const plate = { volts: '460', amps: '12.8', phases: 3, power: 10, hz: '60', rpm: 1755, efficiency: 0.902 } as const
const made = circuitOfPlate(plate, { volts: 460, amps: 12.8 }, 60)
if (!made) throw new Error('the plate gives a circuit')
const { circuit } = made

// 10 hp on an invented fan: 5.2 m³/s at 620 Pa and 900 rpm, 6.0 kW.
const fan: Fan = { wheel: 'forward-curved', rpm: 900, flow: 5.2, pressure: 620, power: 6000 }
const rig = (over: Partial<Rig> = {}, faults: RigFaults = {}): Rig => ({
  circuit,
  supply: { kind: 'three lines', lineVolts: [460, 460, 460] },
  hz: 60,
  belt: { driver: 4.8, driven: 9.4, carries: 20000 },
  fan,
  system: systemThrough(fan.flow, fan.pressure),
  density: 1,
  faults,
  ...over,
})
const amps = (p: ReturnType<typeof solveRig>) => mean(p.motor.lineAmps)
const healthy = solveRig(rig())

describe('a fan on a system', () => {
  it('meets it at the point that was given', () => {
    const w = fanOnSystem(fan, systemThrough(fan.flow, fan.pressure), 900)
    near(w.flow, 5.2, 1e-6)
    near(w.pressure, 620, 1e-6)
    near(w.power, 6000, 1e-6)
  })
  it('fan laws emerge where pressure goes with the square of the flow, on every kind of wheel', () => {
    for (const wheel of ['forward-curved', 'backward-inclined', 'propeller'] as const) {
      const own = { ...fan, wheel }
      const system = systemThrough(4.1, 700)
      const a = fanOnSystem(own, system, 900)
      const b = fanOnSystem(own, system, 1080)
      near(b.flow / a.flow, 1.2, 1e-6)
      near(b.pressure / a.pressure, 1.44, 1e-6)
      near(b.power / a.power, 1.728, 1e-6)
    }
  })
  it('and do not where part of the pressure is fixed', () => {
    const system = systemThrough(fan.flow, fan.pressure, 250)
    const b = fanOnSystem(fan, system, 1080)
    expect(b.flow / fan.flow).toBeGreaterThan(1.21)
    // Below the speed at which it has that pressure nothing moves.
    expect(fanOnSystem(fan, system, 400)).toMatchObject({ flow: 0 })
  })
  it('thin air: the same flow, less pressure and power', () => {
    const thin = fanOnSystem(fan, { fixed: 0, k: 620 / 5.2 ** 2 / (1 / 0.82) }, 900, 0.82)
    near(thin.flow, 5.2, 1e-6)
    near(thin.power, 6000 * 0.82, 1e-6)
  })
  it('standing still it does nothing', () =>
    expect(fanOnSystem(fan, systemThrough(5, 600), 0)).toEqual({ flow: 0, pressure: 0, power: 0 }))
})

describe('the rig', () => {
  it('closes its energy within 0.1 %', () => {
    const out = healthy.fanWatts + healthy.beltWatts + healthy.dragWatts
    expect(Math.abs(healthy.motor.shaftWatts / out - 1)).toBeLessThan(1e-3)
    expect(healthy.motor.inputWatts).toBeGreaterThan(healthy.motor.shaftWatts)
  })
  it('a loaded filter takes air and, on a forward-curved wheel, amps', () => {
    const loaded = solveRig(rig({}, { restriction: 2 }))
    expect(loaded.flow).toBeLessThan(0.85 * healthy.flow)
    expect(loaded.pressure).toBeGreaterThan(healthy.pressure)
    expect(amps(loaded)).toBeLessThan(amps(healthy))
    const open = solveRig(rig({}, { restriction: 0.5 }))
    expect(amps(open)).toBeGreaterThan(amps(healthy))
  })
  it('hardly moves a backward-inclined wheel’s amps, and raises a propeller’s', () => {
    const change = (wheel: Fan['wheel']) => {
      const own = { fan: { ...fan, wheel } }
      return amps(solveRig(rig(own, { restriction: 1.3 }))) / amps(solveRig(rig(own))) - 1
    }
    expect(Math.abs(change('backward-inclined'))).toBeLessThan(0.02)
    expect(change('propeller')).toBeGreaterThan(0.01)
  })
  it('a slack belt slips: slower fan, fewer amps, a hot belt', () => {
    const slack = solveRig(rig({ belt: { driver: 4.8, driven: 9.4, carries: 3500 } }))
    expect(slack.beltSlip).toBeGreaterThan(0.05)
    expect(slack.fanRpm).toBeLessThan(0.95 * healthy.fanRpm)
    expect(amps(slack)).toBeLessThan(amps(healthy))
    expect(slack.beltWatts).toBeGreaterThan(healthy.beltWatts)
  })
  it('no belt is the motor’s no-load current; a dragging bearing is more', () => {
    near(amps(solveRig(rig({}, { beltOff: true }))), noLoadAmps(circuit, 460), 0.02)
    expect(amps(solveRig(rig({}, { drag: 900 })))).toBeGreaterThan(amps(healthy))
  })
  it('a seized one draws its locked current and moves nothing', () => {
    const seized = solveRig(rig({}, { seized: true }))
    expect(seized.motor.turning).toBe(false)
    expect(seized.flow).toBe(0)
    // Four to eight times the plate: the code letters of its size.
    expect(amps(seized) / amps(healthy)).toBeGreaterThan(4)
    expect(amps(seized) / amps(healthy)).toBeLessThan(11)
  })
  it('two leads exchanged turn the wheel the other way, and right where it is on the wrong way around', () => {
    const swapped = solveRig(rig({}, { swapped: true }))
    expect(swapped.flow).toBeCloseTo(solveRig(rig({}, { backward: true })).flow, 9)
    expect(solveRig(rig({}, { swapped: true, backward: true })).flow).toBeCloseTo(healthy.flow, 9)
  })
  it('a backward wheel moves some air on fewer amps; a dirty one less than a clean one', () => {
    const back = solveRig(rig({}, { backward: true }))
    expect(back.flow).toBeGreaterThan(0.2 * healthy.flow)
    expect(back.flow).toBeLessThan(0.7 * healthy.flow)
    expect(amps(back)).toBeLessThan(amps(healthy))
    expect(solveRig(rig({}, { wheel: 0.9 })).flow).toBeLessThan(healthy.flow)
  })
  it('amps at another sheave agree with the rule of fan laws and magnetising current within 3 %', () => {
    const magnetising = noLoadAmps(circuit, 460)
    for (const driver of [4.2, 4.4, 4.6, 5]) {
      const there = solveRig(rig({ belt: { driver, driven: 9.4, carries: 20000 } }))
      const rule = ampsAtSpeed(amps(healthy), 12.8, magnetising, there.fanRpm / healthy.fanRpm).amps
      near(amps(there), rule, 0.03)
    }
  })
  it('a direct-driven fan turns with its motor', () => {
    const direct = solveRig(rig({ belt: null, fan: { ...fan, rpm: 1750, power: 5000 } }))
    expect(direct.fanRpm).toBe(direct.motor.rpm)
    expect(direct.beltWatts).toBe(0)
  })
  it('a lost leg runs on with the other two far over the plate; a fan too heavy for it stands still', () => {
    const supply = { kind: 'line open', open: 1, volts: 460 } as const
    const lost = solveRig(rig({ supply }))
    expect(lost.motor.turning).toBe(true)
    expect(lost.motor.lineAmps[1]).toBeLessThan(1e-6)
    near(lost.motor.lineAmps[0], lost.motor.lineAmps[2], 1e-6)
    expect(lost.motor.lineAmps[0]).toBeGreaterThan(1.5 * 12.8)
    const heavy = solveRig(
      rig({ supply, fan: { ...fan, power: 40000 }, belt: { driver: 4.8, driven: 9.4, carries: 1e6 } }),
    )
    expect(heavy).toMatchObject({ fanRpm: 0, flow: 0 })
    expect(heavy.motor.turning).toBe(false)
  })
  it('power the motor has not is told by the motor standing, not by a figure', () =>
    expect(
      solveRig(rig({ fan: { ...fan, power: 200000 }, belt: { driver: 4.8, driven: 9.4, carries: 1e7 } })).flow,
    ).toBe(0))
  it('opening the motor’s sheave never raises the fan’s speed', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 5.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (driver, less) => {
          const at = (d: number) => solveRig(rig({ belt: { driver: d, driven: 9.4, carries: 20000 } })).fanRpm
          expect(at(driver - less)).toBeLessThanOrEqual(at(driver) * (1 + 1e-6))
        },
      ),
      { numRuns: 40 },
    ))
  it('a thousand rigs at random solve, with figures, and close their energy', () => {
    const random = seeded(11)
    const between = (a: number, b: number) => a + (b - a) * random.next()
    const wheels = ['forward-curved', 'backward-inclined', 'propeller'] as const
    for (let i = 0; i < 1000; i++) {
      const own: Fan = {
        wheel: wheels[i % 3] ?? 'propeller',
        rpm: between(500, 1400),
        flow: between(1, 9),
        pressure: between(100, 1200),
        power: between(800, 8000),
      }
      const p = solveRig(
        rig(
          {
            fan: own,
            density: between(0.8, 1.1),
            hz: between(40, 60),
            belt: i % 4 === 0 ? null : { driver: between(3, 7), driven: between(6, 14), carries: between(2000, 15000) },
            system: systemThrough(own.flow, own.pressure, i % 5 === 0 ? 0.2 * own.pressure : 0),
            supply: { kind: 'three lines', lineVolts: [between(430, 490), between(430, 490), between(430, 490)] },
          },
          { restriction: between(0.5, 3), wheel: between(0.8, 1), drag: between(0, 600) },
        ),
      )
      for (const v of [p.fanRpm, p.flow, p.pressure, p.fanWatts, p.beltWatts, amps(p)]) {
        expect(Number.isFinite(v)).toBe(true)
        expect(v).toBeGreaterThanOrEqual(0)
      }
      if (p.motor.turning) {
        const out = p.fanWatts + p.beltWatts + p.dragWatts
        expect(Math.abs(p.motor.shaftWatts - out)).toBeLessThanOrEqual(1e-3 * Math.max(out, 100))
      }
    }
  })
  describe('with what stands between it and the supply', () => {
    const even = { kind: 'three lines', lineVolts: [460, 460, 460] } as const
    it('burnt contacts lose volts by Ohm, and the motor takes more amps on the pole that is left', () => {
      const burnt = solveRig(rig({ supply: even, stage: { kind: 'contactor', ohms: [0.02, 1.2, 0.02] } }))
      near(burnt.drop[1], 1.2 * burnt.motor.lineAmps[1], 1e-3)
      expect(burnt.drop[1] / burnt.drop[0]).toBeGreaterThan(30)
      expect(Math.max(...burnt.motor.lineAmps) / mean(burnt.motor.lineAmps)).toBeGreaterThan(1.05)
      const sound = solveRig(rig({ supply: even, stage: { kind: 'contactor', ohms: [0, 0, 0] } }))
      near(amps(sound), amps(healthy), 1e-4)
    })
    it('a transformer gives its ratio, pair by pair', () => {
      const up = solveRig(
        rig({
          supply: { kind: 'three lines', lineVolts: [208, 208, 208] },
          stage: { kind: 'transformer', ratio: [460 / 208, 460 / 208, 460 / 208] },
        }),
      )
      near(amps(up), amps(healthy), 1e-4)
      const one = solveRig(rig({ supply: even, stage: { kind: 'transformer', ratio: [1, 1.06, 1.06] } }))
      expect(Math.max(...one.motor.lineAmps) / Math.min(...one.motor.lineAmps)).toBeGreaterThan(1.1)
    })
    it('a drive sets the speed by its hertz and holds back at its limit', () => {
      const slow = solveRig(rig({ supply: even, stage: { kind: 'drive', hz: 48, limit: 30, dead: null } }))
      near(slow.fanRpm / healthy.fanRpm, 0.8, 0.01)
      expect(slow.holdsBack).toBe(false)
      const held = solveRig(
        rig({ supply: even, stage: { kind: 'drive', hz: 60, limit: 0.8 * amps(healthy), dead: null } }),
      )
      expect(held.holdsBack).toBe(true)
      near(amps(held), 0.8 * amps(healthy), 0.005)
      expect(held.hz).toBeLessThan(56)
    })
    it('a drive that lost a leg of its output single-phases the motor behind three sound lines', () => {
      const dead = solveRig(rig({ supply: even, stage: { kind: 'drive', hz: 60, limit: 60, dead: 2 } }))
      expect(dead.motor.lineAmps[2]).toBeLessThan(1e-6)
      expect(dead.motor.lineAmps[0]).toBeGreaterThan(1.4 * amps(healthy))
    })
  })
  it('with its twin off a fan moves more air alone, on more amps; the idle wheel spins backwards (common practice)', () => {
    const both = solveRig(rig({}, { twin: 'running' }))
    near(amps(both), amps(healthy), 1e-6)
    const alone = solveRig(rig({}, { twin: 'off' }))
    expect(amps(alone)).toBeGreaterThan(1.1 * amps(healthy))
    expect(alone.flow).toBeGreaterThan(1.2 * healthy.flow)
    expect(alone.twinRpm).toBeLessThan(-50)
    const shut = solveRig(rig({}, { twin: 'off, shut by its damper' }))
    expect(shut.twinRpm).toBe(0)
    expect(shut.flow).toBeLessThan(alone.flow)
    expect(shut.flow).toBeGreaterThan(healthy.flow)
  })
  it('a bigger wheel takes more, at most the fifth power of its size: the duct gives some of it back', () => {
    const big = solveRig(rig({}, { otherWheel: 1.05 }))
    expect(big.fanWatts / healthy.fanWatts).toBeGreaterThan(1.05 ** 2)
    expect(big.fanWatts / healthy.fanWatts).toBeLessThan(1.05 ** 5)
    expect(amps(big)).toBeGreaterThan(amps(healthy))
  })
  it('a winding that leaks sends its phase volts through what is left of the insulation', () =>
    near(solveRig(rig({}, { leakage: 100 })).groundAmps, 460 / Math.sqrt(3) / 100, 0.01))
  it('names what cannot be', () => {
    expect(() => solveRig(rig({ belt: { driver: 0, driven: 9, carries: 1 } }))).toThrow(/^driver/)
    expect(() => solveRig(rig({}, { restriction: 0 }))).toThrow(/^restriction/)
    expect(() => solveRig(rig({}, { drag: -1 }))).toThrow(/^drag/)
    expect(() => solveRig(rig({}, { leakage: -1 }))).toThrow(/^leakage/)
    expect(() => solveRig(rig({ stage: { kind: 'transformer', ratio: [0, 1, 1] } }))).toThrow(/^ratio/)
    expect(() => solveRig(rig({ stage: { kind: 'contactor', ohms: [-1, 0, 0] } }))).toThrow(/^ohms/)
  })
})
