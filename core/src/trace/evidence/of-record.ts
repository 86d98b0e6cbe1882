import type { InstalledMotor, MachineFacts } from '../../judge/index.ts'
import { readColumns } from '../../plate/index.ts'
import type { Result } from '../knowledge/cause.ts'

function printedVolts(motor: InstalledMotor): readonly number[] {
  const { volts, amps, sfa } = motor.plate
  if (volts === undefined) return []
  try {
    return readColumns(volts, amps, sfa).map((c) => c.volts)
  } catch (e) {
    // A nameplate that cannot be read says nothing.
    if (e instanceof RangeError) return []
    throw e
  }
}

/** What the record of a machine says by itself: nobody has to go and look again. */
export function resultsOfRecord(machine: MachineFacts, motor: InstalledMotor | null): readonly Result[] {
  const out: Result[] = []
  const marked = machine.controls.capacitor?.run
  const asked = motor?.plate.capacitorUf
  if (marked !== undefined && asked !== undefined && asked > 0)
    out.push(['cap-mark', Math.abs(marked / asked - 1) > 0.1 ? 'wrong' : 'fits'])
  const volts = motor ? printedVolts(motor) : []
  // A service is 4 % above the volts its motors are made for: 208 for 200, 240 for 230, 480 for 460, 600 for 575.
  if (volts.length > 0 && volts.every((v) => machine.serviceVolts / v < 0.91 || machine.serviceVolts / v > 1.1))
    out.push(['plate', 'volts'])
  return out
}
