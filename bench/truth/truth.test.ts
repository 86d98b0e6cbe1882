import { describe, expect, it } from 'vitest'
import { never, runTruth } from './score.ts'

/** A slice of `npm run bench truth`: the same machines each time. */
describe('the judgement against what is true', () => {
  const score = runTruth(10_000, 20_260_101)
  const wrong = (kind: string) => score.wrong.get(kind)?.examples.slice(0, 3) ?? []

  it.each(never)('%s: never', (kind) => expect(wrong(kind)).toEqual([]))

  it('was not empty', () => {
    for (const what of ['healthy', 'alone', 'pairs', 'sequences', 'flagged', 'gates', 'unknown', 'anything'])
      expect(score.of(what)).toBeGreaterThan(500)
  })
  it('a healthy machine is watched in one case of twenty at most', () =>
    expect(score.missed('healthy judged watch')).toBeLessThanOrEqual(0.05 * score.of('healthy')))
})
