/** A unit as it is shown, how many of it one of what is kept is, and where it begins. */
type Shown = readonly [unit: string, scale: number, offset?: number]

/** What US units are in a metric shop. */
const metricOf: Readonly<Record<string, Shown>> = {
  in: ['mm', 25.4],
  ft: ['m', 0.3048],
  'ft²': ['m²', 0.09290304],
  lbf: ['N', 4.4482216152605],
  cfm: ['m³/h', 1.699010796],
  'in wg': ['Pa', 249.08891],
  hp: ['kW', 0.7457],
  'in/s': ['mm/s', 25.4],
  'ft/min': ['m/s', 0.00508],
  'lb/ft': ['kg/m', 1.48816394],
  '°F': ['°C', 5 / 9, -160 / 9],
  // A difference of two temperatures.
  'Δ°F': ['K', 5 / 9],
  'lb·ft²': ['kg·m²', 0.0421401101],
  'ft³': ['m³', 0.028316846592],
  'Btu/h': ['kW', 0.00029307107],
  'Btu/ft³': ['MJ/m³', 0.0372589458],
  mil: ['µm', 25.4],
  'lb·ft': ['N·m', 1.3558179483],
}

/** And in a shop of feet and pounds; what is marked in metric everywhere, as the ratings of bearings, stays. */
const usOf: Readonly<Record<string, Shown>> = {
  '°C': ['°F', 1.8, 32],
  K: ['°F', 1.8],
  'Δ°F': ['°F', 1],
  kg: ['lb', 2.2046226218],
  N: ['lbf', 0.2248089431],
  'kg/m': ['lb/ft', 0.6719689751],
}

/** The unit in which something is shown, how many of it one of what is kept is, and where it begins. */
export const inUnits = (unit: string, metric: boolean): Scaled & { readonly unit: string } => {
  const [shown, scale, offset = 0] = (metric ? metricOf : usOf)[unit] ?? [unit, unit === '%' ? 100 : 1]
  return { unit: shown, scale, offset }
}

export interface Scaled {
  readonly scale: number
  readonly offset: number
}
export const toShown = (v: number, { scale, offset }: Scaled): number => v * scale + offset
export const fromShown = (v: number, { scale, offset }: Scaled): number => (v - offset) / scale
