import { causesAt } from '../cause.ts'

/** Fuses, breakers, disconnects, overload relay, phase monitor. */
export const protectionCauses = causesAt('protection', (cause) => [
  cause('hand-open', 'Opened by hand', {
    per: 14,
    raisedBy: ['controls work'],
    proof: [['ask-open', 'hand']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('prot-weak', 'Worn fuse, clip or breaker pole; the loads are good', {
    per: 18,
    raisedBy: ['old', 'heat'],
    kills: ['wind-open'],
    proof: [
      ['fuse-ohms', 'open'],
      ['megs', 'good'],
    ],
    remedy: 'part',
    hazards: ['shock', 'fire'],
  }),
  cause('half-pull', 'Disconnect blade or pull-out half made', {
    per: 5,
    raisedBy: ['controls work', 'old'],
    proof: [['prove-dead', 'leg']],
    remedy: 'part',
    hazards: ['shock'],
    computed: true,
  }),
  cause('neighbor', 'Another load on these fuses is grounded', {
    per: 8,
    fits: ['shared fuses'],
    raisedBy: ['old'],
    proof: [['unplug', 'other']],
    remedy: 'part',
    hazards: ['shock', 'fire'],
  }),
  cause('ol-low', 'Overload set too low, or wrong heater', {
    per: 8,
    fits: ['overload relay'],
    raisedBy: ['motor work'],
    proof: [['dial', 'low']],
    remedy: 'adjust',
  }),
  cause('ol-none', 'Overload missing, bridged or set too high', {
    per: 4,
    fits: ['three-phase'],
    raisedBy: ['motor work'],
    kills: ['gnd-dead', 'turns'],
    proof: [['dial', 'high']],
    remedy: 'part',
    hazards: ['fire'],
  }),
  cause('pm-set', 'Phase monitor set wrong or failed', {
    per: 8,
    fits: ['phase monitor'],
    raisedBy: ['controls work', 'board work'],
    proof: [
      ['pm-lamp', 'misset'],
      ['line-volts', 'ok'],
    ],
    remedy: 'adjust',
  }),
])
