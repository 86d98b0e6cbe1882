import { causesAt } from '../cause.ts'

/** Wheel and blade. */
export const wheelCauses = causesAt('wheel', (cause) => [
  cause('caked', 'Wheel caked with dirt', {
    per: 19,
    raisedBy: ['dirt'],
    killedBy: ['filter'],
    kills: ['unbal', 'fbrg'],
    proof: [['wheel', 'caked']],
    remedy: 'clean',
    hazards: ['thrown part'],
    computed: true,
  }),
  cause('unbal', 'Blade bent or cracked, or a clip lost', {
    per: 15,
    raisedBy: ['vibration', 'controls work'],
    killedBy: ['caked', 'rub'],
    kills: ['fbrg', 'blade-cut'],
    proof: [['wheel', 'bad']],
    remedy: 'part',
    hazards: ['thrown part'],
  }),
  cause('wheel-back', 'Wheel in backward, or the wrong hand', {
    per: 4,
    raisedBy: ['motor work'],
    proof: [['wheel', 'backward']],
    remedy: 'adjust',
    computed: true,
  }),
  cause('rub', 'Wheel rubs or jams: debris, ice or a moved hub', {
    per: 15,
    raisedBy: ['idle', 'cold'],
    killedBy: ['hub', 'mount', 'ice'],
    kills: ['mbrg-lock'],
    proof: [['wheel', 'rubs']],
    remedy: 'adjust',
    hazards: ['fire'],
  }),
])
