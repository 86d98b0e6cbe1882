import { defaultPolicies, type Policies } from '../limits/index.ts'
import type { Plate } from '../plate/index.ts'
import { legPositions, linePositions, neutralPositions, type Reading } from '../quantity/index.ts'
import { dayMs, unsaid, type Visit, type VisitState, type WorkDone } from '../trend/index.ts'
import { facts } from './checks/say.test-help.ts'
import { judge, type JudgeInput, type Level, type MachineFacts } from './index.ts'

export const start = Date.UTC(2026, 0, 5)
export const plate: Plate = {
  volts: '208-230/460',
  amps: '27.0-25.6/12.8',
  phases: 3,
  power: 10,
  powerUnit: 'hp',
  hz: '60',
  rpm: 1755,
  sf: 1.15,
}

export const three = (quantity: 'amps' | 'volts_ll' | 'volts_ln', values: readonly number[]): Reading[] =>
  values.map((value, i) => ({
    quantity,
    position: { amps: legPositions, volts_ll: linePositions, volts_ln: neutralPositions }[quantity][i] ?? '',
    value,
  }))

let count = 0
export function visitAt(
  day: number,
  amps: readonly number[],
  volts: readonly number[] = [478, 479, 477],
  state: Partial<VisitState> = {},
  more: Reading[] = [],
): Visit {
  count += 1
  return {
    id: `visit-${count}`,
    at: start + day * dayMs,
    state: { ...unsaid, settled: true, panels: 'on', turning: 'right way', ...state },
    readings: [...three('volts_ll', volts), ...three('amps', amps), ...more],
  }
}

export interface Over {
  machine?: Partial<MachineFacts>
  plate?: Plate | null
  history?: Visit[]
  work?: WorkDone[]
  policies?: Partial<Policies>
}

export const inputOf = (visit: Visit, over: Over = {}): JudgeInput => ({
  machine: { ...facts, ...over.machine },
  motor: over.plate === null ? null : { plate: over.plate ?? plate, connectionVolts: null, installedAt: 0 },
  visit,
  history: over.history ?? [],
  work: over.work ?? [],
  policies: { ...defaultPolicies, ...over.policies },
})
export const judged = (visit: Visit, over: Over = {}) => judge(inputOf(visit, over))
export const told = (visit: Visit, check: string, over: Over = {}) =>
  judged(visit, over).verdicts.find((v) => v.check === check)
export const levelOf = (visit: Visit, check: string, over: Over = {}): Level | undefined =>
  told(visit, check, over)?.level

export const steady = (n: number, amps = 11) =>
  Array.from({ length: n }, (_, i) => visitAt(i * 30, [amps + (i % 2) * 0.05, amps, amps + 0.05]))
