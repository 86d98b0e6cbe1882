import type { Context } from '../../judge/index.ts'
import type { Result } from '../knowledge/cause.ts'
import { answerReaders } from './answers.ts'
import { figureReaders } from './figures.ts'

/** Everything a visit says that tells causes apart: what was read there is entered nowhere twice. */
export function resultsOf(visit: Context): readonly Result[] {
  return Object.entries({ ...answerReaders, ...figureReaders }).flatMap(([test, read]): Result[] => {
    const outcome = read(visit)
    return outcome === null ? [] : [[test, outcome]]
  })
}
