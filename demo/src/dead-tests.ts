import type { Controls } from '@motor-round/core/judge'
import { insulationFactor } from '@motor-round/core/electrical'
import type { Random } from '@motor-round/core/machine'
import {
  legPositions,
  linePositions,
  terminalPairs,
  terminalPositions,
  wirePairs,
  type Reading,
} from '@motor-round/core/quantity'
import type { Answers } from '@motor-round/core/trend'
import { tensionAsked } from '@motor-round/core/installed'
import { convert } from '@motor-round/core/quantity'
import { deflectionForces, deflectionOf, pitchAtTurns } from '@motor-round/core/drivetrain'
import type { DriveTrain } from './drive-train.ts'
import type { Life } from './machine-life.ts'
import type { MachineSpec } from './places.ts'

/** What stands between the supply and a machine of the demo. */
export function controlsOf(spec: MachineSpec, service: number, story: string | undefined): Partial<Controls> {
  const common = { gasSection: spec.kind === 'MAU', controlVolts: 24 }
  if (spec.phases === 1)
    return {
      ...common,
      starter: 'contactor',
      poles: service < 180 ? 1 : 2,
      overload: 'internal',
      capacitor: { run: story === 'wrong-capacitor' ? 10 : 7.5, second: null, volts: 440, tolerance: 0.06 },
    }
  if (story === 'single-pole') return { ...common, starter: 'contactor', poles: 1, overload: 'internal' }
  if (story === 'no-overload') return { ...common, starter: 'contactor', poles: 3, overload: 'none' }
  if (spec.drive === 'direct') return { ...common, starter: 'contactor', poles: 3, overload: 'internal' }
  return {
    ...common,
    starter: spec.vfd ? null : 'starter',
    poles: spec.vfd ? null : 3,
    overload: spec.vfd ? 'electronic' : 'relay',
    phaseMonitor: spec.size >= 10 && service !== 208,
  }
}

const rounded = (v: number, digits: number) => Number(v.toPrecision(digits))
const reading = (quantity: Reading['quantity'], position: string, value: number): Reading => ({
  quantity,
  position,
  value,
})

/** The proof of dead that goes before every dead test. */
function proof(life: Life, random: Random): { readings: Reading[]; answers: Answers } {
  const low = () => rounded(random.between(0, 0.4), 1)
  const single = life.spec.phases === 1
  const source = rounded(life.service === 120 ? 121 : life.service, 3)
  return {
    readings: [
      reading('proof_volts', 'before', source),
      ...(single ? linePositions.slice(0, 1) : linePositions).map((p) => reading('dead_ll', p, low())),
      ...(single ? legPositions.slice(0, 2) : legPositions).map((p) => reading('dead_lg', p, low())),
      reading('proof_volts', 'after', source),
      ...(single ? [reading('stored_volts', 'capacitor', low())] : []),
      ...(life.spec.vfd ? [reading('stored_volts', 'bus', rounded(random.between(2, 9), 2))] : []),
    ],
    answers: {
      scope: 'full',
      'lock.on': 'yes',
      'lock.others': 'none',
      'lock.number': `R-${10 + Math.floor(random.between(0, 30))}`,
      windmill: 'still',
    },
  }
}

/** Insulation at 40 °C some days before now: steady, or falling as the story has it. */
function insulationAt40(life: Life, daysAgo: number, healthy: number): number {
  const years = daysAgo / 365
  return life.story === 'winding-wet' ? healthy * Math.min(1, 0.13 + 0.42 * years) : healthy
}

/** What makes one motor's tests its own: ohms against others of its size, and megohms at 40 °C when dry. */
export interface TestedMotor {
  readonly size: number
  readonly healthy: number
}

export const testedMotor = (random: Random): TestedMotor => ({
  size: random.between(0.85, 1.2),
  healthy: random.between(240, 660),
})

/** What a yearly dead test found: about every sixth visit. Null on the other visits. */
export function deadTestAt(
  life: Life,
  visit: number,
  visits: number,
  daysAgo: number,
  motor: TestedMotor,
  random: Random,
): { readings: Reading[]; answers: Answers } | null {
  const { size, healthy } = motor
  const back = visits - 1 - visit
  // Counted back from the last visit, so that everybody's last test is some visits ago, and the wet winding's is new.
  const phase = life.story === 'winding-wet' || life.story === 'capacitor-fades' ? 0 : 2
  if (back % 6 !== phase) return null
  const { readings, answers } = proof(life, random)
  const celsius = Math.round(random.between(14, 33))
  if (life.spec.phases === 1) {
    const fade = life.story === 'capacitor-fades' ? 1 - 0.035 * Math.max(0, 3.2 - daysAgo / 365) : 1
    const run = 7.2 * size
    const start = 21.5 * size
    const made = [run + start, start, run].map((r) => rounded(r * (1 + 0.003 * random.normal()), 3))
    return {
      readings: [
        ...readings,
        ...wirePairs.map((p, i) => reading('winding_ohms', p, made[i] ?? 0)),
        reading(
          'capacitance',
          'run',
          rounded((life.story === 'wrong-capacitor' ? 10 : 7.5) * fade * (1 + 0.004 * random.normal()), 3),
        ),
      ],
      answers,
    }
  }
  const ohms = (1.9 * (life.service / 460) ** 2 * 10 * size) / Math.max(0.5, life.spec.size)
  const cool = insulationFactor(celsius, 'thermosetting') ?? 1
  const whole = insulationAt40(life, daysAgo, life.story === 'winding-wet' ? 310 : healthy) / cool
  return {
    readings: [
      ...readings,
      ...terminalPairs.map((p) => reading('winding_ohms', p, rounded(ohms * (1 + 0.003 * random.normal()), 3))),
      reading('temperature', 'winding', celsius),
      reading('test_volts', 'insulation', 500),
      ...terminalPositions.map((p) => reading('megohms', p, rounded(whole * random.between(1, 1.12), 2))),
    ],
    answers: { ...answers, lugs: 'tight', wires: 'whole', 'insulation.place': 'motor', 'ohms.place': 'motor' },
  }
}

const seenSound: Answers = {
  'belt.wear': 'sound',
  'belt.tension': 'right',
  'belt.grooves': 'sharp',
  'bearing.de': 'quiet',
  'bearing.ode': 'quiet',
  'wheel.blades': 'whole',
  'wheel.screws': 'tight',
  'wheel.dirt': 'clean',
}

/** What was seen and measured of belts, sheaves and wheel while it was proven dead; null without that proof. */
export function driveTestAt(
  life: Life,
  drive: DriveTrain,
  daysAgo: number,
  dead: { readonly answers: Answers } | null,
  random: Random,
): { readings: Reading[]; answers: Answers } | null {
  if (!dead) return null
  const { sheave, driven, layout } = drive
  const driver = sheave.type === 'fixed' ? sheave.pitch : pitchAtTurns(sheave, life.turnsAt(daysAgo))
  const hp = life.spec.size * (life.service === 400 ? 1000 : 745.7)
  const stands = {
    driver,
    driven: driven.pitch,
    adjustable: null,
    section: driven.section,
    belts: driven.grooves,
    beltLength: null,
    center: layout.center,
    takeUp: null,
  }
  const asked = tensionAsked(stands, hp, life.service === 400 ? 1450 : 1755)
  if (!asked) return null
  const tight = life.story === 'belts-drum' ? 2.6 : 1.1
  const { least } = deflectionForces(asked.used * tight * (1 + 0.05 * random.normal()), asked.stiffness)
  const inch = (mm: number) => Number(convert(Math.max(0, mm), 'mm', 'in').toFixed(2))
  const askew = life.story === 'sheave-askew' ? 3.4 : 0.4
  return {
    readings: [
      {
        quantity: 'belt_press',
        position: 'span',
        value: Number(convert(deflectionOf(asked.span), 'm', 'in').toFixed(2)),
      },
      { quantity: 'belt_force', position: 'span', value: Number(convert(least, 'N', 'lbf').toFixed(1)) },
      { quantity: 'sheave_gap', position: 'motor-near', value: 0 },
      { quantity: 'sheave_gap', position: 'motor-far', value: inch(askew * random.between(0.8, 1)) },
      { quantity: 'sheave_gap', position: 'fan-near', value: inch(0.3 * random.between(0, 1)) },
      { quantity: 'sheave_gap', position: 'fan-far', value: 0 },
    ],
    answers: life.story === 'wheel-dirty' ? { ...seenSound, 'wheel.dirt': 'caked' } : seenSound,
  }
}
