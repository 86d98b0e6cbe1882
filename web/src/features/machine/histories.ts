import type { MachinePage } from '@motor-round/contract'
import type { Judgement } from '@motor-round/core/judge'
import { convert, show, unitIn, writtenUnit, type QuantityCode, type ShownUnits } from '@motor-round/core/quantity'

/** One quantity of a machine over time, with the sentence the judge says of it. */
export interface History {
  readonly id: string
  readonly title: string
  readonly unit: string
  readonly digits: number
  /** Oldest first. */
  readonly points: readonly { readonly at: number; readonly value: number }[]
  readonly sentence: string
  /** What the latest is compared with; null where nothing is. */
  readonly limit: number | null
}

interface Told {
  readonly id: string
  readonly title: string
  /** In which it is kept. */
  readonly unit: string
  readonly digits: number
  readonly check: string
  /** Does the limit of the check belong on the scale of the values? */
  readonly limited: boolean
  readonly of: (read: (quantity: QuantityCode, ...positions: string[]) => number[]) => number | null
  /** Kept in degrees Celsius, shown in the scale of the site. */
  readonly degrees?: true
}

const most = (v: number[]) => (v.length === 0 ? null : Math.max(...v))
const first = (v: number[]) => v[0] ?? null

/** What is shown besides amps and insulation. A new one is a line here. */
const shown: readonly Told[] = [
  {
    id: 'vibration',
    title: 'Vibration, worst',
    unit: 'in/s',
    digits: 2,
    check: 'vibration',
    limited: true,
    of: (r) => most(r('vibration')),
  },
  {
    id: 'bearings',
    title: 'Bearings, the warmer',
    unit: 'degC',
    digits: 0,
    check: 'temperature',
    limited: false,
    of: (r) => most(r('temperature', 'bearing-de', 'bearing-ode')),
    degrees: true,
  },
  {
    id: 'filters',
    title: 'Over the filters',
    unit: 'inwg',
    digits: 2,
    check: 'filter-drop',
    limited: true,
    of: (r) => first(r('filter_drop')),
  },
  {
    id: 'pressure',
    title: 'Across the fan',
    unit: 'inwg',
    digits: 2,
    check: 'air-path',
    limited: false,
    of: (r) => {
      const both = r('static_pressure')
      return both.length === 2 ? (both[0] ?? 0) + (both[1] ?? 0) : null
    },
  },
  {
    id: 'air',
    title: 'Airflow',
    unit: 'cfm',
    digits: 0,
    check: 'air-path',
    limited: false,
    of: (r) => first(r('air_flow')),
  },
  { id: 'sound', title: 'Sound', unit: 'dBA', digits: 0, check: 'sound', limited: false, of: (r) => first(r('sound')) },
  {
    id: 'tension',
    title: 'Belt tension, pressed with',
    unit: 'lbf',
    digits: 1,
    check: 'belt-tension',
    limited: false,
    of: (r) => first(r('belt_force')),
  },
]

const metricDigits: Readonly<Record<string, number>> = { Pa: 0, 'mm/s': 1, 'm3/h': 0, N: 0 }

/** Every such quantity that was read twice or more. */
export function historiesOf(page: MachinePage, judgement: Judgement, units: ShownUnits): History[] {
  const visits = page.visits.filter((s) => s.supersededBy === null).reverse()
  return shown.flatMap((t) => {
    const to = t.degrees ? (units.temperature === 'F' ? 'degF' : 'degC') : unitIn(t.unit, units.system)
    const shownAs = (v: number) => Math.round(convert(v, t.unit, to) * 1e6) / 1e6
    const points = visits.flatMap((s) => {
      const value = t.of((quantity, ...positions) =>
        s.readings
          .filter((r) => r.quantity === quantity && (positions.length === 0 || positions.includes(r.position)))
          .map((r) => r.value),
      )
      return value === null ? [] : [{ at: Date.parse(s.takenAt), value: shownAs(value) }]
    })
    const verdict = judgement.verdicts.find((v) => v.check === t.check)
    return points.length < 2
      ? []
      : [
          {
            id: t.id,
            title: t.title,
            unit: writtenUnit(to),
            digits: to === t.unit ? t.digits : (metricDigits[to] ?? t.digits),
            points,
            sentence:
              verdict?.because ?? `Last read ${show.day(points.at(-1)?.at ?? 0)}; what was done since ended it.`,
            limit: t.limited && verdict?.limit !== undefined && verdict.limit !== null ? shownAs(verdict.limit) : null,
          },
        ]
  })
}
