import type { ScopeId } from '../judge/index.ts'
import { show } from '../quantity/index.ts'
import { inDays, type DueFacts, type Pause, type TaskKind } from './task.ts'
import { taskKinds } from './tasks/register.ts'

/** A task of a machine with its day and why that day. */
export interface DueTask {
  readonly task: string
  readonly title: string
  readonly scope: ScopeId
  readonly dueAt: number
  readonly lastAt: number | null
  /** One sentence: what was last, the interval, what moved it. */
  readonly why: string
  readonly moved: 'forward' | 'back' | null
  readonly minutes: number
  readonly people: 1 | 2
  readonly visitsUnit: boolean
  readonly locksOut: boolean
  /** Between locking out and the work. */
  readonly rest: Pause | null
  /** Between the work and reading the amps again. */
  readonly settle: Pause | null
}

/** The first day at or after one that lies in a month of the season. */
function inSeason(at: number, months: readonly number[] | undefined): number {
  if (!months) return at
  const d = new Date(at)
  for (let i = 0; i < 12; i++) {
    const month = ((d.getUTCMonth() + i) % 12) + 1
    if (months.includes(month)) return i === 0 ? at : Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + i, 1)
  }
  return at
}

function dueOne(kind: TaskKind, f: DueFacts): DueTask {
  const w = kind.wanted(f)
  const plain = w.lastAt === null ? f.now : inDays(w.lastAt, w.days)
  const pull = w.pulls.reduce<(typeof w.pulls)[number] | null>((a, b) => (a === null || b.at < a.at ? b : a), null)
  const forward = pull !== null && (pull.at < plain || w.lastAt === null)
  const back = !forward && w.push !== null && w.push.at > plain && w.pulls.length === 0
  const at = forward ? pull.at : back ? (w.push?.at ?? plain) : inSeason(plain, kind.months)
  const last = w.lastAt === null ? 'never done' : `last ${show.day(w.lastAt, f.now, f.machine.zone)}`
  const moved = forward ? `; sooner, ${pull.because}` : back ? `; later, ${w.push?.because ?? ''}` : ''
  return {
    task: kind.id,
    title: kind.title,
    scope: kind.scope,
    dueAt: at,
    lastAt: w.lastAt,
    why: `${last}, ${w.because}${moved}`.replace(/[.]?$/, '.').replace(/^./, (c) => c.toUpperCase()),
    moved: forward ? 'forward' : back ? 'back' : null,
    minutes: kind.minutes,
    people: kind.people,
    visitsUnit: kind.visitsUnit,
    locksOut: kind.locksOut,
    rest: kind.rest?.(f) ?? null,
    settle: kind.settle?.(f) ?? null,
  }
}

/**
 * What a machine wants done and when, soonest first; each with its reason.
 * @source policies for the intervals; what was read, planned and installed for what moves them
 */
export function dueTasks(f: DueFacts): DueTask[] {
  return taskKinds
    .filter((k) => k.for(f))
    .map((k) => dueOne(k, f))
    .sort((a, b) => a.dueAt - b.dueAt)
}
