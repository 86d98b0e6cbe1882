import type { MachinePage } from '@motor-round/contract'
import { convert } from '@motor-round/core/quantity'
import type { LengthUnit } from '../../app/lengths.ts'
import { ampsNow, fanRpm, plateAmps } from './amps-now.ts'

/** To a tenth of a thousandth of an inch: a shaft is held against its bore by the thousandth. */
const figure = (mm: number, unit: LengthUnit) =>
  String(Number(unit === 'in' ? convert(mm, 'mm', 'in').toFixed(4) : mm.toFixed(2)))

/** What the record knows of the old part, by step and point: it is typed nowhere twice. */
export function knownParts(
  step: string,
  page: MachinePage,
  unit: LengthUnit,
): Record<string, { old: string; now: string }> {
  const out: Record<string, { old: string; now: string }> = {}
  const know = (point: string, mm: number | null | undefined) => {
    if (typeof mm === 'number') out[point] = { old: figure(mm, unit), now: '' }
  }
  if (step === 'PF6') {
    const [amps, full] = [ampsNow(page), plateAmps(page)]
    if (amps !== null && full !== null) out['load'] = { old: String(Math.round((100 * amps) / full)), now: '' }
  }
  for (const { part, removedAt } of page.parts) {
    if (removedAt !== null) continue
    if (part.slot === 'shaft' && step === 'SB3') {
      know('diameter', part.spec.diameter)
      know('key', part.spec.key)
    }
    if (part.slot === 'wheel' && (step === 'WH4' || step === 'PF6')) {
      know('diameter', part.spec.diameter)
      if (step === 'PF6' && part.spec.blades !== null) out['blades'] = { old: String(part.spec.blades), now: '' }
      if (step === 'WH4') {
        const rpm = fanRpm(page)
        if (rpm !== null) out['speed'] = { old: String(Math.round(rpm)), now: '' }
      }
      if (step === 'WH4' && part.spec.type !== 'propeller') out['form'] = { old: part.spec.type, now: '' }
    }
    if (part.slot === 'belts' && step === 'SV5') {
      out['section'] = { old: part.spec.section, now: '' }
      out['grooves'] = { old: String(part.spec.count), now: '' }
    }
  }
  return out
}
