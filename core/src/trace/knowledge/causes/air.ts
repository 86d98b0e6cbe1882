import { causesAt } from '../cause.ts'

/** Everything the air goes through. */
export const airCauses = causesAt('air', (cause) => [
  cause('filter', 'Filters plugged solid', {
    notOn: ['condenser fan'],
    per: 29,
    raisedBy: ['dirt'],
    kills: ['no-cool', 'prot-hot', 'ice', 'limit-open'],
    proof: [['profile', 'filter']],
    remedy: 'part',
    computed: true,
  }),
  cause('blocked', 'Coil, vanes, grille or duct blocked', {
    per: 16,
    raisedBy: ['dirt'],
    kills: ['ice'],
    proof: [['profile', 'path']],
    remedy: 'clean',
    computed: true,
  }),
  cause('ice', 'Coil iced: low air or low charge', {
    notOn: ['condenser fan', 'exhaust'],
    per: 12,
    killedBy: ['filter', 'blocked', 'belt-slip'],
    proof: [['see-water', 'ice']],
    remedy: 'other trade',
  }),
  cause('damper', 'Damper, fire damper or boxes shut', {
    notOn: ['condenser fan'],
    per: 11,
    raisedBy: ['controls work', 'cold'],
    kills: ['ice'],
    proof: [['profile', 'damper']],
    remedy: 'adjust',
    computed: true,
  }),
  cause('low-res', 'Door off, filters out or duct open', {
    per: 8,
    raisedBy: ['controls work'],
    kills: ['prot-hot'],
    proof: [['static', 'opening']],
    remedy: 'adjust',
    hazards: ['fire'],
    computed: true,
  }),
  cause('makeup', 'Make-up air off: the building pulls back', {
    per: 4,
    fits: ['exhaust'],
    raisedBy: ['cold'],
    proof: [['open-door', 'better']],
    remedy: 'adjust',
    hazards: ['combustion'],
  }),
  cause('trap', 'Condensate trap missing or dry', {
    notOn: ['condenser fan', 'exhaust'],
    per: 5,
    raisedBy: ['controls work'],
    kills: ['safety'],
    proof: [['coil-look', 'no-trap']],
    remedy: 'part',
  }),
])
