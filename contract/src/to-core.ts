import { reviewAt } from '@motor-round/core/finding'
import { unknownLayout, workOfInstalling, type InstalledPart } from '@motor-round/core/installed'
import {
  judgeMachine,
  motorAt,
  scaleOf,
  speakingVisit,
  trippedAgain,
  withPeers,
  type BurnTested,
  type Closing,
  type InstalledMotor,
  type JudgeInput,
  type Judgement,
  type MachineFacts,
  type MachineSnapshot,
  type Reported,
  type RunPermit,
  type Traced,
  type Twin,
  type UnderWay,
} from '@motor-round/core/judge'
import { asLeft, burnLevel, gradeBurn, notBack, stays, type JobFact, type ReadAt } from '@motor-round/core/job'
import { dayEnds } from '@motor-round/core/quantity'
import type { Policies } from '@motor-round/core/limits'
import type { LiveEvidence } from '@motor-round/core/live'
import type { Visit, WorkDone } from '@motor-round/core/trend'
import type { ClosingRecord } from './condition.ts'
import type { FindingRecord } from './finding.ts'
import type { PartRecord } from './installed.ts'
import type { TwinLoad } from './machine-page.ts'
import type { Machine, Motor, SiteUnits } from './register.ts'
import type { JobRecord } from './job.ts'
import type { TraceRecord } from './trace.ts'
import type { VisitRecord, WorkRecord } from './visit.ts'

/** Records of the wire as core judges them; instants become milliseconds. */
export function coreVisit(
  s: Pick<VisitRecord, 'id' | 'takenAt' | 'state' | 'readings' | 'answers' | 'passes'> & { readonly by?: string },
): Visit {
  // Records never change, and at every key of a visit the whole past is judged with it: each is turned once.
  const known = turned.get(s)
  if (known) return known
  const visit: Visit = {
    id: s.id,
    at: Date.parse(s.takenAt),
    state: s.state,
    readings: s.readings,
    answers: s.answers,
    passes: s.passes,
    ...(s.by === undefined ? {} : { by: s.by }),
  }
  turned.set(s, visit)
  return visit
}
const turned = new WeakMap<object, Visit>()

export const coreWork = (w: Pick<WorkRecord, 'doneAt' | 'kind' | 'note' | 'turns'>): WorkDone => ({
  at: Date.parse(w.doneAt),
  kind: w.kind,
  note: w.note,
  ...(w.turns ? { turns: w.turns } : {}),
})

export const corePart = (p: Pick<PartRecord, 'part' | 'installedAt' | 'removedAt'>): InstalledPart => ({
  ...p.part,
  installedAt: Date.parse(p.installedAt),
  removedAt: p.removedAt === null ? null : Date.parse(p.removedAt),
})

const asTwin = (s: TwinLoad): Twin => ({
  tag: s.tag,
  load: s.load,
  at: Date.parse(s.at),
  hz: s.hz,
  state: s.state,
})

const asClosing = (c: ClosingRecord): Closing => ({ ...c, at: Date.parse(c.at) })

/** Findings that nobody closed stand at their machine with the level they were given. */
const asReported = (f: FindingRecord): Reported => ({
  id: f.id,
  at: Date.parse(f.at),
  by: f.by,
  level: f.level,
  text: f.text,
  until: reviewAt(f),
  putOff: f.state === 'postponed',
})

type TraceSteps = Pick<TraceRecord, 'id' | 'at' | 'by' | 'complaint' | 'words' | 'steps'>

/** What it ended with, a finding of the same moment, was closed with what was done: what it found is answered. */
function isSettled({ steps }: TraceSteps, findings: readonly FindingRecord[]): boolean {
  const ended = steps.findLast((s) => s.kind === 'closed')
  return ended !== undefined && findings.some((f) => f.state === 'closed' && Date.parse(f.at) === Date.parse(ended.at))
}

function resultsOfTrace(t: TraceSteps, settled: boolean): Traced['results'] {
  const struck = new Set<string>()
  for (const s of [...t.steps].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)))
    if (s.kind === 'struck') struck.add(s.evidence)
    else if (s.kind === 'restored') struck.delete(s.evidence)
  return t.steps.flatMap((s) => {
    const own = { id: s.id, at: Date.parse(s.at), by: s.by, settled }
    if (s.kind === 'tripped again') {
      const [test = '', outcome = ''] = trippedAgain.split(' ')
      return [{ ...own, test, outcome }]
    }
    return s.kind === 'result' && !struck.has(s.id) ? [{ ...own, test: s.test, outcome: s.outcome }] : []
  })
}

/** Begun by mistake, with nothing reported and nothing found, it says nothing of its machine. */
const saysSomething = (t: TraceSteps): boolean =>
  t.complaint !== null || t.words.trim() !== '' || t.steps.some((s) => s.kind === 'result')

interface TracedOf {
  readonly findings: readonly FindingRecord[]
  readonly traced: Traced
}
const tracedOnce = new WeakMap<readonly TraceSteps[], TracedOf>()
const nothingTraced: Traced = { results: [], open: [] }

/** What traces of a machine found, turned once while they are the same. */
function tracedOf(traces: readonly TraceSteps[], findings: readonly FindingRecord[]): Traced {
  if (traces.length === 0) return nothingTraced
  const known = tracedOnce.get(traces)
  if (known?.findings === findings) return known.traced
  const traced: Traced = {
    results: traces.flatMap((t) => resultsOfTrace(t, isSettled(t, findings))),
    open: traces
      .filter((t) => !t.steps.some((s) => s.kind === 'closed') && saysSomething(t))
      .map((t) => ({ id: t.id, at: Date.parse(t.at), by: t.by, complaint: t.complaint, words: t.words })),
  }
  tracedOnce.set(traces, { findings, traced })
  return traced
}

/** Visits as a job reads them: one that was corrected is told by its correction. */
export const readsOf = (
  visits: readonly Pick<VisitRecord, 'id' | 'takenAt' | 'readings' | 'state' | 'supersededBy'>[],
): ReadAt[] =>
  visits
    .filter((v) => v.supersededBy === null)
    .map((v) => ({ id: v.id, at: Date.parse(v.takenAt), readings: v.readings, state: v.state }))

/** A step of a job as core takes it. */
export const asJobFact = ({ jobId: _job, machineId: _machine, ...fact }: JobRecord['steps'][number]): JobFact => ({
  ...fact,
  at: Date.parse(fact.at),
})

type JobSteps = Pick<JobRecord, 'id' | 'title' | 'steps'>

const closingOf = (steps: JobSteps['steps']) => steps.find((s) => s.kind === 'closed')

/** Looking at a job and deciding about it changes nothing at the machine; the first step that is done does, until it is undone. */
function begun(steps: JobSteps['steps']): { readonly at: number; readonly by: string } | undefined {
  const done = new Map<string, { readonly at: number; readonly by: string }>()
  for (const s of [...steps].sort((x, y) => Date.parse(x.at) - Date.parse(y.at)))
    if (s.kind === 'done' || s.kind === 'check' || s.kind === 'burn')
      // A test that was made is not unmade by taking its step back.
      done.set(s.kind === 'burn' ? s.id : s.step, { at: Date.parse(s.at), by: s.by })
    else if (s.kind === 'undone') done.delete(s.step)
  return [...done.values()].sort((x, y) => x.at - y.at)[0]
}

/** How it was left by whoever interrupted it last; null where it went on since. */
function leftAs(steps: JobSteps['steps']): string | null {
  const [last] = steps
    .filter((s) => s.kind === 'paused' || s.kind === 'resumed')
    .sort((x, y) => Date.parse(y.at) - Date.parse(x.at) || (x.id < y.id ? 1 : -1))
  return last?.kind === 'paused' ? last.safe : null
}

/** Jobs at work, and those that were closed with something temporary in place while no job that was closed later put it back. */
export const underWayOf = (jobs: readonly JobSteps[]): UnderWay[] =>
  jobs.flatMap(({ id, title, steps }): readonly UnderWay[] => {
    const closing = closingOf(steps)
    const since = closing ? { at: Date.parse(closing.at), by: closing.by } : begun(steps)
    if (!since) return []
    if (closing && jobs.some((j) => Date.parse(closingOf(j.steps)?.at ?? closing.at) > since.at)) return []
    const open = notBack(steps.map(asJobFact))
    const off = open.map((r) => asLeft[r])
    if (closing) return off.length === 0 ? [] : [{ id, title, ...since, closed: true, off, opened: false, left: null }]
    const opened = open.some((r) => r !== 'lock' && !stays(r))
    return [{ id, title, ...since, closed: false, off, opened, left: leftAs(steps) }]
  })

/** Combustion tests of its jobs, those of closed ones too: what burns badly does so whatever becomes of the job. */
export const burnsOf = (jobs: readonly Pick<JobRecord, 'steps'>[], scale: 'F' | 'C' = 'F'): BurnTested[] =>
  jobs.flatMap(({ steps }) =>
    steps.flatMap((s) =>
      s.kind === 'burn'
        ? [
            {
              id: s.id,
              at: Date.parse(s.at),
              by: s.by,
              parts: gradeBurn(s.test, scale).parts.map(({ about, grade, words }) => ({
                about,
                level: burnLevel[grade],
                words,
              })),
            },
          ]
        : [],
    ),
  )

/** Permits of jobs that nobody has closed, each as it was given last: to the end of a day at the site. */
export const permitsOf = (jobs: readonly JobSteps[], zone: string): RunPermit[] =>
  jobs.flatMap(({ id, steps }): readonly RunPermit[] => {
    if (closingOf(steps)) return []
    const [last] = steps
      .flatMap((s) => (s.kind === 'permit' ? [s] : []))
      .sort((x, y) => Date.parse(y.at) - Date.parse(x.at) || (x.id < y.id ? 1 : -1))
    if (!last) return []
    const { until, readOn, by, wrong } = last
    return [{ id, at: Date.parse(last.at), endsAt: dayEnds(until, zone), readBy: dayEnds(readOn, zone), by, wrong }]
  })

/** What judging needs of a site. */
interface SiteFacts {
  readonly hertz: 50 | 60 | null
  readonly zone: string
  readonly units?: SiteUnits | undefined
}

interface Known {
  readonly machine: Pick<
    Machine,
    'phases' | 'serviceVolts' | 'hasVfd' | 'hasTwin' | 'drive' | 'controls' | 'unitPlate'
  > & { readonly layout?: Machine['layout'] | undefined }
  readonly motors: readonly Pick<Motor, 'plate' | 'connectionVolts' | 'installedAt' | 'removedAt'>[]
  readonly work: readonly WorkRecord[]
  readonly visits: readonly VisitRecord[]
  readonly parts?: readonly PartRecord[] | undefined
  readonly policies: Policies
  readonly twins: readonly TwinLoad[]
  readonly peers?: readonly TwinLoad[] | undefined
  readonly closings?: readonly ClosingRecord[] | undefined
  readonly findings?: readonly FindingRecord[] | undefined
  readonly traces?: readonly TraceSteps[] | undefined
  readonly jobs?: readonly JobSteps[] | undefined
  readonly live?: LiveEvidence | null | undefined
  /** The last instant at which a day that something was put off or allowed to had come; null or left out: none had. */
  readonly turnedAt?: string | null | undefined
  /** What its site is set to. */
  readonly site?: SiteFacts | undefined
}

/** All work, and each installing of a motor or a part but the first in its slot. */
export const workOf = (known: Pick<Known, 'work' | 'motors' | 'parts'>): WorkDone[] => [
  ...known.work.map(coreWork),
  ...workOfInstalling(
    known.motors.map((m) => ({ installedAt: Date.parse(m.installedAt) })),
    (known.parts ?? []).map((p) => ({ slot: p.part.slot, installedAt: Date.parse(p.installedAt), why: p.why })),
  ),
]

/** A machine on its site, as core knows it. */
export const machineFacts = ({ machine, site }: Pick<Known, 'machine' | 'site'>): MachineFacts => ({
  ...machine,
  serviceHz: site?.hertz ?? null,
  zone: site?.zone,
  units: site?.units,
})

/** What visits are judged by besides one another. */
interface Ground {
  readonly machine: MachineFacts
  readonly motors: readonly InstalledMotor[]
  readonly work: WorkDone[]
  readonly parts: InstalledPart[]
  readonly layout: NonNullable<MachineSnapshot['layout']>
}
interface Grounded {
  readonly of: readonly unknown[]
  readonly ground: Ground
}
const grounds = new WeakMap<object, Grounded>()

/** The ground of a machine, turned once while its records are the same: judging keeps by it what it worked out. */
function groundOf(known: Known): Ground {
  const { hertz, zone, units } = known.site ?? {}
  const of = [known.motors, known.parts, known.work, hertz, zone, units]
  const made = grounds.get(known.machine)
  if (made && of.every((v, i) => v === made.of[i])) return made.ground
  const ground: Ground = {
    machine: machineFacts(known),
    motors: known.motors.map((m) => ({
      plate: m.plate,
      connectionVolts: m.connectionVolts,
      installedAt: Date.parse(m.installedAt),
      removedAt: m.removedAt === null ? null : Date.parse(m.removedAt),
    })),
    work: workOf(known),
    parts: (known.parts ?? []).map(corePart),
    layout: known.machine.layout ?? unknownLayout,
  }
  grounds.set(known.machine, { of, ground })
  return ground
}

const noTraces: readonly never[] = []
const noJobs: readonly never[] = []
const noFindings: readonly never[] = []

/** A machine with all that judging it needs: its visits that hold, and what is known of it. */
export function snapshotOf(known: Known): MachineSnapshot {
  const ground = groundOf(known)
  const { motors } = ground
  return {
    ...ground,
    motor: motors.find((m) => m.removedAt === null) ?? motorAt(motors, Infinity),
    visits: known.visits.filter((s) => s.supersededBy === null).map(coreVisit),
    policies: known.policies,
    twins: known.twins.map(asTwin),
    peers: known.peers?.map((p) => p.load),
    closings: (known.closings ?? []).map(asClosing),
    live: known.live,
    underWay: underWayOf(known.jobs ?? noJobs),
    burns: burnsOf(known.jobs ?? noJobs, scaleOf({ machine: ground.machine, policies: known.policies })),
    permits: permitsOf(known.jobs ?? noJobs, known.site?.zone ?? 'UTC'),
    turnedAt: known.turnedAt == null ? null : Date.parse(known.turnedAt),
    traced: tracedOf(known.traces ?? noTraces, known.findings ?? noFindings),
    reported: (known.findings ?? []).filter((f) => f.state !== 'closed').map(asReported),
  }
}

/** The input for judging a visit of a machine: the motor that was in place then, and the other visits that hold. */
export function inputOf(snapshot: MachineSnapshot, visit: Visit): JudgeInput {
  const { visits, ...known } = snapshot
  return {
    ...known,
    visit,
    // A motor entered after readings were taken still is the best known nameplate for them.
    motor: motorAt(snapshot.motors ?? [], visit.at),
    history: visits.some((s) => s.id === visit.id) ? visits.filter((s) => s.id !== visit.id) : visits,
  }
}

export const judgeInput = (known: Known, visit: Visit): JudgeInput => inputOf(snapshotOf(known), visit)

/** A machine as it stands: everything that is open, whichever visit found it; null while nobody visited it. */
export const judgeNow = (known: Known): Judgement | null => judgeMachine(snapshotOf(known))

/** How a machine stands, told without its peers, with what they carry. */
export const amongPeers = (standing: Judgement, known: Known): Judgement => withPeers(standing, snapshotOf(known))

/** The visit whose figures stand for a machine: the newest that holds and found it running, else the newest that holds. */
export const speaking = (known: Pick<Known, 'visits'>): Visit | null =>
  speakingVisit(known.visits.filter((s) => s.supersededBy === null).map(coreVisit))
