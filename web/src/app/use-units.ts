import type { Site } from '@motor-round/contract'
import { defaultPolicies } from '@motor-round/core/limits'
import type { ShownUnits } from '@motor-round/core/quantity'
import { api } from './api.ts'
import { shownUnitsOf } from './shown-units.ts'

/** The units of any site, by its own choice and the policy; until the policies are here, by the usual ones. */
export function useUnits(): (site: Pick<Site, 'units'>) => ShownUnits {
  const policies = api.usePoliciesQuery({}).data?.policies ?? defaultPolicies
  return (site) => shownUnitsOf(site, policies)
}
