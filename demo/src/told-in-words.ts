import { judgeNow, type OrganizationFile, type VisitRecord } from '@motor-round/contract'
import { unknownControls } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { seeded } from '@motor-round/core/machine'
import { unsaid, type Answers, type WorkKindId } from '@motor-round/core/trend'
import { seededId } from './ids.ts'

/** A visit that read nothing and found something; what was done about it, where something was. Days before now. */
interface Told {
  readonly at: string
  readonly days: number
  readonly answers: Answers
  readonly by: string
  readonly note: string
  readonly work?: { readonly days: number; readonly kind: WorkKindId; readonly note: string }
  /** A person closed it: by which check it is found, and why. */
  readonly closed?: { readonly days: number; readonly check: string; readonly reason: string }
}

const told: readonly Told[] = [
  {
    at: 'EF-13/EF',
    days: 140,
    answers: { 'look.smell': 'burnt winding' },
    by: 'Mosi Okonjo',
    note: 'Smelled at the open box in passing, no time to test.',
  },
  {
    at: 'EF-14/EF',
    days: 146,
    answers: { wires: 'through' },
    by: 'Mosi Okonjo',
    note: 'Copper shows where the whip rubs on the bracket. Taped for now.',
  },
  {
    at: 'MAU-5/SF',
    days: 31,
    answers: { 'gas.cutout': 'no' },
    by: 'Mosi Okonjo',
    note: 'Roll-out lead hangs loose after the ignition was changed.',
  },
  {
    at: 'RTU-51/SF',
    days: 62,
    answers: { 'look.breaker': 'fuse blown' },
    by: 'Mosi Okonjo',
    note: '',
    work: { days: 61.9, kind: 'fuses-replaced', note: 'All three, after each leg was tested to ground.' },
  },
  {
    at: 'EF-9/EF',
    days: 47,
    answers: { 'look.breaker': 'tripped' },
    by: 'Mosi Okonjo',
    note: '',
    closed: {
      days: 46,
      check: 'breaker-found',
      reason: 'The utility switched at 5:10 that morning; six breakers of the roof went with it.',
    },
  },
]

type Parts = Pick<OrganizationFile, 'units' | 'machines' | 'motors' | 'parts' | 'work' | 'visits'>

/** What was found in words and outlasts the plain visits after it, what was put right, and what a person closed. */
export function toldInWords(file: Parts, now: Date): Pick<OrganizationFile, 'visits' | 'work' | 'conditionClosings'> {
  const random = seeded(29)
  const before = (days: number) => new Date(now.getTime() - days * 86_400_000)
  const out: Pick<OrganizationFile, 'visits' | 'work' | 'conditionClosings'> = {
    visits: [],
    work: [],
    conditionClosings: [],
  }
  for (const t of told) {
    const [unitTag, tag] = t.at.split('/')
    const unit = file.units.find((u) => u.tag === unitTag)
    const machine = file.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
    if (!machine) throw new Error(`the demo has no ${t.at}`)
    const takenAt = before(t.days).toISOString()
    const id = (days: number) => seededId(random, before(days).getTime())
    const visit: OrganizationFile['visits'][number] = {
      id: id(t.days),
      machineId: machine.id,
      takenAt,
      recordedAt: takenAt,
      by: t.by,
      state: unsaid,
      readings: [],
      answers: t.answers,
      passes: [],
      note: t.note,
      supersedes: null,
      reason: '',
    }
    out.visits.push(visit)
    if (t.work)
      out.work.push({
        id: id(t.work.days),
        machineId: machine.id,
        doneAt: before(t.work.days).toISOString(),
        kind: t.work.kind,
        note: t.work.note,
        by: t.by,
      })
    const { closed } = t
    if (!closed) continue
    const known = {
      machine: { ...machine, controls: { ...unknownControls, ...machine.controls } },
      motors: file.motors.filter((m) => m.machineId === machine.id).map((m) => ({ ...m, version: 1 })),
      parts: file.parts.filter((p) => p.machineId === machine.id).map((p) => ({ ...p, version: 1 })),
      work: file.work.filter((w) => w.machineId === machine.id),
      visits: [visit].map((s): VisitRecord => ({ ...s, supersededBy: null, source: 'file' })),
      policies: defaultPolicies,
      twins: [],
    }
    const open = judgeNow(known)?.conditions.find((k) => k.verdict.check === closed.check)
    if (!open) throw new Error(`${t.at} opens no condition of ${closed.check}`)
    out.conditionClosings.push({
      id: id(closed.days),
      machineId: machine.id,
      key: open.key,
      at: before(closed.days).toISOString(),
      kind: 'closed',
      reason: closed.reason,
      by: 'Tamsin Vale',
    })
  }
  return out
}
