import type { Machine } from './machines.ts'
import type { Random } from './random.ts'
import { read, state, tell, type Draft } from './visit.ts'

/** What is read together and good: each adds itself to a visit of a machine that has nothing wrong. */
export type Piece = (r: Random, m: Machine, visit: Draft) => Draft

const lines = ['L1-L2', 'L2-L3', 'L3-L1']
const legs = ['L1', 'L2', 'L3']
const round = (x: number, places: number) => Number(x.toFixed(places))
/** Four figures, as an ohmmeter for small windings shows them. */
const ohms3 = (x: number) => Number(x.toPrecision(4))
const each = (names: readonly string[], value: (i: number) => number): Record<string, number> =>
  Object.fromEntries(names.map((n, i) => [n, value(i)]))
export const linesOf = (m: Machine): readonly string[] => lines.slice(0, m.facts.phases === 3 ? 3 : 1)
export const legsOf = (m: Machine): readonly string[] => legs.slice(0, m.facts.phases === 3 ? 3 : 1)
export const feedOf = (m: Machine): readonly string[] => legs.slice(0, m.facts.phases === 3 ? 3 : 2)

/** The pairs within half a percent of each other. */
export const supplyVolts = (r: Random, m: Machine, names: readonly string[]): Record<string, number> =>
  each(names, () => round(m.volts * r.between(0.997, 1.003), 1))
/** Legs within three percent of their mean. */
export const legAmps = (r: Random, m: Machine): Record<string, number> => {
  const mean = m.allowed * m.load * (m.facts.hasVfd ? (m.hz / 60) ** 2 * 0.7 + 0.3 : 1) * (1 + r.normal(0.01))
  return each(legsOf(m), () => round(Math.max(mean * r.between(0.98, 1.02), 0.3), 2))
}

export const running: Piece = (r, m, v) => {
  const volts = m.facts.hasVfd ? v : read(v, 'volts_ll', supplyVolts(r, m, linesOf(m)))
  const amps = read(volts, 'amps', legAmps(r, m))
  return state(m.facts.hasVfd ? read(amps, 'hz', { motor: m.hz }) : amps, {
    settled: true,
    turning: 'right way',
    panels: 'on',
  })
}
export const found: Piece = (_r, _m, v) =>
  tell(v, { 'look.running': 'runs', 'look.call': 'yes', 'look.smell': 'none', 'look.breaker': 'closed' })
export const driveDisplay: Piece = (_r, m, v) => (m.facts.hasVfd ? tell(v, { 'drive.display': 'run' }) : v)
export const groundWire: Piece = (r, m, v) =>
  read(v, 'ground_amps', { 'ground-wire': round(r.between(0, m.facts.hasVfd ? 0.09 : 0.02), 3) })
export const lockedOut: Piece = (r, m, v) => {
  const told = tell(v, {
    scope: 'both',
    'lock.on': 'yes',
    'lock.number': String(1 + r.below(60)),
    'lock.others': r.one(['none', 'locked']),
    windmill: r.one(['still', 'held']),
  })
  const proof = m.facts.serviceVolts * r.between(0.98, 1.02)
  const dead = read(
    read(
      read(told, 'proof_volts', { before: round(proof, 0), after: round(proof * r.between(0.99, 1.01), 0) }),
      'dead_ll',
      {
        ...each(linesOf(m), () => round(r.between(0, 0.5), 1)),
      },
    ),
    'dead_lg',
    each(feedOf(m), () => round(r.between(0, 0.5), 1)),
  )
  if (m.facts.phases === 1) return read(dead, 'stored_volts', { capacitor: round(r.between(0, 1), 1) })
  return m.facts.hasVfd ? read(dead, 'stored_volts', { bus: round(r.between(0, 10), 0) }) : dead
}
export const byHand: Piece = (_r, _m, v) => tell(v, { 'spin.all': 'free', 'spin.motor': 'free', 'spin.fan': 'free' })
export const driveTrain: Piece = (_r, m, v) =>
  tell(v, {
    ...(m.facts.drive === 'belt'
      ? {
          'belt.wear': 'sound',
          'belt.tension': 'right',
          'belt.set': 'matched',
          'belt.grooves': 'sharp',
          'belt.line': 'in',
        }
      : {}),
    'bearing.de': 'quiet',
    'bearing.ode': 'quiet',
    'key.length': 'full',
    'key.torque': 'twice',
    'wheel.blades': 'whole',
    'wheel.screws': 'tight',
    'wheel.hand': 'right',
    'wheel.dirt': 'clean',
    'wheel.gap': 'even',
  })
export const winding: Piece = (r, m, v) => {
  if (m.facts.phases === 3)
    return tell(
      read(
        read(
          v,
          'winding_ohms',
          each(['T1-T2', 'T2-T3', 'T3-T1'], () => ohms3(m.windingOhms * r.between(0.998, 1.002))),
        ),
        'ground_ohms',
        { T1: 'over range', T2: 'over range', T3: 'over range' },
      ),
      { 'ohms.place': 'motor' },
    )
  // Common to run, run to start by way of both, start to common: the widest pair is the sum of the two others.
  const run = m.windingOhms
  const start = run * 1.6
  return read(
    read(v, 'winding_ohms', { 'A-B': ohms3(run), 'B-C': ohms3(run + start), 'C-A': ohms3(start) }),
    'ground_ohms',
    { T1: 'over range' },
  )
}
export const insulation: Piece = (r, m, v) =>
  read(
    read(
      tell(v, { 'insulation.place': 'motor' }),
      'megohms',
      m.facts.phases === 3
        ? each(['T1', 'T2', 'T3'], () => round(m.megohms * r.between(0.85, 1.15), 0))
        : { all: round(m.megohms * r.between(0.85, 1.15), 0) },
    ),
    'test_volts',
    { insulation: m.facts.serviceVolts > 250 ? 1000 : 500 },
  )
export const capacitor: Piece = (r, m, v) =>
  m.facts.phases === 1 ? read(v, 'capacitance', { run: round(m.capacitorUf * r.between(0.97, 1.03), 2) }) : v
export const contacts: Piece = (r, m, v) =>
  m.facts.hasVfd
    ? v
    : read(
        v,
        'pole_ohms',
        each(feedOf(m), () => round(r.between(0, 0.3), 2)),
      )
export const lugs: Piece = (_r, _m, v) => tell(v, { lugs: 'tight', wires: 'whole' })
export const protection: Piece = (r, m, v) =>
  read(
    v,
    'fuse_ohms',
    each(feedOf(m), () => round(r.between(0, 0.3), 2)),
  )
export const dial: Piece = (r, m, v) =>
  m.facts.controls.overload === 'relay'
    ? read(v, 'overload_dial', { relay: round(m.allowed * r.between(0.98, 1), 1) })
    : v
export const poweredUp: Piece = (_r, m, v) =>
  tell(v, {
    'restore.call': 'broken',
    'restore.told': 'yes',
    'restore.guards': 'yes',
    'rotation.seen': 'right way',
    'rotation.by': 'bump',
  })
export const lineSide: Piece = (r, m, v) => read(v, 'line_ll', supplyVolts(r, m, linesOf(m)))
export const controlPower: Piece = (r, m, v) =>
  tell(read(v, 'control_volts', { in: m.facts.serviceVolts, out: round(24 * r.between(0.98, 1.1), 1) }), {
    'control.tap': String(m.facts.serviceVolts),
  })
export const contactDrop: Piece = (r, m, v) =>
  m.facts.hasVfd
    ? v
    : read(
        v,
        'contact_drop',
        each(feedOf(m), () => round(r.between(0.005, 0.06), 3)),
      )
export const temperatures: Piece = (r, _m, v) => {
  const air = r.between(10, 32)
  return read(v, 'temperature', {
    ambient: round(air, 0),
    motor: round(air + r.between(12, 27), 0),
    'bearing-de': round(air + r.between(8, 25), 0),
    'bearing-ode': round(air + r.between(8, 25), 0),
  })
}
/** Near the speed on the plate; on a drive, near its share of it. */
export const speed: Piece = (r, m, v) =>
  read(m.facts.hasVfd ? read(v, 'hz', { motor: m.hz }) : v, 'rpm', {
    motor: Math.round(((m.plate.rpm ?? 1750) * m.hz * r.between(1, 1.015)) / 60),
  })
export const startsUp: Piece = (r, m, v) =>
  read(tell(v, { 'start.turned': 'yes' }), 'start_seconds', {
    start: m.facts.phases === 1 ? round(r.between(0.5, 2), 1) : round(r.between(1, 9), 0),
  })
export const vibration: Piece = (r, _m, v) =>
  tell(
    read(
      v,
      'vibration',
      each(['DE-H', 'DE-V', 'DE-A', 'ODE-H', 'ODE-V', 'ODE-A'], () => round(r.between(0.02, 0.1), 3)),
    ),
    { 'vibration.felt': 'smooth', 'vibration.mount': 'rigid' },
  )
export const burning: Piece = (r, m, v) =>
  m.facts.controls.gasSection
    ? read(
        read(
          read(v, 'flue_oxygen', { flue: round(r.between(6.2, 8.8), 1) }),
          'flue_co',
          // Under 100 ppm air-free at the most oxygen above.
          { flue: round(r.between(0, 50), 0) },
        ),
        'temperature',
        { stack: round(r.between(165, 230), 0) },
      )
    : v
export const closedUp: Piece = (_r, m, v) =>
  tell(v, {
    'leave.call': 'yes',
    'leave.lock': 'yes',
    'leave.guards': 'yes',
    'leave.filters': 'yes',
    'leave.wires': 'yes',
    'leave.jumpers': 'yes',
    'leave.tools': 'yes',
    ...(m.facts.controls.gasSection ? { 'gas.cutout': 'yes' } : {}),
  })

/** Pieces that need no lockout around them to be written down. */
export const pieces: readonly Piece[] = [
  found,
  driveDisplay,
  burning,
  groundWire,
  byHand,
  driveTrain,
  winding,
  insulation,
  capacitor,
  contacts,
  lugs,
  protection,
  dial,
  lineSide,
  controlPower,
  contactDrop,
  temperatures,
  speed,
  startsUp,
  vibration,
]

/** Everything of a long visit that opened the machine, in order. */
export const whole = (r: Random, m: Machine, visit: Draft): Draft =>
  [found, lockedOut, ...pieces.slice(1), poweredUp, running, closedUp].reduce((v, piece) => piece(r, m, v), visit)
