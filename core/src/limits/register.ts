import {
  voltageUnbalanceClean,
  voltageUnbalanceSupply,
  voltageUnbalanceStop,
  voltsMotorWindow,
  voltsServiceRange,
  transformerRatio,
  controlVolts,
  controlVoltsHigh,
} from './supply.ts'
import {
  currentUnbalanceWatch,
  currentUnbalanceFix,
  currentUnbalanceStop,
  unbalanceRatioSupply,
  loadExplained,
  lostLeg,
  farBelowPlate,
  inrushLow,
  creepRatio,
} from './current.ts'
import { changeWatch, changeFix, twinDiffers, trendHorizon, trendWindow } from './trend.ts'
import { groundAmpsWatch, groundAmpsStop, groundAmpsDrive } from './ground-current.ts'
import {
  insulationRandomWound,
  insulationFormWound,
  insulationLamp,
  insulationFallWatch,
  insulationFallFix,
  polarisationClear,
  groundOhms,
} from './insulation.ts'
import { windingEven, windingReject, ohmsWander } from './winding.ts'
import { capacitorLow, capacitorHigh } from './capacitor.ts'
import { contactOhms, contactDropWatch, contactDropFix } from './contacts.ts'
import { overloadSetting, overloadGreatest } from './protection.ts'
import { deadVolts, proofVolts, busVolts, driveWait } from './proof-of-dead.ts'
import { beltOvertight, sheaveAskew } from './drive-train.ts'
import { filterDropWatch, filterDropFix, filterDropNone } from './air.ts'
import { vibrationGrown, soundGrown } from './motion.ts'
import { surfaceHot, coolDown } from './temperature.ts'
import {
  visitInterval,
  returnWatch,
  returnFix,
  intervalBelts,
  intervalFilters,
  intervalInsulation,
  intervalTerminals,
  intervalVibration,
  intervalStretch,
  settleRun,
} from './intervals.ts'
import type { Limit } from './limit.ts'

/** Every limit, by id. A new limit is a definition in the file of its subject and one line here. */
export const limitRegister = {
  'voltage-unbalance-clean': voltageUnbalanceClean,
  'voltage-unbalance-supply': voltageUnbalanceSupply,
  'voltage-unbalance-stop': voltageUnbalanceStop,
  'volts-motor-window': voltsMotorWindow,
  'volts-service-range': voltsServiceRange,
  'current-unbalance-watch': currentUnbalanceWatch,
  'current-unbalance-fix': currentUnbalanceFix,
  'current-unbalance-stop': currentUnbalanceStop,
  'unbalance-ratio-supply': unbalanceRatioSupply,
  'lost-leg': lostLeg,
  'far-below-plate': farBelowPlate,
  'change-watch': changeWatch,
  'change-fix': changeFix,
  'overload-setting': overloadSetting,
  'overload-greatest': overloadGreatest,
  'twin-differs': twinDiffers,
  'trend-horizon': trendHorizon,
  'trend-window': trendWindow,
  'visit-interval': visitInterval,
  'interval-belts': intervalBelts,
  'interval-filters': intervalFilters,
  'interval-insulation': intervalInsulation,
  'interval-vibration': intervalVibration,
  'interval-terminals': intervalTerminals,
  'interval-stretch': intervalStretch,
  'drive-wait': driveWait,
  'cool-down': coolDown,
  'settle-run': settleRun,
  'return-fix': returnFix,
  'return-watch': returnWatch,
  'insulation-random-wound': insulationRandomWound,
  'insulation-form-wound': insulationFormWound,
  'insulation-lamp': insulationLamp,
  'insulation-fall-fix': insulationFallFix,
  'insulation-fall-watch': insulationFallWatch,
  'polarisation-clear': polarisationClear,
  'winding-even': windingEven,
  'winding-reject': windingReject,
  'ohms-wander': ohmsWander,
  'ground-ohms': groundOhms,
  'dead-volts': deadVolts,
  'proof-volts': proofVolts,
  'bus-volts': busVolts,
  'capacitor-low': capacitorLow,
  'capacitor-high': capacitorHigh,
  'ground-amps-watch': groundAmpsWatch,
  'ground-amps-stop': groundAmpsStop,
  'ground-amps-drive': groundAmpsDrive,
  'contact-drop-watch': contactDropWatch,
  'contact-drop-fix': contactDropFix,
  'contact-ohms': contactOhms,
  'control-volts': controlVolts,
  'control-volts-high': controlVoltsHigh,
  'transformer-ratio': transformerRatio,
  'surface-hot': surfaceHot,
  'inrush-low': inrushLow,
  'creep-ratio': creepRatio,
  'load-explained': loadExplained,
  'filter-drop-watch': filterDropWatch,
  'filter-drop-fix': filterDropFix,
  'filter-drop-none': filterDropNone,
  'vibration-grown': vibrationGrown,
  'belt-overtight': beltOvertight,
  'sheave-askew': sheaveAskew,
  'sound-grown': soundGrown,
} as const satisfies Record<string, Limit>

export type LimitId = keyof typeof limitRegister
