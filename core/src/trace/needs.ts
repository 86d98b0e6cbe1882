import type { Feature } from './features.ts'
import type { Need, Test } from './knowledge/test.ts'
import type { Result } from './knowledge/cause.ts'
import { testOf } from './model.ts'

/** What a person set up: it stands until the next thing is set up. */
export type Setup = 'as found' | 'locked out' | 'powered'

/** How the machine stands for tests: what was found and what was set up. */
export interface Standing {
  readonly setup: Setup
  /** It turns under its own power now. */
  readonly running: boolean
  /** Nothing may be closed or started before loads are tested. */
  readonly openAfterTrip: boolean
  /** It was running when it was found, or found harmless: starting it is not barred by what was found. */
  readonly mayStart: boolean
}

const last = (results: readonly Result[], test: string): string | undefined =>
  results.filter(([t]) => t === test).at(-1)?.[1]

/** Found so, nothing is started until it is read good again or repaired. */
const dangers: readonly Result[] = [
  ['gnd-ohms', 'ground'],
  ['megs', 'dead'],
  ['megs-cable', 'low'],
  ['terminals', 'cut'],
  ['spin', 'seized'],
  ['wheel', 'bad'],
  ['bond', 'open'],
]
/** Found so, it is started only after every load on it tested good: a motor that hums burns while it hums. */
const warnings: readonly Result[] = [
  ['see-fan', 'hums'],
  ['test-start', 'hums'],
  ['test-start', 'trips'],
  ['smell', 'winding'],
  ['terminals', 'loose'],
  ['megs', 'low'],
]
/** Reports after which nothing is started untested: burnt smell, a shock, a breaker that opens. */
const alarming: readonly string[] = ['smell', 'tingle', 'trips']
const among =
  (list: readonly Result[]) =>
  ([test, outcome]: Result): boolean =>
    list.some(([t, o]) => t === test && o === outcome)
const isDanger = among(dangers)
const isWarning = among(warnings)

/** What of it can be told from the results. */
export function standing(setup: Setup, results: readonly Result[], complaint: string | null = null): Standing {
  const fan = last(results, 'test-start') ?? last(results, 'see-fan')
  const breaker = last(results, 'breaker')
  const opened =
    breaker === 'tripped' || breaker === 'fuse' || (breaker === 'open' && last(results, 'ask-open') !== 'hand')
  return {
    setup,
    running: setup !== 'locked out' && (fan === 'runs' || fan === 'starts' || fan === 'back'),
    openAfterTrip: opened && !loadsTested(results),
    mayStart:
      !results.some(isDanger) &&
      (loadsTested(results) || !(results.some(isWarning) || alarming.includes(complaint ?? ''))),
  }
}

/** Every load on it, its cable and its terminals read good: what a breaker that opened may be closed onto. */
export const tripTests: readonly Result[] = [
  ['gnd-ohms', 'clear'],
  ['megs', 'good'],
  ['megs-cable', 'good'],
  ['terminals', 'tight'],
]
export const loadsTested = (results: readonly Result[]): boolean =>
  tripTests.every(([test, outcome]) => last(results, test) === outcome)

/** Why nothing may be started now; null where nothing bars it. A breaker that was found open is told by `reclose`. */
export function startBarred(results: readonly Result[], complaint: string | null): string | null {
  const wordsOf = ([test, outcome]: Result) => {
    const t = testOf.get(test)
    return `${t?.title ?? test}: ${(t?.outcomes.find((o) => o.id === outcome)?.words ?? outcome).toLowerCase()}`
  }
  const danger = results.find(isDanger)
  if (danger) return `Do not start it. ${wordsOf(danger)}: repair it, then read it again.`
  const warning = results.find(isWarning)
  if (loadsTested(results) || (!warning && !alarming.includes(complaint ?? ''))) return null
  const missing = tripTests
    .filter(([test, outcome]) => last(results, test) !== outcome)
    .map(([test]) => (testOf.get(test)?.title ?? test).toLowerCase())
  return `Do not start it yet${warning ? ` (${wordsOf(warning).toLowerCase()})` : ''}. First tested and good: ${missing.join(', ')}.`
}

/** Tests that close or start something. */
const closes: ReadonlySet<string> = new Set(['call-wait', 'test-start', 'run-trip', 'start', 'swap', 'lead-roll'])

/** Tests that make sense only on a machine with some part, by the first words of what they need. */
const only: Readonly<Record<string, readonly Feature[]>> = {
  'vfd-code': ['drive'],
  'vfd-hz': ['drive'],
  params: ['drive'],
  'pm-lamp': ['phase monitor'],
  'twin-load': ['twin'],
  head: ['condenser fan'],
  'open-door': ['exhaust'],
  split: ['belt'],
  'belt-look': ['belt'],
  tension: ['belt'],
  align: ['belt'],
  sheaves: ['belt'],
  ohms3: ['three-phase'],
  ohms1: ['single-phase'],
  'ohms1-cool': ['single-phase'],
  'cap-uf': ['single-phase'],
  'cap-mark': ['single-phase'],
  poles: ['contactor'],
  'coil-ohms': ['contactor'],
  'pole-drop': ['contactor'],
  unplug: ['shared fuses'],
  'tx-ohms': ['power transformer'],
  'tx-ratio': ['power transformer'],
  dial: ['overload relay'],
  'phase-meter': ['three-phase'],
  'lead-roll': ['three-phase'],
  swap: ['drive', 'twin'],
  'ecm-sig': ['electronic motor'],
}

/** A fan that stands in the wind, and has no coil before it. */
const outside = (has: ReadonlySet<Feature>) => has.has('exhaust') || has.has('condenser fan')
const inWind: ReadonlySet<string> = new Set(['see-wind'])
const atCoil: ReadonlySet<string> = new Set(['see-water', 'coil-look'])

/** Does a test make sense on a machine? */
export const fitsTest = (test: Test, has: ReadonlySet<Feature>): boolean =>
  (only[test.id] ?? []).every((f) => has.has(f)) && (outside(has) ? !atCoil.has(test.id) : !inWind.has(test.id))

/** Minutes to lock out and prove dead, and to put power back; what is set up already costs nothing. */
const lockingOut = 8
const poweringUp = 6

/** What has to be done before a test can be made. */
export interface Before {
  readonly words: string
  readonly minutes: number
}

const needsDead: readonly Need[] = ['locked out', 'discharged', 'drive isolated']

/**
 * What comes before a test; null where it may not be made at all as things stand.
 * @param results of tests made: a fan that does not run cannot be read running
 */
export function before(test: Test, s: Standing): readonly Before[] | null {
  if (closes.has(test.id) && (s.openAfterTrip || !s.mayStart)) return null
  if (test.needs.includes('running') && !s.running) return null
  const dead = test.needs.some((n) => needsDead.includes(n))
  const steps: Before[] = []
  if (dead && s.setup !== 'locked out') steps.push({ words: 'Lock out and prove dead', minutes: lockingOut })
  if (test.needs.includes('discharged')) steps.push({ words: 'Discharge any capacitor through a resistor', minutes: 0 })
  if (test.needs.includes('drive isolated'))
    steps.push({ words: 'Disconnect any drive or electronics from these wires', minutes: 0 })
  const live = test.needs.includes('powered') || test.needs.includes('running')
  if (live && s.setup === 'locked out') {
    // Nobody powers up onto a load that tripped and was not tested.
    if (s.openAfterTrip) return null
    steps.push({ words: 'Close up and power up, guards on', minutes: poweringUp })
  }
  if (test.needs.includes('inhibited'))
    steps.push({ words: 'Inhibit the call: nothing may start by itself', minutes: 1 })
  return steps
}
