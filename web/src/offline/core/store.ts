import type { Mutation } from '@motor-round/contract'
import Dexie, { type EntityTable, type Table } from 'dexie'

interface OutboxFields {
  /** Ids it depends on: while one of them is rejected or belongs to somebody else, it waits. */
  dependsOn: string[]
  /** Id of the person who entered it: it is sent under no other name. Empty where that is not known: whoever syncs. */
  author: string
  /** That person's name, empty where it is not known. */
  authorName: string
  /** Rejected: the server will not take it; blocked: it depends on one that was rejected. Both stay until a person acts. */
  status: 'pending' | 'rejected' | 'blocked'
  /** Why it was rejected or is blocked; empty while it is pending. */
  why: string
  /** Of a conflict: what the server has instead. */
  current?: unknown
  /** Of a visit: how it was judged here, to be compared with the server. */
  level: string | null
  /** How many readings it holds. */
  readings: number
  /** The server has it; an answer that was asked for before then does not show it. */
  synced?: true
}
export type New = Mutation & OutboxFields
/** A mutation on this phone. `n` is its place in the outbox: mutations are sent in the order in which they were made. */
export type QueuedMutation = New & { n: number }

/** An answer of the server, cached to be given again offline. */
export interface CachedAnswer {
  url: string
  data: unknown
  at: number
  /** The newest entry that the server had when it was asked; left out: none. */
  after?: number
}

/** A round that was downloaded for offline. */
export interface Snapshot {
  roundId: string
  name: string
  at: number
  bytes: number
  /** Addresses cached for it. */
  urls: string[]
}

/** Something the server said at the last sync that a person should see. */
export interface Notice {
  n: number
  at: number
  machineId: string | null
  text: string
}

export class Store extends Dexie {
  declare cache: EntityTable<CachedAnswer, 'url'>
  declare outbox: Table<QueuedMutation, number, New>
  /** What the server took from here, in the order in which it did: shown until an answer has it. */
  declare synced: Table<QueuedMutation, number, New>
  declare snapshots: EntityTable<Snapshot, 'roundId'>
  declare notices: EntityTable<Notice, 'n'>
  declare settings: EntityTable<{ key: string; value: string }, 'key'>
  constructor() {
    super('motor-round')
    this.version(1).stores({ cache: 'url', outbox: '++n', snapshots: 'roundId', notices: '++n', settings: 'key' })
    this.version(2).stores({ synced: '++n' })
  }
}

export const store = new Store()

/** The name this phone gives itself, made once. */
export async function deviceName(): Promise<string> {
  const known = await store.settings.get('device')
  if (known) return known.value
  const made = `${/iphone|ipad/i.test(navigator.userAgent) ? 'iPhone' : /android/i.test(navigator.userAgent) ? 'Android' : 'Browser'} ${crypto.randomUUID().slice(0, 4)}`
  await store.settings.add({ key: 'device', value: made }).catch(() => undefined)
  return (await store.settings.get('device'))?.value ?? made
}

/** Whether the storage of this browser failed, and not the signal or the server. */
export const ofStore = (e: unknown): boolean =>
  e instanceof Error && /Quota|IDB|Database|Abort|OpenFailed|MissingAPI|Security/.test(e.name)

/** Words for what went wrong with the store of this phone. */
export function storeTrouble(e: unknown): string {
  const name = e instanceof Error ? e.name + (e.cause instanceof Error ? e.cause.name : '') : ''
  if (/Quota/i.test(`${name} ${e instanceof Error ? e.message : ''}`))
    return 'This phone is full. What you typed is still here: free up space, then save again.'
  return 'This browser cannot store data (private window, or storage is off). What you typed is still on the page: stay on it until you have signal.'
}
