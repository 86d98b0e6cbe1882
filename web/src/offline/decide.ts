import { areaPlan, motor as bookMotor, planDrawn } from '@motor-round/contract'
import { v7 as uuid } from 'uuid'
import { z } from 'zod'
import { keepHere } from './line.ts'
import { store, type Fact, type Waiting } from './store.ts'

const bookPlan = z.object({ plan: areaPlan, version: z.int() })
const isRefused = (w: Waiting) => w.refused !== null

type Of<K extends Fact['kind']> = Extract<Fact, { kind: K }>['body']

/** A change that somebody else was before with: what was typed here, and what is in the book now. */
export type Conflict =
  | {
      readonly about: 'plate'
      readonly why: string
      readonly machineId: string
      readonly mine: Of<'plate'>
      readonly book: z.output<typeof bookMotor>
      /** The entries of the line it is about: all go when it is decided. */
      readonly entries: readonly number[]
    }
  | {
      readonly about: 'motor'
      readonly why: string
      readonly machineId: string
      readonly mine: Of<'motor'>
      readonly book: z.output<typeof bookMotor>
      readonly entries: readonly number[]
    }
  | {
      readonly about: 'plan'
      readonly why: string
      readonly areaId: string
      readonly mine: z.output<typeof planDrawn>
      readonly book: z.output<typeof bookPlan>
      readonly entries: readonly number[]
    }

/** What each refused entry is a change of: later ones of the same stand on the first. */
const subjectOf = (w: Waiting): string | null =>
  w.kind === 'plate'
    ? w.body.motorId
    : w.kind === 'motor'
      ? `motor of ${w.body.machineId}`
      : w.kind === 'area-plan'
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
    if (mine.kind === 'area-plan') {
      const book = bookPlan.safeParse(told.current).data
      const own = planDrawn.safeParse(mine.body).data
      return book && own ? [{ about: 'plan', why, areaId: own.areaId, mine: own, book, entries }] : []
    }
    const book = bookMotor.safeParse(told.current).data
    if (!book) return []
    if (mine.kind === 'plate')
      return [{ about: 'plate', why, machineId: mine.body.machineId, mine: mine.body, book, entries }]
    return mine.kind === 'motor'
      ? [{ about: 'motor', why, machineId: mine.body.machineId, mine: mine.body, book, entries }]
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
  if (c.about === 'plan') return { kind: 'area-plan', body: { ...c.mine, id: uuid(), version: c.book.version } }
  if (c.about === 'plate') return { kind: 'plate', body: { ...c.mine, id: uuid(), version: c.book.version } }
  // Both saw the same motor put in: there is one, and its plate is what was read here.
  const { plate, connectionVolts, fittedAt, why, standIn, machineId } = c.mine
  return {
    kind: 'plate',
    body: {
      id: uuid(),
      motorId: c.book.id,
      machineId,
      version: c.book.version,
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
      await keepHere(by, [{ kind: 'motor', body: { ...c.mine, id: uuid(), replaces: c.book.id } }])
  })
}

/** Let everything that was refused try again, in its order: what stood in its way may be gone. */
export const tryRefusedAgain = (): Promise<number> =>
  store.line.filter(isRefused).modify((w) => {
    w.refused = null
    delete w.current
  })
