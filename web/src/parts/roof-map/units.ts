import type { RoofMapPage } from '@motor-round/contract'
import { rank, type Level } from '@motor-round/core/judge'
import type { MapUnit } from './roof-map.tsx'

/** The worst level of some fans; null where none was seen. */
export const worstOf = (levels: readonly (Level | null)[]): Level | null =>
  levels.reduce<Level | null>((a, b) => (b === null ? a : a === null || rank(b) > rank(a) ? b : a), null)

/** Units as the plan draws them: the worst level and the heaviest load of their fans. */
export const mapUnits = (page: RoofMapPage): MapUnit[] =>
  page.units.map((u) => ({
    id: u.id,
    tag: u.tag,
    level: worstOf(u.machines.map((m) => m.level)),
    load: u.machines.reduce<number | null>((a, m) => (m.load === null ? a : Math.max(a ?? 0, m.load)), null),
  }))

/** The first fan of a unit: where a tap on it leads. */
export const firstFan = (page: RoofMapPage, unitId: string): string | null =>
  page.units.find((u) => u.id === unitId)?.machines[0]?.id ?? null
