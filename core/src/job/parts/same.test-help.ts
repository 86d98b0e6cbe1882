import { partChecks } from './checks.ts'
import type { Measured } from './point.ts'

/** Every point of a step measured, the new part the same as the old one; with what is given instead. */
export const samePart = (step: string, over: Readonly<Record<string, Partial<Measured>>> = {}): Measured[] =>
  (partChecks[step] ?? []).map((p) => {
    const value = p.kind === 'choice' ? (p.choices?.[0] ?? '') : 30
    return { point: p.id, old: value, now: value, ...over[p.id] }
  })
