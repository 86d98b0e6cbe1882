import { judge, type JudgeInput, type MachineFacts } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import type { Plate } from '../../core/src/plate/index.ts'
import { quantities } from '../../core/src/quantity/index.ts'
import { nothing, read, visitOf, type Draft } from '../truth/visit.ts'
import { figures } from './told.ts'

interface Known {
  readonly title: string
  readonly facts: MachineFacts
  readonly plate: Plate
  readonly around: Draft
}

const bare: MachineFacts = {
  phases: 3,
  serviceVolts: 480,
  hasVfd: false,
  hasTwin: false,
  drive: 'belt',
  controls: {
    starter: 'starter',
    poles: 3,
    overload: 'relay',
    protection: 'time-delay fuse',
    protectionAmps: 20,
    controlVolts: 24,
    transformer: { ratedIn: 480, ratedOut: 24 },
    gasSection: true,
    phaseMonitor: false,
    capacitor: null,
  },
  unitPlate: null,
}
const three: Plate = {
  volts: '460',
  amps: '12.8',
  phases: 3,
  power: 10,
  powerUnit: 'hp',
  hz: '60',
  rpm: 1755,
  sf: 1.15,
  code: 'H',
}
const pairs = (v: number) => ({ 'L1-L2': v, 'L2-L3': v, 'L3-L1': v })
const legs = (v: number) => ({ L1: v, L2: v, L3: v })

/** Machines whose every cell is gone through, and what else was read at the visit. */
const known: readonly Known[] = [
  {
    title: 'belt, 460 V',
    facts: bare,
    plate: three,
    around: read(read(nothing, 'volts_ll', pairs(480)), 'amps', legs(10)),
  },
  {
    title: 'on a drive, 460 V',
    facts: {
      ...bare,
      hasVfd: true,
      drive: 'direct',
      controls: { ...bare.controls, starter: 'none', overload: 'electronic' },
    },
    plate: { ...three, insulationClass: 'F' },
    around: read(read(nothing, 'amps', legs(8)), 'hz', { motor: 45 }),
  },
  {
    title: 'one phase, 230 V',
    facts: {
      ...bare,
      phases: 1,
      serviceVolts: 240,
      drive: 'direct',
      controls: {
        ...bare.controls,
        starter: 'contactor',
        poles: 2,
        protectionAmps: 10,
        overload: 'internal',
        gasSection: false,
        capacitor: { run: 40, second: 5, volts: 440, tolerance: 0.06 },
      },
    },
    plate: {
      volts: '208-230',
      amps: '4.4-4',
      phases: 1,
      power: 0.5,
      powerUnit: 'hp',
      hz: '60',
      rpm: 1075,
      capacitorUf: 40,
      capacitorVolts: 370,
    },
    around: read(read(nothing, 'volts_ll', { 'L1-L2': 238 }), 'amps', { L1: 3.4 }),
  },
]

/** Beside readings of one kind at the other places of that kind, so that a pair or a lead is not alone. */
const beside: Readonly<Record<string, number>> = {
  winding_ohms: 2.1,
  megohms: 900,
  ground_ohms: 1e6,
  pole_ohms: 0.1,
  fuse_ohms: 0.1,
  contact_drop: 0.02,
  line_ll: 480,
  line_lg: 277,
  volts_ln: 277,
  volts_lg: 277,
  dead_ll: 0,
  dead_lg: 0,
  proof_volts: 480,
  vibration: 0.05,
  temperature: 30,
  transformer_in: 480,
  transformer_out: 240,
  static_pressure: 0.6,
  control_volts: 24,
  capacitance: 5,
  inrush: 70,
  roll_amps: 10,
  sheave_gap: 0.02,
}
const usual = new Set(['amps', 'volts_ll', 'hz'])

function said(k: Known, quantity: (typeof quantities)[number], position: string, value: number): string {
  const others = usual.has(quantity.code)
    ? {}
    : Object.fromEntries(
        quantity.positions.filter((p) => p !== position).map((p) => [p, beside[quantity.code] ?? value]),
      )
  const visit = read(quantity.code in beside ? read(k.around, quantity.code, others) : k.around, quantity.code, {
    [position]: value,
  })
  const input: JudgeInput = {
    machine: k.facts,
    motor: { plate: k.plate, connectionVolts: null, installedAt: 0 },
    visit: visitOf(
      { ...visit, state: { settled: true, turning: 'right way', panels: 'on' } },
      Date.UTC(2026, 0, 5, 15),
    ),
    history: [],
    work: [],
    policies: defaultPolicies,
  }
  const j = judge(input)
  const bad = j.verdicts.filter((v) => v.level !== 'ok').map((v) => `${v.check} ${v.level}`)
  const barred = j.gates.filter((g) => g.bars !== null).map((g) => `bars ${g.id}`)
  return [...bad, ...barred].sort().join(', ') || 'ok'
}

/** Figures a meter shows: nothing, then two a step from a thousandth of the widest to the widest, and near the usual. */
function figuresOf([low, high]: readonly [number, number], near: number): number[] {
  const steps = [1, 1.5, 2, 3, 4, 5, 6, 8]
  const decades = Array.from({ length: 9 }, (_, i) => 10 ** (Math.floor(Math.log10(high)) - 7 + i))
  const around = near > 0 ? [0.5, 0.8, 0.9, 0.95, 0.98, 1.02, 1.05, 1.1, 1.15, 1.25, 1.5, 2].map((s) => s * near) : []
  return [low, high, ...decades.flatMap((d) => steps.map((s) => s * d)), ...around]
    .map((x) => Number(x.toPrecision(6)))
    .filter((x) => x >= low && x <= high)
    .sort((a, b) => a - b)
    .filter((x, i, all) => x !== all[i - 1])
}

/** Between two figures with unlike results: the shortest figure at which the result changes, and what is said just there. */
function edge(below: number, above: number, of: (x: number) => string): number {
  const before = of(below)
  let [low, high] = [below, above]
  for (let i = 0; i < 40 && high - low > 1e-4 * Math.abs(high); i++) {
    const middle = (low + high) / 2
    if (of(middle) === before) low = middle
    else high = middle
  }
  return Number(((low + high) / 2).toPrecision(3))
}

/** Where each cell of a visit goes from one result to the next. A figure in brackets is judged as what stands before it. */
export function edges(): string {
  const lines: string[] = []
  for (const k of known) {
    lines.push(`## ${k.title}`)
    for (const q of quantities) {
      const [position] = q.positions
      const near =
        { amps: 12.8, volts_ll: k.facts.serviceVolts, hz: 60, rpm: 1755 }[q.code as 'amps'] ?? beside[q.code] ?? 0
      const cache = new Map<number, string>()
      const of = (x: number) => {
        const own = cache.get(x) ?? said(k, q, position, x)
        cache.set(x, own)
        return own
      }
      const at = figuresOf(q.range, near)
      let line = `${q.code} ${position}: ${of(at[0] ?? 0)}`
      for (const [i, x] of at.entries()) {
        const before = at[i - 1]
        if (before === undefined || of(before) === of(x)) continue
        const turn = edge(before, x, of)
        line += ` [${figures(turn)}${of(turn) === of(before) ? ' too' : ''}] ${of(x)}`
      }
      lines.push(line)
    }
  }
  return lines.join('\n')
}
