import type { LimitId } from './register.ts'

/** Overcurrent policy: the trade's policies. The plate is the default, as the better supported one. */
export type OverAmpPolicy = 'plate' | 'service factor' | 'trim below plate'
/** Which minimum a house holds an insulation reading against. */
export type InsulationPolicy = 'random-wound 5' | 'kV plus 1' | 'form-wound 100' | 'lamp 30'
/** How windings are insulated: today's thermosetting resins, or the asphalt and shellac of before about 1960. */
export type InsulationSystem = 'thermosetting' | 'thermoplastic'
/** What becomes of a run capacitor when its motor is changed. */
export type CapacitorPolicy = 'new with the motor' | 'keep if it measures'
/** Belt tension method. */
export type BeltTensionPolicy = 'deflection and force' | 'half an inch' | 'span note' | 'firm by hand'
/** The scale in which temperatures are read and shown. */
export type TemperatureScale = 'F' | 'C'

/** What an organization has settled where the trade disagrees, and the limits it has set by hand. */
export interface Policies {
  readonly overAmp: OverAmpPolicy
  /** With `trim below plate`: how far below, as a fraction of the plate amps. */
  readonly trim: number
  readonly insulation: InsulationPolicy
  readonly insulationSystem: InsulationSystem
  readonly capacitor: CapacitorPolicy
  readonly beltTension: BeltTensionPolicy
  readonly temperature: TemperatureScale
  readonly limits: Readonly<Partial<Record<LimitId, number>>>
}

export const defaultPolicies: Policies = {
  overAmp: 'plate',
  trim: 0.05,
  insulation: 'random-wound 5',
  insulationSystem: 'thermosetting',
  capacitor: 'new with the motor',
  beltTension: 'deflection and force',
  temperature: 'F',
  limits: {},
}
