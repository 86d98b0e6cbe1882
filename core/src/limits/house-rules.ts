import type { LimitId } from './register.ts'

/** Overcurrent policy: the trade's schools. The plate is the default, as the better supported one. */
export type OverAmpSchool = 'plate' | 'service factor' | 'trim below plate'
/** Which minimum a house holds an insulation reading against. */
export type InsulationSchool = 'random-wound 5' | 'kV plus 1' | 'form-wound 100' | 'lamp 30'
/** How windings are insulated: today's thermosetting resins, or the asphalt and shellac of before about 1960. */
export type InsulationSystem = 'thermosetting' | 'thermoplastic'
/** What becomes of a run capacitor when its motor is changed. */
export type CapacitorPolicy = 'new with the motor' | 'keep if it measures'
/** Belt tension method. */
export type BeltTensionSchool = 'deflection and force' | 'half an inch' | 'span note' | 'firm by hand'
/** The scale in which temperatures are read and shown. */
export type TemperatureScale = 'F' | 'C'

/** What an organisation has settled where the trade disagrees, and the limits it has set by hand. */
export interface HouseRules {
  readonly overAmp: OverAmpSchool
  /** With `trim below plate`: how far below, as a fraction of the plate amps. */
  readonly trim: number
  readonly insulation: InsulationSchool
  readonly insulationSystem: InsulationSystem
  readonly capacitor: CapacitorPolicy
  readonly beltTension: BeltTensionSchool
  readonly temperature: TemperatureScale
  readonly limits: Readonly<Partial<Record<LimitId, number>>>
}

export const defaultHouseRules: HouseRules = {
  overAmp: 'plate',
  trim: 0.05,
  insulation: 'random-wound 5',
  insulationSystem: 'thermosetting',
  capacitor: 'new with the motor',
  beltTension: 'deflection and force',
  temperature: 'F',
  limits: {},
}
