export { clampOffSensor, whereTheyDisagree } from './clamp-against-sensor.ts'
export { summarizeDay, type AmpsBin, type DayOf, type LiveDay, type Minutes, type OffHours } from './day.ts'
export {
  againstBefore,
  besideForJudging,
  daysForJudging,
  hoursADay,
  newestDays,
  type AgainstBefore,
  type LiveBeside,
  type LiveEvidence,
  type RunHours,
} from './evidence.ts'
export { unitDoubt, type PointSeen } from './fits-plate.ts'
export {
  factorOf,
  liveQuantities,
  liveQuantity,
  type LivePlate,
  type LiveQuantity,
  type LiveQuantityId,
  type LiveUnit,
} from './quantities.ts'
export { joined, rollUp, type Rolled } from './rollup.ts'
export { instantsOf, type Written } from './twice.ts'
