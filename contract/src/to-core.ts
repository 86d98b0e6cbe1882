import { unknownLayout, workOfSlot, type FittedPart } from '@motor-round/core/fitted'
import { standingStop, type JudgeInput, type Sister } from '@motor-round/core/judge'
import type { HouseRules } from '@motor-round/core/limits'
import type { Stop, WorkDone } from '@motor-round/core/trend'
import type { PartRecord } from './fitted.ts'
import type { SisterLoad } from './machine-page.ts'
import type { Machine, Motor } from './register.ts'
import type { StopRecord, WorkRecord } from './stop.ts'

/** Records of the wire as core judges them; instants become milliseconds. */
export function coreStop(s: Pick<StopRecord, 'id' | 'takenAt' | 'state' | 'readings' | 'answers' | 'passes'>): Stop {
  // Records never change, and at every key of a stop the whole past is judged with it: each is turned once.
  const known = turned.get(s)
  if (known) return known
  const stop: Stop = {
    id: s.id,
    at: Date.parse(s.takenAt),
    state: s.state,
    readings: s.readings,
    answers: s.answers,
    passes: s.passes,
  }
  turned.set(s, stop)
  return stop
}
const turned = new WeakMap<object, Stop>()

export const coreWork = (w: Pick<WorkRecord, 'doneAt' | 'kind' | 'note' | 'turns'>): WorkDone => ({
  at: Date.parse(w.doneAt),
  kind: w.kind,
  note: w.note,
  ...(w.turns ? { turns: w.turns } : {}),
})

export const corePart = (p: Pick<PartRecord, 'part' | 'fittedAt' | 'removedAt'>): FittedPart => ({
  ...p.part,
  fittedAt: Date.parse(p.fittedAt),
  removedAt: p.removedAt === null ? null : Date.parse(p.removedAt),
})

const asSister = (s: SisterLoad): Sister => ({ tag: s.tag, load: s.load, at: Date.parse(s.at) })

interface Known {
  readonly machine: Pick<
    Machine,
    'phases' | 'serviceVolts' | 'hasDrive' | 'hasSister' | 'drive' | 'controls' | 'unitPlate'
  > & { readonly layout?: Machine['layout'] | undefined }
  readonly motors: readonly Pick<Motor, 'plate' | 'connectionVolts' | 'fittedAt' | 'removedAt'>[]
  readonly work: readonly WorkRecord[]
  readonly stops: readonly StopRecord[]
  readonly parts?: readonly PartRecord[] | undefined
  readonly rules: HouseRules
  readonly sisters: readonly SisterLoad[]
  readonly peers?: readonly SisterLoad[] | undefined
}

/** What was put into a slot after something else was in it; what went in first began the book, not an epoch. */
function changesOfParts(parts: readonly PartRecord[]): WorkDone[] {
  const first = new Map<string, number>()
  for (const p of parts) {
    const at = Date.parse(p.fittedAt)
    first.set(p.part.slot, Math.min(first.get(p.part.slot) ?? Infinity, at))
  }
  return parts
    .filter((p) => Date.parse(p.fittedAt) !== first.get(p.part.slot))
    .map((p): WorkDone => ({ at: Date.parse(p.fittedAt), kind: workOfSlot[p.part.slot], note: p.why }))
}

/** All work, and each fitting of a motor or a part but the first in its slot. */
export function workOf(known: Pick<Known, 'work' | 'motors' | 'parts'>): WorkDone[] {
  const earliest = Math.min(...known.motors.map((m) => Date.parse(m.fittedAt)))
  const fittings = known.motors
    .filter((m) => Date.parse(m.fittedAt) !== earliest)
    .map((m): WorkDone => ({ at: Date.parse(m.fittedAt), kind: 'motor-replaced', note: '' }))
  return [...known.work.map(coreWork), ...fittings, ...changesOfParts(known.parts ?? [])]
}

/**
 * The input for judging a stop of a machine: the motor that was in the slot at that time, the stops that still
 * hold, and each motor's fitting as work, since it starts an epoch.
 */
export function judgeInput(known: Known, stop: Stop): JudgeInput {
  const motor = known.motors.find(
    (m) => Date.parse(m.fittedAt) <= stop.at && (m.removedAt === null || Date.parse(m.removedAt) > stop.at),
  )
  // A motor entered after readings were taken still is the best known plate for them.
  const best = motor ?? [...known.motors].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt))[0]
  return {
    machine: known.machine,
    motor: best
      ? { plate: best.plate, connectionVolts: best.connectionVolts, fittedAt: Date.parse(best.fittedAt) }
      : null,
    stop,
    history: known.stops.filter((s) => s.supersededBy === null && s.id !== stop.id).map(coreStop),
    work: workOf(known),
    rules: known.rules,
    sisters: known.sisters.map(asSister),
    peers: known.peers?.map((p) => p.load),
    parts: (known.parts ?? []).map(corePart),
    layout: known.machine.layout ?? unknownLayout,
  }
}

/** What speaks for a machine now: its newest stop that holds, with what lasts of the earlier ones. */
export function standing(known: Pick<Known, 'stops' | 'work' | 'motors' | 'parts'>): Stop | null {
  return standingStop(known.stops.filter((s) => s.supersededBy === null).map(coreStop), workOf(known))
}
