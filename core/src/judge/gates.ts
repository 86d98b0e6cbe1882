import { livePattern, type LivePattern } from '../electrical/index.ts'
import { legPositions, linePositions, show } from '../quantity/index.ts'
import type { GateId, GatePass } from '../trend/index.ts'
import type { Context } from './context.ts'

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

const phaseVolts = (c: Context): number =>
  c.machine.serviceVolts < 180
    ? c.machine.serviceVolts
    : c.machine.serviceVolts / (c.machine.phases === 3 ? Math.sqrt(3) : 2)

/** What the dead readings show, or null when none was taken. */
export function deadPattern(c: Context): LivePattern | null {
  if (!c.has('dead_ll', 'dead_lg')) return null
  return livePattern(
    {
      pairs: linePositions.map((p) => c.value('dead_ll', p)),
      legs: legPositions.map((p) => c.value('dead_lg', p)),
    },
    c.limit('dead-volts').value,
    phaseVolts(c),
  )
}

const names = (legs: readonly number[]) => legs.map((l) => `L${l + 1}`).join(' and ')

/** What is alive and why that happens, in one sentence; null when nothing is. */
export function aliveBecause(c: Context): string | null {
  const bus = c.value('stored_volts', 'bus')
  const busLimit = c.limit('bus-volts').value
  const stored = c.value('stored_volts', 'capacitor')
  const limit = c.limit('dead-volts').value
  const pattern = deadPattern(c)
  if (pattern && pattern.kind !== 'dead') {
    const readings = [
      ...linePositions.map((p) => c.reading('dead_ll', p)),
      ...legPositions.map((p) => c.reading('dead_lg', p)),
    ]
      .filter((r) => r !== undefined)
      .filter((r) => r.value > limit)
      .map((r) => `${r.position}${r.quantity === 'dead_lg' ? ' to ground' : ''} ${show.volts(r.value)} V`)
      .join(', ')
    switch (pattern.kind) {
      case 'all alive':
        return `${readings}: all of it is alive. The wrong disconnect is open, or there is a second feed.`
      case 'one leg':
        return pattern.throughWinding
          ? `${readings}, and nothing between the legs: one leg is alive and reaches the others through the winding. A single-pole contactor or a half-pulled disconnect does that.`
          : `${readings}: ${names(pattern.legs)} is alive. A half-pulled disconnect, a single-pole contactor or a back-feed leaves one leg.`
      case 'two legs':
        return `${readings}: ${names(pattern.legs)} are alive. One blade opened and two did not, or a two-pole contactor left them.`
      case 'stray':
        return `${readings}: far below the supply. Induced, a control feed or another circuit; load it with a low-impedance meter, then find the feed.`
    }
  }
  if (bus !== undefined && bus > busLimit)
    return `The drive’s bus still holds ${show.volts(bus)} V. Wait the minutes on its label and measure again.`
  if (stored !== undefined && stored > limit)
    return `The capacitor still holds ${show.volts(stored)} V. Discharge it through a resistor and measure again.`
  return null
}

const step = (id: string, words: string, met: boolean): GateStep => ({ id, words, met })

function deadSteps(c: Context): GateStep[] {
  const { pairs, legs } = deadPositions(c.machine.phases)
  const limit = c.limit('dead-volts').value
  const proof = c.limit('proof-volts').value
  const low = (quantity: 'dead_ll' | 'dead_lg', positions: readonly string[]) =>
    positions.every((p) => (c.value(quantity, p) ?? Infinity) <= limit)
  const hasCapacitor = c.machine.phases === 1
  return [
    step(
      'lock',
      'Disconnect open, locked and tagged',
      c.answer('lock.on') === 'yes' && (c.answer('lock.number') ?? '').trim() !== '',
    ),
    step(
      'before',
      `Meter proven on a live source, ${show.volts(proof)} V or more`,
      (c.value('proof_volts', 'before') ?? 0) >= proof,
    ),
    step('pairs', c.machine.phases === 3 ? 'Three pairs near zero' : 'The pair near zero', low('dead_ll', pairs)),
    step(
      'legs',
      c.machine.phases === 3 ? 'Three legs to ground near zero' : 'Both legs to ground near zero',
      low('dead_lg', legs),
    ),
    step('after', 'Meter proven again', (c.value('proof_volts', 'after') ?? 0) >= proof),
    ...(hasCapacitor
      ? [
          step(
            'capacitor',
            'Capacitor discharged and measured',
            (c.value('stored_volts', 'capacitor') ?? Infinity) <= limit,
          ),
        ]
      : []),
    ...(c.machine.hasDrive
      ? [
          step(
            'bus',
            `Drive bus waited out and measured below ${show.volts(c.limit('bus-volts').value)} V`,
            (c.value('stored_volts', 'bus') ?? Infinity) <= c.limit('bus-volts').value,
          ),
        ]
      : []),
    step('windmill', 'Wheel still or held', ['still', 'held'].includes(c.answer('windmill') ?? '')),
  ]
}

const passOf = (c: Context, gate: GateId): GatePass | null => c.stop.passes?.find((p) => p.gate === gate) ?? null

function gate(c: Context, id: GateId, steps: readonly GateStep[], bars: string | null): Gate {
  const passed = passOf(c, id)
  return { id, steps, bars, passed, open: bars === null && (passed !== null || steps.every((s) => s.met)) }
}

/** Between Make safe and Dead: locked out and proven dead. */
export const deadGate = (c: Context): Gate => gate(c, 'dead', deadSteps(c), aliveBecause(c))

const foundTripped = (c: Context) => ['tripped', 'fuse blown', 'found open'].includes(c.answer('look.breaker') ?? '')

function restoreSteps(c: Context): GateStep[] {
  const tested = c.has('ground_ohms', 'megohms') && c.has('winding_ohms')
  return [
    step('call', 'Control call broken, nothing starts on its own', c.answer('restore.call') === 'broken'),
    step('clear', 'Tools out, hands clear, people at the space below told', c.answer('restore.told') === 'yes'),
    ...(foundTripped(c)
      ? [
          step('tested', 'It was found open: winding and insulation tested before it is closed', tested),
          step('who', 'Who opened it, and why, was asked', (c.answer('restore.who') ?? '').trim() !== ''),
        ]
      : []),
  ]
}

/** Between Dead and the power: nothing is closed on a fault. `faults` are what the dead tests condemn. */
export const restoreGate = (c: Context, faults: readonly string[]): Gate =>
  gate(c, 'restore', restoreSteps(c), faults[0] ?? null)

/**
 * Between Restore and Live: power restored without surprises, guards on, line side read, rotation seen. `faults` are what
 * the line side condemns; what bars the power bars the motor too.
 */
export const liveGate = (c: Context, restore: Gate, faults: readonly string[]): Gate =>
  gate(
    c,
    'live',
    [
      step('restored', 'Call broken, tools out, people told', restore.open),
      step('guards', 'Guards and panels on', c.answer('restore.guards') === 'yes'),
      ...(c.machine.phases === 3
        ? [
            step(
              'line',
              'Line side read, three pairs',
              linePositions.every((p) => c.value('line_ll', p) !== undefined),
            ),
            step(
              'rotation',
              'Rotation seen by test mode, bump or phase meter',
              (c.answer('rotation.seen') ?? '') !== '',
            ),
          ]
        : []),
    ],
    restore.bars ?? faults[0] ?? null,
  )
