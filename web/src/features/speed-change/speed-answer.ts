import { speedOptions, type SpeedAnswer, type DriveToday, type Goal } from '@motor-round/core/speed-change'

/** The bench's answer, or in words why it has none. */
export function answerOf(today: DriveToday, goal: Goal | null): SpeedAnswer | string {
  try {
    return speedOptions(today, goal)
  } catch (e) {
    if (!(e instanceof RangeError)) throw e
    return e.message
  }
}

/** Why a visit is no start for a speed change, and what to do. */
export const missingWords = {
  'no amps': 'No readings yet: take amps on all legs, settled, first.',
  'no volts': 'The last visit has no volts: read volts together with the amps.',
  'another motor':
    'The motor was replaced after these amps were read, and the nameplates do not say enough to convert them. Read the amps first.',
  'no plate amps': 'The nameplate gives no amps for this supply: complete the nameplate.',
  'no sheaves': 'The sheaves are not entered: enter both, and the belt, on the drive train page.',
} as const
