import { describe, expect, it } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { draftOfPart, partOfDraft, type PartDraft } from './part-draft.ts'
import { partWords } from './part-words.ts'
import { lifeWords, spreadWords } from './life-words.ts'
import { slotDefaults } from './slots.ts'

const inFor = (slot: 'driven-sheave' | 'motor-sheave' | 'belts' | 'wheel', over: PartDraft) =>
  partOfDraft(slot, { ...slotDefaults[slot], ...over }, 'in')

describe('a part as it is typed', () => {
  it('comes back as it was, in inches and in millimetres', () => {
    for (const { part } of driveParts())
      for (const unit of ['in', 'mm'] as const) {
        const again = partOfDraft(part.slot, draftOfPart(part.slot, part, unit), unit)
        if (!again.ok) throw new Error(JSON.stringify(again.wrong))
        for (const [key, v] of Object.entries(part.spec)) {
          const back: unknown = (again.part.spec as unknown as Record<string, unknown>)[key]
          if (typeof v === 'number') expect(Math.abs((back as number) - v)).toBeLessThan(0.13)
          else expect([key, back]).toEqual([key, v])
        }
      }
  })
  it('takes an outside diameter to the pitch diameter of its section (B: 0.35 in less)', () => {
    const typed = inFor('driven-sheave', { section: 'B', measured: 'outside', pitch: '9.75' })
    expect(typed.ok && typed.part.slot === 'driven-sheave' ? typed.part.spec.pitch / 25.4 : 0).toBeCloseTo(9.4, 6)
    expect(inFor('driven-sheave', { section: 'B', measured: 'outside', pitch: '0.2' })).toEqual({
      ok: false,
      wrong: { pitch: 'outside is less than the groove is deep' },
    })
  })
  it('names what is missing, no figure, or cannot be, at its field', () => {
    expect(inFor('belts', { count: '' })).toEqual({
      ok: false,
      wrong: { section: 'choose one', number: 'is needed', count: 'is needed' },
    })
    expect(inFor('belts', { section: 'B', number: 'six' })).toEqual({
      ok: false,
      wrong: { number: '“six” is not a number' },
    })
    const sheave = {
      type: 'adjustable',
      section: 'B',
      closed: '5.4',
      perTurn: '0.2',
      most: '6',
      least: '0.5',
      step: '0.5',
      turns: '7',
    }
    expect(inFor('motor-sheave', sheave)).toEqual({ ok: false, wrong: { turns: 'more than its greatest turns' } })
    expect(inFor('motor-sheave', { ...sheave, turns: '2', perTurn: '1' })).toEqual({
      ok: false,
      wrong: { perTurn: 'that leaves no diameter at its greatest turns' },
    })
  })
  it('asks a fixed sheave for no turns', () => {
    const typed = inFor('motor-sheave', { section: 'A', pitch: '4', turns: 'many' })
    expect(typed.ok && typed.part.spec).toEqual({ type: 'fixed', section: 'A', grooves: 1, pitch: 101.6 })
  })
})

describe('the words of a part', () => {
  it('are the mechanic’s, in the unit of the machine, and say that a sealed bearing gets no grease', () => {
    const words = driveParts().map((p) => partWords(p.part, 'in'))
    expect(words).toEqual([
      'adjustable, 5.4 in closed, 0.2 in a turn, B section, up to 6 turns',
      '11 in pitch, B section',
      'B62',
      'B62',
      'insert 208, 1.57 in bore, eccentric collar, sealed: never grease it',
      'forward-curved, 18.11 in, 42 blades, 1000 rpm at most, 3 balance clips',
    ])
    expect(driveParts().map((p) => partWords(p.part, 'mm'))[1]).toBe('279.4 mm pitch, B section')
  })
  it('lives are told in months, then years', () => {
    expect([lifeWords(30), lifeWords(400), lifeWords(1096)]).toEqual([
      'median life 30 days',
      'median life 13 months',
      'median life 3.0 years',
    ])
    expect([spreadWords(400, 1400), spreadWords(400, null)]).toEqual([', middle half 13 months to 3.8 years', ''])
  })
})
