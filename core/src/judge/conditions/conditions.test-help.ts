import { defaultPolicies } from '../../limits/index.ts'
import { legPositions, linePositions, type Reading } from '../../quantity/index.ts'
import { dayMs, unsaid, type Answers, type Visit, type VisitState, type WorkDone } from '../../trend/index.ts'
import {
  judgeMachine,
  unknownControls,
  type Closing,
  type Controls,
  type MachineSnapshot,
  type Reported,
} from '../index.ts'
import { at, facts, now, plate, pscPlate } from '../checks/say.test-help.ts'

export const amps = (value = 11): Reading[] => [
  ...at('volts_ll', linePositions, [478, 479, 477]),
  ...at('amps', legPositions, [value, value, value]),
]

export function visit(day: number, readings: Reading[], answers?: Answers, state: Partial<VisitState> = {}): Visit {
  return {
    id: `v${String(1000 + day)}`,
    at: now + day * dayMs,
    state: { ...unsaid, settled: true, ...state },
    readings,
    answers,
    by: 'Okonjo',
  }
}
/** A plain visit: volts and amps, turning the right way. */
export const plain = (day: number, value = 11) => visit(day, amps(value), undefined, { turning: 'right way' })
/** Volts and amps, and nothing else entered. */
export const figures = (day: number) => visit(day, amps(11))
export const words = (day: number, answers: Answers) => visit(day, [], answers)
export const done = (day: number, kind: WorkDone['kind']): WorkDone => ({ at: now + day * dayMs, kind, note: '' })

export interface Given {
  single?: boolean
  controls?: Partial<Controls>
  work?: WorkDone[]
  closings?: Closing[]
  reported?: Reported[]
  machine?: Partial<MachineSnapshot['machine']>
}

export function machine(visits: Visit[], given: Given = {}, at = now + 400 * dayMs) {
  const single = given.single === true
  const judgement = judgeMachine(
    {
      machine: {
        ...facts,
        phases: single ? 1 : 3,
        serviceVolts: single ? 240 : 480,
        controls: { ...unknownControls, ...given.controls },
        ...given.machine,
      },
      motor: { plate: single ? pscPlate : plate, connectionVolts: null, installedAt: 0 },
      visits,
      work: given.work ?? [],
      policies: defaultPolicies,
      closings: given.closings,
      reported: given.reported,
    },
    at,
  )
  if (!judgement) throw new Error('a machine that was visited')
  return judgement
}
export const open = (visits: Visit[], given: Given = {}) =>
  machine(visits, given).conditions.map((k) => `${k.key} ${k.level}`)
