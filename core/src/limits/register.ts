import { beltOvertight } from './belt-overtight.ts'
import { busVolts } from './bus-volts.ts'
import { capacitorHigh } from './capacitor-high.ts'
import { capacitorLow } from './capacitor-low.ts'
import { changeFix } from './change-fix.ts'
import { changeWatch } from './change-watch.ts'
import { contactDropFix } from './contact-drop-fix.ts'
import { contactDropWatch } from './contact-drop-watch.ts'
import { contactOhms } from './contact-ohms.ts'
import { controlVoltsHigh } from './control-volts-high.ts'
import { controlVolts } from './control-volts.ts'
import { coolDown } from './cool-down.ts'
import { creepRatio } from './creep-ratio.ts'
import { currentUnbalanceFix } from './current-unbalance-fix.ts'
import { currentUnbalanceStop } from './current-unbalance-stop.ts'
import { currentUnbalanceWatch } from './current-unbalance-watch.ts'
import { deadVolts } from './dead-volts.ts'
import { driveWait } from './drive-wait.ts'
import { farBelowPlate } from './far-below-plate.ts'
import { filterDropFix } from './filter-drop-fix.ts'
import { filterDropNone } from './filter-drop-none.ts'
import { filterDropWatch } from './filter-drop-watch.ts'
import { groundAmpsDrive } from './ground-amps-drive.ts'
import { groundAmpsStop } from './ground-amps-stop.ts'
import { groundAmpsWatch } from './ground-amps-watch.ts'
import { groundOhms } from './ground-ohms.ts'
import { inrushLow } from './inrush-low.ts'
import { insulationFallFix } from './insulation-fall-fix.ts'
import { insulationFallWatch } from './insulation-fall-watch.ts'
import { insulationFormWound } from './insulation-form-wound.ts'
import { insulationLamp } from './insulation-lamp.ts'
import { insulationRandomWound } from './insulation-random-wound.ts'
import { intervalBelts } from './interval-belts.ts'
import { intervalFilters } from './interval-filters.ts'
import { intervalInsulation } from './interval-insulation.ts'
import { intervalStretch } from './interval-stretch.ts'
import { intervalTerminals } from './interval-terminals.ts'
import { intervalVibration } from './interval-vibration.ts'
import type { Limit } from './limit.ts'
import { loadExplained } from './load-explained.ts'
import { lostLeg } from './lost-leg.ts'
import { ohmsWander } from './ohms-wander.ts'
import { overloadGreatest } from './overload-greatest.ts'
import { overloadSetting } from './overload-setting.ts'
import { polarisationClear } from './polarisation-clear.ts'
import { proofVolts } from './proof-volts.ts'
import { returnFix } from './return-fix.ts'
import { returnWatch } from './return-watch.ts'
import { settleRun } from './settle-run.ts'
import { sheaveAskew } from './sheave-askew.ts'
import { soundGrown } from './sound-grown.ts'
import { surfaceHot } from './surface-hot.ts'
import { transformerRatio } from './transformer-ratio.ts'
import { trendHorizon } from './trend-horizon.ts'
import { trendWindow } from './trend-window.ts'
import { twinDiffers } from './twin-differs.ts'
import { unbalanceRatioSupply } from './unbalance-ratio-supply.ts'
import { vibrationGrown } from './vibration-grown.ts'
import { visitInterval } from './visit-interval.ts'
import { voltageUnbalanceClean } from './voltage-unbalance-clean.ts'
import { voltageUnbalanceStop } from './voltage-unbalance-stop.ts'
import { voltageUnbalanceSupply } from './voltage-unbalance-supply.ts'
import { voltsMotorWindow } from './volts-motor-window.ts'
import { voltsServiceRange } from './volts-service-range.ts'
import { windingEven } from './winding-even.ts'
import { windingReject } from './winding-reject.ts'

/** Every limit, by id. A new limit is one file and one line here. */
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
