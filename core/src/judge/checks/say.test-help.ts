import { unknownLayout, type DriveLayout, type InstalledPart } from '../../installed/index.ts'
import { defaultPolicies, type Policies } from '../../limits/index.ts'
import type { Plate } from '../../plate/index.ts'
import {
  findQuantity,
  legPositions,
  linePositions,
  terminalPairs,
  terminalPositions,
  type QuantityCode,
  type Reading,
} from '../../quantity/index.ts'
import { dayMs, unsaid, type Answers, type GatePass, type Visit, type WorkDone } from '../../trend/index.ts'
import { judge, unknownControls, type Controls, type JudgeInput, type Judgement, type MachineFacts } from '../index.ts'

export const now = Date.UTC(2026, 5, 1)
export const plate: Plate = {
  volts: '460',
  amps: '12.8',
  phases: 3,
  power: 10,
  hz: '60',
  rpm: 1755,
  sf: 1.15,
  code: 'H',
  insulationClass: 'F',
  efficiency: 0.902,
}
export const pscPlate: Plate = {
  volts: '230',
  amps: '3.0',
  phases: 1,
  power: 0.5,
  hz: '60',
  rpm: 1100,
  capacitorUf: 7.5,
  capacitorVolts: 370,
}

export const facts: MachineFacts = {
  phases: 3,
  serviceVolts: 480,
  hasVfd: false,
  hasTwin: false,
  drive: 'belt',
  controls: unknownControls,
  unitPlate: null,
}

export interface Given {
  machine?: Partial<MachineFacts>
  controls?: Partial<Controls>
  plate?: Plate
  answers?: Answers
  passes?: GatePass[]
  history?: Visit[]
  work?: WorkDone[]
  policies?: Partial<Policies>
  parts?: InstalledPart[]
  layout?: DriveLayout
  state?: Partial<Visit['state']>
  /** When the motor was put in; at the beginning of all time where nothing is said. */
  installedAt?: number
}

export const at = (
  quantity: QuantityCode,
  positions: readonly string[],
  values: readonly (number | 'OL')[],
): Reading[] =>
  values.map((v, i) => ({
    quantity,
    position: positions[i] ?? '',
    value: v === 'OL' ? (findQuantity(quantity)?.range[1] ?? 0) : v,
    ...(v === 'OL' ? { how: 'over-range' as const } : {}),
  }))

export const visitOf = (readings: Reading[], day = 0, answers?: Answers): Visit => ({
  id: `s${day}`,
  at: now + day * dayMs,
  state: { ...unsaid, settled: true },
  readings,
  answers,
})

/** Judged, and every verdict rests on something that is named beside it. */
function grounded(input: JudgeInput): Judgement {
  const said = judge(input)
  for (const v of said.verdicts)
    if (v.basis.length === 0 || v.basis.some((b) => b.text === ''))
      throw new Error(`${v.check}: a verdict without a basis`)
  return said
}

export function inputFor(readings: Reading[], given: Given = {}): JudgeInput {
  const single = given.machine?.phases === 1
  return {
    machine: { ...facts, ...given.machine, controls: { ...unknownControls, ...given.controls } },
    motor: {
      plate: given.plate ?? (single ? pscPlate : plate),
      connectionVolts: null,
      installedAt: given.installedAt ?? 0,
    },
    visit: {
      ...visitOf(readings, 0, given.answers),
      passes: given.passes,
      state: { ...unsaid, settled: true, ...given.state },
    },
    history: given.history ?? [],
    work: given.work ?? [],
    policies: { ...defaultPolicies, ...given.policies },
    parts: given.parts,
    layout: given.layout,
  }
}
export const say = (readings: Reading[], given: Given = {}) => grounded(inputFor(readings, given))
export const told = (check: string, readings: Reading[], given: Given = {}) => {
  const v = say(readings, given).verdicts.find((x) => x.check === check)
  if (!v) throw new Error(`${check} said nothing`)
  return v
}
export const gate = (id: string, readings: Reading[], given: Given = {}) => {
  const g = say(readings, given).gates.find((x) => x.id === id)
  if (!g) throw new Error(`no gate ${id}`)
  return g
}

/** Two sheaves, a B belt and a forward-curved wheel on 560 mm centers: the drive of a 10 hp fan. */
export const driveParts: InstalledPart[] = (
  [
    {
      slot: 'motor-sheave',
      spec: {
        type: 'adjustable',
        section: 'B',
        closed: 120,
        perTurn: 5,
        most: 6,
        least: 0.5,
        step: 0.5,
        grooves: 1,
        turns: 2,
      },
    },
    { slot: 'driven-sheave', spec: { type: 'fixed', section: 'B', pitch: 220, grooves: 1 } },
    { slot: 'belts', spec: { section: 'B', number: 63, count: 1 } },
    {
      slot: 'wheel',
      spec: { type: 'forward-curved', wheels: 2, diameter: 460, greatestRpm: 1000, blades: 42, mass: 40, clips: 3 },
    },
  ] as const
).map((p) => ({ ...p, installedAt: now - 900 * dayMs, removedAt: null }))
export const driveLayout: DriveLayout = {
  ...unknownLayout,
  center: 560,
  takeUp: { least: 540, most: 590 },
  mounting: 'rigid',
}
export const onDrive = { parts: driveParts, layout: driveLayout }

export const proven: Reading[] = [
  ...at('proof_volts', ['before', 'after'], [478, 478]),
  ...at('dead_ll', linePositions, [0.1, 0, 0.2]),
  ...at('dead_lg', legPositions, [0.1, 0.3, 0]),
]
export const locked: Answers = {
  scope: 'full',
  'lock.on': 'yes',
  'lock.number': '17',
  'lock.others': 'none',
  windmill: 'still',
}
export const goodWinding = [
  ...at('winding_ohms', terminalPairs, [1.31, 1.32, 1.31]),
  ...at('ground_ohms', terminalPositions, ['OL', 'OL', 'OL']),
]
