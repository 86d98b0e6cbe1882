import type { Check } from '../check.ts'
import { found } from '../sheets/found.ts'
import { sheetJudges } from '../sheets/register.ts'
import { afterWork } from './after-work.ts'
import { beltsCarryCheck } from './belts-carry.ts'
import { change } from './change.ts'
import { conditions } from './conditions.ts'
import { currentUnbalanceCheck } from './current-unbalance.ts'
import { farBelow } from './far-below.ts'
import { lostLeg } from './lost-leg.ts'
import { noPlate } from './no-plate.ts'
import { overAmp } from './over-amp.ts'
import { phaseMonitor } from './phase-monitor.ts'
import { peers } from './peers.ts'
import { serviceVoltage } from './service-voltage.ts'
import { shaftLoad } from './shaft-load.ts'
import { stale } from './stale.ts'
import { step } from './step.ts'
import { trend } from './trend.ts'
import { turning } from './turning.ts'
import { twin } from './twin.ts'
import { voltageUnbalanceCheck } from './voltage-unbalance.ts'
import { wheelSpeed } from './wheel-speed.ts'

/** Every check, most urgent kind first: of two equally bad verdicts the earlier one speaks for the machine. */
export const checks: readonly Check[] = [
  lostLeg,
  // What the page asks for beside the running figures; how it was found speaks last, it is the least exact.
  ...sheetJudges.filter((j) => !found.judges.includes(j)),
  turning,
  voltageUnbalanceCheck,
  wheelSpeed,
  overAmp,
  currentUnbalanceCheck,
  phaseMonitor,
  serviceVoltage,
  stale,
  change,
  afterWork,
  step,
  trend,
  twin,
  peers,
  farBelow,
  shaftLoad,
  beltsCarryCheck,
  noPlate,
  ...found.judges,
  conditions,
]
