import { grades, type Grade } from '../../fit/index.ts'
import { bladeLoad } from './blade-load.ts'
import { partChecks } from './checks.ts'
import { gradePoint, type Measured, type PartGrade } from './point.ts'

/** New parts against the old ones. */
export interface PartCheck {
  readonly grade: Grade
  readonly points: readonly PartGrade[]
  /** It may be cut and pulled: every point measured, none that does not fit. */
  readonly passes: boolean
}

/**
 * Grade what was measured in a step.
 * @returns null where nothing is measured in it
 */
export function checkParts(step: string, measured: readonly Measured[]): PartCheck | null {
  const points = partChecks[step]
  if (!points) return null
  const last = (id: string) => measured.findLast((m) => m.point === id)
  const graded = points.map((p) => gradePoint(p, p.worked ? bladeLoad(last) : last(p.id)))
  const worst = Math.max(...graded.map((g) => grades.indexOf(g.grade)))
  const grade = grades[worst] ?? 'not known'
  return { grade, points: graded, passes: grade === 'drops in' || grade === 'fits with changes' }
}
