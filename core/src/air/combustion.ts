import { limitRegister, type LimitId } from '../limits/index.ts'
import { requireMagnitude } from '../quantity/index.ts'

/** Oxygen of the air, per cent, and what a probe that sucks air reads: above it nothing can be said. */
const airOxygen = 20.9
export const mostOxygen = 15

/** Greatest carbon dioxide, per cent, and the two constants of the flue loss. @source printed tables; from memory */
export const fuels = {
  'natural gas': { mostCo2: 11.8, loss: [0.66, 0.009] },
  propane: { mostCo2: 13.8, loss: [0.63, 0.008] },
} as const
export type Fuel = keyof typeof fuels

const percent = (id: LimitId) => Math.round(limitRegister[id].value * 1000) / 10
const fahrenheit = (id: LimitId) => Math.round(limitRegister[id].value * 1.8 + 32)
/** What burns well in a gas section, where the appliance says nothing else: oxygen in per cent, stack in °F. */
export const usualOxygen = { low: percent('flue-oxygen-low'), high: percent('flue-oxygen-high') }
export const usualStack = { low: fahrenheit('stack-low'), high: fahrenheit('stack-high') }

/** A combustion test worked out; per cent as fractions, temperatures in kelvins. */
export interface Combustion {
  /** Carbon monoxide with the excess air taken out, ppm. */
  readonly airFree: number
  readonly co2: number
  readonly excessAir: number
  /** Flue loss on the net heating value; null without temperatures. */
  readonly loss: number | null
}

/**
 * @param co ppm as read @param oxygen per cent, dry @param net flue over combustion air, K; null where not read
 * @throws RangeError when oxygen is 15 % or more (the probe sucks air), or a figure below zero
 * @source CO · 20.9/(20.9 − O2); CO2 max · (20.9 − O2)/20.9; 0.9 · O2/(20.9 − O2); Siegert
 */
export function combustion(fuel: Fuel, co: number, oxygen: number, net: number | null): Combustion {
  requireMagnitude('co', co)
  requireMagnitude('oxygen', oxygen)
  if (oxygen >= mostOxygen) throw new RangeError('oxygen is 15 % or more: the probe draws in air, or there is no flame')
  const { mostCo2, loss } = fuels[fuel]
  const left = airOxygen - oxygen
  return {
    airFree: (co * airOxygen) / left,
    co2: (mostCo2 * left) / airOxygen / 100,
    excessAir: (0.9 * oxygen) / left,
    loss: net === null ? null : (net * (loss[0] / (21 - oxygen) + loss[1])) / 100,
  }
}
