import { causesAt } from '../cause.ts'

/** The contactor. */
export const contactorCauses = causesAt('contactor', (cause) => [
  cause('coil', 'Contactor coil open', {
    per: 10,
    fits: ['contactor'],
    raisedBy: ['old'],
    killedBy: ['tx-tap', 'volt-low'],
    proof: [['coil-ohms', 'open']],
    remedy: 'part',
    hazards: ['shock'],
  }),
  cause('pole-open', 'Contactor pole burnt: does not make', {
    per: 17,
    fits: ['contactor'],
    raisedBy: ['old', 'heat'],
    killedBy: ['armature', 'lug'],
    kills: ['wind-open'],
    proof: [['pole-drop', 'open']],
    remedy: 'part',
    hazards: ['shock', 'fire'],
    computed: true,
  }),
  cause('pole-weld', 'Contactor pole welded: does not open', {
    per: 8,
    fits: ['contactor'],
    raisedBy: ['old'],
    killedBy: ['armature', 'gnd-dead'],
    proof: [['poles', 'weld']],
    remedy: 'part',
    hazards: ['shock', 'self-start'],
    computed: true,
  }),
  cause('armature', 'Contactor chatters or sticks', {
    per: 8,
    fits: ['contactor'],
    raisedBy: ['dirt'],
    killedBy: ['tx-tap'],
    kills: ['pole-open', 'pole-weld'],
    proof: [['hear', 'chatter']],
    remedy: 'part',
    hazards: ['fire'],
  }),
])
