import type { JobSaid, OrganizationFile } from '@motor-round/contract'
import { planJob } from '@motor-round/core/job'
import { seeded } from '@motor-round/core/machine'
import { seededId } from './ids.ts'

type Jobs = Pick<OrganizationFile, 'jobs' | 'jobSteps'>
type Decided = Extract<JobSaid, { kind: 'decision' }>

interface Made {
  readonly at: string
  readonly title: string
  readonly kinds: readonly string[]
  readonly crew: number
  /** Days before now. */
  readonly days: number
  readonly said: readonly JobSaid[]
}

const decision = (
  said: Pick<Decided, 'decision'> & Partial<Pick<Decided, 'means' | 'words' | 'trigger'>>,
): JobSaid => ({
  kind: 'decision',
  who: 'Runa Castellane',
  means: 'phone',
  words: '',
  trigger: null,
  chosen: null,
  ...said,
})
type Offered = Extract<JobSaid, { kind: 'offer' }>
type Option = Offered['options'][number]
const option = (said: Pick<Option, 'kind' | 'title' | 'hours' | 'years'> & Partial<Option>): Option => ({
  people: 1,
  parts: [],
  access: 0,
  down: said.hours,
  risk: '',
  ...said,
})
const offer = (said: Pick<Offered, 'words' | 'options' | 'validUntil'> & Partial<Offered>): JobSaid => ({
  kind: 'offer',
  rate: 95,
  downHour: 12,
  waiting: [],
  ...said,
})
const failing = (planned: number, chance: number) => ({
  rule: 'failing-part',
  figures: { chance, growth: 30, planned, times: 3, down: 24, downHour: 12 },
})
const motorOffer = (now: Date): JobSaid =>
  offer({
    words: 'The motor’s bearing is rough and will seize. Its frame is rusted: new bearings would not hold.',
    options: [
      option({
        kind: 'replace',
        title: 'New 7.5 hp motor and belts',
        hours: 5,
        people: 2,
        parts: [
          { name: '7.5 hp motor, 213T', count: 1, price: 890 },
          { name: 'belt, matched', count: 2, price: 34 },
          { name: 'bushing, key, bolts', count: 1, price: 58 },
        ],
        years: 15,
      }),
      option({
        kind: 'repair',
        title: 'New bearings in the old motor',
        hours: 6,
        people: 2,
        parts: [{ name: 'bearing', count: 2, price: 62 }],
        down: 48,
        years: 3,
        risk: 'The end shield is worn: the bearing may turn in it.',
      }),
      option({
        kind: 'leave',
        title: 'Leave it, read it every week',
        hours: 0,
        years: 0.5,
        risk: 'No air on the night it fails.',
      }),
    ],
    waiting: [failing(1966, 10)],
    validUntil: dayFrom(now, 30),
  })
const capacitorOffer = (now: Date): JobSaid =>
  offer({
    words: 'The capacitor is not the one of the motor’s nameplate: the motor runs hot.',
    options: [
      option({
        kind: 'repair',
        title: 'Capacitor of the right value',
        hours: 1,
        parts: [{ name: 'capacitor, 10 µF 440 V', count: 1, price: 18 }],
        years: 6,
      }),
      option({
        kind: 'replace',
        title: 'New motor with its capacitor',
        hours: 3,
        parts: [
          { name: 'motor, 1/2 hp', count: 1, price: 210 },
          { name: 'capacitor', count: 1, price: 18 },
        ],
        years: 10,
      }),
      option({ kind: 'leave', title: 'Leave it', hours: 0, years: 0.5, risk: 'The winding ages fast.' }),
    ],
    waiting: [failing(513, 6)],
    validUntil: dayFrom(now, 21),
  })
const done = (...steps: readonly string[]): JobSaid[] =>
  steps.map((step) => ({ kind: 'done', step, note: '', count: null }))
const every = (kind: string): JobSaid[] => done(...planJob([kind], { hasVfd: false }).map((s) => s.id))

const dayFrom = (now: Date, days: number): string =>
  new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10)

const madeBy = (now: Date): readonly Made[] => [
  {
    at: 'RTU-12/SF',
    title: 'Replace the motor: drive-end bearing is rough',
    kinds: ['belt-motor'],
    crew: 2,
    days: 1,
    said: [
      motorOffer(now),
      decision({ decision: 'quoted', means: 'e-mail', words: '7.5 hp motor, belts, five hours for two' }),
      decision({ decision: 'approved' }),
      ...done('A1', 'A2', 'A3', 'A4', 'A5', 'A7', 'A6', 'BM1', 'BM2'),
      { kind: 'paused', safe: 'Belts off, locked, panel closed. Bushing for the new shaft comes tomorrow.' },
    ],
  },
  {
    at: 'AHU-2/RF',
    title: 'Replace shaft and bearings: rough by hand',
    kinds: ['shaft'],
    crew: 2,
    days: 3,
    said: [
      decision({ decision: 'told' }),
      decision({ decision: 'approved', words: 'When the bearings are here' }),
      {
        kind: 'permit',
        wrong: 'Bearings rough by hand, not hot. Shaft and bearings come on Friday.',
        limits: 'Bearing below 180 °F, no louder; the shift shuts it down at its disconnect.',
        accepts: 'Runa Castellane',
        until: dayFrom(now, 2),
        readOn: dayFrom(now, 0),
      },
    ],
  },
  {
    at: 'FCU-1/SF',
    title: 'Capacitor of the right value',
    kinds: ['capacitor'],
    crew: 1,
    days: 2,
    said: [capacitorOffer(now), decision({ decision: 'quoted', means: 'text', words: 'One hour and a capacitor' })],
  },
  {
    at: 'AHU-1/SF',
    title: 'New filters, rack sealed',
    kinds: ['filters'],
    crew: 1,
    days: 30,
    said: [
      offer({
        words: 'The filters are bowed and dirt goes around them: the coil gets dirty.',
        options: [
          option({
            kind: 'replace',
            title: 'New filters, rack sealed',
            hours: 1.25,
            parts: [
              { name: 'filter, 20 × 20 × 2 in', count: 6, price: 9 },
              { name: 'gasket', count: 1, price: 14 },
            ],
            years: 0.25,
          }),
        ],
        validUntil: dayFrom(now, 0),
      }),
      decision({ decision: 'approved', means: 'in person' }),
      ...every('filters'),
      {
        kind: 'closed',
        reason: 'Pressure drop not read again: the gauge was broken.',
        cause: 'right',
        hours: 1.5,
        money: 72,
      },
    ],
  },
]

/** Postponed between two readings of what grew: it comes back by itself. */
function postponed(file: Pick<OrganizationFile, 'units' | 'machines' | 'visits'>, at: string, now: Date): Made {
  const machine = machineAt(file, at)
  const read = file.visits
    .filter((v) => v.machineId === machine.id && v.readings.some((r) => r.quantity === 'vibration'))
    .map((v) => Date.parse(v.takenAt))
    .sort((a, b) => b - a)
  const [last = now.getTime(), before = last] = read
  return {
    at,
    title: 'Replace the wheel: blade bent, vibration grows',
    kinds: ['wheels'],
    crew: 2,
    days: (now.getTime() - (before + (last - before) / 2)) / 86_400_000,
    said: [
      offer({
        words: 'A blade of the wheel is bent: it shakes, and takes the bearings along in time.',
        options: [
          option({
            kind: 'replace',
            title: 'New wheel',
            hours: 7,
            people: 2,
            parts: [
              { name: 'wheel', count: 1, price: 640 },
              { name: 'belts, keys', count: 1, price: 84 },
            ],
            years: 12,
          }),
          option({
            kind: 'leave',
            title: 'Leave it, read it every month',
            hours: 0,
            years: 0.5,
            risk: 'Bearings go with it.',
          }),
        ],
        waiting: [failing(2054, 6)],
        validUntil: dayFrom(now, 10),
      }),
      decision({
        decision: 'postponed',
        words: 'Not this budget year',
        trigger: { on: null, quantity: 'vibration', rise: 0.2, nextVisit: false },
      }),
    ],
  }
}

function machineAt(file: Pick<OrganizationFile, 'units' | 'machines'>, at: string) {
  const [unitTag, tag] = at.split('/')
  const unit = file.units.find((u) => u.tag === unitTag)
  const machine = file.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
  if (!machine) throw new Error(`the demo has no ${at}`)
  return machine
}

/** Jobs of the demo, in every state. */
export function demoJobs(
  file: Pick<OrganizationFile, 'units' | 'machines' | 'visits'>,
  grows: string,
  now: Date,
  birth: number,
): Jobs {
  const random = seeded(37)
  const by = 'Mosi Okonjo'
  const out: Jobs = { jobs: [], jobSteps: [] }
  for (const j of [...madeBy(now), postponed(file, grows, now)]) {
    const machineId = machineAt(file, j.at).id
    const start = now.getTime() - j.days * 86_400_000
    const jobId = seededId(random, birth)
    const { title, crew } = j
    out.jobs.push({
      id: jobId,
      machineId,
      findingId: null,
      at: new Date(start).toISOString(),
      title,
      kinds: [...j.kinds],
      skip: [],
      crew,
      by,
    })
    let offered: string | null = null
    j.said.forEach((said, i) => {
      const at = new Date(start + (i + 1) * 300_000).toISOString()
      const id = seededId(random, birth)
      if (said.kind === 'offer') offered = id
      // What was approved is the first option of what was offered.
      const chosen = offered === null ? null : { offerId: offered, option: 0 }
      const own = said.kind === 'decision' && said.decision === 'approved' ? { ...said, chosen } : said
      out.jobSteps.push({ ...own, id, jobId, machineId, at, by })
    })
  }
  return out
}
