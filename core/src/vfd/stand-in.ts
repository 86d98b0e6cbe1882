import { solveRig, type Rig, type RigPoint } from '../machine/index.ts'
import { mean, requireMagnitude } from '../quantity/index.ts'
import { rawOf, rawWords } from './decode.ts'
import type { FaultFamilyId } from './fault-families.ts'
import { parameterOf, type ParameterId, type ParameterSet } from './parameters.ts'
import { wordsOf, type LiveValueId, type RegisterTable, type VfdProfile } from './profile.ts'

/** A drive that stands in for a real one. */
export interface StandInOf {
  readonly profile: VfdProfile
  /** Motor, fan and duct behind it; what stands between line and motor is the drive itself. */
  readonly rig: Rig
  readonly parameters: ParameterSet
  readonly hours: number
  /** What the building asks of it. */
  readonly command: { readonly run: boolean; readonly hz: number }
}

/** Registers of a stand-in that no real drive has: by them tests and practice make it fail. */
export const practiceRegisters = {
  /** A fault code of the profile: it trips with it. */
  cause: 9000,
  /** One: reset. */
  reset: 9001,
  /** Hertz asked for, in hundredths. */
  hz: 9002,
  /** One to run, nought to stop. */
  run: 9003,
  /** Nought cuts its line; the bus runs down. One gives it back. */
  line: 9004,
} as const

export type WriteResult = 'ok' | 'no such register' | 'not writable' | 'bad value'

/** Time in which the bus falls to 37 % once the line is off, seconds. @source common practice: minutes to under 50 V */
const bleed = 40
/** Of its nameplate amps, what it carries for ever. @source class of an overload relay: 1.15 to 1.25 times its setting */
const carries = 1.15
/** At six times its setting a relay trips within its class, in seconds. @source NEMA ICS 2 */
const classTimes = 6
const ambient = 26

/** A drive by its registers: it speeds up, holds, trips and remembers. Time goes on by `advance` alone. */
export class StandIn {
  readonly #of: StandInOf
  #set: ParameterSet
  #hz = 0
  #run: boolean
  #asked: number
  #line = true
  #bus: number
  #seconds = 0
  #heat = 0
  #fault: FaultFamilyId | null = null
  #log: { readonly code: number; readonly hours: number }[] = []
  #point: RigPoint | null = null

  constructor(of: StandInOf) {
    this.#of = of
    this.#set = of.parameters
    this.#run = of.command.run
    this.#asked = of.command.hz
    this.#bus = this.#full
  }

  get #lineVolts(): number {
    const { supply } = this.#of.rig
    return supply.kind === 'three lines' ? mean(supply.lineVolts) : supply.volts
  }
  get #full(): number {
    return Math.SQRT2 * this.#lineVolts
  }
  #value = (id: ParameterId, otherwise: number): number => this.#set[id] ?? otherwise

  #trip(family: FaultFamilyId): void {
    this.#fault = family
    this.#hz = 0
    this.#point = null
    const code = this.#of.profile.fault.codes.find((c) => c.family === family)?.code
    if (code !== undefined) this.#log = [{ code, hours: this.#hours }, ...this.#log]
  }
  get #hours(): number {
    return Math.floor(this.#of.hours + this.#seconds / 3600)
  }

  /** Let so many seconds go by. @throws RangeError below zero */
  advance(seconds: number): void {
    requireMagnitude('seconds', seconds)
    if (!this.#line) {
      this.#bus *= Math.exp(-seconds / bleed)
      this.#hz = 0
      this.#point = null
      return
    }
    const turns = this.#run && this.#fault === null
    const top = this.#value('max-hz', 60)
    const goal = turns ? Math.min(top, Math.max(this.#value('min-hz', 0), this.#asked)) : 0
    const ramp = top / Math.max(0.1, this.#value(goal > this.#hz ? 'accel' : 'decel', 30))
    this.#hz = goal > this.#hz ? Math.min(goal, this.#hz + ramp * seconds) : Math.max(goal, this.#hz - ramp * seconds)
    if (this.#hz < 3) this.#point = null
    else {
      const { rig } = this.#of
      const limit = 1.5 * Math.max(1, this.#value('plate-amps', 1e6))
      this.#point = solveRig({ ...rig, stage: { kind: 'drive', hz: this.#hz, limit, dead: null } })
      this.#seconds += seconds
    }
    this.#bus = this.#full * (1 - 0.045 * Math.min(1, (this.#point?.motor.load ?? 0) || 0))
    this.#protect(seconds)
  }

  /** The overload as it is set: one set too high lets the motor burn, as in life. */
  #protect(seconds: number): void {
    const [set, cls] = [this.#value('overload-amps', 0), this.#value('overload-class', 0)]
    if (set <= 0 || cls <= 0) return
    const share = (this.#point ? mean(this.#point.motor.lineAmps) : 0) / set
    this.#heat = Math.max(0, this.#heat + (share ** 2 - carries ** 2) * seconds)
    if (this.#heat > (classTimes ** 2 - carries ** 2) * cls) {
      this.#heat = 0
      this.#trip('motor-overload')
    }
  }

  get #shown(): Readonly<Record<LiveValueId, number>> {
    const point = this.#point
    const volts = point ? mean(point.motor.terminalVolts) : 0
    return {
      hz: this.#hz,
      volts,
      amps: point ? mean(point.motor.lineAmps) : 0,
      bus: this.#bus,
      power: point ? point.motor.inputWatts / 1000 : 0,
      temperature: ambient + 22 * Math.min(1.5, point ? point.motor.load : 0),
      hours: this.#hours,
    }
  }

  /** Every register that it has, with what stands in it. */
  registers(table: RegisterTable): ReadonlyMap<number, number> {
    const { profile } = this.#of
    const all = new Map<number, number>()
    const put = (of: RegisterTable, register: number, words: readonly number[]) => {
      if (of === table) words.forEach((w, i) => all.set(register + i, w))
    }
    for (const [id, value] of Object.entries(this.#shown)) {
      const field = profile.values[id as LiveValueId]
      if (field) put(field.table, field.register, rawWords(field, profile.wordOrder, value))
    }
    for (const [id, field] of Object.entries(profile.parameters))
      put(field.table, field.register, rawWords(field, profile.wordOrder, this.#value(id as ParameterId, 0)))
    const { bits, ...status } = profile.status
    const on = {
      ready: this.#line && this.#fault === null,
      running: this.#hz > 0,
      fault: this.#fault !== null,
      warning: false,
      reverse: this.#value('direction', 0) === 1,
    }
    const word = Object.entries(bits).reduce((w, [bit, at]) => (on[bit as keyof typeof on] ? w | (1 << at) : w), 0)
    put(status.table, status.register, [word])
    const code = profile.fault.codes.find((c) => c.family === this.#fault)?.code ?? 0
    put(profile.fault.table, profile.fault.register, [code])
    const { faultLog } = profile
    for (let i = 0; faultLog && i < faultLog.entries; i++)
      put(faultLog.table, faultLog.register + 2 * i, [this.#log[i]?.code ?? 0, (this.#log[i]?.hours ?? 0) & 0xffff])
    return all
  }

  /** Registers are written one after another; a figure of two needs both. */
  write(register: number, words: readonly number[]): WriteResult {
    const [first = 0] = words
    switch (register) {
      case practiceRegisters.cause: {
        const family = this.#of.profile.fault.codes.find((c) => c.code === first)?.family
        if (family === undefined) return 'bad value'
        this.#trip(family)
        return 'ok'
      }
      case practiceRegisters.reset:
        this.#fault = null
        return 'ok'
      case practiceRegisters.hz:
        this.#asked = first / 100
        return 'ok'
      case practiceRegisters.run:
        this.#run = first === 1
        return 'ok'
      case practiceRegisters.line:
        this.#line = first === 1
        return 'ok'
    }
    return this.#writeParameter(register, words)
  }

  #writeParameter(register: number, words: readonly number[]): WriteResult {
    const { profile } = this.#of
    const found = Object.entries(profile.parameters).find(([, f]) => f.table === 'holding' && f.register === register)
    if (!found) return 'no such register'
    const [id, field] = found
    if (!field.writable) return 'not writable'
    if (words.length !== wordsOf(field.type)) return 'bad value'
    const raw = rawOf(field, profile.wordOrder, (_, r) => words[r - register])
    if (raw === null) return 'bad value'
    const value = Number((raw * field.scale).toPrecision(7))
    const { range } = parameterOf(id as ParameterId)
    if (!(value >= range[0] && value <= range[1])) return 'bad value'
    this.#set = { ...this.#set, [id]: value }
    return 'ok'
  }
}
