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

/** The same for reading alone: limits are those of all sites, so a pressure is told for US and for metric ones. */
export const limitWords = (limit: Pick<Limit, 'unit'>, value: number): string =>
  limit.unit === 'inwg'
    ? `${shownLimit(limit, value)} (${Math.round(convert(value, 'inwg', 'Pa'))} Pa)`
    : shownLimit(limit, value)

/** What is typed for a limit, as its value; null when it is no figure. A pressure may be typed in Pa as well. */
export function typedLimit(limit: Pick<Limit, 'unit'>, text: string): number | null {
  const pascals = limit.unit === 'inwg' ? /^([^P]*)Pa$/.exec(text.trim()) : null
  if (pascals) {
    const value = parseFigure((pascals[1] ?? '').trim())
    return value === null ? null : Math.round(convert(value, 'Pa', 'inwg') * 1000) / 1000
  }
  const value = parseFigure(text.replace(/%|days?|times|min|in wg|V|A|M?Ω|°C|°|dB|k?Hz|ppm|s$/g, ''))
  if (value === null) return null
  return limit.unit === 'ratio' ? Math.round(value * 100) / 10000 : value
}
