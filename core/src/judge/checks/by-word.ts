import { practice } from '../../limits/index.ts'
import { verdict, type Rule } from '../rule.ts'
import type { Subject } from '../subject.ts'
import type { Level } from '../verdict.ts'

/** What an answer means: how bad, in one sentence, and what is done about it. */
export type Meaning = readonly [level: Exclude<Level, 'ok'>, because: string, next: string]

/** What the answers of a check mean, by question and word; a word that is not listed is as it should be. */
export type Meanings = Readonly<Record<string, Readonly<Record<string, Meaning>>>>

interface ByWord {
  readonly id: string
  readonly title: string
  readonly subject: Subject
  /** Questions that belong to something else than the rest. */
  readonly subjects?: Readonly<Record<string, Subject>>
  readonly meanings: Meanings
  readonly fine: string
  readonly rule: string
}

/**
 * A check that is judged by the words it was answered with: one verdict a question that is not as it should be, and one for
 * those that are. Each question stands and is answered by itself.
 */
export const byWord = ({ id, title, subject, subjects = {}, meanings, fine, rule }: ByWord): Rule => ({
  id,
  title,
  subject,
  from: 'visit',
  applies: (c) => Object.keys(meanings).some((q) => c.answer(q) !== undefined),
  judge(c) {
    const basis = [practice(rule)]
    const answered = Object.entries(meanings).flatMap(([question, words]) => {
      const answer = c.answer(question)
      return answer === undefined ? [] : [{ question, meaning: words[answer] }]
    })
    const bad = answered.flatMap(({ question, meaning }) =>
      meaning
        ? [
            verdict(this, {
              level: meaning[0],
              subject: subjects[question] ?? subject,
              positions: [question],
              basis,
              because: meaning[1],
              next: meaning[2],
            }),
          ]
        : [],
    )
    const good = answered.filter((a) => a.meaning === undefined).map((a) => a.question)
    if (good.length === 0) return bad
    return [
      ...bad,
      verdict(this, {
        level: 'ok',
        positions: good,
        basis,
        because: bad.length === 0 ? fine : 'The rest is good.',
        next: 'Nothing to do.',
      }),
    ]
  },
})
