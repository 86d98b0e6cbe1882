import type { Limit } from '@motor-round/core/limits'
import { convert, parseFigure } from '@motor-round/core/quantity'

const units: Partial<Record<Limit['unit'], string>> = {
  days: ' days',
  min: ' min',
  V: ' V',
  A: ' A',
  ohm: ' Ω',
  Mohm: ' MΩ',
  inwg: ' in wg',
  'lbf.in': ' lbf·in',
  'in/s': ' in/s',
  degC: ' °C',
  deg: ' °',
  dB: ' dB',
  count: ' times',
  s: ' s',
  Hz: ' Hz',
  kHz: ' kHz',
  ppm: ' ppm',
}

/** A limit's value as it is read and typed: ratios in per cent. */
export const shownLimit = (limit: Pick<Limit, 'unit'>, value: number): string =>
  limit.unit === 'ratio' ? `${Math.round(value * 10000) / 100} %` : `${value}${units[limit.unit] ?? ''}`

/** Units of which a limit is told, and may be typed, in the other system as well. */
interface Other {
  readonly unit: string
  readonly written: string
  /** It, at the end of what is typed. */
  readonly typed: RegExp
  readonly decimals: number
  /** Decimals it is told with. */
  readonly told: number
}
const others: Partial<Record<Limit['unit'], Other>> = {
  inwg: { unit: 'Pa', written: 'Pa', typed: /Pa$/, decimals: 3, told: 0 },
  degC: { unit: 'degF', written: '°F', typed: /°?F$/, decimals: 2, told: 0 },
  'lbf.in': { unit: 'N.m', written: 'N·m', typed: /N·?m$/, decimals: 1, told: 1 },
  'in/s': { unit: 'mm/s', written: 'mm/s', typed: /mm\/s$/, decimals: 4, told: 2 },
}

/** The same for reading alone: limits are those of all sites, so it is told in the units of US and of metric ones. */
export function limitWords(limit: Pick<Limit, 'unit'>, value: number): string {
  const other = others[limit.unit]
  return other
    ? `${shownLimit(limit, value)} (${convert(value, limit.unit, other.unit).toFixed(other.told)} ${other.written})`
    : shownLimit(limit, value)
}

/** What is typed for a limit, as its value; null when it is no figure. A pressure may be typed in Pa as well, degrees in °F, a torque in N·m. */
export function typedLimit(limit: Pick<Limit, 'unit'>, text: string): number | null {
  const other = others[limit.unit]
  if (other?.typed.test(text.trim())) {
    const value = parseFigure(text.trim().replace(other.typed, '').trim())
    return value === null ? null : Number(convert(value, other.unit, limit.unit).toFixed(other.decimals))
  }
  const value = parseFigure(text.replace(/%|days?|times|min|in wg|in\/s|lbf·in|V|A|M?Ω|°C|°|dB|k?Hz|ppm|s$/g, ''))
  if (value === null) return null
  return limit.unit === 'ratio' ? Math.round(value * 100) / 10000 : value
}
