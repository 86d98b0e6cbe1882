import type { Limit } from '@motor-round/core/limits'
import { parseFigure } from '@motor-round/core/quantity'

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
}

/** A limit's value as it is read and typed: ratios in per cent. */
export const shownLimit = (limit: Pick<Limit, 'unit'>, value: number): string =>
  limit.unit === 'ratio' ? `${Math.round(value * 10000) / 100} %` : `${value}${units[limit.unit] ?? ''}`

/** What is typed for a limit, as its value; null when it is no figure. */
export function typedLimit(limit: Pick<Limit, 'unit'>, text: string): number | null {
  const value = parseFigure(text.replace(/%|days?|times|min|in wg|V|A|M?Ω|°C|°|dB/g, ''))
  if (value === null) return null
  return limit.unit === 'ratio' ? Math.round(value * 100) / 10000 : value
}
