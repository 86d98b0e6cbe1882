import { byModel } from './by-model/likelihoods.generated.ts'
import { causes } from './knowledge/causes/register.ts'
import type { Cause } from './knowledge/cause.ts'
import { likelihoods } from './knowledge/likelihoods.ts'
import { tests } from './knowledge/tests/register.ts'
import type { Test } from './knowledge/test.ts'

/** What nothing in the list explains: it shows what unrelated faults show. */
export const unlisted = 'unlisted'

export const causeOf: ReadonlyMap<string, Cause> = new Map(causes.map((c) => [c.id, c]))
export const testOf: ReadonlyMap<string, Test> = new Map(tests.map((t) => [t.id, t]))

/** What a cause shows nearly always, where nothing else is said. */
const usually = 0.9

/** Chances of the outcomes of one test, in their order. */
export type Column = readonly number[]

/** What was said of a cause and a test: outcome to chance. */
type Said = ReadonlyMap<string, number>

const key = (test: string, cause: string) => `${test} ${cause}`

function saidOf(): ReadonlyMap<string, Said> {
  const said = new Map<string, Map<string, number>>()
  const say = (test: string, cause: string, outcome: string, likely: number) => {
    const own = said.get(key(test, cause)) ?? new Map<string, number>()
    own.set(outcome, likely)
    said.set(key(test, cause), own)
  }
  for (const cause of causes) for (const [test, outcome] of cause.proof) say(test, cause.id, outcome, usually)
  for (const row of likelihoods) for (const cause of row.causes) say(row.test, cause, row.outcome, row.likely)
  return said
}

/** Named outcomes as said, the rest by what unrelated faults show of the others. */
function spread(test: Test, said: Said): number[] {
  const named = [...said.values()].reduce((a, b) => a + b, 0)
  const scale = named > 0.99 ? 0.99 / named : 1
  const others = test.outcomes.filter((o) => !said.has(o.id)).reduce((a, o) => a + o.base, 0)
  const left = 1 - named * scale
  if (others === 0) return test.outcomes.map((o) => ((said.get(o.id) ?? 0) * scale) / (named * scale))
  return test.outcomes.map((o) => {
    const own = said.get(o.id)
    return own === undefined ? (left * o.base) / others : own * scale
  })
}

/** A misread result lands on the others as unrelated faults do. */
function misread(test: Test, true_: readonly number[]): number[] {
  return test.outcomes.map((to, i) => {
    const wrong = test.outcomes.reduce(
      (sum, from, k) => (k === i || from.base >= 1 ? sum : sum + ((true_[k] ?? 0) * to.base) / (1 - from.base)),
      0,
    )
    return (1 - test.misread) * (true_[i] ?? 0) + test.misread * wrong
  })
}

const said = saidOf()
const noneSaid: Said = new Map()

/** Nothing shows a proof more surely than what it proves: its chance is raised to that of the surest cause. */
function proving(test: Test, columns: Map<string, number[]>): void {
  test.outcomes.forEach((outcome, i) => {
    const most = Math.max(...[...columns.values()].map((c) => c[i] ?? 0))
    for (const cause of causes) {
      if (!cause.proof.some(([t, o]) => t === test.id && o === outcome.id)) continue
      const column = columns.get(cause.id)
      const own = column?.[i] ?? 0
      if (!column || own >= most) continue
      const scale = (1 - most) / (1 - own)
      column.forEach((p, k) => (column[k] = k === i ? most : p * scale))
    }
  })
}

/** Chances of what a machine with a cause really shows in a test, nobody misreading it. */
export function shownBy(test: Test, cause: string): Column {
  // What the machine model can say is not judged.
  const computed = byModel[test.id]?.[cause]
  if (!computed) return spread(test, said.get(key(test.id, cause)) ?? noneSaid)
  // Kept to four places, they come to one but for rounding.
  const total = computed.reduce((a, b) => a + b, 0)
  return computed.map((p) => p / total)
}

function columnsOf(test: Test): ReadonlyMap<string, Column> {
  const columns = new Map<string, number[]>()
  for (const { id } of causes) columns.set(id, misread(test, shownBy(test, id)))
  columns.set(
    unlisted,
    test.outcomes.map((o) => o.base),
  )
  proving(test, columns)
  return columns
}

const all = new Map<string, ReadonlyMap<string, Column>>()

/** Chances of a test's outcomes under every cause. Worked out when it is first asked for. */
export function columnsFor(test: Test): ReadonlyMap<string, Column> {
  const known = all.get(test.id)
  if (known) return known
  const made = columnsOf(test)
  all.set(test.id, made)
  return made
}

/** Is anything said of what a cause shows in a test, or does it show what unrelated faults show? */
export const speaksOf = (test: string, cause: string): boolean =>
  byModel[test]?.[cause] !== undefined || said.has(key(test, cause))
