/** What a lead of a fan motor does. */
export const leadFunctions = [
  { id: 'l1', words: 'Line L1', phases: 3, needed: true },
  { id: 'l2', words: 'Line L2', phases: 3, needed: true },
  { id: 'l3', words: 'Line L3', phases: 3, needed: true },
  { id: 'line', words: 'Line', phases: 1, needed: true },
  { id: 'common', words: 'Common', phases: 1, needed: true },
  { id: 'capacitor-1', words: 'Capacitor, one side', phases: 1, needed: false },
  { id: 'capacitor-2', words: 'Capacitor, other side', phases: 1, needed: false },
  { id: 'tap-used', words: 'Speed tap in use', phases: 1, needed: false },
  { id: 'tap-spare', words: 'Speed taps not in use', phases: 1, needed: false },
  { id: 'rotation', words: 'Rotation pair, joined as', phases: 1, needed: false },
  { id: 'joints', words: 'Joined among themselves', phases: 3, needed: false },
  { id: 'spare', words: 'Not in use, each capped', phases: null, needed: false },
  { id: 'ground', words: 'Ground', phases: null, needed: true },
] as const
export type LeadFunction = (typeof leadFunctions)[number]['id']

/** Leads by what they do, as somebody wrote them down: numbers or colors, several with commas. */
export type LeadSide = Readonly<Partial<Record<LeadFunction, string>>>

/** The old motor's leads and the new one's, and how each was seen to turn. */
export interface LeadSheet {
  readonly old: LeadSide
  readonly new: LeadSide
  readonly oldTurns: 'clockwise' | 'counter-clockwise' | null
  readonly newTurns: 'clockwise' | 'counter-clockwise' | null
}

export const functionsFor = (phases: 1 | 3) => leadFunctions.filter((f) => f.phases === null || f.phases === phases)

/** Pairs that are joined are written with a dash; leads of one entry with a comma. */
const leadsIn = (text: string | undefined): string[] =>
  (text ?? '')
    .split(/[,;+\-–]/)
    .map((t) => t.trim().toLowerCase())
    .filter((t) => t !== '')

/**
 * What is missing or cannot be on a lead sheet, a sentence each; empty where it is whole.
 * @source common practice: taps by function and not by color, one live tap, ground kept, both rotation references
 */
export function leadSheetGaps(sheet: LeadSheet, phases: 1 | 3): readonly string[] {
  const gaps: string[] = []
  for (const [name, side] of [
    ['old', sheet.old],
    ['new', sheet.new],
  ] as const) {
    for (const f of functionsFor(phases))
      if (f.needed && leadsIn(side[f.id]).length === 0)
        gaps.push(`${f.words} of the ${name} motor is not written down.`)
    const seen = new Map<string, string>()
    for (const f of functionsFor(phases)) {
      // A rotation pair says how leads are joined that stand nowhere else; a joint and a line may share none.
      for (const lead of leadsIn(side[f.id])) {
        const before = seen.get(lead)
        if (before !== undefined)
          gaps.push(`Lead ${lead} of the ${name} motor stands under ${before} and under ${f.words}.`)
        seen.set(lead, f.words)
      }
    }
    const tap = leadsIn(side['tap-used'])
    if (tap.length > 1)
      gaps.push(`More than one speed tap of the ${name} motor is in use: one carries volts, the others are capped.`)
    const caps = [leadsIn(side['capacitor-1']).length, leadsIn(side['capacitor-2']).length]
    if ((caps[0] === 0) !== (caps[1] === 0))
      gaps.push(`Only one side of the capacitor of the ${name} motor is written down.`)
  }
  if (sheet.oldTurns === null) gaps.push('Which way the old motor turned is not written down.')
  if (sheet.newTurns === null) gaps.push('Which way the new motor turns is not written down: see it from the same end.')
  if (sheet.oldTurns !== null && sheet.newTurns !== null && sheet.oldTurns !== sheet.newTurns)
    gaps.push(
      phases === 3
        ? 'The new motor turns the other way: swap two lines.'
        : 'The new motor turns the other way: swap its rotation pair, if it has one.',
    )
  return gaps
}
