import { airCauses } from './air.ts'
import { bearingsCauses } from './bearings.ts'
import { beltCauses } from './belt.ts'
import { capacitorCauses } from './capacitor.ts'
import { contactorCauses } from './contactor.ts'
import { controlsCauses } from './controls.ts'
import { driveCauses } from './drive.ts'
import { motorCauses } from './motor.ts'
import { noFaultCauses } from './no-fault.ts'
import { protectionCauses } from './protection.ts'
import { supplyCauses } from './supply.ts'
import { transformerCauses } from './transformer.ts'
import { twinCauses } from './twin.ts'
import { wheelCauses } from './wheel.ts'
import { wiringCauses } from './wiring.ts'
import type { Cause } from '../cause.ts'

/** Every cause that can be told from others, outside to inside. A new one is a line in the file of its place. */
export const causes: readonly Cause[] = [
  ...noFaultCauses,
  ...supplyCauses,
  ...transformerCauses,
  ...protectionCauses,
  ...contactorCauses,
  ...controlsCauses,
  ...driveCauses,
  ...wiringCauses,
  ...motorCauses,
  ...capacitorCauses,
  ...bearingsCauses,
  ...beltCauses,
  ...wheelCauses,
  ...airCauses,
  ...twinCauses,
]
