import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { rank, type Level } from '../verdict.ts'

/** What an answer means: how bad, in one sentence, and what is done about it. */
export type Meaning = readonly [level: Exclude<Level, 'ok'>, because: string, next: string]

/** What the answers of a check mean, by question and word; a word that is not listed is as it should be. */
export type Meanings = Readonly<Record<string, Readonly<Record<string, Meaning>>>>

const said = (c: Context, meanings: Meanings): Meaning[] =>
  Object.entries(meanings).flatMap(([id, words]) => {
    const meaning = words[c.answer(id) ?? '']
    return meaning ? [meaning] : []
  })

/** A check that is judged by the words it was answered with: the worst speaks, the others stand beside it. */
export const byWord = (id: string, title: string, meanings: Meanings, fine: string, rule: string): Check => ({
  id,
  title,
  applies: (c) => Object.keys(meanings).some((q) => c.answer(q) !== undefined),
  judge(c) {
    const basis = [practice(rule)]
    const all = said(c, meanings).sort(([a], [b]) => rank(b) - rank(a))
    const [worst] = all
    if (!worst) return verdict(this, { level: 'ok', basis, because: fine, next: 'Nothing to do.' })
    const [level, , next] = worst
    return verdict(this, { level, basis, because: all.map(([, because]) => because).join(' '), next })
  },
})
