import type { SyncFact } from '@motor-round/contract'
import Dexie, { type EntityTable, type Table } from 'dexie'

export type Fact = SyncFact

interface Held {
  /** Id of the person who took it: it goes home under no other name. Empty where that is not known: whoever brings it. */
  by: string
  /** That person's name, empty where it is not known. */
  byName: string
  /** Refused: the server will not take it, and why; it stays until somebody has seen to it. */
  refused: string | null
  /** Of a change somebody else was before with: what is in the book instead. */
  current?: unknown
  /** Of a visit: how it was judged here, to be held against the server. */
  level: string | null
  /** How many readings it holds. */
  readings: number
}
type New = Fact & Held
/** A fact on this phone. `n` is its place in the line: facts go home in the order in which they happened. */
export type Waiting = New & { n: number }

/** An answer of the server, kept to be given again without a signal. */
export interface Kept {
  url: string
  data: unknown
  at: number
}

/** A round that was taken along. */
export interface Taken {
  roundId: string
  name: string
  at: number
  bytes: number
  /** Addresses kept for it. */
  urls: string[]
}

/** Something the server said at home that a person should see. */
export interface Word {
  n: number
  at: number
  machineId: string | null
  text: string
}

export class Store extends Dexie {
  declare kept: EntityTable<Kept, 'url'>
  declare line: Table<Waiting, number, New>
  declare taken: EntityTable<Taken, 'roundId'>
  declare words: EntityTable<Word, 'n'>
  declare facts: EntityTable<{ key: string; value: string }, 'key'>
  constructor() {
    super('motor-round')
    const tables = { kept: 'url', line: '++n', taken: 'roundId', words: '++n', facts: 'key' }
    this.version(1).stores(tables)
    // One owner for all of the line became one for each entry.
    this.version(2)
      .stores(tables)
      .upgrade(async (tx) => {
        const owner = ((await tx.table('facts').get('owner')) as { value: string } | undefined)?.value ?? ''
        await tx
          .table<New>('line')
          .toCollection()
          .modify((w) => {
            w.by ??= owner
            w.byName ??= ''
          })
        await tx.table('facts').delete('owner')
      })
  }
}

export const store = new Store()

/** The name this phone gives itself, made once. */
export async function deviceName(): Promise<string> {
  const known = await store.facts.get('device')
  if (known) return known.value
  const made = `${/iphone|ipad/i.test(navigator.userAgent) ? 'iPhone' : /android/i.test(navigator.userAgent) ? 'Android' : 'Browser'} ${crypto.randomUUID().slice(0, 4)}`
  await store.facts.add({ key: 'device', value: made }).catch(() => undefined)
  return (await store.facts.get('device'))?.value ?? made
}

/** Words for what went wrong with the store of this phone. */
export function storeTrouble(e: unknown): string {
  const name = e instanceof Error ? e.name + (e.cause instanceof Error ? e.cause.name : '') : ''
  if (/Quota/i.test(`${name} ${e instanceof Error ? e.message : ''}`))
    return 'This phone is full. What you typed is still here: free up space, then save again.'
  return 'This browser cannot store data (private window, or storage is off). What you typed is still on the page: stay on it until you have signal.'
}
