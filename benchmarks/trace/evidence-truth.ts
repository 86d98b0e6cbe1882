import { unknownControls, type JudgeInput } from '../../core/src/judge/index.ts'
import type { Random } from '../../core/src/machine/index.ts'
import type { QuantityCode, Reading } from '../../core/src/quantity/index.ts'

/**
 * Machines with something true of them, what a meter then shows, and what may be said of it: written from circuit theory and the
 * words of the tests, with nothing of what reads evidence. A truth lies clear of every limit, so that one meter error more or less
 * changes nothing.
 */
export interface Truth {
  readonly test: string
  /** What a full and steady set of readings says. */
  readonly outcome: string
  readonly readings: readonly Reading[]
  /** Outcomes that one reading alone can show; everything else takes all of them. */
  readonly byOne: readonly string[]
}

const pairs = ['T1-T2', 'T2-T3', 'T3-T1']
const terminals = ['T1', 'T2', 'T3']
const lines = ['L1-L2', 'L2-L3', 'L3-L1']
const legs = ['L1', 'L2', 'L3']

const between = (random: Random, a: number, b: number) => a + (b - a) * random.next()
const oneOf = <T>(random: Random, list: readonly T[]): T => {
  const picked = list[Math.min(list.length - 1, Math.floor(random.next() * list.length))]
  if (picked === undefined) throw new Error('an empty list')
  return picked
}

const read = (quantity: QuantityCode, position: string, value: number): Reading => ({ quantity, position, value })
const ol = (quantity: QuantityCode, position: string): Reading => ({
  quantity,
  position,
  value: 1e5,
  how: 'over-range',
})
const each = (quantity: QuantityCode, places: readonly string[], values: readonly number[]): Reading[] =>
  places.map((p, i) => (values[i] === Infinity ? ol(quantity, p) : read(quantity, p, values[i] ?? 0)))

type Make = (random: Random, machine: JudgeInput['machine']) => Truth

/** Wye or delta, three coils, their leads, and what is wrong with one of them. */
const winding: Make = (random) => {
  const coil = between(random, 1, 8)
  const fault = oneOf(random, ['none', 'lead', 'all', 'turns', 'joint'] as const)
  const at = Math.floor(random.next() * 3)
  const coils = [coil, coil, coil]
  const leads = [0, 0, 0]
  if (fault === 'turns') coils[at] = coil * between(random, 0.4, 0.7)
  if (fault === 'joint') leads[at] = coil * between(random, 0.6, 2)
  if (fault === 'lead') leads[at] = Infinity
  if (fault === 'all') leads.fill(Infinity)
  const wye = random.next() < 0.5
  const [u = 0, v = 0, w = 0] = coils
  const delta = (own: number, a: number, b: number) => (own * (a + b)) / (own + a + b)
  const inner = wye ? [u + v, v + w, w + u] : [delta(u, v, w), delta(v, w, u), delta(w, u, v)]
  const values = inner.map((r, i) => (r + (leads[i] ?? 0) + (leads[(i + 1) % 3] ?? 0)) * between(random, 0.999, 1.001))
  const outcome = { none: 'even', lead: 'lead-open', all: 'all-open', turns: 'uneven', joint: 'uneven' }[fault]
  return { test: 'ohms3', outcome, readings: each('winding_ohms', pairs, values), byOne: [] }
}

const frame: Make = (random) => {
  const fault = random.next() < 0.5
  // The winding joins its leads: what one of them has to frame, all have, but for the ohms between them.
  const ohms = fault ? between(random, 0, 20_000) : Infinity
  return {
    test: 'gnd-ohms',
    outcome: fault ? 'ground' : 'clear',
    readings: each('ground_ohms', terminals, [ohms, ohms, ohms]),
    byOne: ['ground'],
  }
}

const insulation: Make = (random) => {
  const kind = oneOf(random, ['good', 'low', 'dead'] as const)
  const value = { good: between(random, 6, 900), low: between(random, 0.2, 4.5), dead: between(random, 0, 0.05) }
  const bad = Math.floor(random.next() * 3)
  const values = terminals.map((_, i) => (kind === 'good' || i === bad ? value[kind] : between(random, 6, 900)))
  return { test: 'megs', outcome: kind, readings: each('megohms', terminals, values), byOne: ['low', 'dead'] }
}

/** Three phasors: one of them may be lost, or the mean low. */
const supply: Make = (random, machine) => {
  const v = machine.serviceVolts
  const kind = oneOf(random, ['ok', 'none', 'lost', 'low', 'unbal'] as const)
  const noise = () => between(random, 0.997, 1.003)
  const at = Math.floor(random.next() * 3)
  const turn = (list: number[]) => list.map((_, i) => list[(i + at) % 3] ?? 0)
  const values = {
    ok: () => [v * noise(), v * noise(), v * noise()],
    none: () => [between(random, 0, 5), between(random, 0, 5), between(random, 0, 5)],
    // The lost line hangs on nothing, on the neutral through a control transformer, or on another line through a load.
    lost: () =>
      turn(
        oneOf(random, [
          [v, 0, 0],
          [v, v / 2, v / 2],
          [v, v / Math.sqrt(3), v / Math.sqrt(3)],
        ]),
      ),
    low: () => [v * 0.85 * noise(), v * 0.85 * noise(), v * 0.85 * noise()],
    unbal: () => turn([v * 1.03, v * 0.97, v * 0.97]),
  }[kind]()
  return { test: 'line-volts', outcome: kind, readings: each('line_ll', lines, values), byOne: [] }
}

const current: Make = (random) => {
  const amps = between(random, 4, 12)
  const kind = oneOf(random, ['even', 'leg0', 'none'] as const)
  const at = Math.floor(random.next() * 3)
  const values = legs.map((_, i) =>
    kind === 'none' ? 0 : kind === 'leg0' && i === at ? 0 : amps * between(random, 0.99, 1.01),
  )
  return { test: 'amps', outcome: kind, readings: each('amps', legs, values), byOne: [] }
}

const poles: Make = (random) => {
  const bad = random.next() < 0.5
  const at = Math.floor(random.next() * 3)
  const values = legs.map((_, i) => (bad && i === at ? Infinity : between(random, 0, 0.4)))
  const [test, quantity, good] = oneOf(random, [
    ['poles', 'pole_ohms', 'good'],
    ['fuse-ohms', 'fuse_ohms', 'whole'],
  ] as const)
  return { test, outcome: bad ? 'open' : good, readings: each(quantity, legs, values), byOne: ['open'] }
}

const off: Make = (random) => {
  const kind = oneOf(random, ['none', 'one', 'all'] as const)
  const amps = between(random, 0.5, 9)
  const at = Math.floor(random.next() * 3)
  const values = legs.map((_, i) => (kind === 'all' || (kind === 'one' && i === at) ? amps : 0))
  return { test: 'off-amps', outcome: kind, readings: each('off_amps', legs, values), byOne: ['all'] }
}

const ground: Make = (random) => {
  const amps = oneOf(random, [0, between(random, 0.15, 5)])
  return {
    test: 'gnd-amps',
    outcome: amps === 0 ? 'nil' : 'high',
    readings: [read('ground_amps', 'ground-wire', amps)],
    byOne: [],
  }
}

const drops: Make = (random) => {
  const kind = oneOf(random, ['cool', 'hot'] as const)
  const at = Math.floor(random.next() * 3)
  const values = legs.map((_, i) => (kind === 'hot' && i === at ? between(random, 0.5, 10) : between(random, 0, 0.2)))
  return { test: 'pole-drop', outcome: kind, readings: each('contact_drop', legs, values), byOne: ['hot'] }
}

/** A live leg reads to ground what a leg reads; across two of them what the line reads. */
const dead: Make = (random, machine) => {
  const kind = oneOf(random, ['dead', 'leg', 'more'] as const)
  const at = Math.floor(random.next() * 3)
  const live = [0, 1, 2].map((i) => (kind === 'leg' ? i === at : kind === 'more' && i !== at))
  const leg = machine.serviceVolts / Math.sqrt(3)
  const across = (a = false, b = false) => (a && b ? machine.serviceVolts : a || b ? leg : 0)
  const stray = () => between(random, 0, 0.4)
  const toGround = live.map((l) => (l ? leg : stray()))
  const between2 = [across(live[0], live[1]), across(live[1], live[2]), across(live[2], live[0])]
  return {
    test: 'prove-dead',
    outcome: kind,
    readings: [...each('dead_ll', lines, between2), ...each('dead_lg', legs, toGround)],
    byOne: [],
  }
}

const makers: readonly Make[] = [winding, frame, insulation, supply, current, poles, off, ground, drops, dead]

export const anyTruth = (random: Random, machine: JudgeInput['machine']): Truth =>
  oneOf(random, makers)(random, machine)

/** A three-phase machine on any of the usual services. */
export const anyMachine = (random: Random): JudgeInput['machine'] => ({
  phases: 3,
  serviceVolts: oneOf(random, [208, 240, 480, 600]),
  hasVfd: false,
  hasTwin: false,
  drive: oneOf(random, ['belt', 'direct'] as const),
  controls: unknownControls,
  unitPlate: null,
})

/** The same readings with one missing, one that did not stand still, or both. */
export function spoiled(random: Random, readings: readonly Reading[]): readonly Reading[] {
  const at = Math.floor(random.next() * readings.length)
  if (random.next() < 0.5) return readings.filter((_, i) => i !== at)
  return readings.map((r, i): Reading => {
    const { value } = r
    return i === at && r.how !== 'over-range' ? { ...r, how: 'unsteady', spread: Math.max(1, value) } : r
  })
}
