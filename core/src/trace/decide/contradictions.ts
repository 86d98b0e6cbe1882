import type { Evidence } from '../evidence/evidence.ts'
import type { Belief } from '../infer.ts'
import { believe } from '../infer.ts'
import type { Result } from '../knowledge/cause.ts'
import { testOf, unlisted } from '../model.ts'

/** Results that cannot all be true, and what to read again. */
export interface Disagreement {
  readonly tests: readonly string[]
  readonly because: string
  readonly next: string
}

interface Rule {
  readonly of: readonly Result[]
  /** The last of them must have been read after the others: before, it may well have been so. */
  readonly then?: boolean
  readonly because: string
  readonly next: string
}

/** @source common practice: physics of the circuit */
const rules: readonly Rule[] = [
  {
    of: [
      ['prove-dead', 'dead'],
      ['see-fan', 'runs-off'],
    ],
    then: true,
    because: 'It was proven dead and it still turns: either the wind turns it, or it has another feed.',
    next: 'Hold the wheel, then read every leg to ground at its own disconnect.',
  },
  {
    of: [
      ['line-volts', 'none'],
      ['amps', 'even'],
    ],
    because: 'Amps without volts: no current flows without a supply.',
    next: 'Read the volts again with the meter proven on a live source.',
  },
  {
    of: [
      ['ohms3', 'all-open'],
      ['amps', 'even'],
    ],
    because: 'All three winding pairs read open and the amps are balanced: an open winding draws nothing.',
    next: 'Read the ohms again. Check the meter leads, the clips and where it was read.',
  },
  {
    of: [
      ['gnd-ohms', 'ground'],
      ['megs', 'good'],
    ],
    because: 'The ohmmeter reads to frame and the insulation tester reads good: both cannot be right.',
    next: 'Read both again on bare metal.',
  },
  {
    of: [
      ['pole-drop', 'open'],
      ['amps', 'even'],
    ],
    because: 'A pole reads open and the amps are balanced: an open pole carries no current.',
    next: 'Read the drop again, one probe on each side of the same pole.',
  },
  {
    of: [
      ['fuse-ohms', 'open'],
      ['amps', 'even'],
    ],
    because: 'A fuse reads open and the amps are balanced: an open fuse carries no current.',
    next: 'Read the fuse again, out of its clip.',
  },
  {
    of: [
      ['spin', 'seized'],
      ['rpm', 'right'],
    ],
    because: 'Seized by hand and at full speed within the hour: a seized shaft cannot run.',
    next: 'Check for a chock or a brake on the wheel, and that both readings are of the same fan.',
  },
  {
    of: [
      ['belt-look', 'gone'],
      ['rpm', 'right'],
    ],
    because: 'The belt is gone and the fan is at its speed: nothing drives it.',
    next: 'Check that both readings are of the same fan.',
  },
  {
    of: [
      ['cap-uf', 'ok'],
      ['cap-mark', 'fits'],
      ['ohms1', 'adds'],
      ['spin', 'free'],
      ['line-volts', 'ok'],
      ['start', 'no-turn'],
    ],
    because: 'Capacitor, winding, shaft and volts are all good and it does not turn: one of these readings is wrong.',
    next: 'Read the capacitor and the volts again while it starts.',
  },
]

const hour = 3_600_000

/** What cannot all be true of what was read within an hour. */
export function disagreements(evidence: readonly Evidence[]): readonly Disagreement[] {
  return rules.flatMap((rule): Disagreement[] => {
    const own = rule.of.map(([test, outcome]) => evidence.find((e) => e.result[0] === test && e.result[1] === outcome))
    if (own.some((e) => e === undefined)) return []
    const at = own.map((e) => e?.at ?? 0)
    if (Math.max(...at) - Math.min(...at) > hour) return []
    if (rule.then === true && at.at(-1) !== Math.max(...at)) return []
    return [{ tests: rule.of.map(([test]) => test), because: rule.because, next: rule.next }]
  })
}

/** A result that the others make as unlikely as this is read again before anything is built on it. */
const unlikely = 0.03
const fewest = 3

interface Odd {
  readonly result: Result
  /** How likely the other results make it. */
  readonly p: number
}

/** The result that the others least expect, against how often unrelated faults show it; null with fewer than three. */
export function leastExpected(belief: Belief, results: readonly Result[]): (Odd & { readonly against: number }) | null {
  if (results.length < fewest) return null
  const scored = results.map((result, i) => {
    const test = testOf.get(result[0])
    const without = believe(
      belief.hypotheses,
      results.filter((_, k) => k !== i),
    )
    const at = test?.outcomes.findIndex((o) => o.id === result[1]) ?? -1
    const p = test ? (without.predict(test)[at] ?? 0) : 1
    // What unrelated faults hardly ever show is no surprise by itself: what counts is how much less it is than that.
    const base = test?.outcomes[at]?.base ?? 1
    return { result, p, against: p / Math.max(base, 0.05) }
  })
  return scored.reduce((a, b) => (b.against < a.against ? b : a))
}

/** A result that does not go with the others; null where all of them go together. */
export function oddOneOut(belief: Belief, results: readonly Result[]): Odd | null {
  const worst = leastExpected(belief, results)
  return worst && worst.p < unlikely && worst.against < 0.5 ? worst : null
}

/** Is it likelier that the cause is none of those listed? */
export const nothingExplains = (belief: Belief): boolean => (belief.likely.find((l) => l.id === unlisted)?.p ?? 0) > 0.5
