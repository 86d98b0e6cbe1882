import { describe, expect, it } from 'vitest'
import { commands, matching } from './commands.ts'

const titles = (typed: string) => matching(commands, typed).map((c) => `${c.group}: ${c.title}`)

describe('the palette', () => {
  it('finds screens, actions, calculators and limits by the words of their titles', () => {
    expect(titles('rounds')).toContain('Screens: Rounds')
    expect(titles('add mach')).toEqual(['Actions: Add a machine'])
    expect(titles('belt freq')).toContain('Calculators: Belt tension from span frequency')
    expect(matching(commands, 'lost leg').some((c) => c.group === 'Limits' || c.group === 'Calculators')).toBe(true)
  })
  it('puts what begins with the words first, and leaves out what lacks one', () => {
    expect(titles('fan')[0]).toMatch(/: (Fan|.* fan)/i)
    expect(titles('belt zebra')).toEqual([])
    expect(titles('   ')).toEqual([])
  })
  it('leads to each place once', () => {
    const to = commands.map((c) => c.to)
    expect(new Set(to).size).toBe(to.length)
  })
})
