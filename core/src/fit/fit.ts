import { electricalPoints } from './electrical-points.ts'
import { mechanicalPoints } from './mechanical-points.ts'
import { grades, type Fit, type FitPoint, type Swap } from './swap.ts'

/**
 * Does the new motor fit? The worst point decides.
 * @source common practice; frames by NEMA MG 1 and IEC 60072-1, from memory
 */
export function fitMotor(swap: Swap): Fit {
  const points = [...electricalPoints, ...mechanicalPoints].flatMap((p) => p(swap) ?? [])
  const order = (p: FitPoint) => grades.indexOf(p.grade)
  const worstFirst = [...points].sort((a, b) => order(b) - order(a))
  return {
    grade: worstFirst[0]?.grade ?? 'not known',
    points: worstFirst,
    kit: [...new Set(points.flatMap((p) => p.kit))],
  }
}
