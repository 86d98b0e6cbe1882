// Random machines and visits, held against what is true of them. TRUTH_CASES and TRUTH_SEED choose how many and which.
import { never, runTruth } from './truth/score.ts'
import { speedTruth } from './truth/speed.ts'

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
  const speed = speedTruth(Math.max(500, Math.round(cases / 50)), Number(process.env.TRUTH_SEED ?? 1))
  const told = ({ changes, inside }) => `${percent(inside, changes)} of ${changes} (goal: 93 to 97 %)`
  say('amps after a change of speed inside the range said', told(speed))
  say('  of motors under three quarters of their plate', told(speed.lightly))
  say('  of changes of more than 15 %', told(speed.far))
}
