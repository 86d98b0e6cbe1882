export { ampsAtVolts } from './amps-at-volts.ts'
export {
  branchProtection,
  conductorAmpacity,
  nextStandardRating,
  type BranchProtection,
  type ProtectionKind,
} from './branch-protection.ts'
export {
  bleedSeconds,
  capacitanceUnderLoad,
  capacitorAmps,
  capacitorDeviation,
  combinedCapacitance,
  underLoadUncertainty,
} from './capacitor.ts'
export { livePattern, type DeadReadings, type LivePattern } from './dead-proof.ts'
export { fullLoadCurrent, type TableCurrent } from './full-load-tables.ts'
export { groundReturn, phasorDifference, residualOfLeaks, type GroundReturn, type Phasor } from './ground-current.ts'
export {
  absorption,
  dischargeSeconds,
  insulationFactor,
  insulationFloor,
  insulationTestVolts,
  leastPolarisation,
  type Absorption,
  type InsulationPoint,
} from './insulation.ts'
export { leadRoll, type LeadRoll, type LeadRollAnswer } from './lead-roll.ts'
export { loadByLine, loadByRatio, loadByRoot, type LoadFromAmps } from './load-from-amps.ts'
export { inputKilowatts, loadFromSlip } from './load-from-slip.ts'
export { codeLetter, letterOf, lockedRotorAmps, type CodeLetter } from './locked-rotor.ts'
export { backFedPair, deadPair, lostLegByAmps, lostLineByVolts, type LegPattern } from './lost-leg.ts'
export { negativeSequenceRatio, notOneSupply } from './negative-sequence.ts'
export { driveOutput, type DrivenMotor, type DriveOutput } from './drive-output.ts'
export { largestInertia, referredInertia, startSeconds } from './start-time.ts'
export { canStart, leastStartVolts, startLimits, type StartResult, type Starting } from './can-start.ts'
export { overloadSetting, type OverloadSetting } from './overload-setting.ts'
export { pscLeads, type PscPast, type PscReading } from './psc-leads.ts'
export { singlePhasing, type SinglePhasing } from './single-phasing.ts'
export { transformerReading, type TransformerReading } from './transformer.ts'
export { currentUnbalance, leastUnbalance, voltageUnbalance } from './unbalance.ts'
export { unbalanceDerating, unbalanceRise } from './unbalance-derating.ts'
export {
  ohmsAt,
  phaseOhms,
  temperatureByOhms,
  windingPattern,
  windingUnbalance,
  type PhaseOhms,
  type WindingPattern,
} from './winding.ts'
export { connectionOf, type Connection, type Lead, type LeadsOf, type Wanted } from './connections.ts'
export { pscConnection, speedTaps, type PscConnection, type PscLeads, type TapCount } from './psc-connection.ts'
export { wantedVolts, type WantedVolts } from './wanted-volts.ts'
export {
  functionsFor,
  leadFunctions,
  leadSheetGaps,
  type LeadFunction,
  type LeadSheet,
  type LeadSide,
} from './lead-sheet.ts'
