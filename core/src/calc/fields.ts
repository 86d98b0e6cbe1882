import { z } from 'zod'
import type { CalcMachine } from './calculator.ts'

/** Input fields that several calculators share, each with the words and the unit of its cell. */
export const amperes = z.number().nonnegative().max(1e5).meta({ unit: 'A' })
export const volts = z.number().positive().max(1e5).meta({ unit: 'V' })
export const ohms = z.number().nonnegative().max(1e7).meta({ unit: 'Ω' })
export const megohms = z.number().nonnegative().max(1e6).meta({ unit: 'MΩ' })
export const microfarads = z.number().nonnegative().max(1e5).meta({ unit: 'µF' })
export const celsius = z.number().min(-60).max(300).meta({ unit: '°C' })
/** A difference of two air temperatures: Δ, because degrees of it begin nowhere. */
export const airRise = z.number().min(1).max(200).meta({ unit: 'Δ°F' })
export const hertz = z.number().min(1).max(400).meta({ unit: 'Hz' })
export const rpm = z.number().positive().max(10000).meta({ unit: 'rpm' })
export const horsepower = z.number().positive().max(1000).meta({ unit: 'hp' })
/** A fraction, shown and typed in per cent. */
export const ratio = z.number().meta({ unit: '%' })
export const threeVolts = z
  .tuple([z.number().nonnegative(), z.number().nonnegative(), z.number().nonnegative()])
  .meta({ unit: 'V', labels: ['L1-L2', 'L2-L3', 'L3-L1'] })
export const threeAmps = z.tuple([amperes, amperes, amperes]).meta({ unit: 'A', labels: ['L1', 'L2', 'L3'] })
export const threeOhms = z.tuple([ohms, ohms, ohms]).meta({ unit: 'Ω', labels: ['T1-T2', 'T2-T3', 'T3-T1'] })
export const phasesField = z.union([z.literal(1), z.literal(3)])

export const inches = z.number().positive().max(10000).meta({ unit: 'in' })
export const pounds = z.number().nonnegative().max(1e6).meta({ unit: 'lbf' })
export const cfm = z.number().nonnegative().max(1e7).meta({ unit: 'cfm' })
export const inchesWater = z.number().min(-100).max(100).meta({ unit: 'in wg' })

/**
 * Numbers in a row, with spaces, commas or semicolons between them.
 * @throws RangeError with the name of the field when one is no number
 */
export function numbersIn(name: string, text: string): number[] {
  return text.split(/[\s,;]+/).flatMap((t) => {
    if (t === '') return []
    const v = Number(t)
    if (!Number.isFinite(v)) throw new RangeError(`${name} has “${t}”, which is not a number`)
    return [v]
  })
}

/** Keep what is known: a field that is null or undefined is left out. */
export function known<T extends object>(o: T): { [K in keyof T]?: Exclude<T[K], null | undefined> } {
  return Object.fromEntries(Object.entries(o).filter(([, v]) => v !== null && v !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], null | undefined>
  }
}

export const meanOf = (three: readonly number[] | null): number | null =>
  three === null ? null : three.reduce((a, b) => a + b, 0) / three.length

/** Rated horsepower of a machine's plate. */
export const hpOf = (m: CalcMachine): number | null =>
  m.plate?.power === undefined ? null : (m.plate.power * (m.plate.powerUnit === 'kW' ? 1000 : 745.7)) / 745.7
