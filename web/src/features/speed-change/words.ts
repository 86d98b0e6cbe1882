import type { SpeedChangeRecord } from '@motor-round/contract'
import type { SpeedChange } from '@motor-round/core/speed-change'
import { showLength, type LengthUnit } from '../../app/lengths.ts'

const fraction = (v: number) => {
  const whole = Math.floor(v)
  const half = v - whole === 0.5
  return half ? `${whole === 0 ? '' : whole}½` : String(v)
}

/** Turns as they are counted: 2½. */
export const turnsWords = (v: number): string => `${fraction(v)} ${v <= 1 ? 'turn' : 'turns'}`

/** A change in the mechanic's words. @param turns that the sheave stands open now */
export function changeWords(
  change: SpeedChange | SpeedChangeRecord['change'],
  turns: number | null,
  unit: LengthUnit,
): string {
  switch (change.kind) {
    case 'turns': {
      if (turns === null || change.turns === turns) return `Motor sheave ${turnsWords(change.turns)} open`
      const by = Math.abs(change.turns - turns)
      return `${change.turns > turns ? 'Open' : 'Close'} the motor sheave ${fraction(by)} ${by <= 1 ? 'turn' : 'turns'}, to ${fraction(change.turns)} open`
    }
    case 'motor sheave':
      return `Motor sheave of ${showLength(change.pitch, unit)} pitch`
    case 'driven sheave':
      return `Fan sheave of ${showLength(change.pitch, unit)} pitch`
    case 'hertz':
      return `Set the drive to ${change.hz.toFixed(1)} Hz`
  }
}
