import type { SiteUnits } from '@motor-round/contract'
import { convert } from '@motor-round/core/quantity'
import { api } from './api.ts'

export type DistanceUnit = 'ft' | 'm'

export const distanceUnitOf = (units: SiteUnits): DistanceUnit => (units === 'metric' ? 'm' : 'ft')

/** A distance kept in meters, as a figure of the unit, to a tenth. */
export const distanceFigure = (meters: number, unit: DistanceUnit): number =>
  Math.round((unit === 'ft' ? convert(meters, 'm', 'ft') : meters) * 10) / 10

export const showDistance = (meters: number, unit: DistanceUnit): string => `${distanceFigure(meters, unit)} ${unit}`

/** A figure of the unit, in meters; NaN for what is no figure. */
export const toMeters = (figure: number, unit: DistanceUnit): number =>
  unit === 'ft' && Number.isFinite(figure) ? convert(figure, 'ft', 'm') : figure

/** How far an arrow key moves a unit on a map, and what a drag snaps to, meters: half a meter, or a foot. */
export const gridOf = (unit: DistanceUnit): number => (unit === 'ft' ? toMeters(1, 'ft') : 0.5)

/** The units a site is shown in; US until its settings are known. */
export function useSiteUnits(siteId: string | undefined): SiteUnits {
  const { data } = api.usePlacesQuery({})
  return data?.sites.find((s) => s.id === siteId)?.units ?? 'us'
}
