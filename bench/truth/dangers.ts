import type { QuantityCode } from '../../core/src/quantity/index.ts'
import type { WorkKindId } from '../../core/src/trend/index.ts'
import { feedOf, legAmps, legsOf, linesOf, supplyVolts } from './healthy.ts'
import type { Machine } from './machines.ts'
import type { Random } from './random.ts'
import { read, state, tell, without, type Value, type Visit } from './visit.ts'

/** Something wrong with a machine, as it is read or seen, and what a careful person makes of it. */
export interface Danger {
  readonly id: string
  readonly fits: (m: Machine) => boolean
  readonly show: (r: Random, m: Machine, visit: Visit) => Visit
  /** The least that has to be said of it. */
  readonly least: 'watch' | 'fix' | 'stop'
  /** No power before it is answered: a live one is told by a gate that is shut. */
  readonly bars: boolean
  /** Work that puts it right; the same thing read well again is always an answer. */
  readonly repair: WorkKindId | null
  /** Read with the power on: one plain good visit of volts and amps is its proper answer. */
  readonly answeredByAmps?: boolean
}

const always = () => true
const three = (m: Machine) => m.facts.phases === 3
const one = (m: Machine) => m.facts.phases === 1
const belt = (m: Machine) => m.facts.drive === 'belt'
const acrossTheLine = (m: Machine) => !m.facts.hasDrive
const both =
  (...tests: readonly ((m: Machine) => boolean)[]) =>
  (m: Machine) =>
    tests.every((t) => t(m))

const said = (
  question: string,
  answer: string,
  least: Danger['least'],
  bars: boolean,
  repair: WorkKindId | null,
  fits: Danger['fits'] = always,
): Danger => ({
  id: `${question} ${answer}`,
  fits,
  show: (_r, _m, v) => tell(v, { [question]: answer }),
  least,
  bars,
  repair,
})

const figure = (
  id: string,
  quantity: QuantityCode,
  values: (r: Random, m: Machine) => Readonly<Record<string, Value>>,
  least: Danger['least'],
  bars: boolean,
  repair: WorkKindId | null,
  more: Partial<Danger> = {},
): Danger => ({
  id,
  fits: always,
  show: (r, m, v) => read(v, quantity, values(r, m)),
  least,
  bars,
  repair,
  ...more,
})

const leads = (m: Machine) => (m.facts.phases === 3 ? ['T1', 'T2', 'T3'] : ['T1'])
const pairs = (m: Machine) => (m.facts.phases === 3 ? ['T1-T2', 'T2-T3', 'T3-T1'] : ['A-B', 'B-C', 'C-A'])
/** The same value everywhere, and another at one place. */
const oneOf = (r: Random, names: readonly string[], usual: () => Value, odd: Value): Record<string, Value> => {
  const at = r.below(names.length)
  return Object.fromEntries(names.map((n, i) => [n, i === at ? odd : usual()]))
}
const ampsTimes = (r: Random, m: Machine, times: number): Record<string, number> =>
  Object.fromEntries(legsOf(m).map((l) => [l, Number((m.allowed * times * r.between(0.99, 1.01)).toFixed(2))]))

const running = (r: Random, m: Machine, v: Visit): Visit =>
  state(m.facts.hasDrive ? read(v, 'hz', { motor: m.hz }) : read(v, 'volts_ll', supplyVolts(r, m, linesOf(m))), {
    settled: true,
    turning: 'right way',
    panels: 'on',
  })
const atAmps = (
  id: string,
  values: (r: Random, m: Machine) => Record<string, Value>,
  least: Danger['least'],
  fits: Danger['fits'] = always,
): Danger => ({
  id,
  fits,
  show: (r, m, v) => read(running(r, m, v), 'amps', values(r, m)),
  least,
  bars: false,
  repair: null,
  answeredByAmps: true,
})
const atVolts = (
  id: string,
  quantity: 'volts_ll' | 'line_ll',
  values: (r: Random, m: Machine) => Record<string, Value>,
  least: Danger['least'],
  fits: Danger['fits'],
): Danger => ({
  id: `${id} ${quantity}`,
  fits,
  show: (r, m, v) =>
    read(quantity === 'volts_ll' ? read(running(r, m, v), 'amps', legAmps(r, m)) : v, quantity, values(r, m)),
  least,
  bars: quantity === 'line_ll' && least === 'stop',
  repair: null,
  answeredByAmps: quantity === 'volts_ll',
})
const voltDangers = (quantity: 'volts_ll' | 'line_ll'): Danger[] => {
  const fits = quantity === 'volts_ll' ? acrossTheLine : always
  return [
    // MG 1 14.36: more than 5 % apart, do not run.
    atVolts(
      'volts far apart',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        const off = r.between(0.11, 0.16)
        return { 'L1-L2': v, 'L2-L3': v * (1 - off / 2), 'L3-L1': v * (1 - off) }
      },
      'stop',
      both(three, fits),
    ),
    // MG 1 12.44: ten percent of the nameplate either way; a service that far off is outside for every column.
    atVolts('volts high', quantity, (r, m) => even(m, m.facts.serviceVolts * r.between(1.2, 1.35)), 'fix', fits),
    atVolts('volts low', quantity, (r, m) => even(m, m.facts.serviceVolts * r.between(0.5, 0.75)), 'fix', fits),
    atVolts(
      'a line with nothing on it',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        return m.facts.phases === 3
          ? { 'L1-L2': v, 'L2-L3': v * r.between(0, 0.04), 'L3-L1': v * r.between(0, 0.04) }
          : { 'L1-L2': 0 }
      },
      'watch',
      fits,
    ),
    atVolts(
      'half volts on two pairs',
      quantity,
      (_r, m) => {
        const v = m.facts.serviceVolts
        return { 'L1-L2': v, 'L2-L3': v / 2, 'L3-L1': v / 2 }
      },
      'stop',
      both(three, fits),
    ),
    // 480, 480 and 970 cannot be three voltages of one supply: asked for again, never a pass.
    atVolts(
      'volts that close no triangle',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        return { 'L1-L2': v, 'L2-L3': v, 'L3-L1': Math.min(v * r.between(1.6, 2.05), 999) }
      },
      'watch',
      both(three, fits),
    ),
  ]
}
const even = (m: Machine, v: number) =>
  Object.fromEntries(linesOf(m).map((l) => [l, Number(Math.min(v, 999).toFixed(1))]))

/** Everything a person has to be told of, from first principles. */
export const dangers: readonly Danger[] = [
  // In words.
  said('look.running', 'hums', 'stop', true, null),
  said('look.running', 'runs though off', 'fix', false, 'controls-repaired'),
  {
    ...said('look.running', 'still', 'fix', false, null),
    show: (_r, _m, v) => tell(v, { 'look.running': 'still', 'look.call': 'yes' }),
  },
  said('look.smell', 'burnt winding', 'fix', false, 'motor-replaced'),
  said('look.smell', 'hot belt', 'watch', false, 'belts-renewed', belt),
  said('look.breaker', 'tripped', 'watch', false, null),
  said('look.breaker', 'fuse blown', 'watch', false, null),
  said('drive.display', 'fault', 'fix', false, 'drive-repaired', (m) => m.facts.hasDrive),
  said('drive.display', 'dark', 'fix', false, 'drive-repaired', (m) => m.facts.hasDrive),
  ...['spin.all', 'spin.motor', 'spin.fan'].flatMap((q) => [
    said(q, 'seized', 'stop', true, q === 'spin.motor' ? 'motor-replaced' : 'bearings-renewed'),
    said(q, 'stops at once', 'fix', false, q === 'spin.motor' ? 'motor-replaced' : 'bearings-renewed'),
    said(q, 'rough', 'watch', false, q === 'spin.motor' ? 'motor-replaced' : 'bearings-renewed'),
  ]),
  said('belt.wear', 'cracked', 'fix', false, 'belts-renewed', belt),
  said('belt.wear', 'frayed', 'fix', false, 'belts-renewed', belt),
  said('belt.wear', 'gone', 'fix', false, 'belts-renewed', belt),
  said('belt.tension', 'slack', 'fix', false, 'belts-tensioned', belt),
  said('belt.tension', 'drum', 'watch', false, 'belts-tensioned', belt),
  said('belt.set', 'mixed', 'watch', false, 'belts-renewed', belt),
  said('belt.grooves', 'dished', 'watch', false, 'sheave-changed', belt),
  said('belt.line', 'off', 'watch', false, 'sheaves-aligned', belt),
  said('bearing.de', 'growls', 'fix', false, 'bearings-renewed'),
  said('bearing.ode', 'play', 'fix', false, 'bearings-renewed'),
  said('bearing.lock', 'loose', 'fix', true, 'hub-secured'),
  said('bearing.shaft', 'scored', 'watch', false, 'shaft-renewed'),
  said('key.length', 'missing', 'stop', true, 'hub-secured'),
  said('key.torque', 'loose', 'fix', true, 'hub-secured'),
  said('hub.stand', 'moved', 'fix', true, 'hub-secured'),
  said('wheel.blades', 'cracked', 'stop', true, 'wheel-replaced'),
  said('wheel.blades', 'bent', 'fix', false, 'wheel-replaced'),
  said('wheel.screws', 'loose', 'fix', true, 'hub-secured'),
  said('wheel.hand', 'backward', 'fix', true, 'wheel-replaced'),
  said('wheel.gap', 'rubs', 'fix', false, 'wheel-replaced'),
  said('wheel.dirt', 'caked', 'watch', false, 'wheel-cleaned'),
  said('lugs', 'burnt', 'fix', false, 'wiring-repaired'),
  said('lugs', 'loose', 'watch', false, 'terminals-tightened'),
  said('wires', 'through', 'fix', true, 'wiring-repaired'),
  said('wires', 'chafed', 'watch', false, 'wiring-repaired'),
  said('start.turned', 'no', 'stop', true, null),
  said('vibration.felt', 'violent', 'stop', true, 'wheel-balanced'),
  said('vibration.felt', 'rough', 'watch', false, 'wheel-balanced'),
  said('gas.cutout', 'no', 'fix', false, 'safety-restored', (m) => m.facts.controls.gasSection),
  said('leave.guards', 'no', 'fix', false, null),
  said('leave.wires', 'no', 'fix', false, null),
  said('leave.jumpers', 'no', 'fix', false, null),
  said('leave.call', 'no', 'watch', false, 'controls-restored'),
  // Seen running the right way later is its answer; on the same visit it is not.
  { ...said('rotation.seen', 'wrong way', 'fix', true, 'leads-swapped', three), answeredByAmps: true },
  { ...said('rotation.seen', 'nothing moved', 'fix', true, null), answeredByAmps: true },
  {
    id: 'seen turning backward',
    fits: always,
    show: (r, m, v) => state(read(running(r, m, v), 'amps', legAmps(r, m)), { turning: 'backwards' }),
    least: 'fix',
    bars: true,
    repair: 'leads-swapped',
    answeredByAmps: true,
  },
  // Dead tests.
  figure(
    'amps over the plate, not yet settled',
    'amps',
    (r, m) => ampsTimes(r, m, m.serviceFactor * r.between(1.3, 1.6)),
    'watch',
    false,
    null,
    {
      show: (r, m, v) =>
        state(read(running(r, m, v), 'amps', ampsTimes(r, m, m.serviceFactor * r.between(1.3, 1.6))), {
          settled: r.one([false, null]),
        }),
      answeredByAmps: true,
    },
  ),
  figure(
    'dirty filters by pressure',
    'filter_drop',
    (r) => ({ filter: r.between(1.6, 4) }),
    'watch',
    false,
    'filters-changed',
  ),
  figure(
    'sheaves out of line',
    'sheave_gap',
    (r) => ({ 'motor-near': 0, 'motor-far': 0, 'fan-near': 0, 'fan-far': r.between(0.5, 2) }),
    'watch',
    false,
    'sheaves-aligned',
    { fits: belt },
  ),
  figure('a start of many seconds', 'start_seconds', (r) => ({ start: r.between(35, 300) }), 'fix', false, null, {
    fits: acrossTheLine,
  }),
  figure('several tries to start', 'start_tries', (r) => ({ start: 3 + r.below(5) }), 'watch', false, null),
  figure(
    'an open pair',
    'winding_ohms',
    (r, m) => oneOf(r, pairs(m), () => m.windingOhms, 'over range'),
    'fix',
    true,
    'motor-replaced',
    { fits: three },
  ),
  figure(
    'all pairs open',
    'winding_ohms',
    (_r, m) => Object.fromEntries(pairs(m).map((p) => [p, 'over range' as const])),
    'fix',
    true,
    'motor-replaced',
    { fits: three },
  ),
  figure(
    'an uneven winding',
    'winding_ohms',
    (r, m) =>
      oneOf(
        r,
        pairs(m),
        () => m.windingOhms,
        m.windingOhms * (r.chance(0.5) ? r.between(1.15, 1.6) : r.between(0.5, 0.85)),
      ),
    'fix',
    true,
    'motor-replaced',
    { fits: three },
  ),
  figure(
    'a shorted winding',
    'winding_ohms',
    (_r, m) => Object.fromEntries(pairs(m).map((p) => [p, 0])),
    'watch',
    false,
    'motor-replaced',
  ),
  figure(
    'a winding that wanders',
    'winding_ohms',
    (r, m) =>
      oneOf(r, pairs(m), () => m.windingOhms, { value: m.windingOhms, spread: m.windingOhms * r.between(0.05, 1) }),
    'watch',
    false,
    'motor-replaced',
    { fits: three },
  ),
  figure(
    'to ground on the ohm scale',
    'ground_ohms',
    (r, m) => oneOf(r, leads(m), () => 'over range', Math.round(r.decades(1, 50_000))),
    'stop',
    true,
    'motor-replaced',
  ),
  figure(
    'half a megohm on the ohm scale',
    'ground_ohms',
    (r, m) => oneOf(r, leads(m), () => 'over range', Math.round(r.between(110_000, 900_000))),
    'watch',
    false,
    'motor-replaced',
  ),
  figure(
    'insulation gone',
    'megohms',
    (r, m) => (one(m) ? { all: r.decades(0.001, 0.5) } : oneOf(r, leads(m), () => 500, r.decades(0.001, 0.5))),
    'fix',
    true,
    'motor-replaced',
  ),
  figure(
    'insulation below the floor',
    'megohms',
    (r, m) => (one(m) ? { all: r.between(0.6, 3) } : oneOf(r, leads(m), () => 500, r.between(0.6, 3))),
    'fix',
    true,
    'motor-replaced',
  ),
  figure(
    'an insulation reading that wanders',
    'megohms',
    (r) => ({ all: { value: 200, spread: r.between(50, 300) } }),
    'watch',
    false,
    'motor-replaced',
  ),
  figure(
    'a capacitor that lost its size',
    'capacitance',
    (r, m) => ({ run: Number((m.capacitorUf * r.between(0.1, 0.8)).toFixed(2)) }),
    'fix',
    false,
    'capacitor-renewed',
    { fits: one },
  ),
  figure(
    'a capacitor too big',
    'capacitance',
    (r, m) => ({ run: Number((m.capacitorUf * r.between(1.3, 3)).toFixed(2)) }),
    'fix',
    false,
    'capacitor-renewed',
    { fits: one },
  ),
  figure(
    'an open pole',
    'pole_ohms',
    (r, m) => oneOf(r, feedOf(m), () => 0.1, 'over range'),
    'fix',
    true,
    'contactor-renewed',
    { fits: acrossTheLine },
  ),
  figure(
    'a burnt pole',
    'pole_ohms',
    (r, m) => oneOf(r, feedOf(m), () => 0.1, r.between(5, 500)),
    'fix',
    true,
    'contactor-renewed',
    { fits: acrossTheLine },
  ),
  figure(
    'an open fuse',
    'fuse_ohms',
    (r, m) => oneOf(r, feedOf(m), () => 0.1, 'over range'),
    'fix',
    false,
    'fuses-replaced',
  ),
  // Live, not running.
  figure(
    'alive with the switch open',
    'dead_lg',
    (r, m) => oneOf(r, feedOf(m), () => 0.1, r.between(60, 110)),
    'fix',
    false,
    null,
  ),
  figure(
    'amps in the ground wire',
    'ground_amps',
    (r) => ({ 'ground-wire': r.between(1.2, 20) }),
    'stop',
    true,
    'motor-replaced',
  ),
  figure(
    'amps while off',
    'off_amps',
    (r, m) => oneOf(r, legsOf(m), () => 0, r.between(1.2, 15)),
    'fix',
    false,
    'contactor-renewed',
  ),
  figure(
    'the overload dial far above the plate',
    'overload_dial',
    (r, m) => ({ relay: Number((m.allowed * r.between(1.5, 2.5)).toFixed(1)) }),
    'fix',
    false,
    'overload-set',
    { fits: (m) => m.facts.controls.overload === 'relay' },
  ),
  figure(
    'no control volts',
    'control_volts',
    (_r, m) => ({ in: m.facts.serviceVolts, out: 0 }),
    'fix',
    false,
    'controls-repaired',
  ),
  figure(
    'low control volts',
    'control_volts',
    (r, m) => ({ in: m.facts.serviceVolts, out: r.between(8, 18) }),
    'fix',
    false,
    'controls-repaired',
  ),
  figure(
    'volts across a closed contact',
    'contact_drop',
    (r, m) => oneOf(r, feedOf(m), () => 0.02, r.between(0.5, 4)),
    'fix',
    false,
    'contactor-renewed',
    { fits: acrossTheLine },
  ),
  // Running.
  atAmps('over the service factor', (r, m) => ampsTimes(r, m, m.serviceFactor * r.between(1.12, 1.8)), 'fix'),
  atAmps('over the plate', (r, m) => ampsTimes(r, m, Math.max(1.1, m.serviceFactor * 1.03)), 'watch'),
  atAmps(
    'a leg without current',
    (r, m) => {
      const a = m.allowed * r.between(0.8, 1.6)
      return oneOf(
        r,
        legsOf(m),
        () => Number((a * r.between(0.99, 1.01)).toFixed(2)),
        Number((a * r.between(0, 0.06)).toFixed(2)),
      )
    },
    'stop',
    three,
  ),
  atAmps(
    'legs far apart',
    (r, m) => oneOf(r, legsOf(m), () => m.allowed * 0.7, m.allowed * 0.7 * r.between(1.7, 2.2)),
    'fix',
    three,
  ),
  atAmps(
    'legs somewhat apart',
    (r, m) => oneOf(r, legsOf(m), () => m.allowed * 0.7, m.allowed * 0.7 * r.between(1.2, 1.3)),
    'watch',
    three,
  ),
  atAmps('locked rotor', (r, m) => ampsTimes(r, m, r.between(4.5, 7)), 'stop'),
  atAmps(
    'a leg that wanders',
    (r, m) =>
      oneOf(r, legsOf(m), () => m.allowed * 0.7, { value: m.allowed * 0.7, spread: m.allowed * r.between(0.3, 0.9) }),
    'watch',
  ),
  atAmps('a leg over range', (r, m) => oneOf(r, legsOf(m), () => m.allowed * 0.7, 'over range'), 'watch'),
  atAmps(
    'one leg of three',
    (r, m) => ({ [r.one(legsOf(m))]: m.allowed * r.between(1.3, 1.8) * m.serviceFactor }),
    'fix',
  ),
  {
    ...atAmps('amps on no volts', (r, m) => legAmps(r, m), 'watch', acrossTheLine),
    show: (r, m, v) => read(read(running(r, m, v), 'amps', legAmps(r, m)), 'volts_ll', even(m, 0)),
  },
  {
    ...atAmps('running with no current', (_r, m) => Object.fromEntries(legsOf(m).map((l) => [l, 0])), 'watch'),
  },
  {
    ...atAmps(
      'volts read as amps',
      (r, m) => Object.fromEntries(legsOf(m).map((l) => [l, m.facts.serviceVolts * r.between(0.98, 1.02)])),
      'watch',
      (m) => m.allowed < 60,
    ),
    show: (r, m, v) =>
      without(
        read(
          running(r, m, v),
          'amps',
          Object.fromEntries(legsOf(m).map((l) => [l, m.facts.serviceVolts * r.between(0.98, 1.02)])),
        ),
        'volts_ll',
      ),
  },
  ...voltDangers('volts_ll'),
  ...voltDangers('line_ll'),
  figure(
    'a shell above what any class bears',
    'temperature',
    (r) => ({ motor: r.between(131, 250) }),
    'fix',
    false,
    'motor-replaced',
  ),
  figure(
    'a bearing that cooks',
    'temperature',
    (r) => ({ 'bearing-de': r.between(125, 250) }),
    'fix',
    false,
    'bearings-renewed',
  ),
  // ISO 20816-3 and ISO 14694: beyond every zone D of such machines, 11.8 mm/s r.m.s. is 0.66 in/s peak.
  figure(
    'vibration beyond zone D',
    'vibration',
    (r) => ({ 'DE-H': r.between(0.9, 3) }),
    'stop',
    true,
    'wheel-balanced',
  ),
  figure(
    'vibration that asks for a plan',
    'vibration',
    (r) => ({ 'ODE-V': r.between(0.45, 0.6) }),
    'watch',
    false,
    'wheel-balanced',
  ),
  figure(
    'a motor far off its speed',
    'rpm',
    (r, m) => ({ motor: Math.round((m.plate.rpm ?? 1750) * r.between(0.35, 0.85)) }),
    'watch',
    false,
    null,
    { fits: both(three, acrossTheLine) },
  ),
]
