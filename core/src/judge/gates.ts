import { livePattern, type LivePattern } from '../electrical/index.ts'
import { legPositions, linePositions, show, terminalPairs, terminalPositions, wirePairs } from '../quantity/index.ts'
import type { GateId, GatePass } from '../trend/index.ts'
import { barsPower, type Bar } from './conditions/bars.ts'
import type { Condition } from './conditions/condition.ts'
import type { Context } from './context.ts'
import { highest } from './evidence.ts'
import { opened } from './checks/check-definition.ts'

/** One thing a gate asks for. */
export interface GateStep {
  readonly id: string
  readonly words: string
  readonly met: boolean
}

/** A gate between two phases. It never says safe: it says what was measured and what is missing. */
export interface Gate {
  readonly id: GateId
  readonly steps: readonly GateStep[]
  /** Why it may not be passed by anybody: a reading says so. */
  readonly bars: string | null
  readonly passed: GatePass | null
  readonly open: boolean
}

/** Pairs and legs that are read to prove dead: a single-phase feed has one pair and two conductors. */
export function deadPositions(phases: 1 | 3): { pairs: readonly string[]; legs: readonly string[] } {
  return phases === 3
    ? { pairs: linePositions, legs: legPositions }
    : { pairs: linePositions.slice(0, 1), legs: legPositions.slice(0, 2) }
}

/** What a reading that is to be near zero may have reached; undefined where it is no figure. */
const most = (c: Context, quantity: 'dead_ll' | 'dead_lg' | 'stored_volts', position: string): number | undefined => {
  const r = c.reading(quantity, position)
  return r && highest(r)
}

/** Measured, steady and at or below a limit. */
const near0 = (
  c: Context,
  quantity: 'dead_ll' | 'dead_lg' | 'stored_volts',
  position: string,
  limit: number,
): boolean => {
  const r = c.reading(quantity, position)
  return r !== undefined && r.how !== 'unsteady' && r.value <= limit
}

const phaseVolts = (c: Context): number =>
  c.machine.serviceVolts < 180
    ? c.machine.serviceVolts
    : c.machine.serviceVolts / (c.machine.phases === 3 ? Math.sqrt(3) : 2)

/** What the dead readings show, or null when none was taken. */
export function deadPattern(c: Context): LivePattern | null {
  if (!c.has('dead_ll', 'dead_lg')) return null
  return livePattern(
    {
      pairs: linePositions.map((p) => most(c, 'dead_ll', p)),
      legs: legPositions.map((p) => most(c, 'dead_lg', p)),
    },
    c.limit('dead-volts').value,
    phaseVolts(c),
  )
}

const names = (legs: readonly number[]) => legs.map((l) => `L${l + 1}`).join(' and ')

/** What is alive and why that happens, in one sentence; null when nothing is. */
export function aliveBecause(c: Context): string | null {
  const bus = most(c, 'stored_volts', 'bus')
  const busLimit = c.limit('bus-volts').value
  const stored = most(c, 'stored_volts', 'capacitor')
  const limit = c.limit('dead-volts').value
  const pattern = deadPattern(c)
  if (pattern && pattern.kind !== 'dead') {
    const readings = [
      ...linePositions.map((p) => c.reading('dead_ll', p)),
      ...legPositions.map((p) => c.reading('dead_lg', p)),
    ]
      .filter((r) => r !== undefined)
      .filter((r) => highest(r) > limit)
      .map((r) => `${r.position}${r.quantity === 'dead_lg' ? ' to ground' : ''} ${show.volts(highest(r))} V`)
      .join(', ')
    switch (pattern.kind) {
      case 'all alive':
        return `${readings}: all legs are live. The wrong disconnect is open, or there is a second feed.`
      case 'one leg':
        return pattern.throughWinding
          ? `${readings}, and 0 V between legs: one leg is live and feeds the others through the winding. Typical of a single-pole contactor or a half-open disconnect.`
          : `${readings}: ${names(pattern.legs) || 'one leg'} is live. Typical of a half-open disconnect, a single-pole contactor or a backfeed.`
      case 'two legs':
        if (c.machine.phases === 1 && (most(c, 'dead_ll', 'L1-L2') ?? 0) <= limit)
          return `${readings}, and 0 V across: one leg is live and feeds the other through the winding. Typical of a single-pole switch or contactor, or a half-open disconnect.`
        return `${readings}: ${names(pattern.legs)} are live. One blade opened and two did not, or a two-pole contactor leaves them live.`
      case 'stray':
        return `${readings}: far below the supply. Induced voltage, a control feed or another circuit: re-read with a low-impedance meter, then find the feed.`
    }
  }
  if (bus !== undefined && bus > busLimit)
    return `The drive’s bus still holds ${show.volts(bus)} V. Wait the minutes on its label and measure again.`
  if (stored !== undefined && stored > limit)
    return `The capacitor still holds ${show.volts(stored)} V. Discharge it through a resistor and measure again.`
  return null
}

/**
 * Does a capacitor have to be discharged? Only single-phase motors have one; where neither the record nor the nameplate says,
 * it is there until somebody looked and entered that it is not.
 */
export const capacitorInstalled = (c: Context): boolean =>
  c.machine.phases === 1 &&
  (c.machine.controls.capacitor !== null ||
    c.motor?.plate.capacitorUf !== undefined ||
    c.answer('capacitor.there') !== 'none')

const step = (id: string, words: string, met: boolean): GateStep => ({ id, words, met })

function deadSteps(c: Context): GateStep[] {
  const { pairs, legs } = deadPositions(c.machine.phases)
  const limit = c.limit('dead-volts').value
  const proof = c.limit('proof-volts').value
  const low = (quantity: 'dead_ll' | 'dead_lg', positions: readonly string[]) =>
    positions.every((p) => near0(c, quantity, p, limit))
  const proven = (when: 'before' | 'after') => {
    const r = c.reading('proof_volts', when)
    return r !== undefined && r.how !== 'unsteady' && r.value >= proof
  }
  const hasCapacitor = capacitorInstalled(c)
  return [
    step(
      'lock',
      'Disconnect open, locked and tagged',
      c.answer('lock.on') === 'yes' && (c.answer('lock.number') ?? '').trim() !== '',
    ),
    step('before', `Meter proven on a live source, ${show.volts(proof)} V or more`, proven('before')),
    step('pairs', c.machine.phases === 3 ? 'Three pairs near zero' : 'The pair near zero', low('dead_ll', pairs)),
    step(
      'legs',
      c.machine.phases === 3 ? 'Three legs to ground near zero' : 'Both legs to ground near zero',
      low('dead_lg', legs),
    ),
    step('after', 'Meter proven again', proven('after')),
    ...(hasCapacitor
      ? [step('capacitor', 'Capacitor discharged and measured', near0(c, 'stored_volts', 'capacitor', limit))]
      : []),
    ...(c.machine.hasVfd
      ? [
          step(
            'bus',
            `Drive bus waited out and measured below ${show.volts(c.limit('bus-volts').value)} V`,
            near0(c, 'stored_volts', 'bus', c.limit('bus-volts').value),
          ),
        ]
      : []),
    step(
      'others',
      'Every other source: none, or locked out too',
      ['none', 'locked'].includes(c.answer('lock.others') ?? ''),
    ),
    step('windmill', 'Wheel still or held', ['still', 'held'].includes(c.answer('windmill') ?? '')),
  ]
}

const passOf = (c: Context, gate: GateId): GatePass | null => c.visit.passes?.find((p) => p.gate === gate) ?? null

function gate(c: Context, id: GateId, steps: readonly GateStep[], bars: string | null): Gate {
  const pass = passOf(c, id)
  const passed = pass !== null && passHolds(c, id) ? pass : null
  return { id, steps, bars, passed, open: bars === null && (passed !== null || steps.every((s) => s.met)) }
}

/** Between Make safe and Dead: locked out and proven dead. */
export const deadGate = (c: Context): Gate => gate(c, 'dead', deadSteps(c), aliveBecause(c))

const tripped = ['tripped', 'fuse blown', 'found open']
const foundTripped = (c: Context) => tripped.includes(c.answer('look.breaker') ?? '')

/** Every pair of the winding and every lead to the frame: one of them says nothing of the others. */
export function loadTested(c: Context): boolean {
  const read = (quantity: 'winding_ohms' | 'ground_ohms' | 'megohms', position: string) => {
    const r = c.reading(quantity, position)
    return r !== undefined && r.how !== 'unsteady'
  }
  if (c.machine.phases === 1)
    return wirePairs.every((p) => read('winding_ohms', p)) && (read('ground_ohms', 'T1') || read('megohms', 'all'))
  return (
    terminalPairs.every((p) => read('winding_ohms', p)) &&
    (read('megohms', 'all') || terminalPositions.every((p) => read('ground_ohms', p) || read('megohms', p)))
  )
}

/** What was left off or bypassed is answered where everything is put back, which is a later phase. */
const answeredLast: readonly string[] = ['left', 'gas-section']

/** Why a condition keeps the power off. */
const barring = ({ verdict }: Condition): string =>
  `${verdict.because}${answeredLast.includes(verdict.check) ? ' When it is back, answer it under Close up.' : ''}`

const firstOf = (conditions: readonly Condition[], bar: Bar): string | null => {
  const first = conditions.find((k) => barsPower(k) === bar)
  return first ? barring(first) : null
}

function restoreSteps(c: Context, conditions: readonly Condition[]): GateStep[] {
  return [
    step('call', 'Control call inhibited: nothing starts by itself', c.answer('restore.call') === 'broken'),
    step('clear', 'Tools out, hands clear, people in the space below notified', c.answer('restore.told') === 'yes'),
    ...(foundTripped(c)
      ? [
          step(
            'tested',
            'Found open: every winding pair and every lead to ground tested before it is closed',
            loadTested(c),
          ),
          step('who', 'Who opened it, and why', (c.answer('restore.who') ?? '').trim() !== ''),
        ]
      : []),
    ...conditions
      .filter((k) => barsPower(k) === 'before power, unless overridden')
      .map((k) => step(`condition ${k.key}`, k.verdict.because, false)),
  ]
}

/** A trip may be passed over only with the test that was made instead. */
const passHolds = (c: Context, id: GateId): boolean =>
  id !== 'restore' || !foundTripped(c) || loadTested(c) || (c.answer('restore.instead') ?? '').trim() !== ''

/** Between Dead tests and the power: nothing is closed on a fault, whichever visit found it. */
export const restoreGate = (c: Context, conditions: readonly Condition[]): Gate =>
  gate(c, 'restore', restoreSteps(c, conditions), firstOf(conditions, 'before power'))

/** Pairs that are read on the line side before anything is bumped. */
export const lineSidePairs = (c: Pick<Context, 'machine'>): readonly string[] =>
  c.machine.phases === 3 ? linePositions : linePositions.slice(0, 1)

/** Line-side volts come before the bump: a wrong supply is found at the last switch, not at the motor. */
export const lineSideRead = (c: Context): boolean =>
  lineSidePairs(c).every((p) => {
    const r = c.reading('line_ll', p)
    return r !== undefined && r.how !== 'unsteady'
  })

/**
 * Between Power up and Live tests: power restored without surprises, guards on, line side read, rotation seen. What bars the
 * power bars the motor too.
 */
export const liveGate = (c: Context, restore: Gate, conditions: readonly Condition[]): Gate =>
  gate(
    c,
    'live',
    [
      step('restored', 'Call inhibited, tools out, people notified', restore.open),
      step('guards', 'Guards and panels on', c.answer('restore.guards') === 'yes'),
      step('line', c.machine.phases === 3 ? 'Line side read, three pairs' : 'Line-side volts read', lineSideRead(c)),
      step('rotation', 'Rotation seen by test mode, bump or phase meter', (c.answer('rotation.seen') ?? '') !== ''),
      ...conditions
        .filter((k) => barsPower(k) === 'before running, unless overridden')
        .map((k) => step(`condition ${k.key}`, k.verdict.because, false)),
    ],
    restore.bars ?? firstOf(conditions, 'before running'),
  )

/**
 * Before a visit that opened something is saved: everything lifted, unplugged, jumpered or opened is back. It can be saved over
 * what is not, by name and reason; that then stands at the machine.
 */
export function closeGate(c: Context): Gate {
  const restored = (question: string, words: string) => step(question, words, c.answer(question) === 'yes')
  const swap = c.answer('drive.swap')
  return gate(
    c,
    'close',
    opened(c.visit) || swap !== undefined
      ? [
          ...(swap === undefined
            ? []
            : [step('drive.swap', 'Leads of the swap test back, wheel seen to turn', swap === 'back')]),
          ...(c.answer('restore.call') === 'broken' ? [restored('leave.call', 'Controls back in automatic')] : []),
          restored('leave.guards', 'Panels and guards on'),
          restored('leave.wires', 'Lifted wires and plugs back on'),
          restored('leave.jumpers', 'Jumpers off, bypassed switches back in'),
          ...(c.machine.controls.gasSection ? [restored('gas.cutout', 'Cut-out leads of the gas section on')] : []),
        ]
      : [],
    null,
  )
}
