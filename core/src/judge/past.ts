import { limitInForce } from '../limits/index.ts'
import { mean } from '../quantity/index.ts'
import {
  AmpsWatch,
  alikeButHertz,
  comparableTo,
  dayMs,
  drift,
  hertzEffect,
  hertzOf,
  likenessOf,
  loadPoint,
  meanVolts,
  median,
  seasonOf,
  stepChange,
  thin,
  usualRange,
  type Change,
  type Drift,
  type Baseline,
  type LoadPoint,
  type Season,
  type StepChange,
  type Visit,
  type Usual,
  type WatchPoint,
} from '../trend/index.ts'
import type { FanOnDrive } from '../vfd/index.ts'
import { partsOf } from './conditions/condition.ts'
import type { JudgeInput } from './input.ts'
import { keptOf, sameGround, type Ground } from './known.ts'
import { lazy } from './lazy.ts'
import { toHertzOf } from './to-these-hertz.ts'

/** What a machine's own past says of the amps of a visit. */
export interface Past {
  /** Volts to which amps are referred before they is compared with; null where none were read. */
  readonly reference: number | null
  /** Earlier comparable points of this baseline, oldest first; of a fan on a drive also those of other hertz, brought to these. */
  readonly past: readonly LoadPoint[]
  /** What these amps are expected to be at this visit, 95 % range; null with fewer than four comparable readings before it. */
  readonly usual: Usual | null
  /** A change of the amps that nothing explains yet. */
  readonly change: Change | null
  /** The usual range of comparable visits before this baseline began. */
  readonly before: Usual | null
  readonly drift: Drift
  /** The yearly swing of this baseline's amps; null where there is none beyond chance. */
  readonly season: Season | null
  /** A step within this baseline that no work explains; null without one. */
  readonly step: StepChange | null
}

const longestHistory = 400

/**
 * The volts to which a machine's amps are referred before they is compared with: the median of what was found there, so
 * that the figures stay those of the clamp and only the swings of the supply are taken out.
 */
export function referenceVolts(history: readonly Visit[], visit: Visit): number | null {
  const found = [...history, visit].flatMap((s) => meanVolts(s) ?? []).filter((v) => v > 0)
  return found.length === 0 ? null : median(found)
}

/** How long the filters have been in at an instant, as a share of a year; 0 where no change of them is recorded. */
function filterAge(input: JudgeInput, at: number): number {
  const last = input.work.reduce(
    (latest, w) => (w.kind === 'filters-changed' && w.at <= at ? Math.max(latest, w.at) : latest),
    -Infinity,
  )
  return last === -Infinity ? 0 : Math.min(1, (at - last) / (365 * dayMs))
}

/** When persons said what a change of the amps was. */
function explainedAt(input: JudgeInput): number[] {
  const own = (input.closings ?? []).filter((k) => partsOf(k.key).check === 'change').sort((a, b) => a.at - b.at)
  return own.filter((k, i) => k.kind === 'closed' && own[i + 1]?.kind !== 'reopened').map((k) => k.at)
}

/** How far a point was brought, as the logarithm of its hertz over these; 0 for one that was read at them. */
const broughtFrom = (p: LoadPoint, hz: number | undefined): number =>
  p.readAtHz === undefined || hz === undefined ? 0 : Math.log(p.readAtHz / hz)

const watchPoint = (input: JudgeInput, p: LoadPoint): WatchPoint => ({
  at: p.at,
  amps: p.amps,
  // No supply swings further and still runs a motor.
  volts: Math.min(2, Math.max(0.5, p.normal / p.amps || 1)),
  filters: filterAge(input, p.at),
  hertz: broughtFrom(p, hertzOf(input.visit)),
})

const keptPast = keptOf<readonly LoadPoint[]>()
const keptBefore = keptOf<readonly LoadPoint[]>()
const watches = new WeakMap<readonly LoadPoint[], { readonly ground: Ground; readonly watch: AmpsWatch }>()

/** The readings before a visit, watched: kept by them, for what is read now is compared with the same ones at every key. */
function watchOf(input: JudgeInput, past: readonly LoadPoint[]): AmpsWatch {
  const explained = explainedAt(input)
  const ground = [input.work, explained.join(' ')]
  const known = watches.get(past)
  if (known && sameGround(known.ground, ground)) return known.watch
  const watch = new AmpsWatch(explained)
  for (const p of past) watch.take(watchPoint(input, p))
  watches.set(past, { ground, watch })
  return watch
}

/** The past of a visit, each part worked out when it is first asked for. */
export function pastOf(
  input: JudgeInput,
  baselineOf: () => Baseline,
  allowed: number | null,
  fanOf: () => FanOnDrive | null,
): Past {
  const { machine, visit, policies, history } = input
  const reference = lazy(() => referenceVolts(history, visit))
  const comparablePoints = (kept: typeof keptPast, from: number | null, to: number) => {
    const fan = fanOf()
    const onDrive = fan ? [fan.plateAmps, fan.plateHz, fan.noLoadAmps, meanVolts(visit)] : []
    return kept(history, [from, to, ...likenessOf(visit), reference(), machine.phases, ...onDrive], () => {
      const like = comparableTo(visit)
      const alike = fan ? alikeButHertz(visit) : like
      const brought = fan ? toHertzOf(visit, fan, reference()) : () => null
      return thin(
        history.filter((s) => s.at < to && (from === null || s.at >= from) && alike(s)).sort((x, y) => x.at - y.at),
        longestHistory,
      ).flatMap((s) => {
        const p = like(s) ? loadPoint(s, reference()) : brought(s)
        // A point with a leg missing or lost would drag the mean; the trend is of whole readings.
        return p && p.legs.length === machine.phases && Math.min(...p.legs) > 0.5 * Math.max(...p.legs) ? [p] : []
      })
    })
  }
  const past = lazy(() => comparablePoints(keptPast, baselineOf().since, visit.at))
  const point = lazy(() => loadPoint(visit, reference()))
  const whole = lazy(() => {
    const p = point()
    return p && p.legs.length === machine.phases && visit.state.settled !== false ? [p] : []
  })
  const hz = hertzOf(visit)
  // What the model misses across hertz is neither drift nor step: they are told only where they stand at either end of it.
  const misses = lazy((): readonly [number, ...number[]] => {
    const all = [...past(), ...whole()].map((p) => ({ at: p.at, value: p.normal, hertz: broughtFrom(p, hz) }))
    if (all.every((p) => p.hertz === 0)) return [0]
    const { slope, error } = hertzEffect(all)
    return [slope, slope - 1.96 * error, slope + 1.96 * error]
  })
  const asPoint = (p: LoadPoint, missed: number) => ({
    at: p.at,
    value: p.normal * Math.exp(-missed * broughtFrom(p, hz)),
  })
  // A swing shows over more than a year: all of the baseline tells it, whatever the window of the trend.
  const season = lazy(() => seasonOf([...past(), ...whole()].map((p) => asPoint(p, misses()[0]))))
  const fitted = lazy(() => {
    const since = visit.at - limitInForce('trend-window', policies).value * dayMs
    return [...past().filter((p) => p.at >= since), ...whole()]
  })
  // What the weather does to a fan of outside air is neither drift nor step.
  const stills = lazy(() => {
    const swing = season()
    const still = (missed: number) =>
      fitted()
        .map((p) => asPoint(p, missed))
        .map((p) => (swing ? { at: p.at, value: swing.without(p.at, p.value) } : p))
    const [middle, ...ends] = misses()
    return { middle: still(middle), ends: ends.map(still) }
  })
  const watched = lazy(() => {
    const watch = watchOf(input, past())
    const [now] = whole()
    return now ? watch.at(watchPoint(input, now)) : watch.known
  })
  const usual = lazy((): Usual | null => (whole().length > 0 ? watched().expected : null))
  const before = lazy(() =>
    usualRange(
      (baselineOf().since === null ? [] : comparablePoints(keptBefore, null, baselineOf().since ?? 0)).map(
        (p) => p.normal,
      ),
    ),
  )
  const fall = lazy(() => {
    const matters = (allowed ?? mean([...fitted().map((p) => p.normal), 1])) * 0.01
    const told = drift(stills().middle, allowed, matters)
    const sure = told.kind === 'too few' || stills().ends.every((s) => drift(s, allowed, matters).kind === told.kind)
    return sure ? told : { kind: 'none' as const, fit: told.fit }
  })
  const step = lazy(() => {
    const least = limitInForce('change-watch', policies).value
    const sure = stills().ends.every((s) => stepChange(s, least) !== null)
    return sure ? stepChange(stills().middle, least) : null
  })
  return {
    get reference() {
      return reference()
    },
    get past() {
      return past()
    },
    get usual() {
      return usual()
    },
    get change() {
      return whole().length > 0 ? watched().change : null
    },
    get before() {
      return before()
    },
    get drift() {
      return fall()
    },
    get season() {
      return season()
    },
    get step() {
      return step()
    },
  }
}

/** Visits in the order in which they were made. */
export const inOrder = (visits: readonly Visit[]): Visit[] =>
  [...visits].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))

/** The visits of a machine before one of them, oldest first. */
export const earlierThan = (visits: readonly Visit[], visit: Visit): Visit[] =>
  inOrder(visits.filter((s) => s.id !== visit.id && (s.at < visit.at || (s.at === visit.at && s.id < visit.id))))
