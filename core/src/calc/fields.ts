import { z } from 'zod'

/** Input fields that several calculators share. */
export const amperes = z.number().nonnegative().max(1e5)
export const volts = z.number().positive().max(1e5)
export const threeVolts = z.tuple([z.number().nonnegative(), z.number().nonnegative(), z.number().nonnegative()])
export const threeAmps = z.tuple([amperes, amperes, amperes])
