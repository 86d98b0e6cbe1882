import { convert, show, type ShownUnits } from '../../quantity/index.ts'
import type { Grade } from '../../fit/index.ts'

/** One figure of a new part against what it has to fit. Lengths in millimeters. */
export interface PartPoint {
  readonly id: string
  readonly title: string
  /** What the two columns are; left out: the old part and the new one. */
  readonly old?: string
  readonly now?: string
  readonly kind: 'length' | 'number' | 'choice'
  readonly unit?: string
  readonly choices?: readonly string[]
  /** So much more, and so much less, than the old is the same. */
  readonly over?: number
  readonly under?: number
  /** More is as good. */
  readonly atLeast?: boolean
  /** The new one may be so much, whatever the old one was; and so much, or what the old one was, with the change. */
  readonly most?: { readonly free: number; readonly change: number }
  /** Of the new part it is worked out from the other points. */
  readonly worked?: boolean
  /** With a difference it fits after this; left out: it does not fit. */
  readonly change?: string
  /** Why it does not fit. */
  readonly why: string
}

/** What was measured, or read off the part. */
export interface Measured {
  readonly point: string
  readonly old: number | string
  readonly now: number | string
}

export interface PartGrade {
  readonly point: PartPoint
  readonly measured: Measured | null
  readonly grade: Grade
  readonly because: string
}

const same = (point: PartPoint, { old, now }: Measured): boolean => {
  if (typeof old === 'string' || typeof now === 'string') return old === now
  if (point.most) return now <= point.most.free
  const more = now - old
  // Fractions of a thousandth come from the units.
  return more <= (point.atLeast ? Infinity : (point.over ?? 0)) + 1e-6 && -more <= (point.under ?? 0) + 1e-6
}

const tooMuch = ({ most }: PartPoint, { old, now }: Measured): boolean =>
  most !== undefined && typeof old === 'number' && typeof now === 'number' && now > Math.max(most.change, old)

const isKind = (point: PartPoint, value: number | string): boolean =>
  point.kind === 'choice'
    ? typeof value === 'string' && (point.choices ?? []).includes(value)
    : typeof value === 'number' && Number.isFinite(value) && value >= 0

/** Grade one point; what was not measured is not known. */
export function gradePoint(point: PartPoint, measured: Measured | undefined): PartGrade {
  if (!measured || !isKind(point, measured.old) || !isKind(point, measured.now))
    return { point, measured: null, grade: 'not known', because: 'Not measured.' }
  if (same(point, measured)) return { point, measured, grade: 'drops in', because: '' }
  return point.change === undefined || tooMuch(point, measured)
    ? { point, measured, grade: 'does not fit', because: point.why }
    : { point, measured, grade: 'fits with changes', because: point.change }
}

/** A measured value as it is shown: shafts to a thousandth of an inch. */
export function measuredWords(point: PartPoint, value: number | string, system: ShownUnits['system']): string {
  if (typeof value === 'string') return value
  if (point.kind !== 'length') return `${value}${point.unit ? ` ${point.unit}` : ''}`
  return system === 'metric' ? `${show.trimmed(value, 2)} mm` : `${show.trimmed(convert(value, 'mm', 'in'), 3)} in`
}
