export const moveKinds = ['received', 'taken', 'returned', 'counted', 'moved', 'bad', 'reserved', 'released'] as const
export type MoveKind = (typeof moveKinds)[number]

/** What happened to pieces of an item at a place. A fact: kept once, never changed. */
export interface StockMove {
  readonly id: string
  readonly itemId: string
  readonly placeId: string
  /** ms since 1970. */
  readonly at: number
  readonly by: string
  readonly kind: MoveKind
  /** Pieces; of a count, how many are there. */
  readonly count: number
  /** Of what is moved: where to. */
  readonly toPlaceId: string | null
  /** For which job it is reserved, released or taken. */
  readonly jobId: string | null
}

/** Pieces of an item at a place. */
export interface StockLevel {
  readonly onHand: number
  /** Held for jobs, of those on hand. */
  readonly reserved: number
  /** Marked bad: there, but not for use. */
  readonly bad: number
  /** On hand and held by nobody. */
  readonly free: number
  /** What each job holds here. */
  readonly held: ReadonlyMap<string, number>
  /** More was taken than was there by the record: it has to be counted. */
  readonly doubt: boolean
}

interface Running {
  onHand: number
  bad: number
  held: Map<string, number>
  doubt: boolean
}

const nothing = (): Running => ({ onHand: 0, bad: 0, held: new Map(), doubt: false })

function take(level: Running, count: number): void {
  if (count > level.onHand) level.doubt = true
  level.onHand = Math.max(0, level.onHand - count)
}
function hold(level: Running, jobId: string | null, more: number): void {
  if (jobId === null) return
  const now = Math.max(0, (level.held.get(jobId) ?? 0) + more)
  if (now === 0) level.held.delete(jobId)
  else level.held.set(jobId, now)
}

/** Of the same instant what came is there before anything goes. */
const comes: readonly MoveKind[] = ['received', 'returned']
const rank = (m: StockMove) => (comes.includes(m.kind) ? 0 : m.kind === 'counted' ? 1 : 2)

/** In the order in which it happened. */
const inOrder = (moves: readonly StockMove[]) =>
  [...moves].sort((a, b) => a.at - b.at || rank(a) - rank(b) || (a.id < b.id ? -1 : 1))

function apply(level: (placeId: string) => Running, m: StockMove): void {
  const here = level(m.placeId)
  switch (m.kind) {
    case 'received':
    case 'returned':
      here.onHand += m.count
      return
    case 'taken':
      take(here, m.count)
      hold(here, m.jobId, -m.count)
      return
    case 'moved':
      take(here, m.count)
      if (m.toPlaceId !== null) level(m.toPlaceId).onHand += m.count
      return
    case 'bad':
      take(here, m.count)
      here.bad += m.count
      return
    case 'counted':
      here.onHand = m.count
      here.doubt = false
      return
    case 'reserved':
      hold(here, m.jobId, m.count)
      return
    case 'released':
      hold(here, m.jobId, -m.count)
  }
}

/**
 * What is where of one item, by place. Nothing is ever less than none: where more was taken than was there, the place is in
 * doubt until it is counted.
 * @param moves of one item, in any order @param start what was where before them
 */
export function stockLevels(
  moves: readonly StockMove[],
  start: ReadonlyMap<string, StockLevel> = new Map(),
): ReadonlyMap<string, StockLevel> {
  const places = new Map<string, Running>()
  for (const [placeId, { onHand, bad, held, doubt }] of start)
    places.set(placeId, { onHand, bad, held: new Map(held), doubt })
  const level = (placeId: string) => {
    const known = places.get(placeId)
    if (known) return known
    const fresh = nothing()
    places.set(placeId, fresh)
    return fresh
  }
  for (const m of inOrder(moves)) apply(level, m)
  return new Map(
    [...places].map(([placeId, { onHand, bad, held, doubt }]) => {
      const reserved = [...held.values()].reduce((a, b) => a + b, 0)
      return [placeId, { onHand, bad, held, doubt, reserved, free: Math.max(0, onHand - reserved) }] as const
    }),
  )
}

/** Of a place nothing is known of. */
export const emptyLevel: StockLevel = { onHand: 0, reserved: 0, bad: 0, free: 0, held: new Map(), doubt: false }

/**
 * Why a move cannot be: more than there is, or than others leave.
 * @returns null where it can
 */
export function moveFault(
  move: Pick<StockMove, 'kind' | 'count' | 'jobId'>,
  level: StockLevel,
): { readonly kind: 'none' | 'held'; readonly left: number } | null {
  if (!['taken', 'moved', 'bad', 'reserved'].includes(move.kind)) return null
  if (move.kind !== 'reserved' && move.count > level.onHand) return { kind: 'none', left: level.onHand }
  // What a job holds is its own; a bad piece is bad, whoever holds it.
  const own = move.jobId === null || move.kind === 'reserved' ? 0 : (level.held.get(move.jobId) ?? 0)
  if (move.kind !== 'bad' && move.count > level.free + own) return { kind: 'held', left: level.free + own }
  return null
}
