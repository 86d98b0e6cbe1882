/** How a wheel's power goes with its flow at one speed. */
export type WheelType = 'forward-curved' | 'backward-inclined' | 'propeller'

/**
 * What pressure and amps together say, at unchanged speed. Rises and falls as shares of what is usual.
 * @source fan curves: forward-curved power rises with flow all the way; backward-inclined has its greatest inside the
 * curve; a propeller's is greatest shut off
 */
export function airPathSays(
  wheel: WheelType,
  change: { readonly pressure: number; readonly amps: number },
  small = 0.05,
): 'restriction' | 'opening' | 'faster' | 'slower' | 'no change' | 'mixed' {
  const { pressure, amps } = change
  const p = Math.abs(pressure) < small ? 0 : Math.sign(pressure)
  const a = Math.abs(amps) < small ? 0 : Math.sign(amps)
  if (p === 0 && a === 0) return 'no change'
  if (wheel === 'propeller') return p >= 0 && a > 0 ? 'restriction' : p <= 0 && a < 0 ? 'opening' : 'mixed'
  if (p > 0 && a > 0) return 'faster'
  if (p < 0 && a < 0) return 'slower'
  // Less air costs a forward-curved wheel fewer amps; on a backward-inclined one they hardly move.
  if (p > 0 && (a < 0 || wheel === 'backward-inclined')) return 'restriction'
  if (p < 0 && (a > 0 || wheel === 'backward-inclined')) return 'opening'
  return 'mixed'
}
