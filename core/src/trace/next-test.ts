import { missingProof } from './decide/confidence.ts'
import type { Feature } from './features.ts'
import type { Belief } from './infer.ts'
import type { Result } from './knowledge/cause.ts'
import { exposures, type Exposure, type Test } from './knowledge/test.ts'
import { tests } from './knowledge/tests/register.ts'
import { causeOf } from './model.ts'
import { before, fitsTest, type Before, type Standing } from './needs.ts'

/** A test worth making next. */
export interface NextTest {
  readonly test: Test
  /** Bits it is expected to tell. */
  readonly tells: number
  readonly minutes: number
  readonly before: readonly Before[]
}

/** What a minute of exposure counts against a minute of looking. @source common practice: dead before live, eyes before tools */
export const weight: Readonly<Record<Exposure, number>> = {
  look: 1,
  outside: 1.2,
  'locked out': 1.3,
  'beside it running': 2.5,
  'live panel': 4,
}
const isLive = (t: Test) => t.exposure === 'live panel' || t.exposure === 'beside it running'
/** A dead test that tells this share of what a live one does is made instead. */
const asMuch = 0.9
/** Less than this is not worth a walk. */
const least = 0.004

/** What a test is worth: bits for a minute, less where it can hurt. */
const worth = (n: NextTest): number => n.tells / (n.minutes * weight[n.test.exposure])

/** From here on a cause is proven rather than looked for: what its proof still lacks comes first. */
const nearlySure = 0.8

/** Tests that the proof of the likeliest cause still lacks, once there is a likeliest. */
function lacking(belief: Belief, done: readonly Result[]): ReadonlySet<string> {
  const [top] = belief.likely
  const cause = top && top.p >= nearlySure ? causeOf.get(top.id) : undefined
  return new Set(cause ? missingProof(cause, done).map(([test]) => test) : [])
}

/**
 * The tests that tell most for their minutes and their hazard, best first. A live test is left out where a dead one, or one from
 * outside, tells as much.
 * @param done tests that have a result already
 */
export function nextTests(
  belief: Belief,
  has: ReadonlySet<Feature>,
  standing: Standing,
  done: readonly Result[],
): readonly NextTest[] {
  const made = new Set(done.map(([t]) => t))
  const proof = lacking(belief, done)
  const possible = tests.flatMap((test): NextTest[] => {
    if (made.has(test.id) || !fitsTest(test, has)) return []
    // The second reading of an open winding waits for the first.
    if (test.id === 'ohms1-cool' && !done.some(([t, o]) => t === 'ohms1' && o === 'common-open')) return []
    const steps = before(test, standing)
    if (steps === null) return []
    const tells = belief.information(test)
    if (tells < least && !proof.has(test.id)) return []
    return [{ test, tells, minutes: test.minutes + steps.reduce((a, s) => a + s.minutes, 0), before: steps }]
  })
  const dead = possible.filter((n) => !isLive(n.test))
  const most = Math.max(0, ...dead.map((n) => n.tells))
  return possible
    .filter((n) => !isLive(n.test) || most < (proof.has(n.test.id) ? n.tells : asMuch * n.tells))
    .sort((a, b) => worth(b) - worth(a) || exposures.indexOf(a.test.exposure) - exposures.indexOf(b.test.exposure))
}
