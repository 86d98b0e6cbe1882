import { acrossTheLine, ampsTimes, atAmps, both, figure, oneOf, running, three, type Danger } from './danger.ts'
import { feedOf, legAmps, legsOf } from '../healthy.ts'
import { read, without } from '../visit.ts'
import { voltDangers, even } from './volts.ts'

/** With the power on, not running. */
export const live: readonly Danger[] = [
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
]

/** Running. */
export const atRun: readonly Danger[] = [
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
  // What goes in through one leg alone comes back through the ground wire or the frame.
  atAmps(
    'a leg that carries alone',
    (r, m) => oneOf(r, legsOf(m), () => m.allowed * r.between(0, 0.02), m.allowed * r.between(0.5, 1)),
    'stop',
    three,
  ),
  // (a − b) / (a + b) is the least that two legs leave, whatever the third carries.
  atAmps(
    'two legs of three, far apart',
    (r, m) => {
      const [a = '', b = ''] = legsOf(m)
      return { [a]: m.allowed * 0.7, [b]: m.allowed * 0.7 * r.between(0.2, 0.35) }
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
  figure(
    'a drive set for another voltage',
    'drive_volts',
    (r, m) => ({ output: Math.round(m.facts.serviceVolts * r.between(1.58, 1.66)) }),
    'stop',
    false,
    'drive-repaired',
    { fits: (m) => m.facts.hasVfd },
  ),
]
