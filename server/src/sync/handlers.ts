import type { BatchMutation, MutationKind, Person, SyncResult } from '@motor-round/contract'
import type { Tx } from '../db/client.ts'
import { authorOf, type Done } from '../machine/command.ts'
import { keepClosing } from '../conditions/keep.ts'
import { keepFinding, keepFindingStep } from '../findings/keep.ts'
import { keepPicture } from '../pictures/keep.ts'
import { keepSpeedChange, keepSpeedChangeDone } from '../speed-changes/keep.ts'
import { keepRoofMap } from '../register/roof-map.ts'
import { keepMotor, keepPlate } from '../register/keep-motor.ts'
import { keepPart } from '../register/parts.ts'
import { keepVisitUnjudged, keepWork } from '../visits/keep.ts'
import { keepJob, keepJobStep } from '../jobs/keep.ts'
import { keepStockMove } from '../stock/keep.ts'
import { keepTrace, keepTraceStep } from '../traces/keep.ts'
import { refuseFuture } from '../http/in-time.ts'
import { keepEvent } from './event.ts'
import { keepFound } from './found.ts'

type Applied = Pick<SyncResult, 'outcome' | 'judged' | 'others'>
type Bodies = { [K in MutationKind]: Extract<BatchMutation, { kind: K }>['body'] }

const applied = (fresh: boolean): Applied => ({ outcome: fresh ? 'applied' : 'duplicate', judged: null, others: [] })
/** What a command of the machine module did. */
const commanded = async (done: Promise<Done<unknown>>): Promise<Applied> => applied((await done).fresh)

/** How each kind of mutation is applied. A new kind is an entry here. */
const handlers: {
  readonly [K in MutationKind]: (tx: Tx, body: Bodies[K], person: Person, now: Date) => Promise<Applied>
} = {
  found: (tx, body, person, now) => commanded(keepFound(tx, body, authorOf(person, now))),
  // Its machine is judged once, when the batch is through.
  visit: async (tx, body, person, now) => applied(await keepVisitUnjudged(tx, body, person, now)),
  work: (tx, body, person, now) => commanded(keepWork(tx, body, authorOf(person, now))),
  picture: async (tx, body, person) => applied(await keepPicture(tx, body, person.name)),
  event: async (tx, body, person, now) => applied(await keepEvent(tx, body, person.name, now)),
  finding: (tx, body, person, now) => commanded(keepFinding(tx, body, authorOf(person, now))),
  'finding-step': (tx, body, person, now) => commanded(keepFindingStep(tx, body, authorOf(person, now))),
  closing: (tx, body, person, now) => commanded(keepClosing(tx, body, authorOf(person, now))),
  trace: (tx, body, person, now) => commanded(keepTrace(tx, body, authorOf(person, now))),
  'trace-step': (tx, body, person, now) => commanded(keepTraceStep(tx, body, authorOf(person, now))),
  job: (tx, body, person, now) => commanded(keepJob(tx, body, authorOf(person, now))),
  'job-step': (tx, body, person, now) => commanded(keepJobStep(tx, body, authorOf(person, now))),
  'stock-move': (tx, body, person, now) => commanded(keepStockMove(tx, body, authorOf(person, now))),
  motor: (tx, body, person, now) => commanded(keepMotor(tx, body, authorOf(person, now))),
  plate: (tx, { id: changeId, motorId, ...body }, person, now) =>
    commanded(keepPlate(tx, motorId, { ...body, changeId }, authorOf(person, now))),
  part: (tx, body, person, now) => commanded(keepPart(tx, body, authorOf(person, now))),
  'speed-change': (tx, body, person, now) => commanded(keepSpeedChange(tx, body, authorOf(person, now))),
  'speed-change-done': (tx, body, person, now) =>
    commanded(keepSpeedChangeDone(tx, body.speedChangeId, body, authorOf(person, now))),
  'roof-map': async (tx, { id: changeId, areaId, ...body }, person, now) =>
    applied(await keepRoofMap(tx, areaId, { ...body, changeId }, authorOf(person, now))),
}

/** Apply one mutation in the transaction given. @throws HttpProblem where it cannot be applied */
export const applyMutation = <K extends MutationKind>(
  tx: Tx,
  mutation: { readonly kind: K; readonly body: Bodies[K] },
  person: Person,
  now: Date,
): Promise<Applied> => {
  const { body } = mutation
  // Everything that a device sends has happened, of whatever kind it is.
  if ('at' in body) refuseFuture('at', body.at, now)
  if ('takenAt' in body) refuseFuture('takenAt', body.takenAt, now)
  return handlers[mutation.kind](tx, body, person, now)
}
