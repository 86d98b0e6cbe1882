import { partIn, type PartRecord } from '@motor-round/contract'
import { pitchFromOutside } from '@motor-round/core/drivetrain'
import type { PartSlot } from '@motor-round/core/installed'
import { parseFigure } from '@motor-round/core/quantity'
import { lengthFigure, typedLength, type LengthUnit } from '../../app/lengths.ts'
import { slotDefaults, slotFields, type SlotField } from './slots.ts'

export type PartDraft = Readonly<Record<string, string>>

/** Is the field asked at all, by what is chosen elsewhere? */
export const asked = (f: SlotField, draft: PartDraft): boolean => f.when === undefined || draft[f.when[0]] === f.when[1]

/** A part as it is typed. */
export function draftOfPart(slot: PartSlot, part: PartRecord['part'] | null, unit: LengthUnit): PartDraft {
  if (!part) return slotDefaults[slot]
  const spec = new Map<string, unknown>(Object.entries(part.spec))
  return Object.fromEntries([
    ['measured', 'pitch'],
    ...slotFields[slot].map((f) => {
      const v = spec.get(f.key)
      const text =
        f.kind === 'length' && typeof v === 'number'
          ? lengthFigure(v, unit)
          : typeof v === 'number' || typeof v === 'boolean' || typeof v === 'string'
            ? String(v)
            : ''
      return [f.key, f.key === 'measured' ? 'pitch' : text] as const
    }),
    ...(slot === 'driven-sheave' ? [['type', 'fixed'] as const] : []),
  ])
}

/** The part that is typed, or what is wrong with it, by field. */
export type Typed =
  | { readonly ok: true; readonly part: PartRecord['part'] }
  | { readonly ok: false; readonly wrong: Readonly<Record<string, string>> }

const numeric = ['step', 'wheels']

export function partOfDraft(slot: PartSlot, draft: PartDraft, unit: LengthUnit): Typed {
  const wrong: Record<string, string> = {}
  const spec: Record<string, unknown> = {}
  if (slot === 'driven-sheave') spec['type'] = 'fixed'
  for (const f of slotFields[slot]) {
    if (f.key === 'measured' || !asked(f, draft)) continue
    const text = (draft[f.key] ?? '').trim()
    if (text === '') {
      if (f.needed) wrong[f.key] = f.kind === 'choice' ? 'choose one' : 'is needed'
      else if (f.kind !== 'text') spec[f.key] = null
      continue
    }
    if (f.kind === 'text') spec[f.key] = text
    else if (f.kind === 'choice')
      spec[f.key] = f.key === 'greasable' ? text === 'true' : numeric.includes(f.key) ? Number(text) : text
    else {
      const v = f.kind === 'length' ? typedLength(text, unit) : parseFigure(text)
      if (v === null) wrong[f.key] = `“${text}” is not a number`
      else spec[f.key] = v
    }
  }
  if (draft['measured'] === 'outside' && typeof spec['pitch'] === 'number' && typeof spec['section'] === 'string')
    try {
      spec['pitch'] = pitchFromOutside(spec['section'], spec['pitch'])
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
      wrong['pitch'] = e.message
    }
  if (Object.keys(wrong).length > 0) return { ok: false, wrong }
  const parsed = partIn.safeParse({ slot, spec })
  if (parsed.success) return { ok: true, part: parsed.data }
  for (const i of flat(parsed.error.issues)) wrong[String(i.path.at(-1) ?? '')] ??= i.message
  return { ok: false, wrong }
}

interface Issue {
  readonly path: readonly PropertyKey[]
  readonly message: string
  readonly errors?: readonly (readonly Issue[])[] | undefined
}

/** Issues of a union lie within: those of the member that came nearest are told. */
const flat = (issues: readonly Issue[]): Issue[] =>
  issues.flatMap((i) => {
    const nearest = [...(i.errors ?? [])].sort((a, b) => a.length - b.length)[0]
    return nearest ? flat(nearest) : [i]
  })
