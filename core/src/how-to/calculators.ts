import type { HowTo } from './checks.ts'
import { electricCalculators } from './electric-calculators.ts'
import { mechanicCalculators } from './mechanic-calculators.ts'

/** How each calculator is used, by its id. */
export const calculatorHowTo: Readonly<Record<string, HowTo>> = Object.fromEntries(
  Object.entries({ ...electricCalculators, ...mechanicCalculators }).map(([id, [where, set, good, bad]]) => [
    id,
    { where, set, good, bad, limits: [] },
  ]),
)
