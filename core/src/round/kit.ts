import { show } from '../quantity/index.ts'
import { greaseGrams } from '../drivetrain/index.ts'
import { partAt, type InstalledPart } from '../installed/index.ts'
import type { Controls } from '../judge/index.ts'

/** What a machine wants brought along for its tasks. */
export interface KitFacts {
  readonly tasks: readonly string[]
  readonly parts: readonly InstalledPart[]
  readonly controls: Controls
  readonly phases: 1 | 3
  readonly now: number
}

/** One thing of the kit: the same thing for two machines is counted together. */
export interface KitItem {
  readonly kind: 'part' | 'tool' | 'lock'
  /** `Belt B74`, `Filter 20 × 20 × 2 in`. */
  readonly what: string
  readonly count: number
  /** Grams for grease, else pieces. */
  readonly unit: 'pcs' | 'g'
}

const part = (what: string, count = 1, unit: KitItem['unit'] = 'pcs'): KitItem => ({ kind: 'part', what, count, unit })
const tool = (what: string): KitItem => ({ kind: 'tool', what, count: 1, unit: 'pcs' })

const locked = ['answer', 'insulation', 'belts', 'capacitor', 'terminals', 'start-up']

/** What to bring to one machine. @source what is installed there; common practice for the tools */
export function kitOf(f: KitFacts): KitItem[] {
  const does = (...ids: readonly string[]) => ids.some((id) => f.tasks.includes(id))
  const belts = partAt(f.parts, 'belts', f.now)
  const filters = partAt(f.parts, 'filters', f.now)
  const wheel = partAt(f.parts, 'wheel', f.now)
  const bearing = partAt(f.parts, 'bearing-de', f.now)
  const out: KitItem[] = [tool('Clamp meter'), tool('Multimeter and a known live source')]
  if (does(...locked)) out.push({ kind: 'lock', what: 'Lock and tag', count: 1, unit: 'pcs' })
  if (does('belts', 'start-up') && belts) {
    out.push(part(`Belt ${belts.section}${belts.number}`, belts.count))
    out.push(tool('Tension gauge'), tool('Straightedge'), tool('Groove gauge'))
  }
  if (does('belts', 'start-up') && wheel?.type === 'propeller' && wheel.diameter !== null)
    out.push(
      part(`Spare blade, ${wheel.diameter} mm${wheel.blades === null ? '' : `, ${show.count(wheel.blades, 'blade')}`}`),
    )
  if (does('filters', 'start-up') && filters) out.push(part(`Filter ${filters.size}`, filters.count))
  if (does('grease') && bearing?.outside != null && bearing.width !== null) {
    out.push(
      part('Grease, same kind as in the bearings', Math.ceil(2 * greaseGrams(bearing.outside, bearing.width)), 'g'),
    )
    out.push(tool('Grease gun'))
  }
  if (does('capacitor') && f.controls.capacitor) {
    out.push(
      part(
        `Capacitor ${f.controls.capacitor.run} µF${f.controls.capacitor.volts === null ? '' : `, ${f.controls.capacitor.volts} V`}`,
      ),
    )
    out.push(tool('Bleed resistor'))
  }
  if (
    does('terminals', 'start-up') &&
    f.controls.protectionAmps !== null &&
    f.controls.protection !== null &&
    f.controls.protection !== 'breaker'
  )
    out.push(
      part(
        `Fuse ${f.controls.protectionAmps} A, ${f.controls.protection.replace(' fuse', '')}`,
        f.phases === 3 ? 3 : 1,
      ),
    )
  if (does('terminals', 'start-up')) out.push(tool('Torque screwdriver'))
  if (does('answer', 'insulation', 'start-up')) out.push(tool('Insulation tester'))
  if (does('vibration')) out.push(tool('Vibration meter'))
  if (does('filters', 'start-up')) out.push(tool('Pressure gauge'))
  return out
}

/** Kits of a round together: parts and locks added up, each tool once; locks are used one after another, two are enough. */
export function kitTogether(kits: readonly (readonly KitItem[])[]): KitItem[] {
  const sum = new Map<string, KitItem>()
  for (const item of kits.flat()) {
    const before = sum.get(item.what)
    if (!before) sum.set(item.what, item)
    else if (item.kind === 'part') sum.set(item.what, { ...before, count: before.count + item.count })
    else if (item.kind === 'lock') sum.set(item.what, { ...before, count: Math.min(2, before.count + item.count) })
  }
  const order = { part: 0, lock: 1, tool: 2 } as const
  return [...sum.values()].sort((a, b) => order[a.kind] - order[b.kind] || (a.what < b.what ? -1 : 1))
}
