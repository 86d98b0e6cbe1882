import { causesAt } from '../cause.ts'

/** Call and control string. */
export const controlsCauses = causesAt('controls', (cause) => [
  cause('stat', 'Thermostat, sensor or automation gives no output', {
    per: 23,
    raisedBy: ['controls work'],
    proof: [
      ['half-split', 'call'],
      ['see-need', 'needed'],
    ],
    remedy: 'other trade',
  }),
  cause('safety', 'A safety is open: smoke, freeze, float, pressure or door switch', {
    per: 21,
    raisedBy: ['cold', 'dirt'],
    killedBy: ['filter', 'ice', 'trap'],
    proof: [['half-split', 'safety']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('ctl-wire', 'Control wire, screw or relay contact open', {
    per: 14,
    raisedBy: ['controls work', 'vibration'],
    proof: [['half-split', 'wire']],
    remedy: 'tighten',
  }),
  cause('board', 'Fan relay, board or timer failed', {
    per: 13,
    raisedBy: ['old', 'board work'],
    killedBy: ['tx-power'],
    proof: [['half-split', 'relay']],
    remedy: 'part',
  }),
  cause('left-off', 'Left off: lifted wire, selector or cut-out', {
    per: 9,
    raisedBy: ['controls work', 'motor work'],
    proof: [['selector', 'off']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('left-on', 'Selector in hand, jumper in or test mode left on', {
    per: 6,
    raisedBy: ['controls work'],
    proof: [['selector', 'hand']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('limit-open', 'Heat limit open: the fan runs on without heat', {
    per: 8,
    fits: ['gas heat'],
    raisedBy: ['cold', 'dirt'],
    killedBy: ['filter', 'belt-slip', 'belt-off'],
    proof: [['half-split', 'limit']],
    remedy: 'other trade',
    hazards: ['combustion'],
  }),
])
