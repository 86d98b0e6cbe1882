import type { WorkKindId } from '../../trend/index.ts'
import type { Verdict } from '../verdict.ts'
import type { RetestId } from './retests.ts'

/**
 * What a kind of work answers: whole subjects, checks, or one position of a check (`check@position`, `*` at its end for any
 * that begins so). `asks`: tests to be made again after it in any case; what it answers is asked for besides.
 */
export interface WorkAnswers {
  readonly subjects?: readonly Verdict['subject'][]
  readonly checks?: readonly string[]
  readonly asks?: readonly RetestId[]
}

const speed = [
  'over-amp',
  'far-below',
  'change',
  'after-work',
  'wheel-speed',
  'speed',
  'live-over-amps',
  'live-amps-before',
] as const

/** Which work answers which condition, and what has to be read again because of it: the one table. */
export const workAnswers: Readonly<Record<WorkKindId, WorkAnswers>> = {
  'motor-replaced': {
    subjects: ['motor'],
    checks: [
      ...speed,
      'as-found',
      'breaker-found',
      'ground-current',
      'off-amps@L*',
      'lost-leg',
      'spin@spin.motor',
      'spin@spin.all',
      'no-plate',
      'terminals@lugs',
    ],
    asks: ['amps', 'turning', 'insulation', 'winding', 'dial', 'capacitor'],
  },
  'winding-dried': {
    checks: ['insulation', 'insulation-trend', 'polarisation', 'ground-current'],
    asks: ['insulation'],
  },
  'capacitor-renewed': {
    subjects: ['capacitor'],
    checks: ['as-found@turns', 'turning', 'creeping-start'],
    asks: ['capacitor', 'amps'],
  },
  'contactor-renewed': {
    checks: [
      'live-call',
      'contactor-poles',
      'contact-drop',
      'off-amps',
      'as-found@off',
      'lost-leg',
      'drive-input',
      'dead-proof@alive',
      'branch-drop',
    ],
    asks: ['amps'],
  },
  'terminals-tightened': {
    checks: ['terminals@lugs', 'roll-amps', 'branch-drop', 'current-unbalance', 'drive-input'],
    asks: [],
  },
  'wiring-repaired': {
    subjects: ['wiring'],
    checks: [
      'lost-leg',
      'drive-input',
      'current-unbalance',
      'as-found@off',
      'off-amps',
      'ground-current',
      'breaker-found',
      'insulation@*/plug',
      'insulation@*/contactor',
      'insulation@*/drive output',
      'winding-ohms@plug',
      'winding-ohms@contactor',
      'swap-result',
      'plate-volts',
    ],
    asks: ['amps', 'turning'],
  },
  'leads-swapped': { checks: ['rotation', 'turning'], asks: ['turning', 'amps'] },
  'fuses-replaced': { checks: ['fuses', 'lost-leg', 'drive-input', 'breaker-found', 'line-side'], asks: ['amps'] },
  'overload-set': { checks: ['overload-setting'], asks: ['dial'] },
  'controls-repaired': {
    subjects: ['controls'],
    checks: ['as-found', 'phase-monitor', 'off-amps'],
    asks: [],
  },
  'controls-restored': { checks: ['inhibits', 'left@leave.call', 'restored'], asks: [] },
  'safety-restored': {
    checks: ['gas-section@gas.cutout', 'guards-off', 'left@leave.guards', 'left@leave.jumpers', 'restored'],
    asks: [],
  },
  'drive-repaired': {
    subjects: ['drive'],
    checks: ['as-found', 'live-call', 'live-starts', 'drive-input'],
    asks: ['drive', 'amps', 'turning'],
  },
  'belts-renewed': {
    subjects: ['belts'],
    checks: [...speed, 'belt-tension', 'vibration', 'vibration-felt', 'sound', 'smell@belt'],
    asks: ['tension', 'amps'],
  },
  'belts-tensioned': {
    checks: [
      ...speed,
      'belts@belt.tension',
      'belt-tension',
      'alignment',
      'vibration',
      'vibration-felt',
      'sound',
      'smell@belt',
    ],
    asks: ['amps'],
  },
  'sheave-turned': { checks: [...speed, 'belt-tension', 'alignment'], asks: ['amps'] },
  'sheave-changed': {
    checks: [
      ...speed,
      'belts@belt.grooves',
      'belts@belt.line',
      'belt-tension',
      'alignment',
      'vibration',
      'vibration-felt',
      'keys',
    ],
    asks: ['amps', 'tension'],
  },
  'speed-set': { checks: [...speed], asks: ['amps'] },
  'wheel-cleaned': {
    checks: ['wheel@wheel.dirt', 'vibration', 'vibration-felt', 'sound', 'change', 'far-below'],
    asks: ['amps'],
  },
  'wheel-balanced': { checks: ['vibration', 'vibration-felt', 'sound'], asks: ['vibration'] },
  'wheel-replaced': {
    subjects: ['wheel'],
    checks: [...speed, 'vibration', 'vibration-felt', 'sound', 'keys', 'spin'],
    asks: ['amps', 'turning'],
  },
  'hub-secured': { checks: ['keys', 'wheel@wheel.screws', 'bearings@bearing.lock', 'vibration'], asks: ['keys'] },
  'sheaves-aligned': { checks: ['alignment', 'belts@belt.line', 'keys@hub.stand', 'vibration'], asks: [] },
  'shaft-renewed': {
    subjects: ['shaft'],
    checks: ['bearings@bearing.shaft', 'keys', 'vibration', 'vibration-felt', 'sound', 'spin', 'over-amp', 'change'],
    asks: ['amps', 'keys'],
  },
  'bearings-renewed': {
    subjects: ['bearings'],
    checks: [
      'spin',
      'vibration',
      'vibration-felt',
      'sound',
      'temperature@bearing*',
      'wheel@wheel.gap',
      'over-amp',
      'live-over-amps',
      'live-amps-before',
      'change',
      'as-found@turns',
    ],
    asks: ['amps', 'bearings'],
  },
  greased: { checks: ['bearings@bearing.grease'], asks: [] },
  'filters-changed': { checks: ['filter-drop', 'air-path'], asks: [] },
  'air-path-changed': { subjects: ['air'], checks: [...speed], asks: ['amps'] },
  'supply-mended': {
    subjects: ['supply'],
    checks: ['fuses', 'breaker-found', 'over-amp', 'change', 'current-unbalance'],
    asks: ['amps', 'line'],
  },
  note: {},
}

/** What is read again where it is not the check itself, or where the check answers several retests. */
export const retestsInstead: Readonly<Record<string, readonly RetestId[]>> = {
  'as-found': ['turning', 'amps'],
  smell: ['winding', 'insulation'],
  'breaker-found': ['amps'],
  'current-unbalance': ['amps'],
  change: ['amps'],
  'far-below': ['amps'],
  'after-work': ['amps'],
  'phase-monitor': ['amps'],
  'branch-drop': ['amps'],
  'service-voltage': ['line'],
  'creeping-start': ['amps'],
  'air-path': ['amps'],
  sound: ['vibration'],
  'vibration-felt': ['vibration'],
  'insulation-trend': ['insulation'],
  polarisation: ['insulation'],
  'winding-to-ground': ['insulation'],
  'lost-leg': ['amps'],
  'voltage-unbalance': ['line'],
  'contact-drop': ['poles'],
  spin: ['spin'],
  belts: ['tension'],
  wheel: ['wheel'],
  bearings: ['bearings'],
}

/** Does a kind of work answer a verdict at one of its positions? */
export function answersIt(work: WorkAnswers, verdict: Pick<Verdict, 'check' | 'subject'>, position: string): boolean {
  if (work.subjects?.includes(verdict.subject)) return true
  return (work.checks ?? []).some((pattern) => {
    const [check = '', at] = pattern.split('@')
    if (check !== verdict.check) return false
    return at === undefined || like(at, position)
  })
}

/** `bearing*` is like `bearing-de`; `*` may stand at either end. */
function like(pattern: string, position: string): boolean {
  if (!pattern.includes('*')) return pattern === position
  const [before = '', after = ''] = pattern.split('*')
  return position.startsWith(before) && position.endsWith(after)
}
