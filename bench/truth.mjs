// Random machines and visits, held against what is true of them. TRUTH_CASES and TRUTH_SEED choose how many and which.
import { never, runTruth } from './truth/score.ts'

const percent = (part, whole) => `${((100 * part) / whole).toFixed(3)} %`

export async function bench(say) {
  const cases = Number(process.env.TRUTH_CASES ?? 150_000)
  const score = runTruth(cases, Number(process.env.TRUTH_SEED ?? 1))
  for (const [what, count] of score.counts) say(`cases: ${what}`, String(count))
  for (const kind of never) {
    say(kind, `${score.missed(kind)} (goal: 0)`)
    for (const example of score.wrong.get(kind)?.examples.slice(0, 5) ?? []) say(`  ${example}`, '')
  }
  say(
    'healthy judged fix or stop',
    `${percent(score.missed('healthy judged fix or stop'), score.of('healthy'))} (goal: 0.01 %)`,
  )
  say('healthy judged watch', `${percent(score.missed('healthy judged watch'), score.of('healthy'))} (goal: 5 %)`)
}
