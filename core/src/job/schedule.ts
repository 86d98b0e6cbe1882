import type { PlannedStep } from './plan.ts'

/** When a step is done, in minutes from the start, and by whom: 0 is the first of the crew. */
export interface Scheduled {
  readonly id: string
  readonly start: number
  readonly end: number
  readonly hands: readonly number[]
}

export interface Schedule {
  readonly steps: readonly Scheduled[]
  /** Minutes from the start until the last step ends. */
  readonly minutes: number
  /** Minutes of hands: what it costs in work. */
  readonly labor: number
  /** Steps that this crew cannot do: they take two people. */
  readonly short: readonly string[]
}

/** One person at what two would do takes this many times as long, where nothing has to be held up. @source common practice */
const alone = 1.5

const takesTwo = (s: PlannedStep): boolean =>
  s.people === 2 && (s.support !== undefined || (s.hazards ?? []).includes('fall'))

/** Minutes of a step with a crew. */
const minutesWith = (s: PlannedStep, crew: number): number =>
  s.people === 2 && crew < 2 ? s.minutes * alone : s.minutes

/**
 * Longest way from the start of each step to the end of the job, waits included.
 * @throws RangeError where steps wait for each other
 */
function tails(steps: readonly PlannedStep[], crew: number): ReadonlyMap<string, number> {
  const next = new Map<string, { id: string; wait: number }[]>()
  for (const s of steps) {
    for (const a of s.after) next.set(a, [...(next.get(a) ?? []), { id: s.id, wait: 0 }])
    for (const w of s.waits) next.set(w.after, [...(next.get(w.after) ?? []), { id: s.id, wait: w.minutes }])
  }
  const by = new Map(steps.map((s) => [s.id, s]))
  const known = new Map<string, number>()
  const walk = (id: string, seen: readonly string[]): number => {
    const had = known.get(id)
    if (had !== undefined) return had
    if (seen.includes(id)) throw new RangeError(`steps: ${[...seen, id].join(' → ')} wait for each other`)
    const s = by.get(id)
    const rest = (next.get(id) ?? []).map((n) => n.wait + walk(n.id, [...seen, id]))
    const tail = (s ? minutesWith(s, crew) : 0) + Math.max(0, ...rest)
    known.set(id, tail)
    return tail
  }
  for (const s of steps) walk(s.id, [])
  return known
}

/**
 * Who does what when: whoever is free takes the ready step with the longest way still behind it; one works while oil soaks.
 * @param crew people who are there, 1 or more
 * @throws RangeError for no crew, and where steps wait for each other
 * @source critical path method; list scheduling by longest tail
 */
export function schedule(steps: readonly PlannedStep[], crew: number): Schedule {
  if (!(crew >= 1)) throw new RangeError('crew: one person or more')
  const tail = tails(steps, crew)
  const free = new Array<number>(Math.floor(crew)).fill(0)
  // Of two steps as urgent the one goes first that something has to soak or settle after: that time is worked in.
  const soaks = new Map(steps.flatMap((s) => s.waits.map((w) => [w.after, w.minutes] as const)))
  const done = new Map<string, Scheduled>()
  const ids = new Set(steps.map((s) => s.id))
  const left = new Set(steps)
  const readyAt = (s: PlannedStep): number | null => {
    let at = 0
    for (const a of s.after) {
      if (!ids.has(a)) continue
      const end = done.get(a)?.end
      if (end === undefined) return null
      at = Math.max(at, end)
    }
    for (const w of s.waits) {
      const end = done.get(w.after)?.end
      if (end === undefined) return null
      at = Math.max(at, end + w.minutes)
    }
    return at
  }
  const more = (of: ReadonlyMap<string, number>, a: { step: PlannedStep }, b: { step: PlannedStep }) =>
    (of.get(b.step.id) ?? 0) - (of.get(a.step.id) ?? 0)
  while (left.size > 0) {
    const ready = [...left].flatMap((step) => {
      const at = readyAt(step)
      if (at === null) return []
      const need = step.people === 2 ? Math.min(2, free.length) : 1
      const soonest = [...free].sort((a, b) => a - b)
      const start = Math.max(at, soonest[need - 1] ?? 0)
      // Of those who are free then the first takes it: the second waits for what two can do at once.
      const hands = free.flatMap((f, i) => (f <= start ? [i] : [])).slice(0, need)
      return [{ step, hands, start }]
    })
    const [first] = ready.sort(
      (a, b) => a.start - b.start || more(tail, a, b) || more(soaks, a, b) || (a.step.id < b.step.id ? -1 : 1),
    )
    if (!first) throw new RangeError('steps: one waits for a step that is not there')
    const end = first.start + minutesWith(first.step, free.length)
    for (const h of first.hands) free[h] = end
    done.set(first.step.id, { id: first.step.id, start: first.start, end, hands: first.hands })
    left.delete(first.step)
  }
  const all = steps.flatMap((s) => done.get(s.id) ?? [])
  return {
    steps: all,
    minutes: Math.max(0, ...all.map((s) => s.end)),
    labor: all.reduce((sum, s) => sum + (s.end - s.start) * s.hands.length, 0),
    short: crew < 2 ? steps.filter(takesTwo).map((s) => s.id) : [],
  }
}
