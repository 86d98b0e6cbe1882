import type { Adverse } from './facts.ts'
import { permitCheck, type Condition } from '../judge/index.ts'

/**
 * What stands at a machine as to fix or to stop: with it, nothing is proven. What is only watched does not bar a proof, nor does a
 * permit that ran out: its job is what answers it.
 */
export const adverseOf = (conditions: readonly Condition[]): readonly Adverse[] =>
  conditions
    .filter((k) => (k.level === 'fix' || k.level === 'stop') && k.verdict.check !== permitCheck)
    .map((k) => ({ words: k.verdict.because, at: k.seenAt }))
