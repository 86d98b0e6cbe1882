import type { FaultFamilyId } from './fault-families.ts'
import type { ParameterId } from './parameters.ts'

/** Figures that a drive shows while it runs. */
export const liveValues = [
  { id: 'hz', title: 'Output frequency', unit: 'Hz', range: [0, 400] },
  { id: 'volts', title: 'Output volts', unit: 'V', range: [0, 1000] },
  { id: 'amps', title: 'Output amps', unit: 'A', range: [0, 2000] },
  { id: 'bus', title: 'Bus volts', unit: 'V', range: [0, 1500] },
  { id: 'power', title: 'Output power', unit: 'kW', range: [-1000, 1000] },
  { id: 'temperature', title: 'Heatsink temperature', unit: 'degC', range: [-50, 200] },
  { id: 'hours', title: 'Run hours', unit: 'h', range: [0, 1_000_000] },
] as const
export type LiveValueId = (typeof liveValues)[number]['id']

/** What a drive says of itself, one bit each. */
export const statusBits = ['ready', 'running', 'fault', 'warning', 'reverse'] as const
export type StatusBit = (typeof statusBits)[number]

export type RegisterTable = 'holding' | 'input'
export const registerTypes = ['u16', 's16', 'u32', 's32', 'f32'] as const
export type RegisterType = (typeof registerTypes)[number]

/** Where a figure is kept, by the address on the wire (the first is 0). Kept value = raw × scale, in the unit. */
export interface RegisterField {
  readonly register: number
  readonly table: RegisterTable
  readonly type: RegisterType
  readonly scale: number
}

export interface FaultCode {
  readonly code: number
  /** As the display shows it. */
  readonly text: string
  readonly family: FaultFamilyId
}

/** A kind of drive: where its figures, states, faults and settings are, and what they mean. */
export interface VfdProfile {
  readonly format: 'motor-round-vfd/1'
  readonly id: string
  readonly maker: string
  readonly model: string
  /** Of figures of two registers, which one comes first. */
  readonly wordOrder: 'high first' | 'low first'
  readonly values: Readonly<Partial<Record<LiveValueId, RegisterField>>>
  readonly status: {
    readonly register: number
    readonly table: RegisterTable
    readonly bits: Readonly<Partial<Record<StatusBit, number>>>
  }
  readonly fault: { readonly register: number; readonly table: RegisterTable; readonly codes: readonly FaultCode[] }
  /** The last faults, the newest first: of each a code and the run hours at which it came, two registers. */
  readonly faultLog: { readonly register: number; readonly table: RegisterTable; readonly entries: number } | null
  readonly parameters: Readonly<Partial<Record<ParameterId, RegisterField & { readonly writable: boolean }>>>
}

export const wordsOf = (type: RegisterType): 1 | 2 => (type === 'u16' || type === 's16' ? 1 : 2)
