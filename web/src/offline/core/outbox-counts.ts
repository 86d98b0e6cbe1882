import type { QueuedMutation } from './store.ts'

/** How much is on this phone, in the words of the line at the top. */
export interface OutboxCounts {
  readonly entries: number
  readonly readings: number
  readonly pictures: number
  readonly rejected: number
}

export function outboxCounts(list: readonly QueuedMutation[]): OutboxCounts {
  const open = list.filter((w) => w.status === 'pending')
  return {
    entries: open.length,
    readings: open.reduce((n, w) => n + w.readings, 0),
    pictures: open.filter((w) => w.kind === 'picture').length,
    rejected: list.length - open.length,
  }
}

const some = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** What is held, as a mechanic would say it; empty where nothing is. */
export function outboxSummary(h: OutboxCounts): string {
  const parts = [
    h.readings > 0 ? some(h.readings, 'reading') : '',
    h.pictures > 0 ? some(h.pictures, 'photo') : '',
    h.entries > 0 && h.readings === 0 && h.pictures === 0 ? some(h.entries, 'entry').replace('entrys', 'entries') : '',
  ].filter(Boolean)
  return parts.length === 0 ? '' : `${parts.join(', ')} on this phone`
}
