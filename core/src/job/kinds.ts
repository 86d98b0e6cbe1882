import type { QuantityCode } from '../quantity/index.ts'
import type { WorkKindId } from '../trend/index.ts'
import type { Step } from './step.ts'
import { beltMotorSteps } from './steps/belt-motor.ts'
import { capacitorSteps } from './steps/capacitor.ts'
import { cleaningSteps } from './steps/cleaning.ts'
import { contactorSteps } from './steps/contactor.ts'
import { deckSteps } from './steps/deck.ts'
import { directMotorSteps } from './steps/direct-motor.ts'
import { driveSteps } from './steps/drive.ts'
import { filtersSteps } from './steps/filters.ts'
import { propellerSteps } from './steps/propeller.ts'
import { pscMotorSteps } from './steps/psc-motor.ts'
import { shaftSteps } from './steps/shaft.ts'
import { sheavesSteps } from './steps/sheaves.ts'
import { temporarySteps } from './steps/temporary.ts'
import { transformerSteps } from './steps/transformer.ts'
import { wheelsSteps } from './steps/wheels.ts'
import { wiringSteps } from './steps/wiring.ts'

/** Readings that prove an electrical job: volts, amps of every leg. */
const running = ['volts_ll', 'amps'] as const
/** With speed and how it runs. */
const turning = [...running, 'rpm', 'vibration'] as const
/** What a motor is proven good by before power. */
const atRest = ['winding_ohms', 'megohms', 'ground_ohms'] as const

/** A kind of job: its steps, its crew, what it is proven by, and when somebody comes back. */
export interface JobKind {
  readonly id: string
  readonly title: string
  /** When it is the answer. */
  readonly when: string
  /** A full opening and closing, or the small one. */
  readonly form: 'full' | 'small'
  readonly crew: 1 | 2
  /** Usual hours. */
  readonly hours: readonly [number, number]
  readonly steps: readonly Step[]
  /** Steps of opening and closing that it does without. */
  readonly without: readonly string[]
  /** Things of its kit, the forgotten ones last. */
  readonly kit: readonly string[]
  readonly forgotten: readonly string[]
  /** Read before it and after it, in the same state. */
  readonly proof: readonly QuantityCode[]
  /** Minutes it runs before it is read again, and days until somebody looks again. */
  readonly soak: number
  readonly backInDays: number | null
  /** Work that it comes to in the record. */
  readonly work: readonly WorkKindId[]
}

type Given = Omit<JobKind, 'id' | 'title' | 'without'> & { readonly without?: readonly string[] }
const kind = (id: string, title: string, given: Given): JobKind => ({ id, title, without: [], ...given })

/** Every kind of job. Hours, soak and return are start values. @source common practice */
export const jobKinds: readonly JobKind[] = [
  kind('direct-motor', 'Replace a direct-drive blower motor', {
    when: 'Winding or bearing proven bad.',
    form: 'full',
    crew: 2,
    hours: [4, 6],
    steps: directMotorSteps,
    kit: ['motor'],
    forgotten: ['arms', 'isolators', 'hub screw', 'control plug'],
    proof: [...turning, ...atRest],
    soak: 30,
    backInDays: 7,
    work: ['motor-replaced'],
  }),
  kind('belt-motor', 'Replace a belt-drive motor', {
    when: 'Winding or bearing proven bad, and the wheel is free with the belt off.',
    form: 'full',
    crew: 2,
    hours: [4, 7],
    steps: beltMotorSteps,
    kit: ['motor', 'belts'],
    forgotten: ['key', 'bushing', 'base bolts', 'shims', 'lugs', 'overload of the right range'],
    proof: [...turning, ...atRest, 'belt_force'],
    soak: 30,
    backInDays: 2,
    work: ['motor-replaced', 'belts-renewed', 'sheaves-aligned'],
  }),
  kind('psc-motor', 'Replace a capacitor-run blower motor', {
    when: 'Winding open when cold, or it drags or overheats on a good capacitor.',
    form: 'small',
    crew: 1,
    hours: [2, 3],
    steps: pscMotorSteps,
    kit: ['motor', 'capacitor'],
    forgotten: ['strap', 'boot', 'band rubber', 'reversing plug'],
    proof: [...running, ...atRest, 'capacitance'],
    soak: 20,
    backInDays: 30,
    work: ['motor-replaced', 'capacitor-renewed'],
  }),
  kind('propeller', 'Replace a propeller-fan motor or blade', {
    when: 'Motor seized, to ground or open; blade cracked, bent or loose.',
    form: 'small',
    crew: 1,
    hours: [2, 4],
    steps: propellerSteps,
    kit: ['motor', 'blade', 'capacitor'],
    forgotten: ['stud nuts', 'hub screws', 'rain shield', 'bushing'],
    proof: [...running, ...atRest, 'vibration'],
    soak: 20,
    backInDays: 7,
    work: ['motor-replaced'],
  }),
  kind('wheels', 'Replace blower wheels', {
    when: 'Cracked, thin or loose on its hub; clean, and still over the vibration limit.',
    form: 'full',
    crew: 2,
    hours: [6, 9],
    steps: wheelsSteps,
    kit: ['wheels by hand', 'keys', 'belts'],
    forgotten: ['the hand of the second wheel', 'cutoff screws'],
    proof: [...turning, 'static_pressure'],
    soak: 30,
    backInDays: 2,
    work: ['wheel-replaced'],
  }),
  kind('shaft', 'Replace shaft and bearings', {
    when: 'Rough, hot or slack; a ring that turned on the shaft takes the shaft with it.',
    form: 'full',
    crew: 2,
    hours: [6, 9],
    steps: shaftSteps,
    kit: ['shaft', 'bearings', 'collars'],
    forgotten: ['keys', 'shims', 'fittings', 'grease', 'belts'],
    proof: turning,
    soak: 60,
    backInDays: 2,
    work: ['shaft-renewed', 'bearings-renewed'],
  }),
  kind('sheaves', 'Change sheaves, belts or speed', {
    when: 'Grooves worn; air and amps ask for another speed.',
    form: 'full',
    crew: 1,
    hours: [3, 5],
    steps: sheavesSteps,
    kit: ['sheaves', 'bushings', 'belts of the new length'],
    forgotten: ['keys', 'base travel', 'overload'],
    proof: [...turning, 'belt_force'],
    soak: 30,
    backInDays: 2,
    work: ['sheave-changed', 'belts-renewed'],
  }),
  kind('capacitor', 'Replace a capacitor', {
    when: 'Off its marking, or not the value of the nameplate.',
    form: 'small',
    crew: 1,
    hours: [1, 1.5],
    steps: capacitorSteps,
    kit: ['capacitor'],
    forgotten: ['strap', 'boot'],
    proof: [...running, 'capacitance'],
    soak: 10,
    backInDays: null,
    work: ['capacitor-renewed'],
  }),
  kind('contactor', 'Replace a contactor or overload', {
    when: 'Pitted, welded or hot poles; overload missing or out of range.',
    form: 'small',
    crew: 1,
    hours: [1.5, 2.5],
    steps: contactorSteps,
    kit: ['contactor or overload'],
    forgotten: ['coil volts', 'auxiliary block', 'lugs'],
    proof: [...running, 'contact_drop'],
    soak: 20,
    backInDays: 30,
    work: ['contactor-renewed'],
  }),
  kind('drive', 'Replace a drive', {
    when: 'Input, motor and cable good, output dead, one reset tried.',
    form: 'full',
    crew: 2,
    hours: [4, 6],
    steps: driveSteps,
    // Motor and cable are tested with the drive off both ends: that is its test at the motor.
    without: ['Z1'],
    kit: ['drive', 'fuses'],
    forgotten: ['copy of the parameters', 'communication card', 'conduit bushing'],
    proof: [...running, 'hz', 'ground_amps'],
    soak: 60,
    backInDays: 7,
    work: ['speed-set'],
  }),
  kind('wiring', 'Repair wiring and lugs', {
    when: 'Chafed, heat-marked, or volts lost over a joint.',
    form: 'small',
    crew: 1,
    hours: [1.5, 3],
    steps: wiringSteps,
    kit: ['wire', 'lugs'],
    forgotten: ['edge bushings', 'loom', 'paint'],
    proof: [...running, 'contact_drop'],
    soak: 30,
    backInDays: 14,
    work: ['terminals-tightened'],
  }),
  kind('transformer', 'Replace a transformer', {
    when: 'Ratio wrong with nothing on it; winding open or to ground.',
    form: 'small',
    crew: 1,
    hours: [1.5, 3],
    steps: transformerSteps,
    kit: ['transformer', 'fuse'],
    forgotten: ['fuse holder', 'tap data'],
    proof: [...running, 'control_volts'],
    soak: 30,
    backInDays: 30,
    work: ['supply-mended'],
  }),
  kind('filters', 'Change filters and seal the rack', {
    when: 'Pressure drop at its limit; wet, bowed, or dirt went around them.',
    form: 'small',
    crew: 1,
    hours: [0.7, 2],
    steps: filtersSteps,
    without: ['Z1', 'Z4'],
    kit: ['filters'],
    forgotten: ['count', 'spacers', 'gasket'],
    proof: ['amps', 'filter_drop'],
    soak: 10,
    backInDays: null,
    work: ['filters-changed'],
  }),
  kind('cleaning', 'Clean wheel and coil', {
    when: 'Dirt over 1/16 in (1.5 mm) on the blades; pressure drop of the coil up.',
    form: 'full',
    crew: 1,
    hours: [4, 6],
    steps: cleaningSteps,
    kit: ['coil cleaner', 'bags'],
    forgotten: ['comb', 'brushes', 'covers'],
    proof: [...turning, 'megohms'],
    soak: 30,
    backInDays: 30,
    work: ['wheel-cleaned'],
  }),
  kind('deck', 'Take the fan deck out over gas heat', {
    when: 'The work inside cannot be reached in place.',
    form: 'full',
    crew: 2,
    hours: [4, 5],
    steps: deckSteps,
    kit: ['gasket', 'screws'],
    forgotten: ['cover board', 'leak fluid', 'combustion analyzer'],
    proof: turning,
    soak: 60,
    backInDays: 7,
    work: [],
  }),
  kind('temporary', 'Temporary blank or bypass', {
    when: 'The part is not here and the air is needed.',
    form: 'small',
    crew: 1,
    hours: [1.5, 2],
    steps: temporarySteps,
    kit: ['sheet', 'screws', 'tag'],
    forgotten: ['permit', 'end date'],
    proof: ['amps'],
    soak: 15,
    backInDays: 1,
    work: ['air-path-changed'],
  }),
]

export const jobKindOf: ReadonlyMap<string, JobKind> = new Map(jobKinds.map((k) => [k.id, k]))
