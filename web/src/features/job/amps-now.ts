import type { MachinePage } from '@motor-round/contract'
import { allowedCurrent } from '@motor-round/core/plate'
import { mean } from '@motor-round/core/quantity'

/** Mean amps of the newest visit that read every leg. */
export function ampsNow(page: MachinePage): number | null {
  const newest = [...page.visits]
    .filter((v) => v.supersededBy === null)
    .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt))
    .map((v) => v.readings.filter((r) => r.quantity === 'amps' && r.how !== 'unsteady' && r.how !== 'over-range'))
    .find((own) => own.length === page.machine.phases)
  return newest ? mean(newest.map((r) => r.value)) : null
}

/** Amps of the nameplate in the volts of this supply. */
export const plateAmps = ({ motor, machine }: MachinePage): number | null =>
  allowedCurrent(motor?.plate ?? null, machine.unitPlate, machine.serviceVolts)?.amps ?? null

/** Fan speed of the newest visit that read it. */
export function fanRpm(page: MachinePage): number | null {
  const newest = [...page.visits]
    .filter((v) => v.supersededBy === null)
    .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt))
  for (const v of newest) {
    const rpm = v.readings.find((r) => r.quantity === 'rpm' && r.position === 'driven' && r.how !== 'unsteady')
    if (rpm) return rpm.value
  }
  return null
}
