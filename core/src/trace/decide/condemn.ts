import type { Result } from '../knowledge/cause.ts'

/** Parts that are condemned only with their proving tests. */
export type Condemnable = 'motor' | 'drive' | 'board' | 'transformer' | 'compressor'

/**
 * Ways in which a part is proven bad: all results of one of them. Each is read at the part's own terminals, twice. Never by smell,
 * soot, a lamp, a witness, ohms from the far end, amps alone, or a protector that is open because it is hot.
 * @source common practice
 */
export const proofsOf: Readonly<Record<Condemnable, readonly (readonly Result[])[]>> = {
  motor: [
    [['gnd-ohms', 'ground']],
    [['megs', 'dead']],
    [['ohms3', 'lead-open']],
    [['ohms3', 'low']],
    [
      ['ohms3', 'uneven'],
      ['terminals', 'tight'],
    ],
    [['ohms1-cool', 'open']],
    [
      ['spin', 'seized'],
      ['split', 'motor'],
    ],
  ],
  drive: [
    [
      ['line-volts', 'ok'],
      ['megs', 'good'],
      ['megs-cable', 'good'],
      ['swap', 'drive'],
      ['see-turn', 'right'],
    ],
  ],
  board: [[['half-split', 'relay']]],
  transformer: [[['tx-ratio', 'wrong']], [['tx-ohms', 'open']], [['ctl-volts', 'out0']]],
  compressor: [[['ohms1-cool', 'open']]],
}

export interface Condemned {
  readonly condemned: boolean
  /** What the way that lacks least still lacks; empty where it is condemned. */
  readonly missing: readonly Result[]
  /** Whether the other ways are as far: any one of them would do. */
  readonly ways: number
}

/**
 * May a part be condemned on these results?
 * @param direct a direct-drive fan has no belt to take off: a clear wheel stands for the split
 */
export function condemn(part: Condemnable, results: readonly Result[], direct = false): Condemned {
  const has = ([test, outcome]: Result) => results.some(([t, o]) => t === test && o === outcome)
  const ways = proofsOf[part].map((way) =>
    way.map((r): Result => (direct && r[0] === 'split' ? ['wheel', 'fine'] : r)).filter((r) => !has(r)),
  )
  const least = Math.min(...ways.map((missing) => missing.length))
  const near = ways.filter((missing) => missing.length === least)
  return { condemned: least === 0, missing: near[0] ?? [], ways: near.length }
}
