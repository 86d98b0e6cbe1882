import type { BatchMutation, BatchMutationInput } from './sync.ts'

export type MutationKind = BatchMutation['kind']
/** The body of each kind as it is sent. */
export type MutationBodies = { [K in MutationKind]: Extract<BatchMutationInput, { kind: K }>['body'] }
type Union<K extends MutationKind = MutationKind> = { [P in K]: { kind: P; body: MutationBodies[P] } }[K]
/** A change made on a device, before it has its place in the outbox. */
export type Mutation = Union

interface Links<B> {
  /** Ids it depends on: where one of them was rejected, or is not on the server yet, it waits. */
  readonly dependsOn: (body: B) => readonly (string | null | undefined)[]
  /** Ids that nothing later can depend on while it is not on the server: what it makes, or whose version it changes. */
  readonly provides: (body: B) => readonly string[]
}

const own = (body: { readonly id: string }): readonly string[] => [body.id]
const onMachine = { dependsOn: (b: { readonly machineId: string }) => [b.machineId], provides: own }

/** What each kind of mutation depends on and provides. A new kind is an entry here, one in `sync.ts`, and a handler at both ends. */
const links: { readonly [K in MutationKind]: Links<MutationBodies[K]> } = {
  found: { dependsOn: () => [], provides: (b) => [b.machine.id] },
  visit: { dependsOn: (b) => [b.machineId, b.supersedes], provides: own },
  work: onMachine,
  picture: onMachine,
  finding: onMachine,
  closing: onMachine,
  trace: { dependsOn: (b) => [b.machineId, b.visitId], provides: own },
  'trace-step': { dependsOn: (b) => [b.machineId, b.traceId], provides: own },
  job: { dependsOn: (b) => [b.machineId, b.findingId], provides: own },
  'job-step': { dependsOn: (b) => [b.machineId, b.jobId], provides: own },
  'stock-move': { dependsOn: (b) => [b.itemId, b.placeId, b.jobId], provides: own },
  part: onMachine,
  'speed-change': onMachine,
  'speed-change-done': { dependsOn: (b) => [b.machineId, b.speedChangeId], provides: own },
  motor: { dependsOn: (b) => [b.machineId, b.replaces], provides: own },
  plate: { dependsOn: (b) => [b.machineId, b.motorId], provides: (b) => [b.motorId] },
  'roof-map': { dependsOn: (b) => [b.areaId], provides: (b) => [b.areaId] },
  'finding-step': { dependsOn: (b) => [b.machineId, b.findingId], provides: own },
  event: { dependsOn: (b) => [b.machineId, b.visitId], provides: own },
}

export const dependsOn = <K extends MutationKind>(m: {
  readonly kind: K
  readonly body: MutationBodies[K]
}): string[] => links[m.kind].dependsOn(m.body).filter((id) => id != null)
export const provides = <K extends MutationKind>(m: {
  readonly kind: K
  readonly body: MutationBodies[K]
}): readonly string[] => links[m.kind].provides(m.body)
