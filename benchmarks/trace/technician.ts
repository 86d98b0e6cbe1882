import type { Random } from '../../core/src/machine/index.ts'
import {
  before,
  believe,
  causeOf,
  complaints,
  fitsTest,
  hypothesesOf,
  nextTests,
  standing,
  testOf,
  unlisted,
  type Belief,
  type Feature,
  type Hypothesis,
  type NextTest,
  type Result,
  type Setup,
  type Test,
} from '../../core/src/trace/index.ts'
import { settled } from '../../core/src/trace/decide/confidence.ts'
import { readAgain } from '../../core/src/trace/decide/read-again.ts'
import { oddOneOut } from '../../core/src/trace/decide/contradictions.ts'
import { shownBy, speaksOf } from '../../core/src/trace/model.ts'

/** A machine with something wrong with it, and what was reported of it. */
export interface Case {
  readonly complaint: string
  readonly features: ReadonlySet<Feature>
  readonly hypotheses: readonly Hypothesis[]
  readonly truth: readonly string[]
}

const oneOf = <T>(random: Random, list: readonly T[]): T => {
  const picked = list[Math.min(list.length - 1, Math.floor(random.next() * list.length))]
  if (picked === undefined) throw new Error('an empty list')
  return picked
}

/** A machine of any kind. */
export function anyFeatures(random: Random): ReadonlySet<Feature> {
  const three = random.next() < 0.65
  const drive = three && random.next() < 0.25
  const some = (p: number, f: Feature): Feature[] => (random.next() < p ? [f] : [])
  return new Set<Feature>([
    three ? 'three-phase' : 'single-phase',
    ...(random.next() < (three ? 0.7 : 0.2) ? (['belt'] as const) : (['direct'] as const)),
    ...(drive ? (['drive'] as const) : (['contactor'] as const)),
    ...(three && !drive ? some(0.7, 'overload relay') : []),
    ...(three && !drive ? some(0.3, 'phase monitor') : []),
    ...some(0.2, 'twin'),
    ...(three ? some(0.1, 'power transformer') : []),
    ...some(0.2, 'gas heat'),
    ...some(0.15, 'shared fuses'),
    ...some(0.15, 'condenser fan'),
    ...some(0.2, 'exhaust'),
  ])
}

function drawn<T>(random: Random, list: readonly T[], weight: (x: T) => number): T {
  let at = random.next() * list.reduce((sum, x) => sum + weight(x), 0)
  for (const x of list) {
    at -= weight(x)
    if (at <= 0) return x
  }
  return oneOf(random, list)
}

/** Share of complaints that have nothing to do with what is wrong. */
const misreported = 0.05

/** A fault by how common it is, alone or with what brought it about, and what somebody reports of it. */
export function anyCase(random: Random): Case {
  const features = anyFeatures(random)
  const common = hypothesesOf(null, features).filter((h) => !h.causes.includes(unlisted))
  const truth = drawn(random, common, (h) => h.prior).causes
  const possible = complaints.filter((k) => k.fits === null || features.has(k.fits))
  const reported = possible.filter((k) => (k.shares[truth[0] ?? ''] ?? 0) > 0)
  const complaint =
    reported.length === 0 || random.next() < misreported
      ? oneOf(random, possible)
      : drawn(random, reported, (k) => k.shares[truth[0] ?? ''] ?? 0)
  return { complaint: complaint.id, features, truth, hypotheses: hypothesesOf(complaint.id, features) }
}

/** Share of what a technician says that is simply wrong. */
const wrong = 0.03

/** What a machine with these causes shows, the same however often it is read. */
export class Shown {
  readonly #random: Random
  readonly #truth: readonly string[]
  readonly #real = new Map<string, string>()

  constructor(random: Random, truth: readonly string[]) {
    this.#random = random
    this.#truth = truth
  }

  #draw(test: Test): string {
    // Of two causes the one that has anything to do with the test shows.
    const speaking = this.#truth.filter((c) => speaksOf(test.id, c))
    const column = shownBy(test, oneOf(this.#random, speaking.length > 0 ? speaking : this.#truth))
    const outcomes = test.outcomes.map((o, i) => ({ id: o.id, p: column[i] ?? 0 }))
    return drawn(this.#random, outcomes, (o) => o.p).id
  }

  /** Read by somebody who is honest and now and then mistaken. */
  read(test: Test): string {
    const real = this.#real.get(test.id) ?? this.#draw(test)
    this.#real.set(test.id, real)
    return this.#random.next() < wrong ? oneOf(this.#random, test.outcomes).id : real
  }
}

/** What tests are made in, and what they came to. */
export interface Walk {
  readonly right: boolean
  readonly inThree: boolean
  readonly tests: number
  readonly minutes: number
  /** Minutes with hands or face in a live panel or beside a running fan. */
  readonly exposed: number
  /** Live tests made where one that is not would have told as much. */
  readonly needless: number
}

type Choose = (belief: Belief, of: Case, setup: Setup, done: readonly Result[]) => NextTest | null

const longest = 300

const live = (t: Test) => t.exposure === 'live panel' || t.exposure === 'beside it running'

export function walk(random: Random, c: Case, choose: Choose): Walk {
  const shown = new Shown(random, c.truth)
  let done: Result[] = []
  let setup: Setup = 'as found'
  let [tests, minutes, exposed, needless] = [0, 0, 0, 0]
  let belief = believe(c.hypotheses, [])
  const twice = new Set<string>()
  const differ = new Set<string>()
  const take = (test: Test, spent: number) => {
    minutes += spent
    tests += 1
    if (live(test)) exposed += spent
    done = [...done.filter(([t]) => t !== test.id), [test.id, shown.read(test)]]
    belief = believe(c.hypotheses, done)
  }
  /** Read once more, before anything is built on it. */
  const retake = (test: Test | undefined): boolean => {
    if (!test || twice.has(test.id)) return false
    const was = done.find(([t]) => t === test.id)?.[1]
    take(test, test.minutes)
    const same = done.find(([t]) => t === test.id)?.[1] === was
    if (same || differ.delete(test.id)) twice.add(test.id)
    else differ.add(test.id)
    return true
  }
  for (;;) {
    const [top] = belief.likely
    const over = top !== undefined && top.id !== unlisted && settled(causeOf.get(top.id), top.p, done)
    const next = over || minutes > longest ? null : choose(belief, c, setup, done)
    if (next) {
      if (live(next.test)) {
        const others = nextTests(belief, c.features, standing(setup, done, c.complaint), done).filter(
          (n) => !live(n.test),
        )
        if (others.some((n) => n.tells >= next.tells)) needless += 1
      }
      take(next.test, next.minutes)
      if (next.test.needs.includes('locked out')) setup = 'locked out'
      else if (next.test.needs.some((n) => n === 'powered' || n === 'running')) setup = 'powered'
      continue
    }
    const odd = oddOneOut(belief, done)
    if (over && odd && retake(testOf.get(odd.result[0]))) continue
    if (minutes > 2 * longest || !retake(readAgain(belief, done, twice, differ, false)?.test)) break
  }
  const ranked = belief.likely.map((l) => l.id)
  return {
    right: c.truth.includes(ranked[0] ?? ''),
    inThree: ranked.slice(0, 3).some((id) => c.truth.includes(id)),
    tests,
    minutes,
    exposed,
    needless,
  }
}

/** The product's own choice. */
export const byInformation: Choose = (belief, of, setup, done) =>
  nextTests(belief, of.features, standing(setup, done, of.complaint), done)[0] ?? null

/** What is done without it: the same way every time, from the supply inward. */
const outsideIn = [
  ...['see-fan', 'see-call', 'breaker', 'selector', 'see-timer', 'see-clock', 'smell', 'hear', 'see-turn', 'vfd-code'],
  ...['line-volts', 'phase-meter', 'tx-ratio', 'ctl-volts', 'half-split', 'load-volts', 'amps', 'load', 'pole-drop'],
  ...['gnd-amps', 'off-amps', 'temps', 'rpm', 'static', 'vib', 'prove-dead', 'fuse-ohms', 'poles', 'coil-ohms', 'dial'],
  ...['terminals', 'ohms-far', 'ohms3', 'ohms1', 'gnd-ohms', 'megs', 'megs-cable', 'cap-uf', 'cap-mark', 'motor-conn'],
  ...[
    'spin',
    'belt-look',
    'tension',
    'align',
    'split',
    'brg-hand',
    'locks',
    'wheel',
    'sheaves',
    'filters',
    'coil-look',
  ],
  ...['profile', 'plate', 'bond', 'pm-lamp', 'params', 'unplug', 'tx-ohms', 'see-water', 'open-door', 'twin-load'],
]

export const byOrder: Choose = (belief, { features, complaint }, setup, done) => {
  const made = new Set(done.map(([t]) => t))
  const s = standing(setup, done, complaint)
  for (const id of outsideIn) {
    const test = testOf.get(id)
    if (!test || made.has(id) || !fitsTest(test, features)) continue
    const steps = before(test, s)
    if (steps === null || (id === 'ohms1-cool' && !done.some(([t, o]) => t === 'ohms1' && o === 'common-open')))
      continue
    const minutes = test.minutes + steps.reduce((sum, x) => sum + x.minutes, 0)
    return { test, minutes, before: steps, tells: belief.information(test) }
  }
  return null
}
