/**
 * Units as they stand on meters and plates, each with the factor and offset to the unit in which
 * the product keeps that dimension: storage = entered * factor + offset.
 * Exact by definition where not said otherwise; hp is the electrical-plate horsepower of 745.7 W.
 */
export type Dimension =
  | 'current'
  | 'voltage'
  | 'frequency'
  | 'speed'
  | 'power'
  | 'resistance'
  | 'temperature'
  | 'capacitance'
  | 'ratio'
  | 'torque'
  | 'length'
  | 'force'
  | 'velocity'
  | 'flow'
  | 'pressure'
  | 'mass'
  | 'level'
  | 'time'
  | 'count'

export interface Unit {
  readonly id: string
  readonly dimension: Dimension
  readonly factor: number
  readonly offset: number
  /** Other spellings met in files. Compared without regard to case unless the case decides (mΩ, MΩ). */
  readonly also: readonly string[]
}

const unit = (id: string, dimension: Dimension, factor: number, also: readonly string[] = [], offset = 0): Unit => ({
  id,
  dimension,
  factor,
  offset,
  also,
})

export const units: readonly Unit[] = [
  unit('A', 'current', 1, ['amp', 'amps', 'ampere', 'amperes']),
  unit('mA', 'current', 1e-3, ['milliamp', 'milliamps']),
  unit('V', 'voltage', 1, ['volt', 'volts', 'vac']),
  unit('mV', 'voltage', 1e-3, ['millivolt', 'millivolts']),
  unit('kV', 'voltage', 1e3, ['kilovolt', 'kilovolts']),
  unit('Hz', 'frequency', 1, ['hertz', 'cps']),
  unit('rpm', 'speed', 1, ['r/min', '1/min', 'min-1', 'rev/min']),
  unit('W', 'power', 1, ['watt', 'watts']),
  unit('kW', 'power', 1e3, ['kilowatt', 'kilowatts']),
  unit('hp', 'power', 745.7, ['horsepower']),
  unit('ohm', 'resistance', 1, ['Ω', 'ohms']),
  unit('mohm', 'resistance', 1e-3, ['mΩ', 'milliohm', 'milliohms']),
  unit('kohm', 'resistance', 1e3, ['kΩ', 'kiloohm', 'kilohms']),
  unit('Mohm', 'resistance', 1e6, ['MΩ', 'megohm', 'megohms', 'meg']),
  unit('Gohm', 'resistance', 1e9, ['GΩ', 'gigohm', 'gigohms']),
  unit('degC', 'temperature', 1, ['°C', 'c', 'celsius']),
  unit('degF', 'temperature', 5 / 9, ['°F', 'f', 'fahrenheit'], -160 / 9),
  unit('uF', 'capacitance', 1, ['µF', 'μF', 'mfd', 'microfarad']),
  unit('%', 'ratio', 0.01, ['percent', 'pct']),
  unit('ppm', 'ratio', 1e-6, []),
  unit('N.m', 'torque', 1, ['Nm', 'N·m']),
  unit('lbf.in', 'torque', 0.112984829, ['lb-in', 'in-lb', 'lbf·in']),
  unit('lbf.ft', 'torque', 1.355817948, ['lb-ft', 'ft-lb', 'lbf·ft']),
  unit('m', 'length', 1, ['metre', 'meter']),
  unit('mm', 'length', 1e-3, ['millimetre', 'millimeter']),
  unit('in', 'length', 0.0254, ['inch', 'inches', '"']),
  unit('mil', 'length', 0.0000254, ['mils', 'thou']),
  unit('ft', 'length', 0.3048, ['foot', 'feet']),
  unit('N', 'force', 1, ['newton', 'newtons']),
  unit('lbf', 'force', 4.4482216152605, ['pound-force']),
  unit('m/s', 'velocity', 1, []),
  unit('mm/s', 'velocity', 1e-3, []),
  unit('in/s', 'velocity', 0.0254, ['ips']),
  unit('ft/min', 'velocity', 0.00508, ['fpm']),
  unit('m3/s', 'flow', 1, ['m³/s']),
  unit('m3/h', 'flow', 1 / 3600, ['m³/h']),
  unit('L/s', 'flow', 1e-3, ['l/s']),
  unit('cfm', 'flow', 0.00047194745, ['ft3/min']),
  unit('Pa', 'pressure', 1, ['pascal']),
  unit('inwg', 'pressure', 249.08891, ['in wg', 'in w.g.', 'inH2O']),
  unit('inHg', 'pressure', 3386.389, []),
  unit('kPa', 'pressure', 1000, ['kilopascal']),
  unit('psi', 'pressure', 6894.757293, ['lbf/in2']),
  unit('kg', 'mass', 1, []),
  unit('g', 'mass', 1e-3, ['gram', 'grams']),
  unit('lb', 'mass', 0.45359237, ['pound', 'pounds']),
  unit('oz', 'mass', 0.028349523, ['ounce']),
  unit('dBA', 'level', 1, ['dB(A)', 'dba']),
  unit('s', 'time', 1, ['sec', 'second', 'seconds']),
  unit('min', 'time', 60, ['minute', 'minutes']),
  unit('times', 'count', 1, ['tries', 'count']),
]

const exact = new Map<string, Unit>()
const folded = new Map<string, Unit | null>()
for (const u of units) {
  for (const name of [u.id, ...u.also]) {
    exact.set(name, u)
    const low = name.toLowerCase()
    // Two units may fold to one spelling (mohm and Mohm): then only the exact case tells them apart.
    folded.set(low, folded.has(low) && folded.get(low) !== u ? null : u)
  }
}

/** The unit of that spelling, or undefined when it is not known or only its case would decide. */
export function findUnit(spelling: string): Unit | undefined {
  const text = spelling.trim()
  return exact.get(text) ?? folded.get(text.toLowerCase()) ?? undefined
}

/**
 * Convert a value between two units of one dimension.
 * @throws RangeError when a unit is unknown, the dimensions differ or the value is not finite
 */
export function convert(value: number, from: string, to: string): number {
  const a = findUnit(from)
  const b = findUnit(to)
  if (!a) throw new RangeError(`from: unknown unit "${from}"`)
  if (!b) throw new RangeError(`to: unknown unit "${to}"`)
  if (a.dimension !== b.dimension) throw new RangeError(`to: ${b.id} is ${b.dimension}, ${a.id} is ${a.dimension}`)
  if (!Number.isFinite(value)) throw new RangeError('value must be a finite number')
  if (a === b) return value
  return (value * a.factor + a.offset - b.offset) / b.factor
}
