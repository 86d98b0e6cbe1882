import { plateHertz } from './plausibility.ts'

/** Nominal supplies that exist at 50 Hz only. */
const fifty = [380, 400, 415, 690]

/**
 * Frequency of a machine's supply: 60 Hz unless the site, the supply or the plate says otherwise. A plate for both says
 * nothing, and 230 V is a supply of either.
 * @param serviceHz what the site is set to; null or left out where it is not
 * @returns hertz
 * @source common practice: 400 V class supplies are 50 Hz, 208 V, 480 V and 600 V are 60 Hz
 */
export function supplyHertz(serviceVolts: number, plateText: string | undefined, serviceHz?: 50 | 60 | null): 50 | 60 {
  if (serviceHz) return serviceHz
  if (fifty.includes(serviceVolts)) return 50
  const printed = plateHertz(plateText)
  return printed.includes(50) && !printed.includes(60) ? 50 : 60
}
