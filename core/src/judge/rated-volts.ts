import type { Context } from './context.ts'

/** Volts that a winding is rated for, and that a pair of lines has when nothing is wrong: its column, or the supply. */
export const ratedVolts = (c: Pick<Context, 'allowed' | 'machine'>): number =>
  c.allowed?.columnVolts ?? c.machine.serviceVolts
