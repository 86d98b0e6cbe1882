import { lostLineOf, pastMean, possibleOhms, type Context } from '../../judge/index.ts'
import {
  currentUnbalance,
  lostLegByAmps,
  lostLineByVolts,
  ohmsAt,
  transformerReading,
  voltageUnbalance,
} from '../../electrical/index.ts'
import { noLoadAmps } from '../../machine/index.ts'
import {
  legPositions,
  linePositions,
  mean,
  terminalPairs,
  terminalPositions,
  three,
  wirePairs,
  type QuantityCode,
  type Reading,
} from '../../quantity/index.ts'

/** What the readings of a visit say in one test; null where it was not made, or says nothing that can be relied on. */
export type Reader = (c: Context) => string | null

/** A figure that can be relied on: it stood still, and no other of its visit says that it cannot be. */
const sound = (c: Context, r: Reading): boolean =>
  r.how !== 'unsteady' && !c.contradictions.some((k) => k.readings.includes(r))

/** Readings at all of these places, each to be relied on; null where one is missing. */
function all(c: Context, quantity: QuantityCode, positions: readonly string[]): readonly Reading[] | null {
  const read = positions.map((p) => c.reading(quantity, p))
  return read.every((r) => r !== undefined && sound(c, r)) ? read.filter((r) => r !== undefined) : null
}
/** Those that were read and can be relied on. */
const some = (c: Context, quantity: QuantityCode): readonly Reading[] => c.readings(quantity).filter((r) => sound(c, r))

const open = (r: Reading) => r.how === 'over-range'
const spreadOf = (values: readonly number[]) => (Math.max(...values) - Math.min(...values)) / mean(values)
const lines = (c: Context) => (c.machine.phases === 3 ? linePositions : linePositions.slice(0, 1))

/** Where winding and insulation were read: at the motor unless it was entered otherwise. */
const atMotor = (c: Context, question: 'ohms.place' | 'insulation.place') => (c.answer(question) ?? 'motor') === 'motor'

/** A winding that is this much off its own earlier reading has changed: its temperature alone makes less. */
const changed = 0.1

/** Lower or higher than the same winding was: what is odd among three figures may be one pair down or two pairs up. */
function against(c: Context, values: readonly number[]): 'high' | 'low' | 'uneven' {
  const before = pastMean(c)
  if (before === null) return 'uneven'
  const t = c.value('temperature', 'winding')
  const ratios = values.map((v) => (t === undefined ? v : ohmsAt(v, t, 25)) / before)
  const [low, high] = [Math.min(...ratios) < 1 - changed, Math.max(...ratios) > 1 + changed]
  return low === high ? 'uneven' : low ? 'low' : 'high'
}

const pairs: Reader = (c) => {
  const given = c.readings('winding_ohms')
  const still = (r: Reading) =>
    r.how !== 'unsteady' || (r.spread ?? Infinity) <= c.limit('ohms-wander').value * Math.max(r.value, 1e-9)
  if (given.some((r) => !still(r))) return 'wander'
  const read = terminalPairs.map((p) => c.reading('winding_ohms', p)).filter((r) => r !== undefined)
  if (read.length < 3 || read.some((r) => c.contradictions.some((k) => k.readings.includes(r)))) return null
  const opened = read.filter(open).length
  if (opened === 3) return 'all-open'
  if (opened === 2) return 'lead-open'
  // One open pair of three is a misreading: the other two close it.
  if (opened === 1) return null
  const leads = c.value('lead_ohms', 'leads') ?? 0
  const values = read.map((r) => r.value - leads)
  const possible = possibleOhms(c)
  // Shorted, too low for this meter, or more than a motor of this nameplate has: read again.
  if (values.some((v) => !(v > 0) || (possible && (v < possible.least || v > possible.most)))) return null
  const spread = spreadOf(values)
  if (!(spread > 0.02)) return 'even'
  return spread <= 0.05 ? null : against(c, values)
}

const grounded: Reader = (c) => {
  const read = some(c, 'ground_ohms')
  if (read.some((r) => !open(r) && r.value < 100_000)) return 'ground'
  return read.length >= (c.machine.phases === 3 ? terminalPositions.length : 1) ? 'clear' : null
}

/** Common open and a winding open look alike: which it is, the sum that was read before tells. */
const singlePhase: Reader = (c) => {
  const read = all(c, 'winding_ohms', wirePairs)
  if (!read) return null
  const closed = read.filter((r) => !open(r))
  if (closed.length === 3) {
    const [low = 0, middle = 0, high = 0] = closed.map((r) => r.value).sort((a, b) => a - b)
    if (!(low > 0)) return null
    return Math.abs(low + middle - high) <= 0.05 * high ? 'adds' : 'misfit'
  }
  const [only] = closed
  if (closed.length !== 1 || !only) return null
  const before = [...c.history]
    .sort((a, b) => b.at - a.at)
    .map((v) => wirePairs.map((p) => v.readings.find((r) => r.quantity === 'winding_ohms' && r.position === p)))
    .find((set) => set.every((r) => r !== undefined && !open(r)))
  const sum = before && Math.max(...before.map((r) => r?.value ?? 0))
  if (sum === undefined) return null
  return Math.abs(only.value / sum - 1) < 0.15 ? 'common-open' : 'wind-open'
}

const megohms: Reader = (c) => {
  if (!atMotor(c, 'insulation.place')) return null
  const read = some(c, 'megohms')
  if (read.length === 0) return null
  const least = Math.min(...read.map((r) => (open(r) ? Infinity : r.value)))
  // Good of one lead says nothing of the others; bad of one is bad.
  const whole =
    read.some((r) => r.position === 'all') || c.machine.phases === 1 || read.length >= terminalPositions.length
  if (least >= 5) return whole ? 'good' : null
  // Under the floor for power it is damp or dirty until it is next to nothing: only that condemns a motor.
  return least >= 0.1 ? 'low' : 'dead'
}

const capacitor: Reader = (c) => {
  const marked = c.machine.controls.capacitor?.run ?? c.motor?.plate.capacitorUf
  const [read] = some(c, 'capacitance').filter((r) => r.position === 'run')
  if (!read || marked === undefined || !(marked > 0)) return null
  const off = read.value / marked - 1
  return off < -0.5 ? 'dead' : off < -0.06 ? 'weak' : off <= 0.1 ? 'ok' : null
}

const conducts =
  (quantity: 'fuse_ohms' | 'pole_ohms', good: string): Reader =>
  (c) => {
    const read = some(c, quantity)
    if (read.some((r) => open(r) || r.value > 1)) return 'open'
    return read.length >= (c.machine.phases === 3 ? 3 : 2) ? good : null
  }

const lineVolts: Reader = (c) => {
  const read = all(c, 'line_ll', lines(c))
  if (!read) return null
  const volts = read.map((r) => r.value)
  const service = c.machine.serviceVolts
  if (volts.every((v) => v < 0.1 * service)) return 'none'
  if (c.machine.phases === 3) {
    const set = three(volts)
    if (lostLineByVolts(set) !== null || volts.some((v) => v < 0.7 * service)) return 'lost'
    if (mean(volts) < 0.9 * service) return 'low'
    return voltageUnbalance(set) > 0.02 || mean(volts) > 1.1 * service ? 'unbal' : 'ok'
  }
  return (volts[0] ?? 0) < 0.9 * service ? 'low' : (volts[0] ?? 0) > 1.1 * service ? 'unbal' : 'ok'
}

const loadVolts: Reader = (c) => {
  const read = all(c, 'volts_ll', lines(c))
  if (!read || c.machine.hasVfd) return null
  const volts = read.map((r) => r.value)
  if (volts.every((v) => v < 0.1 * c.machine.serviceVolts)) return 'none'
  if (c.machine.phases !== 3) return 'ok'
  return lostLineOf(volts, c.machine.serviceVolts) ? 'part' : 'ok'
}

const running: Reader = (c) => {
  if (c.readings('amps').some((r) => !sound(c, r))) return null
  if (c.machine.phases === 1) return c.legsRead.length === 0 ? null : c.legsRead[0]?.amps === 0 ? 'none' : 'even'
  if (!c.threeAmps) return null
  const pattern = lostLegByAmps(c.threeAmps, c.limit('lost-leg').value)
  if (pattern?.kind === 'no current') return 'none'
  // Current on one leg alone goes to ground: that is none of the answers.
  if (pattern?.kind === 'one leg') return null
  if (pattern) return pattern.kind === 'open leg' ? 'leg0' : 'double'
  const unbalance = currentUnbalance(c.threeAmps)
  return unbalance <= 0.05 ? 'even' : unbalance <= 0.3 ? 'uneven' : null
}

const load: Reader = (c) => {
  const allowed = c.allowed?.amps
  if (allowed === undefined || c.legsRead.length === 0 || c.visit.state.settled === false) return null
  if (c.readings('amps').some((r) => !sound(c, r))) return null
  const amps = mean(c.legsRead.map((l) => l.amps))
  const volts = mean(c.volts.map((v) => v.volts).concat(c.volts.length === 0 ? [c.machine.serviceVolts] : []))
  if (amps > 3 * allowed) return 'locked'
  if (amps > allowed) return 'over'
  if (c.circuit && volts > 0 && !c.machine.hasVfd && amps <= 1.1 * noLoadAmps(c.circuit.circuit, volts, c.supplyHz))
    return 'idle'
  return amps >= 0.75 * allowed ? 'normal' : 'light'
}

const whileOff: Reader = (c) => {
  const read = some(c, 'off_amps')
  const live = read.filter((r) => r.value > 0.05).length
  const whole = read.length >= (c.machine.phases === 3 ? 3 : 1)
  if (live === 0) return whole ? 'none' : null
  // One live leg of those read says nothing of a leg that was not.
  if (live === 1 && c.machine.phases === 3) return whole ? 'one' : null
  return live === 1 && read.length > 1 ? 'one' : 'all'
}

const groundWire: Reader = (c) => {
  const r = c.reading('ground_amps', 'ground-wire')
  if (!r || r.how === 'unsteady') return null
  // A drive's own leakage is no fault.
  if (c.machine.hasVfd) return r.value < 1 ? 'nil' : 'high'
  return r.value < 0.03 ? 'nil' : r.value > 0.1 ? 'high' : 'some'
}

const controlVolts: Reader = (c) => {
  const into = c.reading('control_volts', 'in')
  const out = c.reading('control_volts', 'out')
  if (!into || !out || into.how === 'unsteady' || out.how === 'unsteady') return null
  if (into.value < 1) return 'in0'
  if (out.value < 1) return 'out0'
  const tap = Number(c.answer('control.tap'))
  const rated = c.machine.controls.controlVolts
  if (rated === null || !(tap > 0)) return null
  const ratio = out.value / into.value / (rated / tap) - 1
  if (Math.abs(ratio) > 0.08) return 'tap'
  return Math.abs(into.value / tap - 1) > 0.1 ? 'scaled' : 'ok'
}

const powerTransformer: Reader = (c) => {
  const rated = c.machine.controls.transformer
  const into = all(c, 'transformer_in', lines(c))
  const out = all(c, 'transformer_out', lines(c))
  if (!rated || !into || !out) return null
  const volts = into.map((r) => r.value)
  if (volts.some((v) => !(v > 0)) || spreadOf(volts) > 0.04 || Math.abs(mean(volts) / rated.ratedIn - 1) > 0.1)
    return 'in-wrong'
  const faults = out.map(
    (r, i) => transformerReading({ in: volts[i] ?? 0, out: r.value, ...rated }).fault === 'transformer',
  )
  return faults.some(Boolean) ? 'wrong' : 'right'
}

const temperatures: Reader = (c) => {
  const at = (position: string) => c.value('temperature', position)
  const bearings = [at('bearing-de'), at('bearing-ode')].filter((t) => t !== undefined)
  if (bearings.some((t) => t > 95)) return 'bearing'
  const shell = at('motor')
  if (shell === undefined) return null
  const classes: Readonly<Record<string, number>> = { A: 105, B: 130, F: 155, H: 180 }
  // An unknown class is taken as the lowest common one.
  const hot = c.machine.phases === 1 ? 60 : (classes[c.motor?.plate.insulationClass ?? ''] ?? 130) - 25
  return shell > hot ? 'shell' : 'ok'
}

const speed: Reader = (c) => {
  const read = c.value('rpm', 'motor')
  if (read === undefined || c.plateRpm === undefined || !(read > 1)) return null
  const expected = c.plateRpm * (c.machine.hasVfd && c.hz !== undefined ? c.hz / c.supplyHz : 1)
  if (!(expected > 0)) return null
  const off = read / expected - 1
  return off < -0.03 ? 'slow' : off > 0.03 ? 'fast' : 'right'
}

const dial: Reader = (c) => {
  const set = c.value('overload_dial', 'relay')
  const plate = c.fullAllowed?.amps
  if (set === undefined || plate === undefined) return null
  return set < 0.95 * plate ? 'low' : set > 1.25 * plate ? 'high' : 'right'
}

const past: Reader = (c) => {
  if (!c.point || !c.usual || c.point.legs.length !== c.machine.phases) return null
  const off = c.point.amps / c.usual.middle - 1
  return off > 0.06 ? 'up' : off < -0.06 ? 'down' : 'same'
}

const twin: Reader = (c) => {
  if (c.visit.state.twin === 'off') return 'alone'
  const [other] = c.twins ?? []
  if (!other || !(other.load > 0) || !c.allowed || c.legsRead.length === 0 || c.visit.state.twin !== 'running')
    return null
  const off = mean(c.legsRead.map((l) => l.amps)) / c.allowed.amps / other.load - 1
  return off > 0.15 ? 'high' : off < -0.15 ? 'low' : 'alike'
}

const poleDrop: Reader = (c) => {
  const read = some(c, 'contact_drop')
  if (read.length === 0) return null
  const most = Math.max(...read.map((r) => r.value))
  return most > 20 ? 'open' : most > 0.3 ? 'hot' : read.length >= c.machine.phases ? 'cool' : null
}

/** Pressure and amps against the last visit that read both: together they tell air from speed. */
const pressure: Reader = (c) => {
  const before = [...c.history]
    .sort((a, b) => b.at - a.at)
    .map((v) => ({
      pressure: v.readings.find((r) => r.quantity === 'static_pressure' && r.position === 'supply')?.value,
      amps: v.readings.filter((r) => r.quantity === 'amps').map((r) => r.value),
    }))
    .find((v) => v.pressure !== undefined && v.amps.length === c.machine.phases)
  const now = c.value('static_pressure', 'supply')
  if (!before?.pressure || now === undefined || c.legsRead.length !== c.machine.phases) return null
  if (!(mean(before.amps) > 0)) return null
  const up = now / before.pressure - 1
  const more = mean(c.legsRead.map((l) => l.amps)) / mean(before.amps) - 1
  if (Math.abs(up) <= 0.08 && Math.abs(more) <= 0.03) return 'same'
  if (Math.abs(more) <= 0.015) return up > 0 ? 'restriction' : 'slower'
  if (up > 0) return more > 0 ? 'faster' : 'restriction'
  return more > 0 ? 'opening' : 'slower'
}

const dead: Reader = (c) => {
  const pairsRead = all(c, 'dead_ll', lines(c))
  const legs = all(c, 'dead_lg', c.machine.phases === 3 ? legPositions : legPositions.slice(0, 2))
  if (!pairsRead || !legs) return null
  const limit = c.limit('dead-volts').value
  const live = legs.filter((r) => r.value > limit).length
  if (live === 0) return pairsRead.every((r) => r.value <= limit) ? 'dead' : 'more'
  return live === 1 ? 'leg' : 'more'
}

/** By test: what figures of a visit say in it. */
export const figureReaders: Readonly<Record<string, Reader>> = {
  ohms3: (c) => (atMotor(c, 'ohms.place') ? pairs(c) : null),
  'ohms-far': (c) => {
    if (atMotor(c, 'ohms.place')) return null
    if (grounded(c) === 'ground') return 'ground'
    const said = pairs(c)
    return said === 'even' ? 'even' : said === 'lead-open' || said === 'all-open' ? 'open' : null
  },
  ohms1: singlePhase,
  // To ground from the far end is the cable or the motor: the motor is told at its own terminals.
  'gnd-ohms': (c) => (atMotor(c, 'ohms.place') ? grounded(c) : null),
  megs: megohms,
  'cap-uf': capacitor,
  'fuse-ohms': conducts('fuse_ohms', 'whole'),
  poles: conducts('pole_ohms', 'good'),
  'line-volts': lineVolts,
  'load-volts': loadVolts,
  amps: running,
  load,
  'off-amps': whileOff,
  'gnd-amps': groundWire,
  'ctl-volts': controlVolts,
  'tx-ratio': powerTransformer,
  temps: temperatures,
  rpm: speed,
  dial,
  'pole-drop': poleDrop,
  static: pressure,
  trend: past,
  'twin-load': twin,
  'prove-dead': dead,
  profile: (c) => ((c.value('filter_drop', 'filter') ?? 0) > 1 ? 'filter' : null),
}
