import { adjustableSheaveCalc } from './drive-train/adjustable-sheave.ts'
import { airFromAmpsCalc } from './air/air-from-amps.ts'
import { airFromGasCalc } from './air/air-from-gas.ts'
import { capacitorCombineCalc } from './capacitor/capacitor-combine.ts'
import { soundSumCalc } from './motion/sound-sum.ts'
import { vibrationAmplitudeCalc } from './motion/vibration-amplitude.ts'
import { airFromHeatCalc } from './air/air-from-heat.ts'
import { airPathCalc } from './air/air-path.ts'
import { alignmentCalc } from './drive-train/alignment.ts'
import { allowedCurrentCalc } from './amps/allowed-current.ts'
import { ampsAtSpeedCalc } from './amps/amps-at-speed.ts'
import { balanceCalc } from './motion/balance.ts'
import { bearingFrequenciesCalc } from './drive-train/bearing-frequencies.ts'
import { bearingLifeCalc } from './drive-train/bearing-life.ts'
import { beltLengthCalc } from './drive-train/belt-length.ts'
import { beltNoteCalc } from './drive-train/belt-note.ts'
import { beltPowerCalc } from './drive-train/belt-power.ts'
import { beltSlipCalc } from './drive-train/belt-slip.ts'
import { beltTensionCalc } from './drive-train/belt-tension.ts'
import { bladeStandInCalc } from './air/blade-stand-in.ts'
import { branchCalc } from './protection/branch-protection.ts'
import { buildingAirCalc } from './air/building-air.ts'
import type { Calculator } from './calculator.ts'
import { bleedCalc } from './capacitor/capacitor-bleed.ts'
import { capacitorCalc } from './capacitor/capacitor-under-load.ts'
import { currentUnbalanceCalc } from './amps/current-unbalance.ts'
import { fanAssemblyCalc } from './air/fan-assembly.ts'
import { fanLawsCalc } from './air/fan-laws.ts'
import { fanSpeedCalc } from './drive-train/fan-speed.ts'
import { fanVibrationCalc } from './motion/fan-vibration.ts'
import { fullLoadCurrentCalc } from './amps/full-load-current.ts'
import { greaseCalc } from './drive-train/grease.ts'
import { groundReturnCalc } from './winding/ground-return.ts'
import { inputPowerCalc } from './amps/input-power.ts'
import { insulationCalc } from './winding/insulation.ts'
import { leadRollCalc } from './winding/lead-roll.ts'
import { loadFromAmpsCalc } from './amps/load-from-amps.ts'
import { slipCalc } from './amps/load-from-slip.ts'
import { lockedRotorCalc } from './amps/locked-rotor.ts'
import { motorAtLoadCalc } from './amps/motor-at-load.ts'
import { nameFrequencyCalc } from './motion/name-frequency.ts'
import { noiseDoseCalc } from './motion/noise-dose.ts'
import { outsideAirCalc } from './air/outside-air.ts'
import { overloadCalc } from './protection/overload-setting.ts'
import { percentOfPlateCalc } from './amps/percent-of-plate.ts'
import { permissibleUnbalanceCalc } from './motion/permissible-unbalance.ts'
import { polarisationCalc } from './winding/polarisation.ts'
import { pscLeadsCalc } from './winding/psc-leads.ts'
import { residualOfLeaksCalc } from './winding/residual-of-leaks.ts'
import { shaftBearingsCalc } from './drive-train/shaft-bearings.ts'
import { singlePhasingCalc } from './supply/single-phasing.ts'
import { soundCalc } from './motion/sound.ts'
import { supplyExplainsCalc } from './supply/supply-explains.ts'
import { transformerCalc } from './supply/transformer-ratio.ts'
import { traverseCalc } from './air/traverse.ts'
import { unitConversionCalc } from './general/unit-conversion.ts'
import { voltageUnbalanceCalc } from './supply/voltage-unbalance.ts'
import { windingOhmsCalc } from './winding/winding-ohms.ts'
import { windingTemperatureCalc } from './winding/winding-temperature.ts'
import { combustionCalc } from './air/combustion.ts'
import { energyCostCalc } from './cost/energy-cost.ts'
import { filterCostCalc } from './cost/filter-cost.ts'
import { leastSquaresCalc } from './general/least-squares.ts'
import { motorOnDriveCalc } from './amps/motor-on-drive.ts'
import { phasorDifferenceCalc } from './supply/phasor-difference.ts'
import { presentValueCalc } from './cost/present-value.ts'
import { startTimeCalc } from './amps/start-time.ts'

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
  capacitorCombineCalc,
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
  airFromGasCalc,
  airFromAmpsCalc,
  traverseCalc,
  outsideAirCalc,
  bladeStandInCalc,
  buildingAirCalc,
  combustionCalc,
  fanVibrationCalc,
  vibrationAmplitudeCalc,
  nameFrequencyCalc,
  bearingFrequenciesCalc,
  balanceCalc,
  permissibleUnbalanceCalc,
  soundCalc,
  soundSumCalc,
  noiseDoseCalc,
  energyCostCalc,
  filterCostCalc,
  presentValueCalc,
  leastSquaresCalc,
  unitConversionCalc,
]

/** The calculator of that id, or undefined. */
export const findCalculator = (id: string): Calculator | undefined => calculators.find((c) => c.id === id)
