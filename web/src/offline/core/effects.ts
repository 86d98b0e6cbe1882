import {
  findingBody,
  findingOf,
  findingStepBody,
  motorInstalled,
  partInstalled,
  plateCorrected,
  speedChangeBody,
  speedChangeDone,
  speedChangeDoneOffline,
  jobBody,
  jobStepBody,
  traceBody,
  traceStepBody,
  visit as visitSchema,
  type FindingRecord,
  type MachinePage,
  type MutationBodies,
  type MutationKind,
} from '@motor-round/contract'
import { byUrgency } from '@motor-round/core/finding'
import type { z } from 'zod'
import type { QueuedMutation } from './store.ts'

type Page = MachinePage
type Body<K extends MutationKind> = MutationBodies[K]
/** What one mutation changes on the page of its machine. @param author name of who entered it */
type Effect<K extends MutationKind> = (page: Page, body: Body<K>, author: string) => Page

export const motorsOf = (page: Page) => [...(page.motor ? [page.motor] : []), ...page.pastMotors]

/** A finding, added to those that are known. */
export function addFinding(known: readonly FindingRecord[], raw: Body<'finding'>, author: string): FindingRecord[] {
  const body = findingBody.safeParse(raw).data
  return body && !known.some((f) => f.id === body.id)
    ? byUrgency([...known, findingOf({ ...body, by: author }, [])])
    : [...known]
}

/** What became of a finding. */
export function stepFinding(
  known: readonly FindingRecord[],
  raw: Body<'finding-step'>,
  author: string,
): FindingRecord[] {
  const body = findingStepBody.safeParse(raw).data
  if (!body) return [...known]
  return byUrgency(
    known.map((f) =>
      f.id === body.findingId && !f.steps.some((s) => s.id === body.id)
        ? findingOf(f, [...f.steps, { ...body, by: author }])
        : f,
    ),
  )
}

/** A visit as the server will have it: newest first, what it supersedes struck out. */
const addVisit: Effect<'visit'> = (page, body, author) => {
  const parsed = visitSchema.safeParse({
    answers: {},
    passes: [],
    note: '',
    supersedes: null,
    reason: '',
    ...body,
    recordedAt: body.takenAt,
    by: author,
    supersededBy: null,
    source: 'walk',
  })
  if (!parsed.success || page.visits.some((v) => v.id === parsed.data.id)) return page
  const fresh = parsed.data
  return {
    ...page,
    visits: [fresh, ...page.visits]
      .map((v) => (v.id === fresh.supersedes ? { ...v, supersededBy: fresh.id } : v))
      .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt)),
  }
}

/** A motor that was installed here: the one before it moves to the past. */
const installMotor: Effect<'motor'> = (page, raw, author) => {
  const installed = motorInstalled.safeParse(raw).data
  if (!installed || motorsOf(page).some((m) => m.id === installed.id)) return page
  const { removedFor, removedWhy, replaces: _replaces, ...body } = installed
  const old = page.motor ? [{ ...page.motor, removedAt: installed.installedAt, removedFor, removedWhy }] : []
  return {
    ...page,
    motor: { ...body, version: 1, removedAt: null, removedFor: null, removedWhy: '', installedBy: author },
    pastMotors: [...old, ...page.pastMotors],
  }
}

/** A nameplate that was corrected here, on the version it was corrected on. */
const correctPlate: Effect<'plate'> = (page, raw) => {
  const corrected = plateCorrected.safeParse(raw).data
  const { motor } = page
  if (!corrected || motor?.id !== corrected.motorId || motor.version !== corrected.version) return page
  const { plate, connectionVolts, installedAt, why, substitute } = corrected
  return {
    ...page,
    motor: { ...motor, plate, connectionVolts, installedAt, why, substitute, version: motor.version + 1 },
  }
}

/** A part that was installed here: what was in its slot is out. */
const installPart = (page: Page, installed: z.output<typeof partInstalled>, author: string): Page => {
  if (page.parts.some((p) => p.id === installed.id)) return page
  const { removedFor, removedWhy, ...body } = installed
  const parts = page.parts.map((p) =>
    p.part.slot === installed.part.slot && p.removedAt === null
      ? { ...p, removedAt: installed.installedAt, removedFor, removedWhy }
      : p,
  )
  return {
    ...page,
    parts: [...parts, { ...body, version: 1, removedAt: null, removedFor: null, removedWhy: '', installedBy: author }],
  }
}

const addSpeedChange: Effect<'speed-change'> = (page, raw, author) => {
  const made = speedChangeBody.safeParse(raw).data
  return !made || page.speedChanges.some((p) => p.id === made.id)
    ? page
    : {
        ...page,
        speedChanges: [
          { ...made, by: author, doneAt: null, droppedAt: null, droppedWhy: '', measured: null },
          ...page.speedChanges,
        ],
      }
}

/** A planned speed change that was done here, with the work, the parts and the place of the motor it comes to. */
const finishSpeedChange: Effect<'speed-change-done'> = (page, raw, author) => {
  const how = speedChangeDoneOffline.safeParse(raw).data
  const speedChange = how && page.speedChanges.find((p) => p.id === how.speedChangeId && p.doneAt === null)
  if (!speedChange) return page
  const marked = {
    ...page,
    speedChanges: page.speedChanges.map((p) => (p === speedChange ? { ...p, doneAt: how.doneAt } : p)),
  }
  const machineId = page.machine.id
  try {
    const { work, fits, center } = speedChangeDone({ ...page, motors: motorsOf(page) }, speedChange, how)
    const installed = fits.reduce(
      (now, fit) => installPart(now, { ...fit, machineId, installedAt: how.doneAt, substitute: false }, author),
      marked,
    )
    return {
      ...installed,
      machine: center === null ? page.machine : { ...page.machine, layout: { ...page.machine.layout, center } },
      work: work ? [...page.work, { ...work, machineId, by: author }] : page.work,
    }
  } catch (e) {
    // The server says what is not there any more; until then it is shown as it was entered.
    if (e instanceof RangeError) return marked
    throw e
  }
}

/** A trace that was begun here. */
const beginTrace: Effect<'trace'> = (page, raw, author) => {
  const begun = traceBody.safeParse(raw).data
  return !begun || page.traces.some((t) => t.id === begun.id)
    ? page
    : { ...page, traces: [{ ...begun, by: author, steps: [] }, ...page.traces] }
}

/** What happened in a trace. */
const stepTrace: Effect<'trace-step'> = (page, raw, author) => {
  const step = traceStepBody.safeParse(raw).data
  if (!step) return page
  return {
    ...page,
    traces: page.traces.map((t) =>
      t.id === step.traceId && !t.steps.some((s) => s.id === step.id)
        ? { ...t, steps: [...t.steps, { ...step, by: author }] }
        : t,
    ),
  }
}

/** A job that was made here. */
const makeJob: Effect<'job'> = (page, raw, author) => {
  const made = jobBody.safeParse(raw).data
  return !made || page.jobs.some((j) => j.id === made.id)
    ? page
    : { ...page, jobs: [{ ...made, by: author, steps: [] }, ...page.jobs] }
}

/** What happened on a job. */
const stepJob: Effect<'job-step'> = (page, raw, author) => {
  const step = jobStepBody.safeParse(raw).data
  if (!step) return page
  return {
    ...page,
    jobs: page.jobs.map((j) =>
      j.id === step.jobId && !j.steps.some((s) => s.id === step.id)
        ? { ...j, steps: [...j.steps, { ...step, by: author }] }
        : j,
    ),
  }
}

/** What each kind of mutation changes on a machine's page, before the server has it. A new kind is an entry here. */
const effects: { readonly [K in MutationKind]: Effect<K> } = {
  found: (page) => page,
  event: (page) => page,
  picture: (page) => page,
  'roof-map': (page) => page,
  visit: addVisit,
  work: (page, body, author) =>
    page.work.some((w) => w.id === body.id)
      ? page
      : { ...page, work: [...page.work, { ...body, note: body.note ?? '', by: author }] },
  finding: (page, body, author) => ({ ...page, findings: addFinding(page.findings, body, author) }),
  'finding-step': (page, body, author) => ({ ...page, findings: stepFinding(page.findings, body, author) }),
  closing: (page, body, author) =>
    page.closings.some((c) => c.id === body.id)
      ? page
      : { ...page, closings: [...page.closings, { ...body, by: author }] },
  trace: beginTrace,
  'trace-step': stepTrace,
  'stock-move': (page) => page,
  job: makeJob,
  'job-step': stepJob,
  motor: installMotor,
  plate: correctPlate,
  part: (page, raw, author) => {
    const installed = partInstalled.safeParse(raw).data
    return installed ? installPart(page, installed, author) : page
  },
  'speed-change': addSpeedChange,
  'speed-change-done': finishSpeedChange,
}

const effectOf = <K extends MutationKind>(
  page: Page,
  mutation: { readonly kind: K; readonly body: Body<K> },
  author: string,
): Page => effects[mutation.kind](page, mutation.body, author)

/** A machine's page after a mutation of the outbox. */
export const applyEffect = (page: Page, mutation: QueuedMutation, author: string): Page =>
  effectOf(page, mutation, author)
