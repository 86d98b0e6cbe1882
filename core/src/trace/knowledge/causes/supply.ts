import { causesAt } from '../cause.ts'

/** What comes to the building and the board. */
export const supplyCauses = causesAt('supply', (cause) => [
  cause('feed-off', 'Board or feeder is dead', {
    per: 14,
    raisedBy: ['board work'],
    proof: [['line-volts', 'none']],
    remedy: 'other trade',
    hazards: ['shock'],
  }),
  cause('leg-lost', 'One line lost ahead of the unit', {
    per: 19,
    fits: ['three-phase'],
    raisedBy: ['heat', 'board work'],
    kills: ['wind-open', 'turns', 'vfd-in'],
    proof: [['line-volts', 'lost']],
    remedy: 'other trade',
    hazards: ['shock', 'fire'],
    computed: true,
  }),
  cause('prim-leg', 'One line lost ahead of the building transformer', {
    per: 3,
    fits: ['three-phase'],
    raisedBy: ['board work'],
    kills: ['wind-open'],
    proof: [['amps', 'double']],
    remedy: 'other trade',
    hazards: ['shock', 'fire'],
    computed: true,
  }),
  cause('volt-low', 'Supply more than 10 % low, or sags at start', {
    per: 10,
    raisedBy: ['heat'],
    kills: ['turns', 'prot-hot'],
    proof: [['line-volts', 'low']],
    remedy: 'other trade',
    hazards: ['fire'],
    computed: true,
  }),
  cause('volt-unbal', 'Supply unbalance above 2 %', {
    per: 9,
    fits: ['three-phase'],
    raisedBy: ['heat', 'board work'],
    kills: ['turns'],
    proof: [['line-volts', 'unbal']],
    remedy: 'other trade',
    hazards: ['fire'],
    computed: true,
  }),
  cause('seq-rev', 'Phase sequence changed at the board', {
    per: 4,
    fits: ['three-phase'],
    raisedBy: ['board work'],
    proof: [['phase-meter', 'rev']],
    remedy: 'other trade',
  }),
])
