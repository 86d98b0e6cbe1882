import { describe, expect, it } from 'vitest'
import { leadSheetGaps, type LeadSheet, type LeadSide } from './lead-sheet.ts'

const three: LeadSide = { l1: 'T1', l2: 'T2', l3: 'T3', joints: 'T4-T7, T5-T8, T6-T9', ground: 'green' }
const single: LeadSide = {
  line: 'black',
  common: 'white',
  'capacitor-1': 'brown',
  'capacitor-2': 'brown/white',
  'tap-used': 'red',
  'tap-spare': 'blue, yellow',
  rotation: 'purple-orange',
  ground: 'green',
}
const sheet = (old: LeadSide, fresh: LeadSide, over: Partial<LeadSheet> = {}): LeadSheet => ({
  old,
  new: fresh,
  oldTurns: 'clockwise',
  newTurns: 'clockwise',
  ...over,
})

// Common practice: nothing is left to memory when a motor is wired again.
describe('a lead sheet', () => {
  it('that is whole has no gaps', () => {
    expect(leadSheetGaps(sheet(three, three), 3)).toEqual([])
    expect(leadSheetGaps(sheet(single, single), 1)).toEqual([])
  })
  it('misses a line, the ground, and which way it turned', () =>
    expect(leadSheetGaps(sheet({ ...three, l2: ' ' }, { ...three, ground: '' }, { oldTurns: null }), 3)).toEqual([
      'Line L2 of the old motor is not written down.',
      'Ground of the new motor is not written down.',
      'Which way the old motor turned is not written down.',
    ]))
  it('names a lead that stands in two places, whatever its case', () =>
    expect(leadSheetGaps(sheet(three, { ...three, spare: 't3' }), 3)).toEqual([
      'Lead t3 of the new motor stands under Line L3 and under Not in use, each capped.',
    ]))
  it('lets one tap carry volts, and no half of a capacitor', () =>
    expect(
      leadSheetGaps(sheet(single, { ...single, 'tap-used': 'red, blue', 'tap-spare': '', 'capacitor-2': '' }), 1),
    ).toEqual([
      'More than one speed tap of the new motor is in use: one carries volts, the others are capped.',
      'Only one side of the capacitor of the new motor is written down.',
    ]))
  it('says what turns it round', () => {
    const other = { newTurns: 'counter-clockwise' } as const
    expect(leadSheetGaps(sheet(three, three, other), 3)).toEqual(['The new motor turns the other way: swap two lines.'])
    expect(leadSheetGaps(sheet(single, single, other), 1)[0]).toMatch(/rotation pair/)
  })
})
