import type { Judgement } from '../../core/src/judge/index.ts'

/** Six figures: enough to see any rule turned, few enough that every computer writes the same. */
export const figures = (x: unknown): string =>
  JSON.stringify(x, (_key, v: unknown) => (typeof v === 'number' ? Number(v.toPrecision(6)) : v))

const day = (at: number) => new Date(at).toISOString().slice(0, 10)

const gate = (g: Judgement['gates'][number]): string =>
  `${g.id} ${g.open ? 'open' : 'shut'}${g.bars === null ? '' : ` (${g.bars})`}${g.open ? '' : ` lacks ${g.steps.flatMap((s) => (s.met ? [] : [s.id])).join(',')}`}`

/** What stands at a machine, in short: its level, what is open, what is asked for. */
export const standsOf = (j: Judgement): string[] => [
  `${j.level.toUpperCase()}: ${j.headline}`,
  `  open: ${j.conditions.map((k) => `${k.key} ${k.level} ${day(k.since)}/${day(k.seenAt)}${k.retest ? ' re-test' : ''}${k.putOff ? ' put off' : ''}`).join('; ')}`,
  `  asked: ${j.retests.map((r) => `${r.id} ${day(r.since)}`).join(', ')}`,
  `  rests on: ${figures(j.completeness)}`,
]

/** A judgement as lines to be read, worst first: what was said, what stands, the gates. */
export function toldOf(j: Judgement): string[] {
  const [first = '', ...stands] = standsOf(j)
  return [
    first,
    ...j.verdicts.map((v) =>
      v.level === 'ok'
        ? `  ok ${v.check}${v.settles ? '' : ' (not settled)'}: ${v.because}${v.next === 'Nothing to do.' ? '' : ` → ${v.next}`}`
        : `  ${v.level} ${v.check}@${v.positions.join(',')} ${v.subject}${v.settles ? '' : ' (not settled)'}${v.ofVisit ? ' (of the visit)' : ''}${v.confidence === 'low' ? ' (low)' : ''} ${figures([v.value, v.limit])}: ${v.because} → ${v.next}`,
    ),
    ...stands,
    `  gates: ${j.gates.map(gate).join('; ')}`,
    `  ${figures([j.rail, j.usual, j.okUpTo, j.confidence, j.failures])}`,
  ]
}
