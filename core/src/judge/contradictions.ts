import { lostLineOf } from './lost-line.ts'
import { closesTriangle } from '../machine/index.ts'
import { supplyHertz } from '../plate/index.ts'
import { linePositions, mean, type QuantityCode, type Reading, show, three } from '../quantity/index.ts'
import type { JudgeInput } from './input.ts'

/** Readings of one visit that cannot all be true: none of them counts as a pass until they are read again. */
export interface Contradiction {
  readonly id: string
  readonly readings: readonly Reading[]
  readonly because: string
  readonly next: string
}

type Rule = (input: JudgeInput, of: (quantity: QuantityCode) => readonly Reading[]) => Contradiction | null

const legs = (of: (quantity: QuantityCode) => readonly Reading[]) => of('amps').filter((r) => r.how !== 'over-range')
const some = (amps: readonly Reading[]) => amps.some((r) => r.value > 0.2)

const ampsOnNoVolts: Rule = ({ machine }, of) => {
  const volts = [...of('volts_ll'), ...of('volts_ln')]
  const amps = legs(of)
  if (volts.length === 0 || !some(amps) || volts.some((r) => r.value > 0.1 * machine.serviceVolts)) return null
  return {
    id: 'amps-on-no-volts',
    readings: [...amps, ...volts],
    because: `${show.ampsRow(amps.map((r) => r.value)).join(', ')} A with ${volts.map((r) => show.volts(r.value)).join(', ')} V: no current flows without volts.`,
    next: 'Check the meter on a known live source, its function and its leads; read both again.',
  }
}

const triangle =
  (id: string, quantity: 'volts_ll' | 'line_ll' | 'transformer_in' | 'transformer_out', words: string): Rule =>
  ({ machine }, of) => {
    const own = linePositions.map((p) => of(quantity).find((r) => r.position === p))
    if (own.some((r) => r === undefined || r.how === 'over-range')) return null
    const volts = three(own.map((r) => r?.value ?? 0))
    // A lost line leaves readings that close nothing, and they are true; so do the few volts that dead wires pick up.
    if (Math.max(...volts) < 0.1 * machine.serviceVolts || closesTriangle(volts)) return null
    if (lostLineOf(volts, Math.max(...volts)) !== null) return null
    return {
      id,
      readings: own.filter((r) => r !== undefined),
      because: `${volts.map(show.volts).join(', ')} V ${words}cannot be the three voltages of one supply.`,
      next: 'One was misread: read all three pairs again.',
    }
  }

const turningOnNothing: Rule = ({ machine, visit }, of) => {
  const amps = legs(of)
  const whole = amps.length >= machine.phases
  if (visit.state.turning !== 'right way' || !whole || amps.some((r) => r.value > 0.05)) return null
  return {
    id: 'turning-on-nothing',
    readings: amps,
    because: 'Turning with no current on any leg: it is windmilling, or the clamp was not around the leg.',
    next: 'Clamp each leg by itself and re-read. If it stays at zero, the wheel is turned by something else.',
  }
}

const ohmsAgainstMegohms: Rule = (_input, of) => {
  const low = of('ground_ohms').filter((r) => r.how !== 'over-range' && r.value < 1e6)
  const good = of('megohms').filter((m) => m.how === 'over-range' || m.value > 10)
  const both = low.flatMap((g) => {
    const m = good.find((x) => x.position === g.position || x.position === 'all')
    return m ? [{ g, m }] : []
  })
  const [first] = both
  if (!first) return null
  return {
    id: 'ohms-against-megohms',
    readings: both.map((b) => b.m),
    because: `${first.g.position} reads ${show.ohms(first.g.value)} to the frame on the ohm scale and ${show.megohms(first.m.value)} on the insulation tester.`,
    next: 'Was a lead on the frame at both? Read both again with the leads clean and apart.',
  }
}

const lineAgainstMotor: Rule = ({ machine }, of) => {
  const line = of('line_ll')
  const motor = of('volts_ll')
  if (machine.hasVfd || line.length === 0 || motor.length === 0) return null
  const dead = line.every((r) => r.value < 0.1 * machine.serviceVolts)
  if (!dead || motor.every((r) => r.value < 0.1 * machine.serviceVolts)) return null
  return {
    id: 'line-against-motor',
    readings: [...line, ...motor],
    because: `${line.map((r) => show.volts(r.value)).join(', ')} V on the line side and ${motor.map((r) => show.volts(r.value)).join(', ')} V at the motor.`,
    next: 'Find where the volts at the motor come from: look for a second feed, or re-read the line side.',
  }
}

const hertzWithoutDrive: Rule = ({ machine, motor }, of) => {
  const [hz] = of('hz')
  if (!hz || machine.hasVfd || hz.value < 0.5) return null
  const supply = supplyHertz(machine.serviceVolts, motor?.plate.hz, machine.serviceHz)
  if (Math.abs(hz.value - supply) <= 2) return null
  return {
    id: 'hertz-without-drive',
    readings: [hz],
    because: `${hz.value.toFixed(1)} Hz on a motor without a drive, on a ${supply} Hz supply.`,
    next: 'Is there a drive that is not recorded, or is the frequency of the site wrong? Else read it again.',
  }
}

/** A drive that shows no frequency gives the motor nothing to run on. */
const runsAtNoHertz: Rule = ({ visit }, of) => {
  const [hz] = of('hz')
  if (!hz || hz.value >= 0.5) return null
  const drawn = [...legs(of), ...of('drive_amps')].filter((r) => r.value > 0.2)
  if (drawn.length === 0 && visit.state.turning !== 'right way') return null
  return {
    id: 'runs-at-no-hertz',
    readings: [hz, ...drawn],
    because: `${show.trimmed(hz.value, 1)} Hz, and ${drawn.length > 0 ? `${show.ampsRow(drawn.map((r) => r.value)).join(', ')} A` : 'it turns'}: no drive runs a motor on that.`,
    next: 'Read the frequency while it runs. Is a bypass on, or the wheel turned by something else?',
  }
}

const controlOutOfNothing: Rule = (_input, of) => {
  const at = (position: string) => of('control_volts').find((r) => r.position === position)
  const into = at('in')
  const out = at('out')
  if (!into || !out || into.value >= 1 || out.value < 5) return null
  return {
    id: 'control-out-of-nothing',
    readings: [into, out],
    because: `${show.volts(into.value)} V into the control transformer and ${show.volts(out.value)} V out of it.`,
    next: 'Look for a second control feed, or read the primary again.',
  }
}

/** Even pairs with uneven legs: the neutral is open, or a line has gone to ground. A 240 V delta with a high leg is meant to. */
const legsAgainstPairs =
  (id: string, quantity: 'volts_ln' | 'volts_lg', words: string, next: string): Rule =>
  ({ machine }, of) => {
    const pairs = of('volts_ll').filter((r) => r.how !== 'over-range')
    const legVolts = of(quantity)
    if (machine.phases !== 3 || machine.serviceVolts === 240 || pairs.length < 3 || legVolts.length === 0) return null
    const values = pairs.map((r) => r.value)
    if (Math.max(...values) > 1.1 * Math.min(...values)) return null
    const expected = mean(values) / Math.sqrt(3)
    const off = legVolts.filter((r) => Math.abs(r.value / expected - 1) > 0.15)
    if (off.length === 0) return null
    return {
      id,
      readings: off,
      because: `${off.map((r) => `${r.position} ${show.volts(r.value)} V`).join(', ')} ${words} with ${values.map(show.volts).join(', ')} V across the pairs; ${show.volts(expected)} V is expected.`,
      next,
    }
  }

const airAboveShell: Rule = (_input, of) => {
  const at = (position: string) => of('temperature').find((r) => r.position === position)
  const air = at('ambient')
  const hot = [at('motor'), at('bearing-de'), at('bearing-ode')].filter((r) => r !== undefined)
  if (!air || hot.length === 0 || hot.every((r) => r.value > air.value - 10)) return null
  return {
    id: 'air-above-shell',
    readings: [air, ...hot.filter((r) => r.value <= air.value - 10)],
    because: 'The air reads hotter than the motor or bearings in it.',
    next: 'Were two spots swapped? Read them again.',
  }
}

const capacitorTwoWays: Rule = (input, of) => {
  const off = of('capacitance').find((r) => r.position === 'run')
  const amps = of('capacitor_amps').find((r) => r.position === 'run')
  const volts = of('capacitor_volts').find((r) => r.position === 'run')
  if (!off || !amps || !volts || off.value <= 0 || volts.value <= 0) return null
  const hz = supplyHertz(input.machine.serviceVolts, input.motor?.plate.hz, input.machine.serviceHz)
  const loaded = (amps.value * 1e6) / (2 * Math.PI * hz * volts.value)
  if (Math.abs(loaded / off.value - 1) < 0.3) return null
  return {
    id: 'capacitor-two-ways',
    readings: [off, amps, volts],
    because: `${show.microfarads(off.value)} off the circuit and ${show.microfarads(loaded)} under load.`,
    next: 'Check the range of the meter and where the clamp was; read again.',
  }
}

const rules: readonly Rule[] = [
  ampsOnNoVolts,
  triangle('volts-triangle', 'volts_ll', ''),
  triangle('line-triangle', 'line_ll', 'on the line side '),
  triangle('transformer-in-triangle', 'transformer_in', 'into the transformer '),
  triangle('transformer-out-triangle', 'transformer_out', 'out of the transformer '),
  turningOnNothing,
  ohmsAgainstMegohms,
  lineAgainstMotor,
  hertzWithoutDrive,
  runsAtNoHertz,
  controlOutOfNothing,
  legsAgainstPairs(
    'neutral-off',
    'volts_ln',
    'to neutral',
    'The neutral is open or not connected: find where before anything is connected to it.',
  ),
  legsAgainstPairs(
    'ground-off',
    'volts_lg',
    'to ground',
    'A corner-grounded or ungrounded service, or a line to ground: find out which before touching anything.',
  ),
  airAboveShell,
  capacitorTwoWays,
]

/** Everything in a visit that contradicts itself. */
export function contradictionsOf(input: JudgeInput): Contradiction[] {
  const groups = new Map<string, Reading[]>()
  for (const r of input.visit.readings) {
    const own = groups.get(r.quantity)
    if (own) own.push(r)
    else groups.set(r.quantity, [r])
  }
  const of = (quantity: QuantityCode): readonly Reading[] => groups.get(quantity) ?? []
  return rules.flatMap((rule) => rule(input, of) ?? [])
}
