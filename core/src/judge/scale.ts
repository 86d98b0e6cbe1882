import type { JudgeInput } from './input.ts'

/** The scale in which temperatures are shown: Celsius on a metric site, by the policy elsewhere. */
export const scaleOf = (c: {
  readonly machine: Pick<JudgeInput['machine'], 'units'>
  readonly policies: Pick<JudgeInput['policies'], 'temperature'>
}): 'F' | 'C' => (c.machine.units === 'metric' ? 'C' : c.policies.temperature)
