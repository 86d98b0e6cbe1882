import type { Site } from '@motor-round/contract'
import type { Policies } from '@motor-round/core/limits'
import type { ShownUnits } from '@motor-round/core/quantity'

/** The units of a site's screens: its own, with degrees Celsius where they are metric and by the policy elsewhere. */
export const shownUnitsOf = (site: Pick<Site, 'units'>, policies: Pick<Policies, 'temperature'>): ShownUnits => ({
  system: site.units,
  temperature: site.units === 'metric' ? 'C' : policies.temperature,
})
