import { causesAt } from '../cause.ts'

/** Capacitors of single-phase motors. */
export const capacitorCauses = causesAt('capacitor', (cause) => [
  cause('cap-weak', 'Run capacitor weak', {
    per: 19,
    fits: ['single-phase'],
    raisedBy: ['heat', 'old'],
    kills: ['prot-hot', 'wind1-open'],
    proof: [['cap-uf', 'weak']],
    remedy: 'part',
    hazards: ['shock'],
    computed: true,
  }),
  cause('cap-dead', 'Run or start capacitor dead, or start switch stuck', {
    per: 14,
    fits: ['single-phase'],
    raisedBy: ['heat', 'old'],
    kills: ['wind1-open'],
    proof: [['cap-uf', 'dead']],
    remedy: 'part',
    hazards: ['shock'],
    computed: true,
  }),
  cause('cap-wrong', 'Capacitor good, but the wrong value', {
    per: 5,
    fits: ['single-phase'],
    raisedBy: ['motor work'],
    kills: ['prot-hot'],
    proof: [['cap-mark', 'wrong']],
    remedy: 'part',
    hazards: ['shock'],
    computed: true,
  }),
])
