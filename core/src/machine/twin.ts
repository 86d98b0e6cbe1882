import type { SystemCurve } from '../air/index.ts'

/** The other fan of a pair on one duct. */
export type Twin = 'running' | 'off' | 'off, shut by its damper'

/** How freely air runs back through an idle wheel, against the duct of one of two running fans. @source figure of this model */
const idleWheel = 3

/**
 * The duct as one of two fans sees it. While both run each has half of it; alone it has the whole, less what runs back
 * through the idle wheel.
 * @param half the duct as seen with both running alike
 * @source resistances in parallel: 1/√k = 1/√k₁ + 1/√k₂
 */
export function ductWithTwin(half: SystemCurve, twin: Twin | null): SystemCurve {
  if (twin === null || twin === 'running') return half
  const whole = half.k / 4
  if (twin === 'off, shut by its damper') return { fixed: half.fixed, k: whole }
  const back = half.k * idleWheel
  return { fixed: half.fixed, k: (1 / Math.sqrt(whole) + 1 / Math.sqrt(back)) ** -2 }
}

/** Share of its own speed at which an idle wheel spins backwards at the running one's pressure. @source common practice */
const windmill = 0.35

/** Speed of the twin's wheel, rpm; below zero backwards. */
export function backSpin(twin: Twin | null, rpm: number, pressure: number, ordinary: number): number {
  if (twin === null || twin === 'off, shut by its damper') return 0
  return twin === 'running' ? rpm : -windmill * rpm * Math.sqrt(Math.max(0, pressure) / ordinary)
}
