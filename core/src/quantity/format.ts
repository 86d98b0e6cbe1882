import { dateIn } from './calendar.ts'

/** A current as a clamp shows it: 2.44, 13.6, 104. */
export function amps(value: number): string {
  if (value >= 99.95) return value.toFixed(0)
  if (value >= 9.995) return value.toFixed(1)
  const two = value.toFixed(2)
  return two.endsWith('0') ? two.slice(0, -1) : two
}

/** Currents of one machine side by side, each with the decimals of its size: 7.70 7.73 7.77, never 7.7 beside 7.73. */
export function ampsRow(values: readonly number[]): string[] {
  const shown = values.map(amps)
  const decimals = (text: string) => text.split('.')[1]?.length ?? 0
  const small = Math.max(0, ...shown.filter((_, i) => (values[i] ?? 0) < 9.995).map(decimals))
  return shown.map((text, i) => ((values[i] ?? 0) < 9.995 ? (values[i] ?? 0).toFixed(small) : text))
}

/** A figure with so many decimals at most, none that say nothing: 2.5, 40. */
export const trimmed = (value: number, most: number): string => String(Number(value.toFixed(most)))

/** So many of something: `1 visit`, `2 visits`, `2.5 hours`. */
export function count(n: number, one: string): string {
  const shown = trimmed(n, 2)
  return `${shown} ${one}${shown === '1' ? '' : 's'}`
}

/** Volts without decimals from 100 up, with one below. */
export function volts(value: number): string {
  return value >= 100 ? value.toFixed(0) : value.toFixed(1)
}

/**
 * A fraction as per cent: 0.004 is "0.4 %", 1.06 is "106 %". Close to 100 it keeps a decimal, so that
 * 100.3 never reads as exactly the plate.
 */
export function percent(fraction: number): string {
  const p = fraction * 100
  const near = Math.abs(p - 100) < 0.95 && Math.abs(p - 100) > 0.05
  return `${Math.abs(p) < 9.95 || near ? p.toFixed(1) : p.toFixed(0)} %`
}

/** Signed figure with a real minus sign, for slopes and changes. */
export function signed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits)
  if (Number(text) === 0) return text
  return value < 0 ? `−${text}` : `+${text}`
}

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/**
 * Short day of an instant (ms since 1970) in a zone; the year only when it differs from that of `asOf`.
 * @param zone IANA name of the site's zone
 * @throws RangeError for a zone that does not exist
 */
export function day(at: number, asOf?: number, zone = 'UTC'): string {
  const d = dateIn(zone, at)
  const text = `${months[d.month - 1] ?? ''} ${d.day}`
  return asOf !== undefined && dateIn(zone, asOf).year === d.year ? text : `${text}, ${d.year}`
}

/** Month and year of an instant, for forecasts that are no more exact than that. */
export function month(at: number): string {
  const d = new Date(at)
  return `${months[d.getUTCMonth()] ?? ''} ${d.getUTCFullYear()}`
}

/** Ohms as a meter shows them: 0.486 Ω, 2.12 Ω, 31.4 Ω, 1.2 kΩ. */
export function ohms(value: number): string {
  if (value >= 1e6) return `${(value / 1e6).toFixed(1)} MΩ`
  if (value >= 1000) return `${(value / 1000).toFixed(1)} kΩ`
  return `${value >= 100 ? value.toFixed(0) : value >= 10 ? value.toFixed(1) : value.toFixed(value >= 1 ? 2 : 3)} Ω`
}

/** Megohms as a tester shows them: 0.42 MΩ, 12 MΩ, 2.2 GΩ. */
export function megohms(value: number): string {
  if (value >= 1000) return `${(value / 1000).toFixed(1)} GΩ`
  return `${value >= 9.95 ? value.toFixed(0) : value >= 1 ? value.toFixed(1) : value.toFixed(2)} MΩ`
}

/** Microfarads: 7.49 µF, 71.5 µF. */
export const microfarads = (value: number): string => `${value >= 10 ? value.toFixed(1) : value.toFixed(2)} µF`

/** A temperature kept in °C, in the site’s temperature scale. */
export const temperature = (celsius: number, scale: 'F' | 'C'): string =>
  scale === 'F' ? `${(celsius * 1.8 + 32).toFixed(0)} °F` : `${celsius.toFixed(0)} °C`

/** Money in whole dollars: `$1,550`. Less than nothing is saved: `−$20`. */
export function dollars(value: number): string {
  const whole = Math.round(Math.abs(value))
  return `${value < 0 && whole > 0 ? '−' : ''}$${whole.toLocaleString('en-US')}`
}
