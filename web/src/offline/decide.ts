import { roofMap, motor as serverMotor, mapDrawn } from '@motor-round/contract'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { keepHere } from './line.ts'
import { store, type Fact, type Waiting } from './store.ts'

const serverMap = z.object({ map: roofMap, version: z.int() })
const isRefused = (w: Waiting) => w.refused !== null

type Of<K extends Fact['kind']> = Extract<Fact, { kind: K }>['body']

/** A change that somebody else was before with: what was typed here, and what is in the book now. */
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
const subjectOf = (w: Waiting): string | null =>
  w.kind === 'plate'
    ? w.body.motorId
    : w.kind === 'motor'
      ? `motor of ${w.body.machineId}`
      : w.kind === 'roof-map'
        ? w.body.areaId
        : null

/** What waits for a person to decide, oldest first: the last word typed here against what is in the book. */
export function conflictsOf(line: readonly Waiting[]): Conflict[] {
  const subjects = new Map<string, Waiting[]>()
  for (const w of line.filter(isRefused)) {
    const subject = subjectOf(w)
    if (subject !== null) subjects.set(subject, [...(subjects.get(subject) ?? []), w])
  }
  return [...subjects.values()].flatMap((list): Conflict[] => {
    const told = list.find((w) => w.current !== undefined)
    const mine = list.at(-1)
    if (!told || !mine) return []
    const entries = list.map((w) => w.n)
    const why = told.refused ?? ''
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
export function refusedOnly(line: readonly Waiting[]): Waiting[] {
  const decided = new Set(conflictsOf(line).flatMap((c) => c.entries))
  return line.filter((w) => isRefused(w) && !decided.has(w.n))
}

/** What a decision writes instead, on top of what is in the book now. */
function again(c: Conflict): Fact {
  if (c.about === 'roof-map') return { kind: 'roof-map', body: { ...c.mine, id: uuid(), version: c.server.version } }
  if (c.about === 'plate') return { kind: 'plate', body: { ...c.mine, id: uuid(), version: c.server.version } }
  // Both saw the same motor put in: there is one, and its plate is what was read here.
  const { plate, connectionVolts, fittedAt, why, standIn, machineId } = c.mine
  return {
    kind: 'plate',
    body: {
      id: uuid(),
      motorId: c.server.id,
      machineId,
      version: c.server.version,
      plate,
      connectionVolts,
      fittedAt,
      why,
      standIn,
    },
  }
}

/** How a person decides: what was typed here over the book's, or the book's; or, of motors, that this one came after it. */
export type Decision = 'mine' | 'book' | 'after it'

/** Carry a decision out: what was refused goes out of the line, and what is meant goes into it, both or neither. */
export async function decide(by: string, c: Conflict, decision: Decision): Promise<void> {
  await store.transaction('rw', store.line, store.kept, async () => {
    await store.line.bulkDelete([...c.entries])
    if (decision === 'mine') await keepHere(by, [again(c)])
    if (decision === 'after it' && c.about === 'motor')
      await keepHere(by, [{ kind: 'motor', body: { ...c.mine, id: uuid(), replaces: c.server.id } }])
  })
}

/** Let everything that was refused try again, in its order: what stood in its way may be gone. */
export const tryRefusedAgain = (): Promise<number> =>
  store.line.filter(isRefused).modify((w) => {
    w.refused = null
    delete w.current
  })
