import { allowedCurrentCalc } from './allowed-current.ts'
import { branchCalc } from './branch-protection.ts'
import type { Calculator } from './calculator.ts'
import { bleedCalc } from './capacitor-bleed.ts'
import { capacitorCalc } from './capacitor-under-load.ts'
import { currentUnbalanceCalc } from './current-unbalance.ts'
import { fullLoadCurrentCalc } from './full-load-current.ts'
import { groundReturnCalc } from './ground-return.ts'
import { inputPowerCalc } from './input-power.ts'
import { insulationCalc } from './insulation.ts'
import { leadRollCalc } from './lead-roll.ts'
import { loadFromAmpsCalc } from './load-from-amps.ts'
import { slipCalc } from './load-from-slip.ts'
import { lockedRotorCalc } from './locked-rotor.ts'
import { motorAtLoadCalc } from './motor-at-load.ts'
import { overloadCalc } from './overload-setting.ts'
import { percentOfPlateCalc } from './percent-of-plate.ts'
import { polarisationCalc } from './polarisation.ts'
import { pscLeadsCalc } from './psc-leads.ts'
import { residualOfLeaksCalc } from './residual-of-leaks.ts'
import { singlePhasingCalc } from './single-phasing.ts'
import { supplyExplainsCalc } from './supply-explains.ts'
import { transformerCalc } from './transformer-ratio.ts'
import { unitConversionCalc } from './unit-conversion.ts'
import { voltageUnbalanceCalc } from './voltage-unbalance.ts'
import { windingOhmsCalc } from './winding-ohms.ts'
import { windingTemperatureCalc } from './winding-temperature.ts'

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
  residualOfLeaksCalc,
  transformerCalc,
  unitConversionCalc,
]

/** The calculator of that id, or undefined. */
export const findCalculator = (id: string): Calculator | undefined => calculators.find((c) => c.id === id)
