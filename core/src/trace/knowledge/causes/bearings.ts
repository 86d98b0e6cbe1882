import { causesAt } from '../cause.ts'

/** Bearings, shafts, collars and mounts. */
export const bearingsCauses = causesAt('bearings', (cause) => [
  cause('mbrg', 'Motor bearing rough', {
    per: 32,
    raisedBy: ['old', 'rain', 'dirt'],
    killedBy: ['belt-tight'],
    kills: ['mbrg-lock'],
    proof: [['brg-hand', 'motor']],
    remedy: 'motor',
    computed: true,
  }),
  cause('mbrg-lock', 'Motor seized', {
    per: 14,
    raisedBy: ['old'],
    killedBy: ['mbrg'],
    kills: ['turns', 'gnd-dead'],
    proof: [
      ['spin', 'seized'],
      ['split', 'motor'],
    ],
    remedy: 'motor',
    hazards: ['fire'],
    computed: true,
  }),
  cause('fbrg', 'Fan bearing worn or dry', {
    per: 25,
    fits: ['belt'],
    raisedBy: ['old', 'dirt'],
    killedBy: ['belt-tight', 'caked'],
    kills: ['collar', 'fbrg-lock'],
    proof: [['brg-hand', 'fan']],
    remedy: 'part',
    computed: true,
  }),
  cause('fbrg-lock', 'Fan shaft seized', {
    per: 7,
    fits: ['belt'],
    raisedBy: ['old'],
    killedBy: ['fbrg'],
    kills: ['belt-off', 'turns'],
    proof: [
      ['spin', 'seized'],
      ['split', 'fan'],
    ],
    remedy: 'part',
    hazards: ['fire'],
    computed: true,
  }),
  cause('collar', 'Bearing collar loose: shaft turns in the race', {
    per: 10,
    fits: ['belt'],
    raisedBy: ['controls work', 'vibration'],
    kills: ['fbrg'],
    proof: [['locks', 'collar']],
    remedy: 'part',
  }),
  cause('mount', 'Motor base, strap or isolator loose', {
    per: 8,
    raisedBy: ['motor work', 'vibration'],
    kills: ['belt-slip', 'rub', 'blade-cut'],
    proof: [['locks', 'mount']],
    remedy: 'tighten',
    hazards: ['thrown part'],
  }),
])
