import { besideTests } from './beside.ts'
import { liveTests } from './live.ts'
import { lockedOutTests } from './locked-out.ts'
import { lookTests } from './look.ts'
import { outsideTests } from './outside.ts'
import type { Test } from '../test.ts'

/** Every test that tells causes apart, the least hazardous first. A new one is an entry in the file of its hazard. */
export const tests: readonly Test[] = [...lookTests, ...outsideTests, ...lockedOutTests, ...liveTests, ...besideTests]
