import { changeFix } from './change-fix.ts'
import { changeWatch } from './change-watch.ts'
import { currentUnbalanceFix } from './current-unbalance-fix.ts'
import { currentUnbalanceStop } from './current-unbalance-stop.ts'
import { currentUnbalanceWatch } from './current-unbalance-watch.ts'
import { farBelowPlate } from './far-below-plate.ts'
import type { Limit } from './limit.ts'
import { lostLeg } from './lost-leg.ts'
import { overloadGreatest } from './overload-greatest.ts'
import { overloadSetting } from './overload-setting.ts'
import { returnFix } from './return-fix.ts'
import { returnWatch } from './return-watch.ts'
import { trendHorizon } from './trend-horizon.ts'
import { trendWindow } from './trend-window.ts'
import { unbalanceRatioSupply } from './unbalance-ratio-supply.ts'
import { visitInterval } from './visit-interval.ts'
import { voltageUnbalanceClean } from './voltage-unbalance-clean.ts'
import { voltageUnbalanceStop } from './voltage-unbalance-stop.ts'
import { voltageUnbalanceSupply } from './voltage-unbalance-supply.ts'
import { voltsMotorWindow } from './volts-motor-window.ts'
import { voltsServiceRange } from './volts-service-range.ts'

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
  'trend-horizon': trendHorizon,
  'trend-window': trendWindow,
  'visit-interval': visitInterval,
  'return-fix': returnFix,
  'return-watch': returnWatch,
} as const satisfies Record<string, Limit>

export type LimitId = keyof typeof limitRegister
