import type { Site } from '@motor-round/contract'
import { convert, parseFigure, show } from '@motor-round/core/quantity'

export type LengthUnit = 'in' | 'mm'

/** The unit in which sheaves and centers are shown: by the settings of the site. */
export const lengthUnitOf = (site: Pick<Site, 'units'>): LengthUnit => (site.units === 'metric' ? 'mm' : 'in')

/** A length kept in millimetres, as a figure of the unit. */
export const lengthFigure = (mm: number, unit: LengthUnit): string =>
  unit === 'in' ? show.trimmed(convert(mm, 'mm', 'in'), 2) : show.trimmed(mm, 1)

export const showLength = (mm: number, unit: LengthUnit): string => `${lengthFigure(mm, unit)} ${unit}`

/** What is typed, in millimetres; null when it is no figure. */
export function typedLength(text: string, unit: LengthUnit): number | null {
  const v = parseFigure(text)
  return v === null ? null : unit === 'in' ? convert(v, 'in', 'mm') : v
}
