import { allowedCurrentCalc } from './allowed-current.ts'
import type { Calculator } from './calculator.ts'
import { currentUnbalanceCalc } from './current-unbalance.ts'
import { fullLoadCurrentCalc } from './full-load-current.ts'
import { bleedCalc, capacitorCalc } from './capacitors.ts'
import {
  groundReturnCalc,
  inputPowerCalc,
  leadRollCalc,
  singlePhasingCalc,
  slipCalc,
  transformerCalc,
} from './faults.ts'
import { insulationCalc, polarisationCalc } from './insulation.ts'
import { loadFromAmpsCalc, motorAtLoadCalc } from './load-from-amps.ts'
import { branchCalc, lockedRotorCalc, overloadCalc } from './protection.ts'
import { supplyExplainsCalc } from './supply-explains.ts'
import { pscLeadsCalc, windingOhmsCalc, windingTemperatureCalc } from './windings.ts'
import { percentOfPlateCalc } from './percent-of-plate.ts'
import { unitConversionCalc } from './unit-conversion.ts'
import { voltageUnbalanceCalc } from './voltage-unbalance.ts'

/** Every calculator. A new one is one file and one line here; terminal, API and bench read this list. */
export const calculators: readonly Calculator[] = [
  voltageUnbalanceCalc,
  currentUnbalanceCalc,
  supplyExplainsCalc,
  allowedCurrentCalc,
  percentOfPlateCalc,
  loadFromAmpsCalc,
  motorAtLoadCalc,
  slipCalc,
  inputPowerCalc,
  windingOhmsCalc,
  windingTemperatureCalc,
  pscLeadsCalc,
  insulationCalc,
  polarisationCalc,
  capacitorCalc,
  bleedCalc,
  overloadCalc,
  branchCalc,
  fullLoadCurrentCalc,
  lockedRotorCalc,
  singlePhasingCalc,
  leadRollCalc,
  groundReturnCalc,
  transformerCalc,
  unitConversionCalc,
]

/** The calculator of that id, or undefined. */
export const findCalculator = (id: string): Calculator | undefined => calculators.find((c) => c.id === id)
