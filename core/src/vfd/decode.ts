import { faultFamily, type FaultFamilyId } from './fault-families.ts'
import { parameterOf, type ParameterId, type ParameterSet } from './parameters.ts'
import {
  liveValues,
  statusBits,
  wordsOf,
  type LiveValueId,
  type RegisterField,
  type RegisterTable,
  type StatusBit,
  type VfdProfile,
} from './profile.ts'

/** A register as it was read, 0 to 65,535; undefined where it was not. */
export type Words = (table: RegisterTable, register: number) => number | undefined

/** A fault as a drive shows it. */
export interface ShownFault {
  readonly code: number
  /** As the display shows it; null for a code that the profile does not know. */
  readonly text: string | null
  readonly family: FaultFamilyId | null
}

/** What a drive said at one moment. Hz, V, A, kW, °C, h; null where the profile has no place for it or it was no figure. */
export interface VfdReading {
  readonly values: Readonly<Record<LiveValueId, number | null>>
  readonly status: Readonly<Record<StatusBit, boolean | null>>
  readonly fault: ShownFault | null
  /** The newest first; `hours` are the run hours at which it came. */
  readonly log: readonly (ShownFault & { readonly hours: number })[]
  /** What was answered and cannot be: told, and never taken for a figure. */
  readonly doubts: readonly string[]
}

/** @returns null where a register of it was not read, or it is no number */
export function rawOf(field: RegisterField, order: VfdProfile['wordOrder'], words: Words): number | null {
  const first = words(field.table, field.register)
  if (first === undefined) return null
  if (wordsOf(field.type) === 1) return field.type === 's16' && first >= 0x8000 ? first - 0x1_0000 : first
  const second = words(field.table, field.register + 1)
  if (second === undefined) return null
  const [high, low] = order === 'high first' ? [first, second] : [second, first]
  const view = new DataView(new ArrayBuffer(4))
  view.setUint16(0, high)
  view.setUint16(2, low)
  const raw = field.type === 'u32' ? view.getUint32(0) : field.type === 's32' ? view.getInt32(0) : view.getFloat32(0)
  return Number.isFinite(raw) ? raw : null
}

/** A figure of a field, as registers hold it. @throws RangeError when it does not fit the field */
export function rawWords(field: RegisterField, order: VfdProfile['wordOrder'], value: number): readonly number[] {
  const raw = field.type === 'f32' ? value / field.scale : Math.round(value / field.scale)
  const view = new DataView(new ArrayBuffer(4))
  const least = { u16: 0, s16: -0x8000, u32: 0, s32: -0x8000_0000, f32: -3.4e38 }[field.type]
  const most = { u16: 0xffff, s16: 0x7fff, u32: 0xffff_ffff, s32: 0x7fff_ffff, f32: 3.4e38 }[field.type]
  if (!(raw >= least && raw <= most)) throw new RangeError(`value: ${value} does not fit its register`)
  if (wordsOf(field.type) === 1) {
    view.setInt16(0, raw)
    return [view.getUint16(0)]
  }
  if (field.type === 'f32') view.setFloat32(0, raw)
  else if (field.type === 'u32') view.setUint32(0, raw)
  else view.setInt32(0, raw)
  const both = [view.getUint16(0), view.getUint16(2)]
  return order === 'high first' ? both : both.reverse()
}

const tidy = (v: number) => Number(v.toPrecision(7))

function figure(
  field: RegisterField,
  profile: VfdProfile,
  words: Words,
  { title, unit, range }: { readonly title: string; readonly unit: string; readonly range: readonly [number, number] },
): { readonly value: number | null; readonly doubt: string | null } {
  const raw = rawOf(field, profile.wordOrder, words)
  if (raw === null) return { value: null, doubt: `${title}: the answer is not a number.` }
  const value = tidy(raw * field.scale)
  if (value >= range[0] && value <= range[1]) return { value, doubt: null }
  const shown = `${value}${unit === '' ? '' : ` ${unit.replace('deg', '°')}`}`
  return {
    value: null,
    doubt: `${title}: the drive answers ${shown}, which is not possible. Check the drive profile.`,
  }
}

const faultOf = (profile: VfdProfile, code: number): ShownFault => {
  const known = profile.fault.codes.find((c) => c.code === code)
  return { code, text: known?.text ?? null, family: known?.family ?? null }
}

/** What a drive's registers say. Total: what cannot be is told among the doubts. */
export function decodeLive(profile: VfdProfile, words: Words): VfdReading {
  const doubts: string[] = []
  const told = new Map<LiveValueId, number | null>()
  for (const v of liveValues) {
    const field = profile.values[v.id]
    const { value, doubt } = field ? figure(field, profile, words, v) : { value: null, doubt: null }
    told.set(v.id, value)
    if (doubt !== null) doubts.push(doubt)
  }
  const state = words(profile.status.table, profile.status.register)
  if (state === undefined) doubts.push('Status: no answer.')
  const bit = (b: StatusBit) => {
    const at = profile.status.bits[b]
    return at === undefined || state === undefined ? null : ((state >> at) & 1) === 1
  }
  const code = words(profile.fault.table, profile.fault.register)
  if (code === undefined) doubts.push('Fault code: no answer.')
  const { faultLog } = profile
  const log = Array.from({ length: faultLog?.entries ?? 0 }, (_, i) => {
    const at = (faultLog?.register ?? 0) + 2 * i
    const [c, hours] = [words(faultLog?.table ?? 'holding', at), words(faultLog?.table ?? 'holding', at + 1)]
    return c === undefined || c === 0 || hours === undefined ? [] : [{ ...faultOf(profile, c), hours }]
  }).flat()
  const status = Object.fromEntries(statusBits.map((b) => [b, bit(b)])) as VfdReading['status']
  if (status.fault === true && (code === undefined || code === 0))
    doubts.push('The drive says it has tripped and gives no code: read the display.')
  return {
    values: Object.fromEntries(told) as VfdReading['values'],
    status,
    fault: code === undefined || code === 0 ? null : faultOf(profile, code),
    log,
    doubts,
  }
}

/** A drive's settings as its registers hold them. */
export function decodeParameters(
  profile: VfdProfile,
  words: Words,
): { readonly set: ParameterSet; readonly doubts: readonly string[] } {
  const doubts: string[] = []
  const set: Partial<Record<ParameterId, number>> = {}
  for (const [key, field] of Object.entries(profile.parameters)) {
    const id = key as ParameterId
    const { value, doubt } = figure(field, profile, words, parameterOf(id))
    if (value !== null) set[id] = value
    if (doubt !== null) doubts.push(doubt)
  }
  return { set, doubts }
}

/** A fault in words: its code as the display shows it, and what it means. */
export function faultWords({ code, text, family }: ShownFault): string {
  const means = faultFamily(family ?? undefined)?.words.toLowerCase()
  const name = text ?? `code ${code}`
  return means === undefined
    ? `${name}: this profile does not know it, look it up in the drive manual`
    : `${name}: ${means}`
}
