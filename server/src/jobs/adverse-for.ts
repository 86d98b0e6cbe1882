import { adverseOf, type Adverse } from '@motor-round/core/job'
import type { Judgement } from '@motor-round/core/judge'

/** What stands at a machine that bars a proof; nothing where it was not judged. */
export const adverseFor = (judged: Judgement | null | undefined): readonly Adverse[] =>
  adverseOf(judged?.conditions ?? [])
