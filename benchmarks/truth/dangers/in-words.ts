import { always, belt, figure, running, said, three, type Danger } from './danger.ts'
import { legAmps } from '../healthy.ts'
import { read, state, tell } from '../visit.ts'

const flue = (
  id: string,
  quantity: 'flue_oxygen' | 'flue_co' | 'temperature',
  value: number,
  least: Danger['least'],
  position = 'flue',
): Danger =>
  figure(id, quantity, () => ({ [position]: value }), least, false, null, { fits: (m) => m.facts.controls.gasSection })

/** What is seen, heard and smelled. */
export const inWords: readonly Danger[] = [
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
  said('drive.display', 'fault', 'fix', false, 'drive-repaired', (m) => m.facts.hasVfd),
  // A fault of the drive that is named is one, whatever else was entered of the display.
  said('drive.family', 'ground', 'watch', false, 'drive-repaired', (m) => m.facts.hasVfd),
  said('drive.swap-says', 'motor', 'fix', false, 'motor-replaced', (m) => m.facts.hasVfd),
  said('drive.swap-says', 'drive', 'fix', false, 'drive-repaired', (m) => m.facts.hasVfd),
  {
    // With nothing said of them when leaving.
    ...said('restore.guards', 'no', 'fix', false, null),
    show: (_r, _m, v) => {
      const { 'leave.guards': _on, ...answers } = v.answers
      return { ...v, answers: { ...answers, 'restore.guards': 'no' } }
    },
  },
  said('drive.display', 'dark', 'fix', false, 'drive-repaired', (m) => m.facts.hasVfd),
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
  said('wheel.screws', 'loose', 'stop', true, 'hub-secured'),
  said('wheel.hand', 'backward', 'fix', true, 'wheel-replaced'),
  said('wheel.gap', 'rubs', 'fix', false, 'wheel-replaced'),
  said('wheel.dirt', 'caked', 'watch', false, 'wheel-cleaned'),
  said('lugs', 'burnt', 'fix', false, 'wiring-repaired'),
  said('lugs', 'loose', 'watch', false, 'terminals-tightened'),
  said('wires', 'through', 'stop', true, 'wiring-repaired'),
  said('wires', 'chafed', 'watch', false, 'wiring-repaired'),
  said('start.turned', 'no', 'stop', true, null),
  said('vibration.felt', 'violent', 'stop', true, 'wheel-balanced'),
  said('vibration.felt', 'rough', 'watch', false, 'wheel-balanced'),
  // Oxygen 6 to 9 %, CO 100 and 400 ppm air-free, stack 325 to 450 °F (common practice; ANSI Z21.47).
  flue('oxygen over the band', 'flue_oxygen', 9.8, 'stop'),
  flue('oxygen under the band', 'flue_oxygen', 4.5, 'stop'),
  flue('a probe in air', 'flue_oxygen', 17, 'watch'),
  flue('CO over 400 ppm', 'flue_co', 450, 'stop'),
  flue('CO over 100 ppm', 'flue_co', 140, 'fix'),
  flue('a hot stack', 'temperature', 260, 'stop', 'stack'),
  said('gas.cutout', 'no', 'stop', false, 'safety-restored', (m) => m.facts.controls.gasSection),
  said('gas.tested', 'no', 'fix', false, null, (m) => m.facts.controls.gasSection),
  said('leave.guards', 'no', 'stop', false, null),
  said('leave.filters', 'no', 'fix', false, null),
  said('leave.wires', 'no', 'fix', false, null),
  said('leave.jumpers', 'no', 'stop', false, null),
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
]
