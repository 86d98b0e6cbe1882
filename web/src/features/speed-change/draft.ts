import { convert, parseFigure, show, unitIn, writtenUnit } from '@motor-round/core/quantity'
import type { DriveToday, Goal } from '@motor-round/core/speed-change'

/** What is typed for a speed change over what the record knows. Empty: as the record has it, or not known. */
export interface SpeedChangeDraft {
  readonly legs: readonly string[]
  readonly volts: string
  readonly flow: string
  readonly pressure: string
  /** Per cent. */
  readonly fixed: string
  readonly hours: string
  readonly price: string
  readonly goal: Goal['kind']
  readonly value: string
}

const figure = (v: number | null, digits: number) => (v === null ? '' : show.trimmed(v, digits))

/** Today's point as it stands in the cells, with the plate as goal. */
export const draftOf = (t: DriveToday): SpeedChangeDraft => ({
  legs: t.legs.map((a) => figure(a, 2)),
  volts: figure(t.volts, 0),
  flow: t.flow === null ? '' : figure(convert(t.flow, 'm3/s', unitIn('cfm', t.units ?? 'us')), 0),
  pressure: t.pressure === null ? '' : figure(convert(t.pressure, 'Pa', unitIn('inwg', t.units ?? 'us')), 2),
  fixed: figure(t.fixed * 100, 0),
  hours: figure(t.hours, 0),
  price: figure(t.price, 3),
  goal: 'amps',
  value: figure(t.allowed, 1),
})

export type Typed<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly wrong: Readonly<Record<string, string>> }

/** Present state and goal by what is typed; what is no figure is named at its cell. */
export function typedSpeedChange(t: DriveToday, d: SpeedChangeDraft): Typed<{ today: DriveToday; goal: Goal | null }> {
  const wrong: Record<string, string> = {}
  const read = (key: string, text: string, least: number): number | null => {
    if (text.trim() === '') return null
    const v = parseFigure(text)
    if (v === null) wrong[key] = `“${text}” is not a number`
    else if (v < least) wrong[key] = `not below ${least}`
    return v
  }
  const legs = d.legs.map((text, i) => read(`leg${i}`, text, 0.01))
  legs.forEach((v, i) => {
    if (v === null) wrong[`leg${i}`] ??= 'is needed'
  })
  const volts = read('volts', d.volts, 1)
  if (volts === null) wrong['volts'] ??= 'is needed'
  const flow = read('flow', d.flow, 1)
  const pressure = read('pressure', d.pressure, 0.01)
  const fixed = read('fixed', d.fixed, 0) ?? 0
  if (fixed > 90) wrong['fixed'] = 'at most 90 %'
  const hours = read('hours', d.hours, 0) ?? 0
  const price = read('price', d.price, 0) ?? 0
  const value = read('value', d.value, 0.01)
  if (Object.keys(wrong).length > 0) return { ok: false, wrong }
  const air = flow === null ? null : convert(flow, unitIn('cfm', t.units ?? 'us'), 'm3/s')
  // Where nobody measured the air, a goal of it is a share of today's.
  const unmeasured = d.goal === 'flow' && air === null
  const goal: Goal | null =
    value === null
      ? null
      : d.goal === 'flow'
        ? { kind: 'flow', value: unmeasured ? value / 100 : convert(value, unitIn('cfm', t.units ?? 'us'), 'm3/s') }
        : d.goal === 'pressure'
          ? { kind: 'pressure', value: convert(value, unitIn('inwg', t.units ?? 'us'), 'Pa') }
          : { kind: d.goal, value }
  return {
    ok: true,
    value: {
      today: {
        ...t,
        legs: legs.map((v) => v ?? 0),
        volts: volts ?? t.volts,
        flow: unmeasured ? 1 : air,
        pressure: pressure === null ? null : convert(pressure, unitIn('inwg', t.units ?? 'us'), 'Pa'),
        fixed: fixed / 100,
        hours,
        price,
      },
      goal,
    },
  }
}

/** What a goal is typed in. */
export const goalUnit = (d: SpeedChangeDraft, system: DriveToday['units']): string =>
  d.goal === 'amps'
    ? 'A'
    : d.goal === 'rpm'
      ? 'rpm'
      : d.goal === 'pressure'
        ? writtenUnit(unitIn('inwg', system ?? 'us'))
        : d.flow.trim() === ''
          ? '% of today’s air'
          : writtenUnit(unitIn('cfm', system ?? 'us'))
