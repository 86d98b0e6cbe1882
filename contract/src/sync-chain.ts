import type { SyncEntryInput } from './sync.ts'

type Without<T> = T extends unknown ? Omit<T, 'n'> : never
/** What a phone has to bring home, before it has its place in the line. */
export type SyncFact = Without<SyncEntryInput>

const given = (id: string | null | undefined): string[] => (id == null ? [] : [id])

/** The ids a fact stands on: where one of them was refused, or is not home yet, it waits. */
export function standsOn(e: SyncFact): string[] {
  switch (e.kind) {
    case 'found':
      return []
    case 'visit':
      return [e.body.machineId, ...given(e.body.supersedes)]
    case 'work':
    case 'picture':
    case 'finding':
    case 'closing':
    case 'part':
    case 'speed-change':
      return [e.body.machineId]
    case 'speed-change-done':
      return [e.body.machineId, e.body.speedChangeId]
    case 'motor':
      return [e.body.machineId, ...given(e.body.replaces)]
    case 'plate':
      return [e.body.machineId, e.body.motorId]
    case 'roof-map':
      return [e.body.areaId]
    case 'finding-step':
      return [e.body.machineId, e.body.findingId]
    case 'event':
      return [...given(e.body.machineId), ...given(e.body.visitId)]
  }
}

/** The ids that nothing later can stand on while a fact is not home: what it makes, or the version it comes to. */
export function makes(e: SyncFact): string[] {
  switch (e.kind) {
    case 'found':
      return [e.body.machine.id]
    case 'plate':
      return [e.body.motorId]
    case 'roof-map':
      return [e.body.areaId]
    default:
      return [e.body.id]
  }
}
