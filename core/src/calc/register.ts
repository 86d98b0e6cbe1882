import { allowedCurrentCalc } from './allowed-current.ts'
import type { Calculator } from './calculator.ts'
import { currentUnbalanceCalc } from './current-unbalance.ts'
import { fullLoadCurrentCalc } from './full-load-current.ts'
import { loadFromAmpsCalc } from './load-from-amps.ts'
import { percentOfPlateCalc } from './percent-of-plate.ts'
import { unitConversionCalc } from './unit-conversion.ts'
import { voltageUnbalanceCalc } from './voltage-unbalance.ts'

/** Every calculator. A new one is one file and one line here; terminal, API and bench read this list. */
export const calculators: readonly Calculator[] = [
  voltageUnbalanceCalc,
  currentUnbalanceCalc,
  allowedCurrentCalc,
  percentOfPlateCalc,
  loadFromAmpsCalc,
  fullLoadCurrentCalc,
  unitConversionCalc,
]

/** The calculator of that id, or undefined. */
export const findCalculator = (id: string): Calculator | undefined => calculators.find((c) => c.id === id)
