import type { QuantityCode } from '../../../core/src/quantity/index.ts'
import type { WorkKindId } from '../../../core/src/trend/index.ts'
import { legAmps, legsOf, linesOf, supplyVolts } from '../healthy.ts'
import type { Machine } from '../machines.ts'
import type { Random } from '../random.ts'
import { read, state, tell, type Value, type Draft } from '../visit.ts'

/** Something wrong with a machine, as it is read or seen, and what a careful person makes of it. */
export interface Danger {
  readonly id: string
  readonly fits: (m: Machine) => boolean
  readonly show: (r: Random, m: Machine, visit: Draft) => Draft
  /** The least that has to be said of it. */
  readonly least: 'watch' | 'fix' | 'stop'
  /** No power before it is answered: a live one is told by a gate that is shut. */
  readonly bars: boolean
  /** Work that puts it right; the same thing read well again is always an answer. */
  readonly repair: WorkKindId | null
  /** Read with the power on: one plain good visit of volts and amps is its proper answer. */
  readonly answeredByAmps?: boolean
}

export const always = () => true
export const three = (m: Machine) => m.facts.phases === 3
export const one = (m: Machine) => m.facts.phases === 1
export const belt = (m: Machine) => m.facts.drive === 'belt'
export const acrossTheLine = (m: Machine) => !m.facts.hasVfd
export const both =
  (...tests: readonly ((m: Machine) => boolean)[]) =>
  (m: Machine) =>
    tests.every((t) => t(m))

export const said = (
  question: string,
  answer: string,
  least: Danger['least'],
  bars: boolean,
  repair: WorkKindId | null,
  fits: Danger['fits'] = always,
): Danger => ({
  id: `${question} ${answer}`,
  fits,
  show: (_r, _m, v) => tell(v, { [question]: answer }),
  least,
  bars,
  repair,
})

export const figure = (
  id: string,
  quantity: QuantityCode,
  values: (r: Random, m: Machine) => Readonly<Record<string, Value>>,
  least: Danger['least'],
  bars: boolean,
  repair: WorkKindId | null,
  more: Partial<Danger> = {},
): Danger => ({
  id,
  fits: always,
  show: (r, m, v) => read(v, quantity, values(r, m)),
  least,
  bars,
  repair,
  ...more,
})

export const leads = (m: Machine) => (m.facts.phases === 3 ? ['T1', 'T2', 'T3'] : ['T1'])
export const pairs = (m: Machine) => (m.facts.phases === 3 ? ['T1-T2', 'T2-T3', 'T3-T1'] : ['A-B', 'B-C', 'C-A'])
/** The same value everywhere, and another at one place. */
export const oneOf = (r: Random, names: readonly string[], usual: () => Value, odd: Value): Record<string, Value> => {
  const at = r.below(names.length)
  return Object.fromEntries(names.map((n, i) => [n, i === at ? odd : usual()]))
}
export const ampsTimes = (r: Random, m: Machine, times: number): Record<string, number> =>
  Object.fromEntries(legsOf(m).map((l) => [l, Number((m.allowed * times * r.between(0.99, 1.01)).toFixed(2))]))

export const running = (r: Random, m: Machine, v: Draft): Draft =>
  state(m.facts.hasVfd ? read(v, 'hz', { motor: m.hz }) : read(v, 'volts_ll', supplyVolts(r, m, linesOf(m))), {
    settled: true,
    turning: 'right way',
    panels: 'on',
  })
export const atAmps = (
  id: string,
  values: (r: Random, m: Machine) => Record<string, Value>,
  least: Danger['least'],
  fits: Danger['fits'] = always,
): Danger => ({
  id,
  fits,
  show: (r, m, v) => read(running(r, m, v), 'amps', values(r, m)),
  least,
  bars: false,
  repair: null,
  answeredByAmps: true,
})
export const atVolts = (
  id: string,
  quantity: 'volts_ll' | 'line_ll',
  values: (r: Random, m: Machine) => Record<string, Value>,
  least: Danger['least'],
  fits: Danger['fits'],
): Danger => ({
  id: `${id} ${quantity}`,
  fits,
  show: (r, m, v) =>
    read(quantity === 'volts_ll' ? read(running(r, m, v), 'amps', legAmps(r, m)) : v, quantity, values(r, m)),
  least,
  bars: quantity === 'line_ll' && least === 'stop',
  repair: null,
  answeredByAmps: quantity === 'volts_ll',
})
