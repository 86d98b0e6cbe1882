import { expect, it } from 'vitest'
import { never, runTruth } from '../truth/score.ts'
import { speedTruth } from '../truth/speed.ts'

// In one test each, so that every turned operator that is not noticed by others is compared with them.
it('the judgement holds against what is true', () => {
  const score = runTruth(1500, 20_260_101)
  for (const kind of never) expect(score.wrong.get(kind)?.examples.slice(0, 1) ?? []).toEqual([])
  expect(score.missed('healthy judged watch')).toBeLessThanOrEqual(0.05 * score.of('healthy'))
})
it('the range said of a change of speed holds', () => {
  const { changes, inside } = speedTruth(150, 20_260_102)
  expect(inside / changes).toBeGreaterThan(0.9)
})
