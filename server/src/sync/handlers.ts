import type { BatchMutation, MutationKind, Person, SyncResult } from '@motor-round/contract'
import type { Tx } from '../db/client.ts'
import { keepClosing } from '../conditions/keep.ts'
import { keepFinding, keepFindingStep } from '../findings/keep.ts'
import { keepPicture } from '../pictures/keep.ts'
import { keepSpeedChange, keepSpeedChangeDone } from '../speed-changes/keep.ts'
import { keepRoofMap } from '../register/roof-map.ts'
import { keepMotor, keepPlate } from '../register/keep-motor.ts'
import { keepPart } from '../register/parts.ts'
import { keepVisitUnjudged, keepWork } from '../visits/keep.ts'
import { keepEvent } from './event.ts'
import { keepFound } from './found.ts'

type Applied = Pick<SyncResult, 'outcome' | 'judgement' | 'others'>
type Bodies = { [K in MutationKind]: Extract<BatchMutation, { kind: K }>['body'] }

const applied = (fresh: boolean): Applied => ({ outcome: fresh ? 'applied' : 'duplicate', judgement: null, others: [] })

/** How each kind of mutation is applied. A new kind is an entry here. */
const handlers: {
  readonly [K in MutationKind]: (tx: Tx, body: Bodies[K], person: Person, now: Date) => Promise<Applied>
} = {
  found: async (tx, body, person, now) => applied(await keepFound(tx, body, person.name, now)),
  // Its machine is judged once, when the batch is through.
  visit: async (tx, body, person, now) => applied(!(await keepVisitUnjudged(tx, body, person, now))),
  work: async (tx, body, person, now) => applied(!(await keepWork(tx, body, person, now)).already),
  picture: async (tx, body, person) => applied(await keepPicture(tx, body, person.name)),
  event: async (tx, body, person, now) => applied(await keepEvent(tx, body, person.name, now)),
  finding: async (tx, body, person) => applied(await keepFinding(tx, body, person.name)),
  'finding-step': async (tx, body, person) => applied(await keepFindingStep(tx, body, person.name)),
  closing: async (tx, body, person) => applied(await keepClosing(tx, body, person.name)),
  motor: async (tx, body, person, now) => applied((await keepMotor(tx, body, person.name, now)).fresh),
  plate: async (tx, { id: changeId, motorId, ...body }, person, now) =>
    applied((await keepPlate(tx, motorId, { ...body, changeId }, person.name, now)).fresh),
  part: async (tx, body, person, now) => applied((await keepPart(tx, body, person.name, now)).fresh),
  'speed-change': async (tx, body, person, now) => applied((await keepSpeedChange(tx, body, person.name, now)).fresh),
  'speed-change-done': async (tx, body, person, now) =>
    applied((await keepSpeedChangeDone(tx, body.speedChangeId, body, person.name, now)).fresh),
  'roof-map': async (tx, { id: changeId, areaId, ...body }, person, now) =>
    applied(await keepRoofMap(tx, areaId, { ...body, changeId }, person.name, now)),
}

/** Apply one mutation in the transaction given. @throws HttpProblem where it cannot be applied */
export const applyMutation = <K extends MutationKind>(
  tx: Tx,
  mutation: { readonly kind: K; readonly body: Bodies[K] },
  person: Person,
  now: Date,
): Promise<Applied> => handlers[mutation.kind](tx, mutation.body, person, now)
