import { mapDrawn, motor as serverMotor, roofMap, type Mutation } from '@motor-round/contract'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { enqueue } from './outbox.ts'
import { store, type QueuedMutation } from './store.ts'

const serverMap = z.object({ map: roofMap, version: z.int() })
const isRejected = (w: QueuedMutation) => w.status !== 'pending'

type Of<K extends Mutation['kind']> = Extract<Mutation, { kind: K }>['body']

/** A change that somebody else was before with: what was typed here, and what is on record now. */
export type Conflict =
  | {
      readonly about: 'plate'
      readonly why: string
      readonly machineId: string
      readonly mine: Of<'plate'>
      readonly server: z.output<typeof serverMotor>
      /** The entries of the line it is about: all go when it is decided. */
      readonly entries: readonly number[]
    }
  | {
      readonly about: 'motor'
      readonly why: string
      readonly machineId: string
      readonly mine: Of<'motor'>
      readonly server: z.output<typeof serverMotor>
      readonly entries: readonly number[]
    }
  | {
      readonly about: 'roof-map'
      readonly why: string
      readonly areaId: string
      readonly mine: z.output<typeof mapDrawn>
      readonly server: z.output<typeof serverMap>
      readonly entries: readonly number[]
    }

/** What each refused entry is a change of: later ones of the same stand on the first. */
const subjectOf = (w: QueuedMutation): string | null =>
  w.kind === 'plate'
    ? w.body.motorId
    : w.kind === 'motor'
      ? `motor of ${w.body.machineId}`
      : w.kind === 'roof-map'
        ? w.body.areaId
        : null

/** What waits for a person to decide, oldest first: the last word typed here against what is on record. */
export function conflictsOf(outbox: readonly QueuedMutation[]): Conflict[] {
  const subjects = new Map<string, QueuedMutation[]>()
  for (const w of outbox.filter(isRejected)) {
    const subject = subjectOf(w)
    if (subject !== null) subjects.set(subject, [...(subjects.get(subject) ?? []), w])
  }
  return [...subjects.values()].flatMap((list): Conflict[] => {
    const told = list.find((w) => w.current !== undefined)
    const mine = list.at(-1)
    if (!told || !mine) return []
    const entries = list.map((w) => w.n)
    const why = told.why
    if (mine.kind === 'roof-map') {
      const server = serverMap.safeParse(told.current).data
      const own = mapDrawn.safeParse(mine.body).data
      return server && own ? [{ about: 'roof-map', why, areaId: own.areaId, mine: own, server, entries }] : []
    }
    const server = serverMotor.safeParse(told.current).data
    if (!server) return []
    if (mine.kind === 'plate')
      return [{ about: 'plate', why, machineId: mine.body.machineId, mine: mine.body, server, entries }]
    return mine.kind === 'motor'
      ? [{ about: 'motor', why, machineId: mine.body.machineId, mine: mine.body, server, entries }]
      : []
  })
}

/** Refused entries that no decision is about: they are only told, tried again or dropped. */
export function rejectedOnly(outbox: readonly QueuedMutation[]): QueuedMutation[] {
  const decided = new Set(conflictsOf(outbox).flatMap((c) => c.entries))
  return outbox.filter((w) => isRejected(w) && !decided.has(w.n))
}

/** What a decision writes instead, on top of what is on record now. */
function again(c: Conflict): Mutation {
  if (c.about === 'roof-map') return { kind: 'roof-map', body: { ...c.mine, id: uuid(), version: c.server.version } }
  if (c.about === 'plate') return { kind: 'plate', body: { ...c.mine, id: uuid(), version: c.server.version } }
  // Both saw the same motor put in: there is one, and its plate is what was read here.
  const { plate, connectionVolts, installedAt, why, substitute, machineId } = c.mine
  return {
    kind: 'plate',
    body: {
      id: uuid(),
      motorId: c.server.id,
      machineId,
      version: c.server.version,
      plate,
      connectionVolts,
      installedAt,
      why,
      substitute,
    },
  }
}

/** How a person decides: keep what was entered here, keep the server's; or, of motors, that this one came after it. */
export type Decision = 'mine' | 'theirs' | 'after it'

/** Carry a decision out: what was rejected leaves the outbox, and what is meant goes into it, both or neither. */
export async function decide(by: string, c: Conflict, decision: Decision): Promise<void> {
  await store.transaction('rw', store.outbox, store.cache, async () => {
    await store.outbox.bulkDelete([...c.entries])
    if (decision === 'mine') await enqueue(by, [again(c)])
    if (decision === 'after it' && c.about === 'motor')
      await enqueue(by, [{ kind: 'motor', body: { ...c.mine, id: uuid(), replaces: c.server.id } }])
  })
}

/** Let everything that was rejected try again, in its order: what stood in its way may be gone. */
export const retryRejected = (): Promise<number> =>
  store.outbox.filter(isRejected).modify((w) => {
    w.status = 'pending'
    w.why = ''
    delete w.current
  })
