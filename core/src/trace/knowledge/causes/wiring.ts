import { causesAt } from '../cause.ts'

/** Lugs, cables and the equipment ground. */
export const wiringCauses = causesAt('wiring', (cause) => [
  cause('lug', 'Lug, plug or screw loose or burnt', {
    per: 28,
    raisedBy: ['vibration', 'heat', 'old'],
    kills: ['wind-open', 'vfd-out', 'pole-open'],
    proof: [['terminals', 'loose']],
    remedy: 'tighten',
    hazards: ['shock', 'fire'],
    computed: true,
  }),
  cause('blade-cut', 'Motor lead cut by blade, wheel or belt', {
    per: 8,
    raisedBy: ['vibration', 'motor work'],
    killedBy: ['mount'],
    proof: [['terminals', 'cut']],
    remedy: 'part',
    hazards: ['shock', 'thrown part'],
  }),
  cause('cable-gnd', 'Cable or box chafed or wet, to ground', {
    per: 16,
    raisedBy: ['rain', 'vibration'],
    kills: ['vfd-out', 'tx-power'],
    proof: [['megs-cable', 'low']],
    remedy: 'part',
    hazards: ['shock', 'fire'],
  }),
  cause('splice', 'Lead open at the motor box or plug', {
    per: 7,
    raisedBy: ['vibration', 'motor work'],
    killedBy: ['lug'],
    proof: [
      ['ohms-far', 'open'],
      ['ohms3', 'even'],
    ],
    remedy: 'tighten',
    hazards: ['fire'],
    computed: true,
  }),
  cause('bond-off', 'Equipment ground open', {
    per: 3,
    raisedBy: ['motor work'],
    proof: [['bond', 'open']],
    remedy: 'tighten',
    hazards: ['shock'],
  }),
])
