import type { FitPoint, Grade } from './swap.ts'

const blank = 'not on the nameplate'

/** One row of the comparison. */
export const row = (
  point: string,
  old: string | number | undefined,
  now: string | number | undefined,
  grade: Grade,
  because = '',
  kit: readonly string[] = [],
): FitPoint => ({ point, old: String(old ?? blank), now: String(now ?? blank), grade, because, kit })

/** A row whose figure is missing on a nameplate. */
export const missing = (
  point: string,
  old: string | number | undefined,
  now: string | number | undefined,
  needed: string,
): FitPoint => row(point, old, now, 'not known', needed)
