import { describe, expect, it } from 'vitest'
import { assemblyFor, circuitOfPlate } from '../machine/index.ts'
import { decodeLive, decodeParameters, rawWords, type VfdReading } from './decode.ts'
import { faultFamilies } from './fault-families.ts'
import type { ParameterSet } from './parameters.ts'
import type { VfdProfile } from './profile.ts'
import { shippedProfiles } from './profiles/index.ts'
import { practiceRegisters, StandIn } from './stand-in.ts'

const plate = { volts: '460', amps: '12.2', power: 10, phases: 3, rpm: 1755, hz: '60', sf: 1.15 } as const
const rig = (load: number) => {
  const found = circuitOfPlate(plate, { volts: 460, amps: 12.2 }, 60)
  if (!found) throw new Error('no circuit')
  return assemblyFor({ circuit: found.circuit, volts: 480, hz: 60, load, belt: null, wheel: 'backward-inclined' })
}
const settings: ParameterSet = {
  'plate-amps': 12.2,
  'overload-amps': 12.2,
  'overload-class': 10,
  accel: 30,
  decel: 30,
  'min-hz': 10,
  'max-hz': 60,
}
const standIn = (profile: VfdProfile, set: ParameterSet = settings, load = 0.8, hz = 60) =>
  new StandIn({ profile, rig: rig(load), parameters: set, hours: 1200, command: { run: true, hz } })
const read = (drive: StandIn, profile: VfdProfile): VfdReading =>
  decodeLive(profile, (t, r) => drive.registers(t).get(r))

describe.each(shippedProfiles.map((p) => [p.id, p] as const))('a stand-in drive: %s', (_id, profile) => {
  it('speeds up in its time, holds, and gives what the rig asks for', () => {
    const drive = standIn(profile)
    drive.advance(15)
    expect(read(drive, profile).values.hz).toBeCloseTo(30, 1)
    drive.advance(15)
    drive.advance(1)
    const told = read(drive, profile)
    expect(told.doubts).toEqual([])
    expect(told.values.hz).toBeCloseTo(60, 1)
    expect(told.status).toMatchObject({ ready: true, running: true, fault: false })
    // Of 12.2 A at four fifths of its load.
    expect(told.values.amps).toBeGreaterThan(8)
    expect(told.values.amps).toBeLessThan(12)
    // √2 · 480 V without load, 3√2/π under it.
    expect(told.values.bus).toBeGreaterThan(640)
    expect(told.values.bus).toBeLessThan(680)
  })
  it('takes little more than an eighth at half speed: the fan law and what is lost', () => {
    const at = (hz: number) => {
      const drive = standIn(profile, settings, 0.8, hz)
      for (let i = 0; i < 40; i++) drive.advance(1)
      return read(drive, profile).values.power ?? 0
    }
    expect(at(30) / at(60)).toBeGreaterThan(0.1)
    expect(at(30) / at(60)).toBeLessThan(0.18)
  })
  it('trips with every family, remembers it, and runs again when it is reset', () => {
    const drive = standIn(profile)
    for (const f of faultFamilies) {
      const code = profile.fault.codes.find((c) => c.family === f.id)?.code ?? 0
      expect(drive.write(practiceRegisters.cause, [code])).toBe('ok')
      drive.advance(1)
      const told = read(drive, profile)
      expect(told.fault?.family).toBe(f.id)
      expect(told.status).toMatchObject({ fault: true, running: false })
      expect(told.values.hz).toBe(0)
      expect(told.log[0]?.family).toBe(f.id)
      drive.write(practiceRegisters.reset, [1])
      drive.advance(1)
      expect(read(drive, profile).fault).toBeNull()
    }
    expect(read(drive, profile).log).toHaveLength(profile.faultLog?.entries ?? 0)
  })
  it('protects its motor as it is set: rightly it trips, set too high it never does', () => {
    const runs = (set: number) => {
      const drive = standIn(profile, { ...settings, 'overload-amps': set }, 1.3)
      for (let i = 0; i < 3600; i += 5) drive.advance(5)
      return read(drive, profile).fault?.family ?? null
    }
    expect(runs(12.2)).toBe('motor-overload')
    expect(runs(21)).toBeNull()
  })
  it('lets its bus run down when the line is off, and not at once', () => {
    const drive = standIn(profile)
    drive.advance(30)
    drive.write(practiceRegisters.line, [0])
    drive.advance(1)
    expect(read(drive, profile).values.bus).toBeGreaterThan(600)
    drive.advance(120)
    const bus = read(drive, profile).values.bus ?? 0
    expect(bus).toBeLessThan(50)
  })
  it('takes a setting that may be written, and no other', () => {
    const drive = standIn(profile)
    const field = profile.parameters['max-hz']
    if (!field) throw new Error('no field')
    expect(drive.write(field.register, rawWords(field, profile.wordOrder, 55))).toBe('ok')
    expect(decodeParameters(profile, (t, r) => drive.registers(t).get(r)).set['max-hz']).toBe(55)
    expect(drive.write(field.register, rawWords(field, profile.wordOrder, 900))).toBe('bad value')
    expect(drive.write(profile.status.register, [1])).toBe('no such register')
    expect(drive.write(practiceRegisters.cause, [999])).toBe('bad value')
  })
})
