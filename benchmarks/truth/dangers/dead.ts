import {
  acrossTheLine,
  ampsTimes,
  belt,
  figure,
  leads,
  one,
  oneOf,
  pairs,
  running,
  three,
  type Danger,
} from './danger.ts'
import { feedOf } from '../healthy.ts'
import { read, state } from '../visit.ts'

/** What dead tests and starts show. */
export const dead: readonly Danger[] = [
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
    'two pairs open and one not read',
    'winding_ohms',
    (_r, m) =>
      Object.fromEntries(
        pairs(m)
          .slice(1)
          .map((p) => [p, 'over range' as const]),
      ),
    'stop',
    true,
    'motor-replaced',
    { fits: three },
  ),
  figure(
    'two uneven pairs and one not read',
    'winding_ohms',
    (r, m) => {
      const [a = '', b = ''] = pairs(m)
      return { [a]: m.windingOhms, [b]: m.windingOhms * r.between(0.5, 0.85) }
    },
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
]
