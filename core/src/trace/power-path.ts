import type { Feature } from './features.ts'
import type { Result } from './knowledge/cause.ts'
import { testOf } from './model.ts'

/** What is known of one place on the way of the power, or of the call. */
export type NodeState = 'good' | 'bad' | 'unknown'

export interface PathNode {
  readonly id: string
  readonly words: string
  readonly state: NodeState
  /** The result that says so, in words; empty while nothing does. */
  readonly because: string
}

interface Node {
  readonly id: string
  readonly words: string
  readonly for?: Feature
  readonly good: readonly Result[]
  readonly bad: readonly Result[]
}

const of = (test: string, ...outcomes: readonly string[]): Result[] => outcomes.map((o): Result => [test, o])

/** From the supply to the air. */
const power: readonly Node[] = [
  {
    id: 'supply',
    words: 'Supply',
    good: of('line-volts', 'ok'),
    bad: of('line-volts', 'none', 'lost', 'low', 'unbal'),
  },
  {
    id: 'transformer',
    words: 'Power transformer',
    for: 'power transformer',
    good: [...of('tx-ratio', 'right'), ...of('tx-ohms', 'even')],
    bad: [...of('tx-ratio', 'wrong'), ...of('tx-ohms', 'open')],
  },
  {
    id: 'protection',
    words: 'Fuses or breaker',
    good: [...of('fuse-ohms', 'whole'), ...of('breaker', 'closed')],
    bad: [...of('fuse-ohms', 'open'), ...of('breaker', 'tripped', 'fuse', 'open')],
  },
  {
    id: 'contactor',
    words: 'Contactor',
    for: 'contactor',
    good: [...of('poles', 'good'), ...of('pole-drop', 'cool')],
    bad: [...of('poles', 'open', 'weld'), ...of('pole-drop', 'hot', 'open')],
  },
  {
    id: 'drive',
    words: 'Drive',
    for: 'drive',
    good: of('vfd-code', 'run'),
    bad: [...of('swap', 'drive'), ...of('vfd-code', 'dark', 'over-current', 'ground', 'out-phase', 'hot')],
  },
  {
    id: 'overload',
    words: 'Overload',
    for: 'overload relay',
    good: of('dial', 'right'),
    bad: of('dial', 'low', 'high'),
  },
  {
    id: 'wiring',
    words: 'Lugs and cable',
    good: [...of('terminals', 'tight'), ...of('megs-cable', 'good')],
    bad: [
      ...of('terminals', 'loose', 'cut', 'chafed'),
      ...of('megs-cable', 'low'),
      ...of('ohms-far', 'open', 'ground'),
    ],
  },
  {
    id: 'winding',
    words: 'Motor winding',
    good: [...of('ohms3', 'even'), ...of('ohms1', 'adds'), ...of('megs', 'good'), ...of('gnd-ohms', 'clear')],
    bad: [
      ...of('gnd-ohms', 'ground'),
      ...of('megs', 'dead', 'low'),
      ...of('ohms3', 'lead-open', 'all-open', 'uneven', 'low', 'high'),
      ...of('ohms1', 'common-open', 'wind-open', 'misfit'),
    ],
  },
  {
    id: 'capacitor',
    words: 'Capacitor',
    for: 'single-phase',
    good: of('cap-uf', 'ok'),
    bad: [...of('cap-uf', 'weak', 'dead'), ...of('cap-mark', 'wrong')],
  },
  {
    id: 'shaft',
    words: 'Bearings and shaft',
    good: [...of('spin', 'free'), ...of('brg-hand', 'quiet'), ...of('split', 'free')],
    bad: [...of('spin', 'rough', 'tight', 'seized'), ...of('brg-hand', 'motor', 'fan'), ...of('split', 'motor', 'fan')],
  },
  {
    id: 'belt',
    words: 'Belt and sheaves',
    for: 'belt',
    good: [...of('tension', 'right'), ...of('belt-look', 'sound')],
    bad: [...of('belt-look', 'gone', 'worn'), ...of('tension', 'slack', 'drum'), ...of('align', 'off')],
  },
  { id: 'wheel', words: 'Wheel', good: of('wheel', 'fine'), bad: of('wheel', 'caked', 'bad', 'backward', 'rubs') },
  {
    id: 'air',
    words: 'Filters and air',
    good: [...of('filters', 'clean'), ...of('profile', 'normal'), ...of('static', 'same')],
    bad: [
      ...of('filters', 'wall', 'out'),
      ...of('profile', 'filter', 'path', 'damper'),
      ...of('static', 'restriction'),
    ],
  },
]

/** From the call to the coil. The first dead node is bad, what comes before it is good. */
const string: readonly {
  readonly id: string
  readonly words: string
  readonly dead: string
  readonly for?: Feature
}[] = [
  { id: 'control-transformer', words: 'Control transformer', dead: 'none' },
  { id: 'control-fuse', words: 'Control fuse', dead: 'fuse' },
  { id: 'call', words: 'Call', dead: 'call' },
  { id: 'safeties', words: 'Safeties', dead: 'safety' },
  { id: 'monitor', words: 'Phase monitor', dead: 'monitor', for: 'phase monitor' },
  { id: 'overload-contact', words: 'Overload contact', dead: 'overload', for: 'overload relay' },
  { id: 'wire', words: 'Wires and contacts', dead: 'wire' },
  { id: 'relay', words: 'Relay or board', dead: 'relay' },
]

const wordsOf = ([test, outcome]: Result): string => {
  const t = testOf.get(test)
  return t ? `${t.title}: ${(t.outcomes.find((o) => o.id === outcome)?.words ?? outcome).toLowerCase()}` : ''
}

const find = (results: readonly Result[], wanted: readonly Result[]): Result | undefined =>
  results.findLast(([t, o]) => wanted.some(([wt, wo]) => wt === t && wo === o))

/**
 * The way of the power through a machine, place by place, as far as it is known. What is bad by one test is bad, whatever another
 * said good of it.
 */
export function powerPath(has: ReadonlySet<Feature>, results: readonly Result[]): readonly PathNode[] {
  return power
    .filter((n) => n.for === undefined || has.has(n.for))
    .map(({ id, words, good, bad }): PathNode => {
      const wrong = find(results, bad)
      if (wrong) return { id, words, state: 'bad', because: wordsOf(wrong) }
      const right = find(results, good)
      return right
        ? { id, words, state: 'good', because: wordsOf(right) }
        : { id, words, state: 'unknown', because: '' }
    })
}

/** The control string, node by node: good up to the first dead one. */
export function controlString(has: ReadonlySet<Feature>, results: readonly Result[]): readonly PathNode[] {
  const nodes = string.filter((n) => n.for === undefined || has.has(n.for))
  const split = results.findLast(([t]) => t === 'half-split')
  const transformer = results.findLast(([t]) => t === 'ctl-volts')
  const dead = split && split[1] !== 'fed' ? nodes.findIndex((n) => n.dead === split[1]) : -1
  return nodes.map(({ id, words }, i): PathNode => {
    if (i === 0 && transformer)
      return { id, words, state: transformer[1] === 'ok' ? 'good' : 'bad', because: wordsOf(transformer) }
    if (!split || (split[1] !== 'fed' && dead < 0)) return { id, words, state: 'unknown', because: '' }
    if (dead >= 0 && i > dead) return { id, words, state: 'unknown', because: '' }
    return { id, words, state: i === dead ? 'bad' : 'good', because: i === dead ? wordsOf(split) : '' }
  })
}
