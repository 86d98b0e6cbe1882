export {
  checkSettings,
  differences,
  differenceWords,
  twinDifferences,
  type Difference,
  type PlateForDrive,
  type SettingLine,
} from './check-settings.ts'
export {
  decodeLive,
  decodeParameters,
  faultWords,
  rawWords,
  type ShownFault,
  type VfdReading,
  type Words,
} from './decode.ts'
export { faultFamilies, faultFamily, type FaultFamily, type FaultFamilyId } from './fault-families.ts'
export { parameterOf, parameters, shownParameter, type ParameterId, type ParameterSet } from './parameters.ts'
export {
  liveValues,
  registerTypes,
  statusBits,
  wordsOf,
  type LiveValueId,
  type RegisterField,
  type RegisterTable,
  type StatusBit,
  type VfdProfile,
} from './profile.ts'
export { readPlan, type Block, type Wanted } from './read-plan.ts'
export { shippedProfiles } from './profiles/index.ts'
export { practiceRegisters, StandIn, type StandInOf, type WriteResult } from './stand-in.ts'
export { answeredFor, cameTo, knownSettings, type CameTo, type KeptSettings, type TwinSettings } from './came-to.ts'
export { plateForDrive } from './plate-for-drive.ts'
export { ampsAtHz, type ExpectedAmps, type FanOnDrive } from './amps-at-hz.ts'
export { learnedNoLoad } from './learned-no-load.ts'
