// Random machines and visits, compared with what is true of them. TRUTH_CASES and TRUTH_SEED choose how many and which.
import { never, runTruth } from './truth/score.ts'
import { speedTruth } from './truth/speed.ts'
import { trendTruth } from './truth/trends.ts'

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
  const trend = trendTruth(Math.max(60, Math.round(cases / 500)), Number(process.env.TRUTH_SEED ?? 1))
  say('a step of 6 % told at the first or second visit', `${(100 * trend.step).toFixed(1)} % (goal: 90 %)`)
  say('half a per cent a month told within six, filters written', `${(100 * trend.ramp).toFixed(1)} % (goal: 80 %)`)
  say('changes told of steady machines, a machine-year, every 30 days', `${trend.false30.toFixed(3)} (goal: 0.1)`)
  say('  every 92 days', `${trend.false92.toFixed(3)} (goal: 0.1)`)
  const speed = speedTruth(Math.max(500, Math.round(cases / 50)), Number(process.env.TRUTH_SEED ?? 1))
  const told = ({ changes, inside }) => `${percent(inside, changes)} of ${changes} (goal: 93 to 97 %)`
  say('amps after a change of speed inside the range said', told(speed))
  say('  of motors under three quarters of their plate', told(speed.lightly))
  say('  of changes of more than 15 %', told(speed.far))
}
