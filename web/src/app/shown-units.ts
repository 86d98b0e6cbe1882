import type { Site } from '@motor-round/contract'
import type { Policies } from '@motor-round/core/limits'
import { convert, unitsOfSite, type ShownUnits } from '@motor-round/core/quantity'

/** The degrees of a form about a site: they are in its labels, and do not change while it is filled in. */
export const degreesOf = (site: Pick<Site, 'units'> | undefined): ShownUnits['temperature'] =>
  site?.units === 'metric' ? 'C' : 'F'

/** A temperature that is kept in °F, as it is shown and typed there. */
export const shownDegrees = (fahrenheit: number, scale: ShownUnits['temperature']): number =>
  scale === 'F' ? fahrenheit : Number(convert(fahrenheit, 'degF', 'degC').toFixed(2))

/** The units of a site's screens: its own, with degrees Celsius where they are metric and by the policy elsewhere. */
export const shownUnitsOf = (site: Pick<Site, 'units'>, policies: Pick<Policies, 'temperature'>): ShownUnits =>
  unitsOfSite(site.units, policies.temperature)
