import type { InstalledPart } from '../installed/index.ts'
import { partAt } from '../installed/index.ts'
import type { Controls } from '../judge/index.ts'
import type { Plate } from '../plate/index.ts'

/** What an item of stock is, with what decides where it fits. */
export type ItemSpec =
  | { readonly kind: 'belt'; readonly section: string; readonly number: number }
  | { readonly kind: 'filter'; readonly size: string }
  | { readonly kind: 'bearing'; readonly mark: string }
  | { readonly kind: 'sheave'; readonly mark: string }
  | { readonly kind: 'capacitor'; readonly microfarads: number; readonly volts: number }
  | { readonly kind: 'fuse'; readonly amps: number; readonly type: string }
  | {
      readonly kind: 'motor'
      readonly hp: number
      readonly rpm: number
      readonly volts: string
      readonly frame: string
    }
  | { readonly kind: 'contactor'; readonly amps: number; readonly coil: number }
  | { readonly kind: 'other'; readonly name: string }

/** What an item is called: the same words as in the kit of a round. */
export function itemTitle(s: ItemSpec): string {
  switch (s.kind) {
    case 'belt':
      return `Belt ${s.section}${s.number}`
    case 'filter':
      return `Filter ${s.size}`
    case 'bearing':
      return `Bearing ${s.mark}`
    case 'sheave':
      return `Sheave ${s.mark}`
    case 'capacitor':
      return `Capacitor ${s.microfarads} µF, ${s.volts} V`
    case 'fuse':
      return `Fuse ${s.amps} A, ${s.type}`
    case 'motor':
      return `Motor ${s.hp} hp, ${s.rpm} rpm, ${s.volts} V, ${s.frame}`
    case 'contactor':
      return `Contactor ${s.amps} A, coil ${s.coil} V`
    case 'other':
      return s.name
  }
}

/** What is known of a machine as to which parts fit it. */
export interface FitsOn {
  readonly parts: readonly InstalledPart[]
  readonly controls: Pick<Controls, 'capacitor' | 'protection' | 'protectionAmps'>
  readonly plate: Plate | null
  readonly now: number
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
/** A capacitor within this of the value is the value. µF */
const value = 0.05

/**
 * How many of an item a machine takes at once; zero where it does not fit, or nobody entered what is in.
 * A capacitor of more volts fits; one of another value never does.
 */
export function takes(spec: ItemSpec, on: FitsOn): number {
  const { parts, controls, plate, now } = on
  if (spec.kind === 'belt') {
    const belts = partAt(parts, 'belts', now)
    return belts && same(belts.section, spec.section) && belts.number === spec.number ? belts.count : 0
  }
  if (spec.kind === 'filter') {
    const filters = partAt(parts, 'filters', now)
    return filters && same(filters.size, spec.size) ? filters.count : 0
  }
  if (spec.kind === 'bearing')
    return (['bearing-de', 'bearing-ode'] as const).filter((slot) => {
      const mark = partAt(parts, slot, now)?.mark ?? ''
      return mark !== '' && same(mark, spec.mark)
    }).length
  if (spec.kind === 'capacitor') {
    const cap = controls.capacitor
    return cap && Math.abs(cap.run - spec.microfarads) <= value && spec.volts >= (cap.volts ?? Infinity) ? 1 : 0
  }
  if (spec.kind === 'fuse') {
    const kind = controls.protection?.replace(' fuse', '') ?? ''
    return controls.protectionAmps === spec.amps && same(kind, spec.type) ? 1 : 0
  }
  if (spec.kind === 'motor')
    return plate?.power === spec.hp &&
      (plate.powerUnit ?? 'hp') === 'hp' &&
      plate.frame !== undefined &&
      same(plate.frame, spec.frame) &&
      plate.rpm !== undefined &&
      Math.abs(plate.rpm / spec.rpm - 1) <= 0.01
      ? 1
      : 0
  return 0
}
