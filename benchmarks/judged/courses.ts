import { ampsHistory, judge, type JudgeInput } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import {
  amongPeers,
  drift,
  baselineAt,
  exactUpperTail,
  leastSquares,
  mannKendall,
  median,
  robustSpread,
  seasonOf,
  stepChange,
  student95,
  theilSen,
  thin,
  usualRange,
  watchAmps,
  type Visit,
  type WorkDone,
  type WorkKindId,
} from '../../core/src/trend/index.ts'
import { Random } from '../truth/random.ts'
import { plainFan } from '../truth/trends.ts'
import { nothing, read, state, visitOf } from '../truth/visit.ts'
import { figures, toldOf } from './told.ts'

const dayMs = 86_400_000
const start = Date.UTC(2022, 0, 10, 15)

interface Course {
  readonly title: string
  readonly days: number
  readonly n: number
  readonly level: (i: number) => number
  readonly work: readonly (readonly [visit: number, kind: WorkKindId])[]
  readonly filters?: boolean
  /** What is different about a visit. */
  readonly odd?: (i: number) => 'panels off' | 'twin off' | 'low speed' | 'unsettled' | 'dirty' | null
}

const quiet: readonly (readonly [number, WorkKindId])[] = []
const list: readonly Course[] = [
  { title: 'steady', days: 92, n: 16, level: () => 1, work: quiet },
  { title: 'step of 6 %', days: 92, n: 14, level: (i) => (i >= 9 ? 1.06 : 1), work: quiet },
  {
    title: 'step of -8 % after belts',
    days: 30,
    n: 16,
    level: (i) => (i >= 9 ? 0.92 : 1),
    work: [[8, 'belts-renewed']],
  },
  {
    title: 'step put back',
    days: 92,
    n: 14,
    level: (i) => (i >= 7 && i < 10 ? 1.09 : 1),
    work: [[10, 'wheel-cleaned']],
  },
  {
    title: 'rise with filters',
    days: 61,
    n: 18,
    level: (i) => 1 + 0.012 * Math.max(0, i - 6),
    work: quiet,
    filters: true,
  },
  { title: 'fall', days: 92, n: 14, level: (i) => 1 - 0.02 * Math.max(0, i - 5), work: quiet },
  { title: 'new motor', days: 92, n: 12, level: (i) => (i >= 6 ? 0.85 : 1), work: [[6, 'motor-replaced']] },
  { title: 'over the plate at last', days: 92, n: 12, level: (i) => 1 + 0.035 * i, work: quiet },
  { title: 'two visits', days: 92, n: 2, level: () => 1, work: quiet },
  {
    title: 'unlike states between',
    days: 45,
    n: 15,
    level: (i) => (i % 3 === 1 ? 0.8 : 1),
    work: quiet,
    odd: (i) =>
      i % 3 === 1 ? ((['panels off', 'twin off', 'low speed', 'unsettled', 'dirty'] as const)[i % 5] ?? null) : null,
  },
]

function drawn(r: Random, c: Course): { visits: Visit[]; work: WorkDone[] } {
  const visits = Array.from({ length: c.n }, (_, i) => {
    const at = start + Math.round(i * c.days * dayMs + r.between(-3, 3) * dayMs)
    const swing = 1 + 0.025 * Math.cos((2 * Math.PI * at) / (365.25 * dayMs))
    const amps = () => Number((9.6 * c.level(i) * swing * (1 + r.normal(0.012))).toFixed(2))
    const volts = () => Number((470 * (1 + r.normal(0.012))).toFixed(1))
    const readings = read(read(nothing, 'amps', { L1: amps(), L2: amps(), L3: amps() }), 'volts_ll', {
      'L1-L2': volts(),
      'L2-L3': volts(),
      'L3-L1': volts(),
    })
    const odd = c.odd?.(i) ?? null
    return visitOf(
      state(readings, {
        settled: odd !== 'unsettled',
        turning: 'right way',
        panels: odd === 'panels off' ? 'off' : 'on',
        mode: odd === 'low speed' ? 'low speed' : 'normal',
        twin: odd === 'twin off' ? 'off' : 'running',
        filters: odd === 'dirty' ? 'dirty' : null,
      }),
      at,
    )
  })
  const told = c.work.map(([i, kind]): WorkDone => ({ at: (visits[i]?.at ?? 0) - 3_600_000, kind, note: '' }))
  const filters = c.filters
    ? visits.map((s): WorkDone => ({ at: s.at + 3_600_000, kind: 'filters-changed', note: '' }))
    : []
  return { visits, work: [...told, ...filters] }
}

/** What a sum gives, or its refusal. */
export const attempt = (f: () => unknown): unknown => {
  try {
    return f()
  } catch (e) {
    if (e instanceof RangeError) return e.message
    throw e
  }
}

const sums = (r: Random): string[] =>
  Array.from({ length: 40 }, (_, k) => {
    const n = k % 10 === 9 ? 230 : 1 + r.below(k % 5 === 4 ? 40 : 20)
    const days = Array.from({ length: n }, (_u, i) => i * (k % 7 === 6 ? 8 : 40) + r.below(9))
    const values = days.map((_u, i) =>
      Number((10 + (k % 3) * 0.2 * i + (i > n / 2 ? (k % 4) * 0.5 : 0) + r.normal(0.15)).toFixed(1)),
    )
    const points = days.map((d, i) => ({ at: start + d * dayMs, value: values[i] ?? 0 }))
    const watched = points.map((p) => ({
      at: p.at,
      amps: p.value,
      volts: 1 + r.normal(0.01),
      filters: r.chance(0.5) ? r.next() : 0,
      hertz: 0,
    }))
    const tried: readonly (() => unknown)[] = [
      () => mannKendall(values),
      () => exactUpperTail(2 + (k % 20), k % 12),
      () => theilSen(days, values),
      () => stepChange(points, 0.02),
      () => robustSpread(values),
      () => median(values),
      () => student95(k),
      () => leastSquares(days, values).at(1000),
      () => watchAmps(watched.slice(0, 60), k % 3 === 0 ? [start + 200 * dayMs] : []),
      () =>
        amongPeers(
          0.8,
          values.map((v) => v / 14),
        ),
      () => drift(points, k % 2 === 0 ? 13 : null, 0.05),
      () => usualRange(values),
      () => seasonOf(points)?.without(start, 1),
      () => thin(values, 4),
    ]
    return `${figures(values.slice(0, 40))}\n  ${tried.map((f) => figures(attempt(f)) ?? 'none').join('\n  ')}`
  })

/** Machines over the years, judged at each of their later visits, and the sums behind it by themselves. */
export function courses(): string {
  const told = list.flatMap((c, k) => {
    const { visits, work } = drawn(new Random(31 + k), c)
    return visits.flatMap((visit, i) => {
      if (i < c.n - 6) return []
      const input: JudgeInput = {
        ...plainFan,
        machine: { ...plainFan.machine, hasTwin: c.odd !== undefined },
        visit,
        history: visits.slice(0, i),
        work: work.filter((w) => w.at < visit.at),
        policies: defaultPolicies,
        twins: i % 2 === 0 ? [{ tag: 'SF-2', load: 0.6 + 0.02 * i, at: visit.at - 3_600_000 }] : undefined,
        peers: i % 3 === 0 ? [0.5, 0.55, 0.52, 0.49, 0.53, 0.51] : undefined,
      }
      const judged = judge(input)
      return [
        `## ${c.title}, visit ${i + 1}`,
        ...toldOf(judged),
        `  drift ${figures(judged.drift)}`,
        `  history ${figures(ampsHistory(input))}`,
        `  baseline ${figures(baselineAt(input.work, 'amps', visit.at))}`,
      ]
    })
  })
  return [...told, '## sums', ...sums(new Random(99))].join('\n')
}
