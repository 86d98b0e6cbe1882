import type { Result } from './knowledge/cause.ts'
import type { Test } from './knowledge/test.ts'
import { columnsFor, speaksOf, testOf, unlisted, type Column } from './model.ts'
import type { Hypothesis } from './prior.ts'

/** A cause with how likely it is now. */
export interface Likely {
  readonly id: string
  readonly p: number
}

/** Chances of a test's outcomes where a cause and what brought it about are both there: whichever has anything to say of it. */
function columnOf(test: Test, causes: readonly string[]): Column {
  const columns = columnsFor(test)
  const base = columns.get(unlisted) ?? test.outcomes.map((o) => o.base)
  const speaking = causes.filter((c) => speaksOf(test.id, c))
  const own = (speaking.length > 0 ? speaking : causes).map((c) => columns.get(c) ?? base)
  return test.outcomes.map((_, i) => own.reduce((sum, c) => sum + (c[i] ?? 0), 0) / own.length)
}

const bits = (p: number) => (p > 0 ? -p * Math.log2(p) : 0)

/** A test under every hypothesis: chances of its outcomes side by side, and how open its outcome is under each, in bits. */
interface Table {
  readonly chances: Float64Array
  readonly open: Float64Array
}

const tables = new WeakMap<readonly Hypothesis[], Map<string, Table>>()

/** Made once for a set of hypotheses: a result changes what is believed of them, not what they show. */
function tableOf(hypotheses: readonly Hypothesis[], test: Test): Table {
  const own = tables.get(hypotheses) ?? new Map<string, Table>()
  tables.set(hypotheses, own)
  const known = own.get(test.id)
  if (known) return known
  const k = test.outcomes.length
  const chances = new Float64Array(hypotheses.length * k)
  const open = new Float64Array(hypotheses.length)
  hypotheses.forEach((h, row) => {
    const column = columnOf(test, h.causes)
    chances.set(column, row * k)
    open[row] = column.reduce((sum, p) => sum + bits(p), 0)
  })
  const made = { chances, open }
  own.set(test.id, made)
  return made
}

/** How a set of hypotheses stands after some results. */
export class Belief {
  readonly hypotheses: readonly Hypothesis[]
  /** One for each hypothesis; they come to one. */
  readonly weights: readonly number[]
  /** Natural logarithm of the chance of all results together. */
  readonly evidence: number

  private constructor(hypotheses: readonly Hypothesis[], weights: readonly number[], evidence: number) {
    this.hypotheses = hypotheses
    this.weights = weights
    this.evidence = evidence
  }

  static before(hypotheses: readonly Hypothesis[]): Belief {
    return new Belief(
      hypotheses,
      hypotheses.map((h) => h.prior),
      0,
    )
  }

  /**
   * How it stands with one result more. The order of results does not matter.
   * @throws RangeError for a test or an outcome that does not exist
   */
  given([id, outcome]: Result): Belief {
    const test = testOf.get(id)
    if (!test) throw new RangeError(`test: ${id} does not exist`)
    const i = test.outcomes.findIndex((o) => o.id === outcome)
    if (i < 0) throw new RangeError(`outcome: ${outcome} is none of ${id}`)
    const { chances } = tableOf(this.hypotheses, test)
    const products = this.weights.map((w, row) => w * (chances[row * test.outcomes.length + i] ?? 0))
    const total = products.reduce((a, b) => a + b, 0)
    return new Belief(
      this.hypotheses,
      products.map((p) => p / total),
      this.evidence + Math.log(total),
    )
  }

  /** Every cause with how likely it is to be there, alone or with another, the likeliest first. */
  get likely(): readonly Likely[] {
    const sums = new Map<string, number>()
    this.hypotheses.forEach((h, k) => {
      for (const c of h.causes) sums.set(c, (sums.get(c) ?? 0) + (this.weights[k] ?? 0))
    })
    return [...sums].map(([id, p]) => ({ id, p })).sort((a, b) => b.p - a.p || (a.id < b.id ? -1 : 1))
  }

  /** Chance of each outcome of a test, as things stand. */
  predict(test: Test): readonly number[] {
    const k = test.outcomes.length
    const { chances } = tableOf(this.hypotheses, test)
    const out = new Float64Array(k)
    this.weights.forEach((w, row) => {
      for (let i = 0; i < k; i++) out[i] = (out[i] ?? 0) + w * (chances[row * k + i] ?? 0)
    })
    return [...out]
  }

  /**
   * How much a test is expected to tell: by how many bits less is open after it, on the average of its outcomes.
   * @source mutual information between hypothesis and outcome
   */
  information(test: Test): number {
    const { open } = tableOf(this.hypotheses, test)
    const outcome = this.predict(test).reduce((sum, p) => sum + bits(p), 0)
    return Math.max(0, outcome - this.weights.reduce((sum, w, row) => sum + w * (open[row] ?? 0), 0))
  }
}

/** What is believed after some results. */
export const believe = (hypotheses: readonly Hypothesis[], results: readonly Result[]): Belief =>
  results.reduce((b, r) => b.given(r), Belief.before(hypotheses))
