import type { ProtectionKind } from '../electrical/index.ts'

/** Where the burner of a gas section burns well by its own nameplate or manual. Null or left out: as they usually do. */
export interface BurnerRanges {
  /** Per cent of oxygen in the flue gas. */
  readonly oxygenLow?: number | null | undefined
  readonly oxygenHigh?: number | null | undefined
  /** Stack temperature, °F. */
  readonly stackLow?: number | null | undefined
  readonly stackHigh?: number | null | undefined
}

/** What stands between the supply and the motor, as far as it is known. Null: not known. */
export interface Controls {
  readonly starter: 'contactor' | 'starter' | 'none' | null
  /** How many of the lines the contactor opens. */
  readonly poles: 1 | 2 | 3 | null
  readonly overload: 'relay' | 'internal' | 'electronic' | 'none' | null
  readonly protection: ProtectionKind | null
  /** Rating of the fuse or breaker, amperes. */
  readonly protectionAmps: number | null
  /** Secondary of the control transformer, volts. */
  readonly controlVolts: number | null
  /** A transformer of the unit's own that steps the power up or down: rated volts in and out. */
  readonly transformer: { readonly ratedIn: number; readonly ratedOut: number } | null
  readonly gasSection: boolean
  readonly burner?: BurnerRanges | null | undefined
  readonly phaseMonitor: boolean
  /** What is marked on the run capacitor that is installed, microfarads; `second` of a dual one. */
  readonly capacitor: {
    readonly run: number
    readonly second: number | null
    readonly volts: number | null
    /** As printed, a fraction. */
    readonly tolerance: number | null
  } | null
}

export const unknownControls: Controls = {
  starter: null,
  poles: null,
  overload: null,
  protection: null,
  protectionAmps: null,
  controlVolts: null,
  transformer: null,
  gasSection: false,
  phaseMonitor: false,
  capacitor: null,
}
