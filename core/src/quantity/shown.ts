import { findQuantity } from './quantities.ts'
import { convert } from './units.ts'

/** How values are shown and typed: US or metric units, and the scale of temperatures. */
export interface ShownUnits {
  readonly system: 'us' | 'metric'
  readonly temperature: 'F' | 'C'
}
export const usUnits: ShownUnits = { system: 'us', temperature: 'F' }

/** The units of a site: its own, with degrees Celsius where they are metric and by the policy elsewhere. */
export const unitsOfSite = (system: ShownUnits['system'], policy: ShownUnits['temperature']): ShownUnits => ({
  system,
  temperature: system === 'metric' ? 'C' : policy,
})

/** What a US unit is on a metric site. */
const metricUnit: Readonly<Record<string, string>> = {
  inwg: 'Pa',
  'in/s': 'mm/s',
  cfm: 'm3/h',
  lbf: 'N',
  in: 'mm',
  ft: 'm',
  'ft/min': 'm/s',
  'lbf.in': 'N.m',
}
const decimals: Readonly<Record<string, number>> = {
  inwg: 2,
  Pa: 0,
  'in/s': 2,
  'mm/s': 1,
  cfm: 0,
  'm3/h': 0,
  lbf: 1,
  N: 0,
  in: 2,
  mm: 1,
  ft: 0,
  m: 1,
  'ft/min': 0,
  'm/s': 1,
  'lbf.in': 1,
  'N.m': 2,
}
const written: Readonly<Record<string, string>> = {
  ohm: 'Ω',
  Mohm: 'MΩ',
  uF: 'µF',
  degF: '°F',
  degC: '°C',
  'N.m': 'N·m',
  'lbf.in': 'lbf·in',
  inwg: 'in wg',
  'm3/h': 'm³/h',
}

/** A unit as it is written on a page. */
export const writtenUnit = (unit: string): string => written[unit] ?? unit

/** The unit in which values of a unit are shown: its own, or what stands for it on a metric site. */
export const unitIn = (unit: string, system: ShownUnits['system']): string =>
  system === 'metric' ? (metricUnit[unit] ?? unit) : unit

/** The unit a quantity is shown and typed in. */
export function shownUnit(quantity: string, units: ShownUnits): string {
  const own = findQuantity(quantity)
  if (own?.dimension === 'temperature') return units.temperature === 'F' ? 'degF' : 'degC'
  if (own?.dimension === 'torque') return units.system === 'us' ? 'lbf.in' : 'N.m'
  return unitIn(own?.unit ?? '', units.system)
}

/** Decimals that a converted value is worth in a unit. */
export const shownDecimals = (unit: string): number => decimals[unit] ?? 1

/**
 * An amount with its unit, in the units of a site: `0.52 in wg`, `130 Pa`.
 * @param value in `unit`, a US unit
 */
export function amount(value: number, unit: string, system: ShownUnits['system'] = 'us'): string {
  const to = unitIn(unit, system)
  return `${convert(value, unit, to).toFixed(shownDecimals(to))} ${writtenUnit(to)}`
}
