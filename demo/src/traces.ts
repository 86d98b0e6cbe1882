import type { OrganizationFile } from '@motor-round/contract'
import { seeded } from '@motor-round/core/machine'
import { seededId } from './ids.ts'

type Traces = Pick<OrganizationFile, 'traces' | 'traceSteps'>

type Told =
  | readonly [test: string, outcome: string]
  | 'locked out'
  | { readonly closed: string; readonly confidence: 'proven' | 'likely'; readonly note: string }

interface Begun {
  readonly at: string
  readonly complaint: string
  readonly words: string
  /** Minutes before now. */
  readonly minutes: number
  readonly steps: readonly Told[]
}

const day = 1440

/** Machines that stand ready to be traced, some further on than others, and two that were finished. */
const begun: readonly Begun[] = [
  {
    at: 'EF-7/EF',
    complaint: 'hums',
    words: 'Hums since the storm last night, breaker is in',
    minutes: 55,
    steps: [['see-fan', 'hums'], 'locked out', ['spin', 'free'], ['ohms3', 'even'], ['fuse-ohms', 'whole']],
  },
  { at: 'FCU-1/SF', complaint: 'over-amp', words: 'Motor too hot to touch after the repair', minutes: 48, steps: [] },
  {
    at: 'EF-17/EF',
    complaint: 'comes-goes',
    words: 'Stops every afternoon, runs again by evening',
    minutes: 40,
    steps: [['ask-when', 'heat']],
  },
  { at: 'EF-13/EF', complaint: 'smell', words: 'Kitchen smells something burnt', minutes: 36, steps: [] },
  { at: 'RTU-5/SF', complaint: 'over-amp', words: 'Overload tripped twice this month', minutes: 33, steps: [] },
  { at: 'AHU-5/SF', complaint: 'weak-air', words: 'No air on the second floor', minutes: 30, steps: [] },
  { at: 'MAU-3/SF', complaint: 'noise', words: 'Growls, louder every week', minutes: 26, steps: [['hear', 'growl']] },
  {
    at: 'MAU-4/SF',
    complaint: 'weak-air',
    words: 'Weak since the wheel was changed',
    minutes: 22,
    steps: [['see-turn', 'right']],
  },
  { at: 'RTU-11/SF', complaint: 'comes-goes', words: 'Drops out under load', minutes: 15, steps: [] },
  {
    at: 'EF-11/EF',
    complaint: 'shakes',
    words: 'Duct rattles',
    minutes: 12 * day,
    steps: [
      ['vib', 'fan1x'],
      'locked out',
      ['wheel', 'caked'],
      { closed: 'caked', confidence: 'likely', note: 'Dust baked onto the blades; cleaning is booked.' },
    ],
  },
  {
    at: 'EF-16/EF',
    complaint: 'over-amp',
    words: '',
    minutes: 20 * day,
    steps: [
      ['amps', 'uneven'],
      ['terminals', 'tight'],
      { closed: 'volt-unbal', confidence: 'likely', note: 'Ask the utility for a recording.' },
    ],
  },
]

/** Traces of the demo. */
export function demoTraces(file: Pick<OrganizationFile, 'units' | 'machines'>, now: Date, birth: number): Traces {
  const random = seeded(31)
  const by = 'Mosi Okonjo'
  const out: Traces = { traces: [], traceSteps: [] }
  for (const t of begun) {
    const [unitTag, tag] = t.at.split('/')
    const unit = file.units.find((u) => u.tag === unitTag)
    const machine = file.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
    if (!machine) throw new Error(`the demo has no ${t.at}`)
    const start = now.getTime() - t.minutes * 60_000
    const traceId = seededId(random, birth)
    out.traces.push({
      id: traceId,
      machineId: machine.id,
      visitId: null,
      at: new Date(start).toISOString(),
      complaint: t.complaint,
      words: t.words,
      by,
    })
    t.steps.forEach((said, i) => {
      const own = {
        id: seededId(random, birth),
        traceId,
        machineId: machine.id,
        at: new Date(start + (i + 1) * 120_000).toISOString(),
        by,
      }
      if (said === 'locked out') out.traceSteps.push({ ...own, kind: 'setup', setup: said })
      else if ('closed' in said)
        out.traceSteps.push({
          ...own,
          kind: 'closed',
          cause: said.closed,
          confidence: said.confidence,
          note: said.note,
        })
      else out.traceSteps.push({ ...own, kind: 'result', test: said[0], outcome: said[1], note: '' })
    })
  }
  return out
}
