import type { MachinePage, PartRecord } from '@motor-round/contract'
import { greaseGrams, greaseInterval } from '@motor-round/core/drivetrain'
import { speedsOf } from './drive-facts.ts'
import type { DriveStands } from '@motor-round/core/installed'

/** A roof: warm, dusty, damp at night, a fan that shakes a little. */
const roof = {
  heat: 'under 65 °C',
  dirt: 'light',
  wet: 'condensing',
  vibration: 'moderate',
  shaft: 'horizontal',
} as const

/** How much grease a bearing takes and how often on a roof, in words; null where it takes none or is not known. */
export function greaseWords(page: MachinePage, part: PartRecord['part'], drive: DriveStands | null): string | null {
  if (part.slot !== 'bearing-de' && part.slot !== 'bearing-ode') return null
  const { bore, outside, width, greasable, type } = part.spec
  if (greasable === false || outside === null || width === null) return null
  const grams = `${greaseGrams(outside, width).toFixed(0)} g of grease`
  const speeds = drive && speedsOf(page, drive)
  if (!speeds || bore === null) return grams
  const { hours } = greaseInterval(bore, speeds.fan, { ...roof, type: type === 'ball' ? 'ball' : 'spherical roller' })
  const months = hours / 730
  return `${grams} about every ${months < 1.5 ? `${Math.max(1, Math.round(hours / 168))} weeks` : `${Math.round(months)} months`} of running on a roof`
}
