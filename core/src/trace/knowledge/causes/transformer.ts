import { causesAt } from '../cause.ts'

/** Transformers of the unit: power and control. */
export const transformerCauses = causesAt('transformer', (cause) => [
  cause('tx-power', 'Power transformer: winding, tap or joint open', {
    per: 8,
    fits: ['power transformer'],
    raisedBy: ['old', 'vibration'],
    killedBy: ['lug'],
    kills: ['board', 'tx-ctl', 'turns'],
    proof: [['tx-ratio', 'wrong']],
    remedy: 'part',
    hazards: ['shock', 'fire'],
    computed: true,
  }),
  cause('tx-ctl', 'Control transformer open or shorted', {
    per: 12,
    raisedBy: ['old', 'board work'],
    killedBy: ['ctl-short', 'tx-power'],
    proof: [
      ['ctl-volts', 'out0'],
      ['half-split', 'none'],
    ],
    remedy: 'part',
    hazards: ['shock'],
  }),
  cause('ctl-short', 'Control wire to ground, control fuse open', {
    per: 11,
    raisedBy: ['controls work', 'vibration'],
    kills: ['tx-ctl'],
    proof: [
      ['ctl-volts', 'out0'],
      ['half-split', 'fuse'],
    ],
    remedy: 'tighten',
  }),
  cause('tx-tap', 'Control transformer on the wrong tap', {
    per: 4,
    raisedBy: ['motor work', 'controls work'],
    kills: ['armature', 'coil'],
    proof: [['ctl-volts', 'tap']],
    remedy: 'adjust',
  }),
])
