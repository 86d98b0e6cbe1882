import { circuitOfPlate } from '../machine/index.ts'

export interface Plated {
  readonly plateAmps: number
  readonly plateVolts: number
  readonly hp?: number | undefined
  readonly plateRpm?: number | undefined
  readonly efficiency?: number | undefined
  readonly hz?: number | undefined
}

/** The circuit of what was given of the plate; null without a power. */
export const circuitOf = (i: Plated) =>
  i.hp === undefined
    ? null
    : circuitOfPlate(
        {
          power: i.hp,
          phases: 3,
          ...(i.plateRpm === undefined ? {} : { rpm: i.plateRpm }),
          ...(i.efficiency === undefined ? {} : { efficiency: i.efficiency }),
        },
        { volts: i.plateVolts, amps: i.plateAmps },
        i.hz ?? 60,
      )
