import { unitsOfSite } from '../quantity/index.ts'
import type { JudgeInput } from './input.ts'

/** The scale in which temperatures are shown: Celsius on a metric site, by the policy elsewhere. */
export const scaleOf = (c: {
  readonly machine: Pick<JudgeInput['machine'], 'units'>
  readonly policies: Pick<JudgeInput['policies'], 'temperature'>
}): 'F' | 'C' => unitsOfSite(c.machine.units ?? 'us', c.policies.temperature).temperature
