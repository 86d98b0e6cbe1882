import type { Condition } from './conditions/condition.ts'
import type { Fold, Shown } from './conditions/fold.ts'
import type { Overall, Verdict } from './verdict.ts'

/** What a result rests on, and what it does not. */
export interface Completeness {
  /** "amps and volts", "insulation": what was read and good. */
  readonly on: readonly string[]
  /** "turning not confirmed", "insulation never read". */
  readonly missing: readonly string[]
  readonly summary: string
}

/** What a good result can rest on, in the words of the page, with the checks that show it. */
const grounds: readonly (readonly [words: string, checks: readonly string[]])[] = [
  ['amps', ['over-amp']],
  ['volts', ['service-voltage', 'line-side']],
  ['rotation', ['turning', 'rotation']],
  ['winding resistance', ['winding-ohms', 'psc-winding']],
  ['insulation', ['insulation']],
  ['belts', ['belts', 'belt-tension']],
  ['bearings', ['bearings']],
  ['wheel', ['wheel']],
  ['vibration', ['vibration']],
  ['capacitor', ['capacitor']],
  ['controls', ['control-power']],
]

/** Of these, what says nothing of the fan itself. */
const around = ['volts', 'rotation', 'controls']
const ofTheFan = new Set(grounds.flatMap(([words, checks]) => (around.includes(words) ? [] : checks)))

/** Is it enough to call a machine OK? A tight lug or good volts are not. @param good what was read and good */
export const earnsOk = (good: readonly Pick<Verdict, 'check'>[]): boolean => good.some((v) => ofTheFan.has(v.check))

const windings = ['winding-ohms', 'psc-winding', 'insulation']
/** What was good before one of these was found says nothing any more: a burnt smell is of today, the test of before. */
const doubts: Readonly<Record<string, readonly string[]>> = {
  smell: windings,
  'breaker-found': windings,
  'as-found': windings,
}

const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`

/** What the result of a machine rests on. @param level what the machine comes to @param open what stands at it */
export function completeness(
  level: Overall,
  fold: Fold,
  own: readonly Verdict[],
  open: readonly Pick<Condition, 'verdict' | 'since'>[],
): Completeness {
  const doubted = (g: Shown) => open.some((k) => k.since > g.at && doubts[k.verdict.check]?.includes(g.verdict.check))
  const good = new Set([
    ...fold
      .good()
      .filter((g) => !doubted(g))
      .map((g) => g.verdict.check),
    ...own.filter((v) => v.level === 'ok').map((v) => v.check),
  ])
  const on = grounds.flatMap(([words, checks]) => (checks.some((k) => good.has(k)) ? [words] : []))
  const known = (id: string) => good.has(id) || fold.speaks(id) || own.some((v) => v.check === id)
  const missing = [
    ...(on.includes('amps') || known('over-amp') || known('lost-leg') || good.has('conditions')
      ? []
      : ['amps never read']),
    ...(on.includes('rotation') || known('turning') || known('rotation') ? [] : ['turning not confirmed']),
    ...(on.includes('insulation') || known('insulation') ? [] : ['insulation never read']),
  ]
  const rest = missing.length === 0 ? '' : `; ${missing.join('; ')}`
  return { on, missing, summary: good.size === 0 && open.length === 0 ? nothing : `${basis(level, on)}${rest}.` }
}

const nothing = 'Nothing was read that could be judged.'

const basis = (level: Overall, on: readonly string[]): string => {
  const read = list(on)
  switch (level) {
    case 'ok':
      return `OK on ${read}`
    case 'not judged':
      return `Too little was read to call it OK${read === '' ? '' : `: only ${read}`}`
    default:
      return read === '' ? 'Nothing else was checked good' : `Checked good: ${read}`
  }
}
