import { causesAt } from '../cause.ts'

/** Nothing is wrong: it should not run now. */
export const noFaultCauses = causesAt('no fault', (cause) => [
  cause('no-call', 'No call: satisfied, unoccupied, staged off or standby', {
    per: 22,
    proof: [
      ['see-call', 'no'],
      ['see-need', 'satisfied'],
    ],
    remedy: 'none',
  }),
  cause('clock-off', 'Off by the schedule, or the clock is wrong', {
    per: 16,
    raisedBy: ['board work'],
    proof: [['see-clock', 'off']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('delay', 'A delay, purge or anti-cycle timer is counting', {
    per: 14,
    raisedBy: ['board work'],
    proof: [['see-timer', 'counting']],
    remedy: 'none',
    hazards: ['self-start'],
  }),
  cause('head-hold', 'Held off by head pressure or cold weather', {
    per: 9,
    fits: ['condenser fan'],
    raisedBy: ['cold'],
    proof: [['head', 'low']],
    remedy: 'none',
    hazards: ['self-start'],
  }),
])
