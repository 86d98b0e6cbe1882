import { believe, type Belief } from '../infer.ts'
import type { Result } from '../knowledge/cause.ts'
import type { Test } from '../knowledge/test.ts'
import { causeOf, testOf, unlisted } from '../model.ts'
import { settled } from './confidence.ts'
import { weight } from '../next-test.ts'

/** A result worth reading a second time, and why. */
export interface ReadAgain {
  readonly test: Test
  readonly why: 'all rests on it' | 'fits least' | 'two differ'
}

/** Without it, what was all but certain would be open: nothing is built, and no part condemned, on one reading. */
const open = 0.5
/** Bits that a second reading has to promise. */
const least = 0.001
/** Share of answers that are wrong whatever the instrument: read at the wrong place, entered under the wrong word. */
const answeredWrong = 0.03

const without = (belief: Belief, results: readonly Result[], test: string): Belief =>
  believe(
    belief.hypotheses,
    results.filter(([t]) => t !== test),
  )

/** The one result that a settled cause rests on; null where the others carry it. */
function restsOn(belief: Belief, results: readonly Result[], cause: string, once: readonly Test[]): Test | null {
  const shares = once.map((test) => ({
    test,
    p: without(belief, results, test.id).likely.find((l) => l.id === cause)?.p ?? 0,
  }))
  const [worst] = shares.sort((a, b) => a.p - b.p)
  return worst && worst.p < open ? worst.test : null
}

/** The result that is likeliest misread among those that would change most if they were. */
function fitsLeast(
  belief: Belief,
  results: readonly Result[],
  once: readonly Test[],
  differ: ReadonlySet<string>,
): Test | null {
  const worth = once.map((test) => {
    const others = without(belief, results, test.id)
    const outcome = results.find(([t]) => t === test.id)?.[1]
    const p = others.predict(test)[test.outcomes.findIndex((o) => o.id === outcome)] ?? 1
    // Of two readings that differ either may be the wrong one.
    const wrong = answeredWrong / test.outcomes.length
    const misread = differ.has(test.id) ? 0.5 : wrong / (wrong + (1 - answeredWrong) * p)
    const tells = misread * others.information(test)
    return { test, tells, worth: tells / (test.minutes * weight[test.exposure]) }
  })
  const [best] = worth.filter((w) => w.tells >= least).sort((a, b) => b.worth - a.worth)
  return best ? best.test : null
}

/**
 * What to read once more: the reading that a settled cause rests on alone, or, when no other test would tell more, the one
 * that goes least with the rest. A reading that came out otherwise the second time is read a third time.
 * @param results what counts, the newest of each test
 * @param twice tests that were read again already, and came out the same
 * @param differ tests that were read twice, and came out two ways
 * @param more another test would still tell something
 */
export function readAgain(
  belief: Belief,
  results: readonly Result[],
  twice: ReadonlySet<string>,
  differ: ReadonlySet<string>,
  more: boolean,
): ReadAgain | null {
  const once = results.flatMap(([t]) => {
    const test = twice.has(t) ? undefined : testOf.get(t)
    return test ? [test] : []
  })
  const [top] = belief.likely
  if (top && top.id !== unlisted && settled(causeOf.get(top.id), top.p, results)) {
    const test = restsOn(belief, results, top.id, once)
    return test && { test, why: differ.has(test.id) ? 'two differ' : 'all rests on it' }
  }
  const test = more ? null : fitsLeast(belief, results, once, differ)
  return test && { test, why: differ.has(test.id) ? 'two differ' : 'fits least' }
}
