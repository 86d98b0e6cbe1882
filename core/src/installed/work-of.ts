import type { WorkDone } from '../trend/index.ts'
import { workOfSlot, type PartSlot } from './parts.ts'

/**
 * Installing as the work it was: each motor and part that followed another in its place. What went in first began the record,
 * and is no change. Instants in ms since 1970.
 */
export function workOfInstalling(
  motors: readonly { readonly installedAt: number }[],
  parts: readonly { readonly slot: PartSlot; readonly installedAt: number; readonly why: string }[],
): WorkDone[] {
  const firstMotor = Math.min(...motors.map((m) => m.installedAt))
  const first = new Map<PartSlot, number>()
  for (const p of parts) first.set(p.slot, Math.min(first.get(p.slot) ?? Infinity, p.installedAt))
  return [
    ...motors
      .filter((m) => m.installedAt !== firstMotor)
      .map((m): WorkDone => ({ at: m.installedAt, kind: 'motor-replaced', note: '' })),
    ...parts
      .filter((p) => p.installedAt !== first.get(p.slot))
      .map((p): WorkDone => ({ at: p.installedAt, kind: workOfSlot[p.slot], note: p.why })),
  ]
}
