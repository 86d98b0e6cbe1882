import type { PartSlot } from '../installed/index.ts'
import type { SpeedChange } from '../speed-change/index.ts'
import type { DueFacts } from './task.ts'

/** Slots whose plain name does not say what is in them. */
const slotWords: Readonly<Record<string, string>> = { motor: 'The motor', belts: 'The belt set', wheel: 'The wheel' }

/** The substitute that is in place for longest; null: everything in place is what belongs there. Instants in ms since 1970. */
export function oldestSubstitute(
  installed: readonly {
    readonly slot: PartSlot | 'motor'
    readonly substitute: boolean
    readonly installedAt: number
    readonly removedAt: number | null
  }[],
): DueFacts['substitute'] {
  const [first] = installed
    .filter((f) => f.substitute && f.removedAt === null)
    .sort((a, b) => a.installedAt - b.installedAt)
  return first ? { at: first.installedAt, what: slotWords[first.slot] ?? `The ${first.slot.replace('-', ' ')}` } : null
}

/** Speed changes that were planned and neither done nor canceled, as work that waits. Instants in ms since 1970. */
export const waitingChanges = (
  planned: readonly { readonly madeAt: number; readonly open: boolean; readonly change: Pick<SpeedChange, 'kind'> }[],
): DueFacts['waiting'] =>
  planned
    .filter((p) => p.open)
    .map((p) => ({
      at: p.madeAt,
      what: p.change.kind === 'hertz' ? 'A new setting of the drive' : 'Work on the sheaves',
    }))
