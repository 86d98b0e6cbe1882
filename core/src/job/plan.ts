import { jobKindOf, type JobKind } from './kinds.ts'
import type { Hazard, Minutes, Step } from './step.ts'
import { closingSteps } from './steps/closing.ts'
import { openingSteps } from './steps/opening.ts'
import { takesOff, type TakesOff } from './taken-off.ts'

/** What a machine has that changes the steps of a job on it. */
export interface JobOn {
  /** Left out, one: of every leg nothing is asked. */
  readonly phases?: 1 | 3
  readonly hasVfd: boolean
  /** The drive's own minutes until its bus is empty; left out, those of an ordinary label. */
  readonly busMinutes?: number
  /** How long steps take here, as a share of the minutes of their template; left out, as the template says. */
  readonly pace?: ReadonlyMap<string, number>
}

/** A step as it is to be done in this job. */
export interface PlannedStep extends Omit<Step, 'minutes' | 'wait'>, TakesOff {
  readonly minutes: number
  /** Time that has to pass after other steps, hands free. */
  readonly waits: readonly { readonly after: string; readonly minutes: number; readonly why: string }[]
  /** Of which kind of job it is; null: opening and closing. */
  readonly kind: string | null
}

/** Steps of a job that are done between those of closing. */
const insideClosing: Readonly<Record<string, readonly string[]>> = {
  Z4: ['VD8', 'TX6'],
  Z6: ['TB5'],
  Z7: ['FD11'],
}
/** Steps of a job that come before power is taken off. */
const beforeOff = ['VD1', 'TX1']
/** Where the fan deck comes out, the other jobs are done on the open deck. */
const onDeck = { after: 'FD6', as: 'FD7' } as const

const minutesOf = (m: Minutes, form: 'full' | 'small'): number => (typeof m === 'number' ? m : m[form])
/** Minutes at the pace of these people; a step that takes any takes at least one. */
const paced = (minutes: number, factor = 1): number =>
  minutes === 0 || factor === 1 ? minutes : Math.max(1, Math.round(minutes * factor))
const late = new Set(Object.values(insideClosing).flat())

/** Steps of a list that no other of it follows. */
function leaves(steps: readonly Step[]): readonly string[] {
  const followed = new Set(steps.flatMap((s) => s.after))
  return steps.filter((s) => !followed.has(s.id) && !late.has(s.id)).map((s) => s.id)
}

/** Leave steps out: what followed them follows what came before them. */
function leaveOut(steps: readonly Step[], out: ReadonlySet<string>): readonly Step[] {
  const by = new Map(steps.map((s) => [s.id, s]))
  const before = (id: string): readonly string[] => (out.has(id) ? (by.get(id)?.after ?? []).flatMap(before) : [id])
  return steps
    .filter((s) => !out.has(s.id))
    .map((s) => ({ ...s, after: [...new Set(s.after.flatMap(before))] }))
    .map((s) => (s.wait && out.has(s.wait.before) ? withoutWait(s) : s))
}
function withoutWait({ wait: _none, ...s }: Step): Step {
  return s
}

/** The steps of the kinds themselves, those on an open deck between its own. */
function ownSteps(kinds: readonly JobKind[]): readonly (Step & { readonly kind: string })[] {
  const deck = kinds.find((k) => k.id === 'deck')
  const inner = kinds.filter((k) => k !== deck)
  const own = inner.flatMap((k) =>
    k.steps.map((s) => ({
      ...s,
      kind: k.id,
      after: deck ? s.after.map((a) => (a === 'A6' ? onDeck.after : a)) : s.after,
    })),
  )
  if (!deck) return own
  const done = own.length > 0 ? leaves(own) : [onDeck.after]
  return [...deck.steps.map((s) => ({ ...s, kind: deck.id, after: s.id === onDeck.as ? done : s.after })), ...own]
}

/**
 * All steps of a job, each after those it needs.
 * @param ids kinds of `jobKinds`; done together they are opened and closed once, in the longer form
 * @param skip steps this machine does without; what locks and proves dead is never left out
 * @throws RangeError for a kind that does not exist
 */
export function planJob(ids: readonly string[], on: JobOn, skip: readonly string[] = []): readonly PlannedStep[] {
  const kinds = ids.map((id) => {
    const kind = jobKindOf.get(id)
    if (!kind) throw new RangeError(`kinds: ${id} does not exist`)
    return kind
  })
  const form = kinds.some((k) => k.form === 'full') ? 'full' : 'small'
  const own = ownSteps(kinds)
  const of = new Map(own.map((s) => [s.id, s.kind]))
  const has = (id: string) => of.has(id)
  const opening = openingSteps.map((s) => (s.id === 'A2' ? { ...s, after: [...s.after, ...beforeOff.filter(has)] } : s))
  const closing = closingSteps.map((s) => ({
    ...s,
    after: [...(s.id === 'Z1' ? [...leaves(own), 'A7'] : s.after), ...(insideClosing[s.id] ?? []).filter(has)],
  }))
  const without = kinds.length === 1 ? (kinds[0]?.without ?? []) : []
  const all = [...opening, ...own, ...closing]
  const never = new Set(all.flatMap((s) => (s.must ? [s.id] : [])))
  const steps = leaveOut(all, new Set([...skip.filter((id) => !never.has(id)), ...without]))
  return steps.map(({ minutes, wait: _wait, ...s }): PlannedStep => ({
    ...s,
    ...takesOff[s.id],
    minutes: paced(minutesOf(minutes, form), on.pace?.get(s.id)),
    kind: of.get(s.id) ?? null,
    waits: steps.flatMap(({ id, wait }) =>
      wait?.before !== s.id || (wait.onlyDrive && !on.hasVfd)
        ? []
        : [
            {
              after: id,
              why: wait.why,
              minutes: wait.onlyDrive
                ? (on.busMinutes ?? minutesOf(wait.minutes, form))
                : minutesOf(wait.minutes, form),
            },
          ],
    ),
  }))
}

/** Why a step cannot be done yet; empty where it can. */
export function heldBy(
  step: PlannedStep,
  steps: readonly PlannedStep[],
  settled: ReadonlySet<string>,
): readonly string[] {
  const needed = new Set([
    ...step.after,
    ...(step.irreversible?.needs ?? []).filter((n) => steps.some((s) => s.id === n)),
  ])
  return [...needed].filter((id) => !settled.has(id))
}

/** Every hazard and every tool of a job, each once. */
export const hazardsOf = (steps: readonly PlannedStep[]): readonly Hazard[] => [
  ...new Set(steps.flatMap((s) => s.hazards ?? [])),
]
export const toolsOf = (steps: readonly PlannedStep[]): readonly string[] => [
  ...new Set(steps.flatMap((s) => s.tools ?? [])),
]
