import {
  solveControl,
  type ControlPart,
  type ControlPlace,
  type ControlString,
  type Random,
} from '../../machine/index.ts'
import type { QuantityCode, Reading } from '../../quantity/index.ts'
import type { Result } from '../knowledge/cause.ts'

/** A control string as it stands while the fan is called for, and what feeds its transformer. */
export interface Called {
  readonly string: ControlString
  /** Volts of the transformer's output, as its tap is for, and volts at its input over that tap. */
  readonly rated: number
  readonly into: number
  readonly tap: number
  /** Seconds since the call. */
  readonly seconds: number
}

const places: readonly (readonly [ControlPlace, number])[] = [
  ['fuse', 1],
  ['call', 1],
  ['safety', 1],
  ['limit', 0.5],
  // Not every unit watches its lines, and few starters have a relay of their own behind the call.
  ['monitor', 0.5],
  ['overload', 0.9],
  ['relay', 0.7],
]

/** A sound string, called for a while ago. @source common practice: 24 V of 40 to 100 VA, or 120 V of 100 to 250 VA */
export function soundString(random: Random, lineVolts: number): Called {
  const rated = random.next() < 0.8 ? 24 : 120
  const va = rated === 24 ? random.between(40, 100) : random.between(100, 250)
  const coilVa = random.between(6, 20)
  const volts = rated * random.between(1, 1.06)
  return {
    rated,
    into: lineVolts,
    tap: lineVolts,
    seconds: random.between(300, 3600),
    string: {
      volts,
      // Its volts fall by some per cent at its rated load.
      sourceOhms: (random.between(0.03, 0.08) * rated ** 2) / va,
      parts: places
        .filter(([, share]) => random.next() < share)
        .map(([place]) => ({ place, ohms: random.between(0.01, 0.2), wireOhms: random.between(0.01, 0.3) })),
      coilOhms: rated ** 2 / coilVa,
    },
  }
}

type Make = (sound: Called, random: Random) => Called

const withString = (c: Called, more: Partial<ControlString>): Called => ({ ...c, string: { ...c.string, ...more } })
const fed = (c: Called, share: number): Called => ({
  ...withString(c, { volts: c.string.volts * share }),
  into: c.into * share,
})
/** The part is there in a string with this fault, and as it is given. */
function withPart(c: Called, place: ControlPlace, more: Partial<ControlPart>): Called {
  const order = places.map(([p]) => p)
  const own = c.string.parts.find((p) => p.place === place) ?? { place, ohms: 0.05, wireOhms: 0.05 }
  const parts = [...c.string.parts.filter((p) => p.place !== place), { ...own, ...more }]
  return withString(c, { parts: parts.sort((a, b) => order.indexOf(a.place) - order.indexOf(b.place)) })
}
const openAt = (c: Called, place: ControlPlace): Called => withPart(c, place, { ohms: Infinity })
const opened =
  (place: ControlPlace): Make =>
  (c) =>
    openAt(c, place)
/** Only where a phase monitor watches the lines. */
const watched = (c: Called): Called => (c.string.parts.some((p) => p.place === 'monitor') ? openAt(c, 'monitor') : c)

/** One of three lines is gone: two of three transformers hang on it, and a monitor sees it where the transformer does not. */
const oneLine: Make = (c, random) => (random.next() < 2 / 3 ? fed(c, random.between(0, 0.5)) : watched(c))

/** A joint or a contact that is open, or so burnt that it lets too little through. */
const broken: Make = (c, random) => {
  const at = random.pick(c.string.parts).place
  return withPart(c, at, { wireOhms: random.next() < 0.8 ? Infinity : c.string.coilOhms * random.between(0.7, 3) })
}

/** What each cause does to the control string of a fan that is called for; those of the wheel, the air and the belt leave it be. */
export const controlFaults: Readonly<Record<string, Make>> = {
  'no-call': opened('call'),
  'clock-off': opened('call'),
  delay: (c, random) => {
    const waits = random.between(60, 600)
    return { ...withPart(c, 'relay', { closesAfter: waits }), seconds: waits * random.between(0.05, 0.95) }
  },
  stat: opened('call'),
  safety: opened('safety'),
  'limit-open': opened('limit'),
  'ctl-wire': broken,
  board: opened('relay'),
  'left-off': (c, random) => (random.next() < 0.85 ? openAt(c, 'call') : broken(c, random)),
  'left-on': (c) => c,
  'pm-set': opened('monitor'),
  'ol-low': (c, random) => (random.next() < 0.9 ? openAt(c, 'overload') : c),
  coil: (c, random) => withString(c, { coilOhms: random.next() < 0.8 ? Infinity : c.string.coilOhms * 4 }),
  'pole-open': (c) => c,
  'blade-cut': (c) => c,
  'ctl-short': opened('fuse'),
  'tx-ctl': (c) => withString(c, { volts: 0 }),
  // On the tap of another line its output is off by the ratio of the two.
  'tx-tap': (c, random) => {
    const ratio = random.pick([208 / 240, 240 / 208])
    return withString(c, { volts: c.string.volts * ratio })
  },
  'feed-off': (c) => fed(c, 0),
  'hand-open': (c) => fed(c, 0),
  'leg-lost': oneLine,
  'half-pull': oneLine,
  'prim-leg': (c, random) => (random.next() < 2 / 3 ? fed(c, random.between(0.4, 0.6)) : watched(c)),
  'volt-low': (c, random) => fed(c, random.between(0.8, 0.89)),
  'volt-unbal': (c, random) => (random.next() < 0.7 ? watched(c) : c),
  'seq-rev': watched,
}

const spread = 0.01
/** A point is dead at less than this of the point ahead of it. */
const dead = 0.7

/** What a person finds who goes through the string with a meter, and reads the transformer; nothing where it reads neither. */
export function saidByString(c: Called, random: Random): readonly Result[] {
  const near = (v: number) => Math.max(0, v * (1 + spread * random.normal()))
  const { nodes } = solveControl(c.string, c.seconds)
  const read = nodes.map((n) => ({ at: n.at, volts: near(n.volts) }))
  const first = read[0]?.volts ?? 0
  const broken = read.find((n, i) => i > 0 && n.volts < dead * (read[i - 1]?.volts ?? 0))
  const told =
    first < 0.6 * c.rated
      ? 'none'
      : broken === undefined || broken.at === 'transformer'
        ? 'fed'
        : broken.at.end === 'wire'
          ? 'wire'
          : broken.at.behind
  return [['half-split', told]]
}

/** The readings of its transformer, as the page takes them. */
export function transformerReadings(c: Called, random: Random): Reading[] {
  const near = (v: number) => Math.max(0, v * (1 + spread * random.normal()))
  const at = (quantity: QuantityCode, position: string, value: number): Reading => ({ quantity, position, value })
  return [
    at('control_volts', 'in', near(c.into)),
    at('control_volts', 'out', near(solveControl(c.string, c.seconds).nodes[0]?.volts ?? 0)),
  ]
}
