import { requireMagnitude, type ThreePhase } from '../quantity/index.ts'

/** A resistor between two nodes, ohms; Infinity is an open. */
export type Branch = readonly [a: string, b: string, ohms: number]

/** What stands for a perfect joint, ohms. */
const joint = 1e-6

/** The nodes that a way leads to. */
function reached(network: readonly Branch[], from: string): ReadonlySet<string> {
  const seen = new Set([from])
  for (let before = 0; before !== seen.size;) {
    before = seen.size
    for (const [a, b, ohms] of network)
      if (ohms !== Infinity && seen.has(a) !== seen.has(b)) {
        seen.add(a)
        seen.add(b)
      }
  }
  return seen
}

/**
 * What an ohmmeter reads between two nodes of a network.
 * @returns ohms; Infinity where no way leads from one to the other
 * @throws RangeError for a negative resistance
 * @source nodal analysis: one ampere in at `from`, out at `to`
 */
export function ohmsAcross(network: readonly Branch[], from: string, to: string): number {
  for (const [, , ohms] of network) if (ohms !== Infinity) requireMagnitude('ohms', ohms)
  const within = reached(network, from)
  if (!within.has(to)) return Infinity
  const names = [...within].filter((n) => n !== to)
  const at = new Map(names.map((n, i) => [n, i]))
  const n = names.length
  const rows = names.map(() => new Array<number>(n + 1).fill(0))
  const add = (i: number | undefined, k: number | undefined, siemens: number) => {
    const row = i === undefined ? undefined : rows[i]
    if (row && k !== undefined) row[k] = (row[k] ?? 0) + siemens
  }
  for (const [a, b, ohms] of network) {
    if (ohms === Infinity || !within.has(a)) continue
    const siemens = 1 / Math.max(ohms, joint)
    const [i, k] = [at.get(a), at.get(b)]
    add(i, i, siemens)
    add(k, k, siemens)
    add(i, k, -siemens)
    add(k, i, -siemens)
  }
  const first = rows[at.get(from) ?? 0]
  if (first) first[n] = 1
  // Gauss with the largest pivot; the matrix is that of conductances, and cannot be singular.
  for (let c = 0; c < n; c++) {
    const best = rows.slice(c).reduce((m, r, i) => (Math.abs(r[c] ?? 0) > Math.abs(rows[m]?.[c] ?? 0) ? c + i : m), c)
    const [own, other] = [rows[c], rows[best]]
    if (!own || !other) continue
    rows[c] = other
    rows[best] = own
    for (let r = c + 1; r < n; r++) {
      const row = rows[r]
      const k = (row?.[c] ?? 0) / (other[c] ?? 1)
      if (row && k !== 0) for (let x = c; x <= n; x++) row[x] = (row[x] ?? 0) - k * (other[x] ?? 0)
    }
  }
  const volts = new Array<number>(n).fill(0)
  for (let r = n - 1; r >= 0; r--) {
    const row = rows[r] ?? []
    const rest = volts.reduce((sum, v, x) => (x > r ? sum + (row[x] ?? 0) * v : sum), 0)
    volts[r] = ((row[n] ?? 0) - rest) / (row[r] ?? 1)
  }
  return volts[at.get(from) ?? 0] ?? Infinity
}

/** A three-phase motor with its power off, its leads apart: coils, leads and what is left of its insulation; ohms. */
export interface MotorAtRest {
  readonly joined: 'wye' | 'delta'
  readonly coils: ThreePhase
  /** Each lead with its joint, from its terminal to the coil. */
  readonly leads: ThreePhase
  /** From the inner end of each lead to the frame; Infinity where the insulation is perfect. */
  readonly toFrame: ThreePhase
  /** The cable from the place where it is switched: each wire with its lugs, and each wire to ground. */
  readonly cable: { readonly wires: ThreePhase; readonly toFrame: ThreePhase }
}

const three = [0, 1, 2] as const

/** Branches of the motor: terminals T0 to T2, inner ends W0 to W2, far ends of the cable F0 to F2. */
function branches(m: MotorAtRest): readonly Branch[] {
  return three.flatMap((i): Branch[] => [
    [`T${i}`, `W${i}`, m.leads[i]],
    m.joined === 'wye' ? [`W${i}`, 'N', m.coils[i]] : [`W${i}`, `W${(i + 1) % 3}`, m.coils[i]],
    [`W${i}`, 'frame', m.toFrame[i]],
  ])
}
const withCable = (m: MotorAtRest): readonly Branch[] => [
  ...branches(m),
  ...three.flatMap((i): Branch[] => [
    [`F${i}`, `T${i}`, m.cable.wires[i]],
    [`F${i}`, 'frame', m.cable.toFrame[i]],
  ]),
]

/** What meters read on a motor at rest: between each two leads, and from each to the frame; at its terminals or through its cable. */
export interface AtRest {
  readonly pairs: ThreePhase
  readonly toFrame: ThreePhase
}

export function atRest(motor: MotorAtRest, place: 'motor' | 'far end'): AtRest {
  const network = place === 'motor' ? branches(motor) : withCable(motor)
  const n = place === 'motor' ? 'T' : 'F'
  return {
    pairs: [
      ohmsAcross(network, `${n}0`, `${n}1`),
      ohmsAcross(network, `${n}1`, `${n}2`),
      ohmsAcross(network, `${n}2`, `${n}0`),
    ],
    toFrame: [
      ohmsAcross(network, `${n}0`, 'frame'),
      ohmsAcross(network, `${n}1`, 'frame'),
      ohmsAcross(network, `${n}2`, 'frame'),
    ],
  }
}
