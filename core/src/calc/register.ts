import { adjustableSheaveCalc } from './adjustable-sheave.ts'
import { airFromAmpsCalc } from './air-from-amps.ts'
import { airFromHeatCalc } from './air-from-heat.ts'
import { airPathCalc } from './air-path.ts'
import { alignmentCalc } from './alignment.ts'
import { allowedCurrentCalc } from './allowed-current.ts'
import { ampsAtSpeedCalc } from './amps-at-speed.ts'
import { balanceCalc } from './balance.ts'
import { bearingFrequenciesCalc } from './bearing-frequencies.ts'
import { bearingLifeCalc } from './bearing-life.ts'
import { beltLengthCalc } from './belt-length.ts'
import { beltNoteCalc } from './belt-note.ts'
import { beltPowerCalc } from './belt-power.ts'
import { beltSlipCalc } from './belt-slip.ts'
import { beltTensionCalc } from './belt-tension.ts'
import { bladeStandInCalc } from './blade-stand-in.ts'
import { branchCalc } from './branch-protection.ts'
import { buildingAirCalc } from './building-air.ts'
import type { Calculator } from './calculator.ts'
import { bleedCalc } from './capacitor-bleed.ts'
import { capacitorCalc } from './capacitor-under-load.ts'
import { currentUnbalanceCalc } from './current-unbalance.ts'
import { fanAssemblyCalc } from './fan-assembly.ts'
import { fanLawsCalc } from './fan-laws.ts'
import { fanSpeedCalc } from './fan-speed.ts'
import { fanVibrationCalc } from './fan-vibration.ts'
import { fullLoadCurrentCalc } from './full-load-current.ts'
import { greaseCalc } from './grease.ts'
import { groundReturnCalc } from './ground-return.ts'
import { inputPowerCalc } from './input-power.ts'
import { insulationCalc } from './insulation.ts'
import { leadRollCalc } from './lead-roll.ts'
import { loadFromAmpsCalc } from './load-from-amps.ts'
import { slipCalc } from './load-from-slip.ts'
import { lockedRotorCalc } from './locked-rotor.ts'
import { motorAtLoadCalc } from './motor-at-load.ts'
import { nameFrequencyCalc } from './name-frequency.ts'
import { noiseDoseCalc } from './noise-dose.ts'
import { outsideAirCalc } from './outside-air.ts'
import { overloadCalc } from './overload-setting.ts'
import { percentOfPlateCalc } from './percent-of-plate.ts'
import { permissibleUnbalanceCalc } from './permissible-unbalance.ts'
import { polarisationCalc } from './polarisation.ts'
import { pscLeadsCalc } from './psc-leads.ts'
import { residualOfLeaksCalc } from './residual-of-leaks.ts'
import { shaftBearingsCalc } from './shaft-bearings.ts'
import { singlePhasingCalc } from './single-phasing.ts'
import { soundCalc } from './sound.ts'
import { supplyExplainsCalc } from './supply-explains.ts'
import { transformerCalc } from './transformer-ratio.ts'
import { traverseCalc } from './traverse.ts'
import { unitConversionCalc } from './unit-conversion.ts'
import { voltageUnbalanceCalc } from './voltage-unbalance.ts'
import { windingOhmsCalc } from './winding-ohms.ts'
import { windingTemperatureCalc } from './winding-temperature.ts'
import { combustionCalc } from './combustion.ts'
import { energyCostCalc } from './energy-cost.ts'
import { filterCostCalc } from './filter-cost.ts'
import { leastSquaresCalc } from './least-squares.ts'
import { motorOnDriveCalc } from './motor-on-drive.ts'
import { phasorDifferenceCalc } from './phasor-difference.ts'
import { presentValueCalc } from './present-value.ts'
import { startTimeCalc } from './start-time.ts'

/** Every calculator. A new one is one file and one line here; terminal, API and bench read this list. */
export const calculators: readonly Calculator[] = [
  voltageUnbalanceCalc,
  currentUnbalanceCalc,
  supplyExplainsCalc,
  allowedCurrentCalc,
  percentOfPlateCalc,
  loadFromAmpsCalc,
  motorAtLoadCalc,
  ampsAtSpeedCalc,
  motorOnDriveCalc,
  startTimeCalc,
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
  phasorDifferenceCalc,
  residualOfLeaksCalc,
  transformerCalc,
  fanSpeedCalc,
  beltPowerCalc,
  beltSlipCalc,
  adjustableSheaveCalc,
  beltLengthCalc,
  beltTensionCalc,
  beltNoteCalc,
  alignmentCalc,
  bearingLifeCalc,
  shaftBearingsCalc,
  greaseCalc,
  fanLawsCalc,
  fanAssemblyCalc,
  airPathCalc,
  airFromHeatCalc,
  airFromAmpsCalc,
  traverseCalc,
  outsideAirCalc,
  bladeStandInCalc,
  buildingAirCalc,
  combustionCalc,
  fanVibrationCalc,
  nameFrequencyCalc,
  bearingFrequenciesCalc,
  balanceCalc,
  permissibleUnbalanceCalc,
  soundCalc,
  noiseDoseCalc,
  energyCostCalc,
  filterCostCalc,
  presentValueCalc,
  leastSquaresCalc,
  unitConversionCalc,
]

/** The calculator of that id, or undefined. */
export const findCalculator = (id: string): Calculator | undefined => calculators.find((c) => c.id === id)
