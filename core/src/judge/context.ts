import { driveAt, partAt, unknownLayout, type DriveStands, type InstalledWheel } from '../installed/index.ts'
import { limitInForce, type LimitId, type LimitInForce } from '../limits/index.ts'
import { type PlateCircuit } from '../machine/index.ts'
import { isSlow, type AllowedCurrent } from '../plate/index.ts'
import {
  allThree,
  legPositions,
  linePositions,
  neutralPositions,
  type QuantityCode,
  type Reading,
  type ThreePhase,
} from '../quantity/index.ts'
import { baselineAt, loadPoint, type Baseline, type LoadPoint, type Visit } from '../trend/index.ts'
import { contradictionsOf, type Contradiction } from './contradictions.ts'
import { Looked, overRange } from './evidence.ts'
import { fanOnDrive } from './fan-on-drive.ts'
import type { JudgeInput } from './input.ts'
import { earlierThan, pastOf, type Past } from './past.ts'
import { nameplateOf } from './nameplate.ts'
import { circuitOf } from './plate-circuit.ts'

/** What every check needs. Everything is worked out when it is first asked for, once. */
export interface Context extends JudgeInput, Past {
  readonly input: JudgeInput
  /** The visits before this one, newest first: of two at one instant, the one whose id comes first. */
  readonly earlier: readonly Visit[]
  /** What it may draw at the speed it was read at. */
  readonly allowed: AllowedCurrent | null
  /** What it may draw at full speed: its overload relay and its start are of that. */
  readonly fullAllowed: AllowedCurrent | null
  /** Whether the nameplate has amps for the speed it was read at; where not, staying below them proves nothing. */
  readonly ownAmps: boolean
  /** Nameplate rpm at the speed it was read at; undefined where none is printed. */
  readonly plateRpm: number | undefined
  /** Amps by leg as read; undefined where a leg was not read. */
  readonly legs: readonly (number | undefined)[]
  readonly legsRead: readonly { readonly name: string; readonly amps: number }[]
  readonly threeAmps: ThreePhase | null
  readonly threeVolts: ThreePhase | null
  /** Every line voltage read, for a single-phase machine the one. */
  readonly volts: readonly { readonly name: string; readonly volts: number }[]
  readonly hz: number | undefined
  readonly point: LoadPoint | null
  readonly baseline: Baseline
  /** Belt drive and wheel as recorded at this visit; null where they are not. */
  readonly driveTrain: DriveStands | null
  readonly wheel: InstalledWheel | null
  readonly limit: (id: LimitId) => LimitInForce
  /** Hertz of the supply; a drive's output is `hz`. */
  readonly supplyHz: number
  /** The motor's equivalent circuit, where its plate allows one. */
  readonly circuit: PlateCircuit | null
  /** A reading of this visit; one that is over range and so no figure is as good as none. */
  readonly reading: (quantity: QuantityCode, position: string) => Reading | undefined
  readonly value: (quantity: QuantityCode, position: string) => number | undefined
  /** Every usable reading of a quantity. */
  readonly readings: (quantity: QuantityCode) => readonly Reading[]
  /** Was any of these read, good or not? */
  readonly has: (...quantities: readonly QuantityCode[]) => boolean
  readonly answer: (id: string) => string | undefined
  /** Readings of this visit that cannot all be true. */
  readonly contradictions: readonly Contradiction[]
  /** What the check that is judging has looked at. */
  readonly looked: Looked
}

interface Legs {
  readonly values: readonly (number | undefined)[]
  readonly read: readonly { readonly name: string; readonly amps: number }[]
  readonly three: ThreePhase | null
}
interface Lines {
  readonly read: readonly { readonly name: string; readonly volts: number }[]
  readonly three: ThreePhase | null
}

const named = (names: readonly string[], values: readonly (number | undefined)[]) =>
  values.flatMap((v, i) => (v === undefined ? [] : [{ name: names[i] ?? '', volts: v }]))

/** A class and not an object of closures: a whole past is judged at once, and every visit of it has one of these. */
class VisitContext implements Context {
  readonly input: JudgeInput
  readonly machine: JudgeInput['machine']
  readonly motor: JudgeInput['motor']
  readonly motors: JudgeInput['motors']
  readonly visit: JudgeInput['visit']
  readonly history: JudgeInput['history']
  readonly work: JudgeInput['work']
  readonly policies: JudgeInput['policies']
  readonly twins: JudgeInput['twins']
  readonly peers: JudgeInput['peers']
  readonly parts: JudgeInput['parts']
  readonly layout: JudgeInput['layout']
  readonly closings: JudgeInput['closings']
  readonly reported: JudgeInput['reported']
  readonly live: JudgeInput['live']
  readonly allowed: AllowedCurrent | null
  readonly fullAllowed: AllowedCurrent | null
  readonly ownAmps: boolean
  readonly plateRpm: number | undefined
  readonly supplyHz: 50 | 60
  readonly looked: Looked
  #byKey: Map<string, Reading> | null = null
  #codes: Set<string> | null = null
  #contradictions: readonly Contradiction[] | null = null
  #contradicted: ReadonlySet<Reading> | null = null
  #baseline: Baseline | null = null
  #past: Past | null = null
  #point: { readonly is: LoadPoint | null } | null = null
  #driveTrain: { readonly is: DriveStands | null } | null = null
  #wheel: { readonly is: InstalledWheel | null } | null = null
  #circuit: { readonly is: PlateCircuit | null } | null = null
  #legs: Legs | null = null
  #lines: Lines | null = null
  #earlier: readonly Visit[] | null = null

  constructor(input: JudgeInput) {
    this.input = input
    this.machine = input.machine
    this.motor = input.motor
    this.motors = input.motors
    this.visit = input.visit
    this.history = input.history
    this.work = input.work
    this.policies = input.policies
    this.twins = input.twins
    this.peers = input.peers
    this.parts = input.parts
    this.layout = input.layout
    this.closings = input.closings
    this.reported = input.reported
    this.live = input.live
    const { mode } = input.visit.state
    const at = nameplateOf(input.machine, input.motor, mode)
    this.allowed = at.allowed
    this.fullAllowed = nameplateOf(input.machine, input.motor, null).allowed
    this.ownAmps = at.ownAmps
    this.plateRpm = at.rpm
    this.supplyHz = at.supplyHz
    this.looked = new Looked(() => (this.#contradicted ??= new Set(this.contradictions.flatMap((k) => k.readings))))
  }

  #find(quantity: string, position: string): Reading | undefined {
    this.#byKey ??= new Map(this.visit.readings.map((r) => [`${r.quantity} ${r.position}`, r]))
    return this.#byKey.get(`${quantity} ${position}`)
  }
  /** Values at several places; what they rest on is noted each time they are asked for. */
  #valuesOf(quantity: QuantityCode, positions: readonly string[]): (number | undefined)[] {
    return positions.map((p) => {
      const r = this.#find(quantity, p)
      return r === undefined || overRange(r) ? undefined : r.value
    })
  }
  #note(quantity: QuantityCode): void {
    for (const r of this.visit.readings) if (r.quantity === quantity) this.looked.note(r)
  }
  #allLegs(): Legs {
    this.#note('amps')
    if (this.#legs) return this.#legs
    const values = this.#valuesOf('amps', this.machine.phases === 3 ? legPositions : legPositions.slice(0, 1))
    this.#legs = {
      values,
      read: values.flatMap((a, i) => (a === undefined ? [] : [{ name: legPositions[i] ?? '', amps: a }])),
      three: this.machine.phases === 3 ? allThree(values) : null,
    }
    return this.#legs
  }
  /** Volts to neutral; of three phases as the line volts that they come to, which is what everything else is held against. */
  #byNeutral(): Lines['read'] {
    const read = named(neutralPositions, this.#valuesOf('volts_ln', neutralPositions))
    if (this.machine.phases !== 3) return read
    return read.map((r) => ({ name: `${r.name} × 1.73`, volts: r.volts * Math.sqrt(3) }))
  }
  #allLines(): Lines {
    this.#note('volts_ll')
    if (this.#lines) return this.#lines
    const values = this.#valuesOf('volts_ll', linePositions)
    const read = named(linePositions, values)
    this.#lines = {
      read: read.length > 0 ? read : this.#byNeutral(),
      three: this.machine.phases === 3 ? allThree(values) : null,
    }
    return this.#lines
  }
  get #ofPast(): Past {
    return (this.#past ??= pastOf(
      this.input,
      () => this.baseline,
      this.allowed?.amps ?? null,
      () => fanOnDrive(this),
    ))
  }

  get legs() {
    return this.#allLegs().values
  }
  get legsRead() {
    return this.#allLegs().read
  }
  get threeAmps() {
    return this.#allLegs().three
  }
  get threeVolts() {
    return this.#allLines().three
  }
  get volts() {
    this.#note('volts_ln')
    return this.#allLines().read
  }
  get hz() {
    return this.value('hz', 'motor')
  }
  get baseline() {
    return (this.#baseline ??= baselineAt(this.work, 'amps', this.visit.at))
  }
  get point() {
    this.#note('amps')
    return (this.#point ??= { is: loadPoint(this.visit, this.#ofPast.reference) }).is
  }
  get contradictions() {
    return (this.#contradictions ??= contradictionsOf(this.input))
  }
  get driveTrain() {
    return (this.#driveTrain ??= {
      is:
        this.machine.drive === 'belt'
          ? driveAt(this.parts ?? [], this.work, this.layout ?? unknownLayout, this.visit.at)
          : null,
    }).is
  }
  get wheel() {
    return (this.#wheel ??= { is: partAt(this.parts ?? [], 'wheel', this.visit.at) }).is
  }
  get circuit() {
    // The circuit is that of the full-speed winding.
    return (this.#circuit ??= {
      is: isSlow(this.visit.state.mode)
        ? null
        : circuitOf(this.motor, this.allowed, this.machine.phases, this.supplyHz),
    }).is
  }
  get reference() {
    return this.#ofPast.reference
  }
  get past() {
    return this.#ofPast.past
  }
  get earlier() {
    return (this.#earlier ??= earlierThan(this.history, this.visit).reverse())
  }
  get usual() {
    return this.#ofPast.usual
  }
  get change() {
    return this.#ofPast.change
  }
  get before() {
    return this.#ofPast.before
  }
  get drift() {
    return this.#ofPast.drift
  }
  get season() {
    return this.#ofPast.season
  }
  get step() {
    return this.#ofPast.step
  }

  limit = (id: LimitId): LimitInForce => limitInForce(id, this.policies)
  reading = (quantity: QuantityCode, position: string): Reading | undefined => {
    const r = this.#find(quantity, position)
    this.looked.note(r)
    return r !== undefined && overRange(r) ? undefined : r
  }
  value = (quantity: QuantityCode, position: string): number | undefined => this.reading(quantity, position)?.value
  readings = (quantity: QuantityCode): readonly Reading[] =>
    this.visit.readings.filter((r) => {
      if (r.quantity !== quantity) return false
      this.looked.note(r)
      return !overRange(r)
    })
  has = (...wanted: readonly QuantityCode[]): boolean => {
    const codes = (this.#codes ??= new Set(this.visit.readings.map((r) => r.quantity)))
    return wanted.some((q) => codes.has(q))
  }
  answer = (id: string): string | undefined => this.visit.answers?.[id]
}

/** Work out the context of a visit. @throws RangeError when the service volts are not above zero */
export const contextOf = (input: JudgeInput): Context => new VisitContext(input)
