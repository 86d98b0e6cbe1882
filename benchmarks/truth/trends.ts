import { judge, rank, unknownControls, type JudgeInput } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import type { Visit, WorkDone } from '../../core/src/trend/index.ts'
import { Random } from './random.ts'
import { nothing, read, visitOf } from './visit.ts'

const dayMs = 86_400_000
const start = Date.UTC(2022, 0, 10, 15)
/** Checks that speak of amps against their own past. */
const ofThePast = new Set(['change', 'trend', 'after-work'])

/** How often a change of the amps was told in time, and how often one was reported that was none. */
export interface TrendScore {
  /** Of steps of 6 %: reported at the first or second visit. */
  readonly step: number
  /** Of half a per cent a month, filters changed and written down at every visit: reported within six. */
  readonly ramp: number
  /** Changes reported of a steady machine, a machine-year, at visits every 30 and every 92 days. */
  readonly false30: number
  readonly false92: number
}

/** A 10 hp belt fan, 12.8 A on its nameplate, steady but for what a course does to it. */
export const plainFan = {
  machine: {
    phases: 3,
    serviceVolts: 480,
    hasVfd: false,
    hasTwin: false,
    drive: 'belt',
    controls: unknownControls,
    unitPlate: null,
  },
  motor: {
    plate: { volts: '460', amps: '12.8', phases: 3, power: 10, hz: '60', rpm: 1755 },
    connectionVolts: null,
    installedAt: start - 400 * dayMs,
  },
} as const satisfies Pick<JudgeInput, 'machine' | 'motor'>

interface Course {
  readonly days: number
  readonly n: number
  /** Amps over those of a steady machine. */
  readonly level: (i: number) => number
  readonly filters: boolean
}

/** Visits of one machine with a yearly swing, read with 1.5 % on each leg and 2 % on each pair. */
function visitsOf(r: Random, { days, n, level, filters }: Course): { visits: Visit[]; work: WorkDone[] } {
  const phase = r.next()
  const visits = Array.from({ length: n }, (_, i) => {
    const at = start + (i * days + 0.05 * days * r.normal(1)) * dayMs
    const swing = 1 + 0.025 * Math.cos(2 * Math.PI * (at / (365.25 * dayMs) - phase))
    const amps = () => 9.6 * level(i) * swing * (1 + r.normal(0.015))
    const volts = () => 470 * (1 + r.normal(0.02))
    const visit = read(read(nothing, 'amps', { L1: amps(), L2: amps(), L3: amps() }), 'volts_ll', {
      'L1-L2': volts(),
      'L2-L3': volts(),
      'L3-L1': volts(),
    })
    return visitOf({ ...visit, state: { settled: true, turning: 'right way', panels: 'on', mode: 'normal' } }, at)
  })
  const work = filters ? visits.map((s): WorkDone => ({ at: s.at + 3_600_000, kind: 'filters-changed', note: '' })) : []
  return { visits, work }
}

/** Is a change of the amps reported at that visit, with the visits before it known? */
function toldAt({ visits, work }: ReturnType<typeof visitsOf>, i: number): boolean {
  const visit = visits[i]
  if (!visit) return false
  const input: JudgeInput = {
    ...plainFan,
    visit,
    history: visits.slice(0, i),
    work: work.filter((w) => w.at < visit.at),
    policies: defaultPolicies,
  }
  return judge(input).verdicts.some((v) => ofThePast.has(v.check) && rank(v.level) >= rank('watch'))
}

function shareTold(runs: number, seed: number, course: Course, from: number, within: number): number {
  const r = new Random(seed)
  let told = 0
  for (let k = 0; k < runs; k++) {
    const machine = visitsOf(r, course)
    if (Array.from({ length: within }, (_, i) => from + i).some((i) => toldAt(machine, i))) told += 1
  }
  return told / runs
}

function falseYearly(machines: number, seed: number, days: number, n: number): number {
  const r = new Random(seed)
  let alarms = 0
  for (let k = 0; k < machines; k++) {
    const machine = visitsOf(r, { days, n, level: () => 1, filters: false })
    let before = false
    for (let i = 0; i < n; i++) {
      const now = toldAt(machine, i)
      if (now && !before) alarms += 1
      before = now
    }
  }
  return alarms / ((machines * n * days) / 365.25)
}

/** Machines that change, and steady ones, through judge() itself. */
export function trendTruth(runs: number, seed: number, steady = runs): TrendScore {
  const step = (i: number) => (i >= 8 ? 1.06 : 1)
  const ramp = (i: number) => 1 + (i >= 8 ? 0.005 * 3.02 * (i - 7) : 0)
  return {
    step: shareTold(runs, seed, { days: 92, n: 10, level: step, filters: false }, 8, 2),
    ramp: shareTold(runs, seed + 1, { days: 92, n: 14, level: ramp, filters: true }, 8, 6),
    false30: falseYearly(Math.ceil(steady / 3), seed + 2, 30, 48),
    false92: falseYearly(steady, seed + 3, 92, 16),
  }
}
