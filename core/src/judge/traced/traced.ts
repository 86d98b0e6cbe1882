import { practice } from '../../limits/index.ts'
import { unsaid, type Visit } from '../../trend/index.ts'
import type { Condition } from '../conditions/condition.ts'
import type { JudgeInput, MachineFacts } from '../input.ts'
import { toldCondition } from '../conditions/told.ts'
import { verdict } from '../rule.ts'
import { rules } from '../rules/register.ts'
import type { Level, Verdict } from '../verdict.ts'
import { meaningOf, trippedAgain } from './meanings.ts'
import type { TracedResult } from './found.ts'

/** What a trace found, as the visit that it stands for: it says this and nothing else. */
export interface TracedFind {
  readonly at: number
  readonly visit: Visit
  readonly verdicts: readonly Verdict[]
}

const checks = new Map(rules.map((rule) => [rule.id, rule]))
const next: Readonly<Record<Exclude<Level, 'ok'>, string>> = {
  stop: 'Leave it off. Repair it, then test it again.',
  fix: 'Repair it, then test it again.',
  watch: 'Look at it again at the next visit.',
}
const basis = 'found while the fault was traced'

/** Seen by a person in passing: that it is gone the next time proves nothing, only tests and work do. */
const stays: ReadonlySet<string> = new Set(['smell', 'breaker'])
/** Every load on it, its cable and its terminals: what a breaker that opened may be closed onto. */
const loads: Readonly<Record<string, string>> = {
  'gnd-ohms': 'clear',
  megs: 'good',
  'megs-cable': 'good',
  terminals: 'tight',
}

function verdictOf(machine: MachineFacts, r: TracedResult): Verdict | null {
  const meaning = meaningOf(r.test, r.outcome)
  if (!meaning) return null
  const { check, level, because } = meaning
  const of = meaning.as ?? { about: checks.get(check)?.title ?? check, subject: checks.get(check)?.subject ?? 'visit' }
  return verdict(
    { id: check, title: of.about, subject: of.subject },
    {
      level,
      positions: meaning.positions(machine),
      settles: false,
      basis: [practice(basis)],
      because,
      next: meaning.next ?? next[level],
    },
  )
}

const made = new WeakMap<readonly TracedResult[], readonly TracedFind[]>()

/**
 * What stands of the results of all traces of a machine, in the order in which it was found: the newest result of each test. A good
 * one answers a bad one of the same test in a trace, never what a visit found.
 */
export function findsOf(machine: MachineFacts, results: readonly TracedResult[]): readonly TracedFind[] {
  const known = made.get(results)
  if (known) return known
  const inOrder = [...results].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const newest = new Map<string, TracedResult>()
  for (const r of inOrder) {
    const before = newest.get(r.test)
    const stands = before !== undefined && stays.has(r.test) && meaningOf(before.test, before.outcome) !== undefined
    if (!stands || meaningOf(r.test, r.outcome) !== undefined) newest.set(r.test, r)
  }
  const all = [...newest.values()]
  const readGood = (after: number) =>
    Object.entries(loads).every(([test, good]) => {
      const r = newest.get(test)
      return r !== undefined && r.outcome === good && r.at >= after
    })
  const openedByHand = newest.get('ask-open')?.outcome === 'hand'
  const finds = all
    // What opened again on good tests is not answered by the same tests.
    .filter((r) => !r.settled && (`${r.test} ${r.outcome}` === trippedAgain || !(stays.has(r.test) && readGood(r.at))))
    .filter((r) => !(r.test === 'breaker' && r.outcome === 'open' && openedByHand))
    .flatMap((r): TracedFind[] => {
      const verdict = verdictOf(machine, r)
      if (!verdict) return []
      const visit = { id: r.id, at: r.at, by: r.by, state: unsaid, readings: [] }
      return [{ at: r.at, visit, verdicts: [verdict] }]
    })
    .sort((a, b) => a.at - b.at)
  made.set(results, finds)
  return finds
}

/** What a complaint alone is worth while nobody knows its cause. */
const reported: Readonly<Record<string, { readonly level: Exclude<Level, 'ok'>; readonly words: string }>> = {
  dead: { level: 'watch', words: 'does not start' },
  hums: { level: 'fix', words: 'hums and does not start' },
  trips: { level: 'fix', words: 'breaker or fuse opens' },
  'ol-trips': { level: 'fix', words: 'overload relay trips' },
  smell: { level: 'fix', words: 'burnt smell or smoke' },
  tingle: { level: 'stop', words: 'shock or tingle from the unit' },
  'vfd-alarm': { level: 'fix', words: 'drive faulted' },
}

const because = (words: string): string =>
  words.trim() === '' ? 'A fault is being traced.' : `Reported: ${words.trim()}. The cause is not found yet.`

/** Traces that were begun and not finished: until they are, nobody knows that the machine is good. */
export function openTraces(input: Pick<JudgeInput, 'traced'>, through: number): Condition[] {
  return (input.traced?.open ?? [])
    .filter((t) => t.at <= through)
    .map((t): Condition => {
      const told = t.complaint === null ? undefined : reported[t.complaint]
      const level = told?.level ?? 'watch'
      return toldCondition({
        check: 'trace',
        about: 'Fault tracing',
        id: t.id,
        at: t.at,
        by: t.by,
        level,
        because: because(told?.words ?? t.words),
        next: level === 'stop' ? 'Keep everyone off it and lock it out. Then finish the trace.' : 'Finish the trace.',
        basis,
      })
    })
}
