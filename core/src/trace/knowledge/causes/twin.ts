import { causesAt } from '../cause.ts'

/** The twin fan. */
export const twinCauses = causesAt('twin', (cause) => [
  cause('twin-dead', 'Twin fan is off: this fan carries all', {
    per: 12,
    fits: ['twin'],
    raisedBy: ['old'],
    killedBy: ['vfd-out', 'belt-off'],
    proof: [['twin-load', 'alone']],
    remedy: 'adjust',
    hazards: ['fire'],
    computed: true,
  }),
  cause('twin-spin', 'Idle twin spins backward: it trips at start', {
    per: 5,
    fits: ['twin'],
    killedBy: ['twin-dead'],
    kills: ['unbal'],
    proof: [
      ['see-turn', 'back'],
      ['vfd-code', 'over-current'],
    ],
    remedy: 'adjust',
    hazards: ['thrown part'],
    computed: true,
  }),
])
