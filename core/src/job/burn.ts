import { combustion, fuels, usualOxygen, usualStack, type Fuel } from '../air/index.ts'
import { limitRegister } from '../limits/index.ts'

/** A combustion test with the appliance's own limits. Temperatures in °F. */
export interface BurnTest {
  readonly fuel: Fuel
  /** ppm as read, and per cent of oxygen. */
  readonly co: number
  readonly oxygen: number
  /** Where it burns well by the appliance; left out: where it usually does. */
  readonly oxygenLow?: number | undefined
  readonly oxygenHigh?: number | undefined
  /** Flue gas after it has fired for five minutes, with the range of the appliance; left out: not read, and the usual range. */
  readonly stack?: number | undefined
  readonly stackLow?: number | undefined
  readonly stackHigh?: number | undefined
  /** The figures stand still; left out: nobody said. */
  readonly steady?: boolean | undefined
  /** Rise over the exchanger, and the range on its nameplate. */
  readonly rise: number
  readonly riseLow: number
  readonly riseHigh: number
  readonly leakFree: boolean
}

/** Over this it is looked into; over that it does not run. ppm air-free. */
export const burnLimits = {
  investigate: limitRegister['flue-co-look'].value,
  stop: limitRegister['flue-co-most'].value,
} as const

export interface BurnGrade {
  readonly grade: 'good' | 'investigate' | 'stop'
  /** Carbon monoxide with the excess air taken out; null: the probe drew in air. ppm */
  readonly airFree: number | null
  readonly words: readonly string[]
}

/** Out is out, however close it is. */
const outside = (what: string, read: number, unit: string, low: number, high: number): string[] =>
  read < low || read > high
    ? [`${what} ${read} ${unit}, outside ${low} to ${high} ${unit}: have the burner set, then read again.`]
    : []

/**
 * May the appliance run?
 * @source CO air-free over 100 ppm is looked into, over 400 ppm it is off; oxygen, stack and rise are in the range of the appliance, and
 * out of range it does not run (common practice)
 */
export function gradeBurn(t: BurnTest): BurnGrade {
  const off = (words: string): BurnGrade => ({ grade: 'stop', airFree: null, words: [words] })
  if (!t.leakFree) return off('Gas leaks: shut the gas cock, get everybody out, call a licensed technician.')
  if (!(t.fuel in fuels)) throw new RangeError('fuel: natural gas or propane')
  if (t.oxygen >= 15) return off('Oxygen is 15 % or more: the probe draws in air, or there is no flame. Read it again.')
  const { airFree } = combustion(t.fuel, t.co, t.oxygen, null)
  const out = [
    ...outside('Oxygen', t.oxygen, '%', t.oxygenLow ?? usualOxygen.low, t.oxygenHigh ?? usualOxygen.high),
    ...(t.stack === undefined
      ? []
      : outside('Stack', t.stack, '°F', t.stackLow ?? usualStack.low, t.stackHigh ?? usualStack.high)),
  ]
  const words = [
    ...(airFree > burnLimits.stop
      ? [`CO ${airFree.toFixed(0)} ppm air-free, over the limit of ${burnLimits.stop}: shut it off.`]
      : airFree > burnLimits.investigate
        ? [`CO ${airFree.toFixed(0)} ppm air-free, over ${burnLimits.investigate}: find out why.`]
        : []),
    ...out,
    ...(t.steady === false
      ? ['The figures do not stand still: fire it for ten minutes and read again. CO that keeps rising: shut it off.']
      : []),
    ...(t.rise < t.riseLow
      ? [`Rise ${t.rise} °F, below the ${t.riseLow} of the nameplate: too much air, or too little gas.`]
      : []),
    ...(t.rise > t.riseHigh ? [`Rise ${t.rise} °F, over the ${t.riseHigh} of the nameplate: too little air.`] : []),
  ]
  const grade = airFree > burnLimits.stop || out.length > 0 ? 'stop' : words.length > 0 ? 'investigate' : 'good'
  return { grade, airFree, words: words.length > 0 ? words : ['Burns clean, everything in range.'] }
}
