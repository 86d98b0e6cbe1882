import { show } from '../../quantity/index.ts'
import { workWords, type Visit, type WorkDone } from '../../trend/index.ts'
import type { MachineFacts } from '../input.ts'
import { rank, type Verdict } from '../verdict.ts'
import { keyOf, partsOf, type Closing, type Condition } from './condition.ts'
import { answersState } from './like-state.ts'
import { retests, type Retest, type RetestId } from './retests.ts'
import { answersIt, retestsInstead, workAnswers } from './work-answers.ts'

/** What stands at one position of one check. */
interface Entry {
  readonly verdict: Verdict
  readonly since: number
  readonly seenAt: number
  readonly visit: Visit
}

interface Asked {
  readonly retest: Retest
  readonly since: number
  readonly needed: boolean
  readonly work: WorkDone['kind']
}

/** A good result that is the newest of its check and position. */
export interface Shown {
  readonly verdict: Verdict
  readonly at: number
}

/** A good result of one check that is the answer to another: seen turning the right way, however it was seen. */
const alsoAnswers: Readonly<Record<string, readonly string[]>> = { turning: ['rotation'], rotation: ['turning'] }

const place = (check: string, position: string) => `${check}@${position}`

/** A verdict with where it stands, and as it is shown where it is good. */
interface Placed {
  readonly verdict: Verdict
  readonly places: readonly string[]
  readonly shown: Shown
}

const placed = new WeakMap<readonly Verdict[], readonly Placed[]>()
/** The verdicts of a visit that belong to its machine, put together once: the whole past goes by at every key. */
function placedOf(visit: Visit, verdicts: readonly Verdict[]): readonly Placed[] {
  const known = placed.get(verdicts)
  if (known) return known
  const made = verdicts
    .filter((v) => !v.ofVisit)
    .map((verdict) => ({
      verdict,
      places: verdict.positions.map((p) => place(verdict.check, p)),
      shown: { verdict, at: visit.at },
    }))
  placed.set(verdicts, made)
  return made
}

/** Whether a check's verdicts come from readings that were taken running. */
export type Running = (check: string) => boolean

/**
 * What stands at a machine, as its visits, work and closings go by in the order in which they happened. One step a fact; what
 * comes of it is read at the end.
 */
export class Fold {
  readonly #machine: MachineFacts
  readonly #running: Running
  readonly #open = new Map<string, Entry>()
  readonly #good = new Map<string, Shown>()
  readonly #asked = new Map<string, Asked>()
  /** What a person closed, kept so that opening it again restores it as it was. */
  readonly #closed = new Map<string, Entry | Asked>()

  constructor(machine: MachineFacts, running: Running) {
    this.#machine = machine
    this.#running = running
  }

  /** The same once more, to go on from. */
  copy(): Fold {
    const other = new Fold(this.#machine, this.#running)
    for (const [at, entry] of this.#open) other.#open.set(at, entry)
    for (const [at, good] of this.#good) other.#good.set(at, good)
    for (const [id, asked] of this.#asked) other.#asked.set(id, asked)
    for (const [at, closed] of this.#closed) other.#closed.set(at, closed)
    return other
  }

  /** The verdicts of one visit, in the light of what was known then. */
  visit(visit: Visit, verdicts: readonly Verdict[]): void {
    for (const { verdict: v, places, shown } of placedOf(visit, verdicts)) {
      for (const at of places) this.#take(visit, v, at, shown)
      if (!v.settles) continue
      this.#answerRetests(v)
      if (v.level === 'ok') for (const other of alsoAnswers[v.check] ?? []) this.#answerElsewhere(visit, other)
    }
  }

  /** What was found beside a visit: where as bad or worse stands already, with its figures, it says nothing new. */
  found(visit: Visit, verdicts: readonly Verdict[]): void {
    for (const { verdict, places, shown } of placedOf(visit, verdicts))
      for (const at of places) {
        const stands = this.#open.get(at)
        if (!stands || rank(verdict.level) > rank(stands.verdict.level)) this.#take(visit, verdict, at, shown)
      }
  }

  #take(visit: Visit, v: Verdict, at: string, shown: Shown): void {
    const stands = this.#open.get(at)
    if (v.level !== 'ok' && (!stands || rank(v.level) >= rank(stands.verdict.level))) {
      this.#open.set(at, { verdict: v, since: stands?.since ?? visit.at, seenAt: visit.at, visit })
      // Found again after a person closed it: it is a new one, and opening the old one again would hide it.
      this.#closed.delete(at)
      this.#good.delete(at)
      return
    }
    if (!v.settles) return
    const answers = !stands || !this.#running(v.check) || answersState(stands.visit, visit)
    if (v.level !== 'ok') {
      if (stands && answers) this.#open.set(at, { verdict: v, since: stands.since, seenAt: visit.at, visit })
      return
    }
    if (stands && !answers) return
    if (stands) this.#open.delete(at)
    this.#good.set(at, shown)
  }

  /** A bump the wrong way and a fan entered as turning right on the same visit contradict each other: the find stands. */
  #answerElsewhere(visit: Visit, check: string): void {
    const at = place(check, '')
    if (this.#open.get(at)?.visit.id !== visit.id) this.#open.delete(at)
  }

  #answerRetests(v: Verdict): void {
    for (const [id, asked] of this.#asked) if (asked.retest.by.includes(v.check)) this.#asked.delete(id)
  }

  /** Work answers what it renewed, and asks for the tests that prove it. */
  work(work: WorkDone): void {
    const row = workAnswers[work.kind]
    const needed = new Set<string>()
    const asks = new Set<RetestId>(row.asks ?? [])
    for (const [at, entry] of this.#open) {
      const position = at.slice(at.indexOf('@') + 1)
      if (!answersIt(row, entry.verdict, position)) continue
      this.#open.delete(at)
      for (const id of retestsOf(entry.verdict.check)) {
        asks.add(id)
        needed.add(id)
      }
    }
    for (const [at, good] of this.#good)
      if (answersIt(row, good.verdict, at.slice(at.indexOf('@') + 1))) this.#good.delete(at)
    for (const [at, closed] of this.#closed)
      if ('verdict' in closed && answersIt(row, closed.verdict, at.slice(at.indexOf('@') + 1))) this.#closed.delete(at)
    for (const id of asks) {
      const retest: Retest = retests[id]
      if (!retest.for(this.#machine)) continue
      const before = this.#asked.get(id)
      this.#asked.set(id, {
        retest,
        since: work.at,
        needed: needed.has(id) || retest.needed || (before?.needed ?? false),
        work: work.kind,
      })
    }
  }

  /** A person closes what stands, or opens it again. */
  closing(closing: Closing): void {
    const { check, positions } = partsOf(closing.key)
    for (const position of positions) {
      const at = place(check, position)
      if (check === 'retest') {
        const asked = this.#asked.get(position)
        const was = this.#closed.get(at)
        if (closing.kind === 'closed' && asked) {
          this.#closed.set(at, asked)
          this.#asked.delete(position)
        } else if (closing.kind === 'reopened' && was && 'retest' in was) {
          this.#asked.set(position, was)
          this.#closed.delete(at)
        }
        continue
      }
      const entry = this.#open.get(at)
      const was = this.#closed.get(at)
      if (closing.kind === 'closed' && entry) {
        this.#closed.set(at, entry)
        this.#open.delete(at)
      } else if (closing.kind === 'reopened' && was && 'visit' in was) {
        this.#open.set(at, was)
        this.#closed.delete(at)
      }
    }
  }

  /** What stands, each verdict once with all of its positions that still do. */
  conditions(now: number): Condition[] {
    const byVerdict = new Map<Verdict, { entry: Entry; positions: string[]; since: number }>()
    for (const [at, entry] of this.#open) {
      const position = at.slice(at.indexOf('@') + 1)
      const own = byVerdict.get(entry.verdict)
      if (own) {
        own.positions.push(position)
        own.since = Math.min(own.since, entry.since)
      } else byVerdict.set(entry.verdict, { entry, positions: [position], since: entry.since })
    }
    const found = [...byVerdict.values()].map(({ entry, positions, since }): Condition => ({
      key: keyOf(entry.verdict.check, positions),
      level: entry.verdict.level,
      verdict: entry.verdict,
      positions,
      since,
      seenAt: entry.seenAt,
      by: entry.visit.by ?? null,
      visit: entry.visit.id,
      retest: false,
      until: null,
      putOff: false,
    }))
    const asked = [...this.#asked.values()].filter((a) => a.needed).map((a) => asCondition(a, now))
    return [...found, ...asked]
  }

  /** Tests that work asks for and nobody has made, needed for an OK or not. */
  retests(): { readonly id: string; readonly words: string; readonly since: number; readonly because: string }[] {
    return [...this.#asked].map(([id, a]) => ({
      id,
      words: a.retest.words,
      since: a.since,
      because: `${workWords(a.work)}`,
    }))
  }

  /** The newest good result of each check and position. */
  good(): Shown[] {
    return [...this.#good.values()]
  }

  /** Has a check anything to say of this machine, good or bad? */
  speaks(check: string): boolean {
    const of = (at: string) => partsOf(at).check === check
    return [...this.#open.keys(), ...this.#good.keys()].some(of)
  }
}

const retestsOf = (check: string): readonly RetestId[] =>
  retestsInstead[check] ?? (Object.keys(retests) as RetestId[]).filter((id) => retests[id].by.includes(check))

const common = [
  { kind: 'common practice', text: 'a repair counts as proven only after a re-test', sure: 'common practice' },
] as const

function asCondition(a: Asked, now: number): Condition {
  const verdict: Verdict = {
    check: 'retest',
    level: 'watch',
    about: 'Test after work',
    subject: 'visit',
    positions: [a.retest.id],
    settles: false,
    ofVisit: false,
    value: null,
    limit: null,
    basis: common,
    because: `${a.retest.words.charAt(0).toUpperCase()}${a.retest.words.slice(1)} not read since the ${workWords(a.work)} on ${show.day(a.since, now)}.`,
    next: a.retest.next,
    confidence: 'full',
  }
  return {
    key: keyOf('retest', [a.retest.id]),
    level: 'watch',
    verdict,
    positions: [a.retest.id],
    since: a.since,
    seenAt: a.since,
    by: null,
    visit: null,
    retest: true,
    until: null,
    putOff: false,
  }
}
