import type { Level } from '../judge/index.ts'
import type { DueTask } from './due.ts'
import type { RouteProblem, RouteStep, Walker } from './route-problem.ts'
import { pausesOf, stepId } from './steps.ts'
import { travelMinutes, type TravelArea } from './travel.ts'

/** What putting a task in a round needs to know of it. `dueAt`: instant, ISO 8601. */
type PlannedTask = Pick<DueTask, 'minutes' | 'people' | 'visitsUnit' | 'locksOut' | 'rest' | 'settle'> & {
  readonly dueAt: string
}

interface Span {
  readonly from: number
  readonly to: number
}

/** A machine as a round goes to it, with what is to be done there. */
export interface PlannedVisit {
  readonly machineId: string
  readonly unitId: string
  readonly areaId: string
  /** When its unit may be stopped, how many people it takes, and whether its failure is felt within hours. */
  readonly care: { readonly windows: readonly Span[]; readonly people: 1 | 2; readonly critical: boolean }
  readonly tasks: readonly PlannedTask[]
  readonly minutes: number
  /** How it stood when the round was planned; null: not judged. */
  readonly levelBefore: Level | null
}

/** The frame of a round: its ISO day, who goes and when, the hours too hot for a roof, and when a storm comes. */
export interface RoundFrame {
  readonly day: string
  readonly people: readonly Walker[]
  readonly heat: Span | null
  readonly storm: number | null
}

/** Locking out and proving dead. @source common practice */
const lockMinutes = 6
/** Of a second task at the same machine not everything is done again: walking up, opening, closing. */
const shared = 3

/** Minutes of some tasks at one machine, as is usual. */
export const usualMinutes = (tasks: readonly PlannedTask[]): number =>
  Math.max(5, tasks.reduce((a, t) => a + t.minutes, 0) - shared * Math.max(0, tasks.length - 1))

const worth = { stop: 6, fix: 4, watch: 2, ok: 1 } as const
/** What an hour of the day costs before a machine is looked at, in minutes of walking: one that was stopped comes first. */
const pressing = { stop: 25, fix: 5, watch: 1, ok: 0 } as const

/** How much more a machine weighs whose failure is felt within hours. */
const critical = 1.5

/** What leaving a machine undone costs: more the worse it was judged, the longer it is overdue, and what hangs on it. */
function valueOf(s: Pick<PlannedVisit, 'levelBefore' | 'tasks' | 'care'>, day: string): number {
  const at = Date.parse(`${day}T23:59:59Z`)
  const late = Math.max(0, ...s.tasks.map((t) => (at - Date.parse(t.dueAt)) / 86_400_000))
  return (
    ((s.levelBefore === null ? 2 : worth[s.levelBefore]) + Math.min(4, late / 30)) * (s.care.critical ? critical : 1)
  )
}

/** Switching off, locking out and noting when. @source common practice */
const leaveMinutes = 2
/** Amps of all legs on a fan that runs. @source common practice */
const proofMinutes = 6
/** What a proof that is not read costs. The lock counts with its work: it is put in first, and goes where that goes. */
const small = { proof: 0.5, lock: 2 }

/** What the planner orders of one machine: its work, and what a pause before or after it makes of it. */
function stepsOf(s: PlannedVisit, place: number, outdoors: boolean, day: string): RouteStep[] {
  const { rest, settle } = pausesOf(s.tasks)
  const windows = s.tasks.some((t) => t.visitsUnit) ? s.care.windows : []
  // Locked out in one window it would stand still until the next: with several windows one stays beside it.
  const leaves = rest !== null && windows.length <= 1
  const lock = s.tasks.some((t) => t.locksOut) ? s.unitId : null
  const urgency = (s.levelBefore === null ? 0 : pressing[s.levelBefore]) * (s.care.critical ? critical : 1)
  const base = { place, people: 1 as const, windows, outdoors, lock: null, after: null, urgency }
  const work: RouteStep = {
    ...base,
    id: s.machineId,
    minutes: s.minutes + (rest !== null && !leaves ? rest.minutes : 0),
    people: s.care.people === 2 || s.tasks.some((t) => t.people === 2) ? 2 : 1,
    lock: leaves ? null : lock,
    after: leaves ? { step: stepId(s.machineId, 'lock'), wait: rest.minutes } : null,
    value: valueOf(s, day),
  }
  return [
    ...(leaves
      ? [
          {
            ...base,
            id: stepId(s.machineId, 'lock'),
            minutes: leaveMinutes,
            lock,
            value: small.lock,
            serves: s.machineId,
          },
        ]
      : []),
    work,
    ...(settle === null
      ? []
      : [
          {
            ...base,
            id: stepId(s.machineId, 'proof'),
            minutes: proofMinutes,
            windows: [],
            after: { step: s.machineId, wait: settle.minutes },
            value: small.proof,
            urgency: 0,
          },
        ]),
  ]
}

/** A round as the planner takes it. */
export function problemOf(
  round: RoundFrame,
  visits: readonly PlannedVisit[],
  areas: readonly (TravelArea & { readonly kind: 'roof' | 'room' })[],
): RouteProblem {
  const outdoors = new Map(areas.map((a) => [a.id, a.kind === 'roof']))
  return {
    steps: visits.flatMap((s, i) => stepsOf(s, i + 1, outdoors.get(s.areaId) ?? true, round.day)),
    walkers: round.people.map(({ id, from, to }) => ({ id, from, to })),
    travel: travelMinutes(
      areas,
      visits.map((s) => ({ area: s.areaId, unit: s.unitId })),
    ),
    lockMinutes,
    heat: round.heat,
    storm: round.storm,
  }
}
