import { workWords as kindWords, type WorkDone } from '@motor-round/core/trend'
import { turnsWords } from './words.ts'

/** A change as it was done: `turn of the motor sheave, 2 to 2½ turns open`. */
export const workWords = (w: WorkDone): string =>
  w.turns
    ? `sheave ${w.turns.before === null ? '' : `from ${turnsWords(w.turns.before)} `}to ${turnsWords(w.turns.after)} open`
    : kindWords(w.kind)
