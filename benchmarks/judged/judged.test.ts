import { describe, expect, it } from 'vitest'
import { calculatorsAsked } from './calculators.ts'
import { courses } from './courses.ts'
import { edges } from './edges.ts'
import { ways } from './ways.ts'
import { alittleOff, anythingTyped, dangersFound, goodMachines, pagesShown, slipsAsked, tasksDue } from './visits.ts'

/**
 * What the product said when it was last read by a person. None of it is a truth by itself: those stand in benchmarks/truth and
 * in the published values. It shows, line by line, what a change of a rule changes. `npx vitest -u` writes it anew; what
 * is different is read before it is kept.
 */
describe('what is said, as it was last read', () => {
  it.each([
    ['dangers', dangersFound],
    ['good', goodMachines],
    ['off', alittleOff],
    ['pages', pagesShown],
    ['typed', anythingTyped],
    ['slips', slipsAsked],
    ['due', tasksDue],
    ['courses', courses],
    ['edges', edges],
    ['calculators', calculatorsAsked],
    ['ways', ways],
  ] as const)(
    '%s',
    async (name, told) => {
      await expect(`${told()}\n`).toMatchFileSnapshot(`said/${name}.txt`)
    },
    240_000,
  )
})
