import { randomUUID } from 'node:crypto'
import type { RoundHead } from '@motor-round/contract'
import type { Caller } from './world.ts'

/** The demo's round of today. */
export const todayOf = async (who: Caller) =>
  ((await who.get('/rounds')).body as RoundHead[]).find((r) => r.state === 'planned')

/** What happened at a machine of a round. */
export const eventBody = (roundId: string, machineId: string, kind: string, over: object = {}) => ({
  id: randomUUID(),
  roundId,
  machineId,
  kind,
  at: '2026-11-25T08:00:00Z',
  ...over,
})

/** Sync entries as a phone does, in their order. */
export const bring = (who: Caller, entries: readonly object[]) =>
  who.post('/sync', { device: 'phone', mutations: entries.map((e, n) => ({ n, ...e })) })

/** What became of an entry. */
export interface Result {
  readonly outcome: string
  readonly problem: {
    readonly detail: string
    readonly errors: readonly { path: string; message: string }[]
    readonly current?: unknown
  } | null
}

/** Send entries, and what became of each. */
export const resultsOf = async (who: Caller, entries: readonly object[]): Promise<Result[]> =>
  ((await bring(who, entries)).body as { results: Result[] }).results
