import type { Condition } from './condition.ts'

/** When a condition keeps the power off, and whether a named person may go on with a reason. */
export type Bar =
  'before power' | 'before power, unless overridden' | 'before running' | 'before running, unless overridden'

/** What lies ahead of the motor or is told by the bump itself is read with the line side on: it keeps the motor off, not the line. */
const readWithPower: readonly string[] = [
  'line-side',
  'voltage-unbalance',
  'service-voltage',
  'lost-leg',
  'drive-input',
  'roll-amps',
  'volts-per-hertz',
  'over-hertz',
  'power-transformer',
  'control-power',
  'rotation',
  'turning',
  'as-found',
]

/** Not a visit, and still no power on it before it is put right or somebody answers for it by name. */
const fixesThatBar: readonly string[] = [
  'contactor-poles',
  'winding-ohms',
  'psc-winding',
  'winding-to-ground',
  'insulation',
  'terminals@wires',
  'keys@key.length',
  'keys@key.torque',
  'keys@hub.stand',
  'wheel@wheel.screws',
  'wheel@wheel.hand',
  'bearings@bearing.lock',
  'spin',
  'line-side',
  'service-voltage',
  'rotation',
  'turning',
  'power-transformer',
  'column',
]

/** Null: it bars nothing. */
export function barsPower(k: Pick<Condition, 'level' | 'verdict' | 'positions' | 'retest'>): Bar | null {
  if (k.retest) return null
  const { check } = k.verdict
  const running = readWithPower.includes(check)
  // The burner stays off; to be read again the fan has to run.
  if (check === 'combustion') return k.level === 'watch' ? null : 'before running, unless overridden'
  if (k.level === 'stop') return running ? 'before running' : 'before power'
  if (k.level !== 'fix') return null
  const listed = fixesThatBar.some((f) => f === check || k.positions.some((p) => f === `${check}@${p}`))
  if (!listed) return null
  return running ? 'before running, unless overridden' : 'before power, unless overridden'
}
