import type { QuantityCode } from '../quantity/index.ts'
import type { Context } from './context.ts'
import type { Subject } from './subject.ts'
import type { Verdict } from './verdict.ts'

/** One thing a visit or a machine is judged for. One file each; a new one is a line in the register. */
export interface Rule {
  readonly id: string
  readonly title: string
  readonly subject: Subject
  /**
   * `visit`: from what one visit read or answered; what it finds stands until it is answered. `history`: from all visits
   * together, worked out afresh. `register`: from what is recorded of the machine, whatever was read.
   */
  readonly from: 'visit' | 'history' | 'register'
  /** From the whole past: the quantities it is about, amps where left out; it is worked out at the newest visit that read one. */
  readonly of?: readonly QuantityCode[]
  /** When what it rests on was seen, where that is not at the visit: work done later answers it. */
  readonly seenAt?: (context: Context) => number
  /** Quantities and questions of which one must have been read or answered for it to have anything to say; left out, any. */
  readonly needs?: readonly string[]
  /** Read while running: only a reading in a like state answers what was found. */
  readonly running?: boolean
  /** Says something worth knowing, but proves nothing: it never makes a machine OK. */
  readonly informs?: boolean
  /** Does it have anything to say about this machine and these readings? */
  applies(context: Context): boolean
  judge(context: Context): Verdict | readonly Verdict[]
}

type Told = Pick<Verdict, 'level' | 'because' | 'next' | 'basis'> &
  Partial<Pick<Verdict, 'since' | 'value' | 'limit' | 'confidence' | 'positions' | 'settles' | 'ofVisit' | 'subject'>>

const whole = ['']

/** A verdict of a check; what is left out is null, the whole, or full confidence. */
export const verdict = (check: Pick<Rule, 'id' | 'title' | 'subject'>, told: Told): Verdict => ({
  check: check.id,
  about: check.title,
  subject: check.subject,
  positions: whole,
  settles: true,
  ofVisit: false,
  value: null,
  limit: null,
  confidence: 'full',
  ...told,
})
