import { speedBench, type BenchAnswer, type BenchToday, type Goal } from '@motor-round/core/bench'

/** The bench's answer, or in words why it has none. */
export function answerOf(today: BenchToday, goal: Goal | null): BenchAnswer | string {
  try {
    return speedBench(today, goal)
  } catch (e) {
    if (!(e instanceof RangeError)) throw e
    return e.message
  }
}

/** Why a stop gives the bench nothing to start from, and what to do. */
export const missingWords = {
  'no amps': 'Nothing was read on it yet: take a stop first, all legs, settled.',
  'no volts': 'Its last stop has no volts: read them with the amps.',
  'another motor':
    'The motor was changed after these amps were read, and its plate or the one before it does not tell enough to carry them over: read the amps first.',
  'no plate amps': 'Its plate gives no amps for this supply: fill in the plate.',
  'no sheaves': 'Its sheaves are not in the book: enter both, and the belt, on its drive train page.',
} as const
