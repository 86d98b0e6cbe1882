import { type MachineFacts } from '../judge/index.ts'

/** What a machine has that decides which causes fit it. */
export type Feature =
  | 'three-phase'
  | 'single-phase'
  | 'direct'
  | 'belt'
  | 'contactor'
  | 'overload relay'
  | 'drive'
  | 'electronic motor'
  | 'twin'
  | 'power transformer'
  | 'gas heat'
  | 'phase monitor'
  | 'shared fuses'
  | 'condenser fan'
  | 'exhaust'

/** What a person knows of a machine that its record does not say. */
export interface Known {
  readonly sharedFuses?: boolean | undefined
  readonly electronicMotor?: boolean | undefined
  readonly purpose?: 'supply' | 'return' | 'exhaust' | 'condenser' | null | undefined
}

/** The features of a machine by its record. Where it does not say whether there is a contactor, there may be one. */
export function featuresOf(machine: MachineFacts, known: Known = {}): ReadonlySet<Feature> {
  const { controls } = machine
  const has: readonly (readonly [Feature, boolean])[] = [
    ['three-phase', machine.phases === 3],
    ['single-phase', machine.phases === 1 && known.electronicMotor !== true],
    ['direct', machine.drive === 'direct'],
    ['belt', machine.drive === 'belt'],
    ['contactor', !machine.hasVfd && controls.starter !== 'none'],
    ['overload relay', !machine.hasVfd && controls.overload !== 'none' && controls.overload !== 'internal'],
    ['drive', machine.hasVfd],
    ['electronic motor', known.electronicMotor === true],
    ['twin', machine.hasTwin],
    ['power transformer', controls.transformer !== null],
    ['gas heat', controls.gasSection],
    ['phase monitor', controls.phaseMonitor],
    ['shared fuses', known.sharedFuses === true],
    ['condenser fan', known.purpose === 'condenser'],
    ['exhaust', known.purpose === 'exhaust'],
  ]
  return new Set(has.filter(([, is]) => is).map(([feature]) => feature))
}
