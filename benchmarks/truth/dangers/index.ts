import type { Danger } from './danger.ts'
import { dead } from './dead.ts'
import { inWords } from './in-words.ts'
import { atRun, live } from './running.ts'

export type { Danger } from './danger.ts'
/** Everything a person has to be told of, from first principles. */
export const dangers: readonly Danger[] = [...inWords, ...dead, ...live, ...atRun]
