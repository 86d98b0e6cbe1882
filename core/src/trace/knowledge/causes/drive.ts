import { causesAt } from '../cause.ts'

/** The drive. */
export const driveCauses = causesAt('drive', (cause) => [
  cause('vfd-cmd', 'Drive has lost its run or speed command', {
    per: 14,
    fits: ['drive'],
    raisedBy: ['controls work'],
    killedBy: ['safety', 'stat'],
    proof: [['vfd-code', 'ref']],
    remedy: 'adjust',
    hazards: ['self-start'],
  }),
  cause('vfd-set', 'Drive settings wrong, or twin drives set unequal', {
    per: 8,
    fits: ['drive'],
    raisedBy: ['motor work', 'controls work'],
    kills: ['turns'],
    proof: [['params', 'off']],
    remedy: 'adjust',
  }),
  cause('vfd-in', 'Drive dark: input stage dead', {
    per: 8,
    fits: ['drive'],
    raisedBy: ['old', 'board work'],
    killedBy: ['leg-lost', 'lug'],
    proof: [
      ['vfd-code', 'dark'],
      ['line-volts', 'ok'],
    ],
    remedy: 'drive',
    hazards: ['shock'],
    computed: true,
  }),
  cause('vfd-out', 'Drive output leg or transistor dead', {
    per: 9,
    fits: ['drive'],
    raisedBy: ['old'],
    killedBy: ['gnd-dead', 'cable-gnd', 'lug'],
    proof: [['swap', 'drive']],
    remedy: 'drive',
    hazards: ['shock'],
    computed: true,
  }),
  cause('vfd-hot', 'Drive overheats: its fan, fins or filter', {
    per: 6,
    fits: ['drive'],
    raisedBy: ['heat', 'dirt'],
    kills: ['vfd-out'],
    proof: [['vfd-code', 'hot']],
    remedy: 'clean',
    hazards: ['fire'],
  }),
])
