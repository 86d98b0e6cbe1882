import {
  coreVisit,
  judgeInput,
  predictionOf,
  type FileVisit,
  type Motor,
  type OrganizationFile,
  type VisitRecord,
} from '@motor-round/contract'
import { predict, todayOf } from '@motor-round/core/speed-change'
import { unknownLayout } from '@motor-round/core/installed'
import { unknownControls } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { seeded, type Random } from '@motor-round/core/machine'
import type { Plate, UnitPlate } from '@motor-round/core/plate'
import { motorFor } from './catalogue.ts'
import { controlsOf, deadTestAt, driveTestAt, testedMotor } from './dead-tests.ts'
import { driveTrainOf } from './drive-train.ts'
import { pastOf } from './installed-past.ts'
import { demoTraces } from './traces.ts'
import { demoJobs } from './jobs.ts'
import { demoStock } from './stock.ts'
import { demoFindings } from './findings.ts'
import { seededId } from './ids.ts'
import { buildRig, daysBefore, readingsAt, stateAt, visitDays, type Life } from './machine-life.ts'
import { demoPeople } from './people.ts'
import { careOfDemo, mapOfDemo } from './roofs.ts'
import { demoRounds } from './rounds.ts'
import { siteSpecs, type AreaSpec, type MachineSpec } from './places.ts'
import { toldInWords } from './told-in-words.ts'
import { storyOf } from './truth.ts'
import { demoLivePoints } from './live.ts'
import { demoVfdLinks } from './vfds.ts'

const seed = 20260914
type Parts = Pick<
  OrganizationFile,
  'areas' | 'units' | 'machines' | 'motors' | 'parts' | 'work' | 'speedChanges' | 'visits'
>

const birth = Date.UTC(2022, 0, 3)
const walkers = ['Mosi Okonjo', 'Mosi Okonjo', 'Brin Hallow'] as const

/** Load share at which a story shows what it should; healthy machines run between two thirds and nine tenths. */
const storyLoad: Record<string, number> = {
  'sheave-closed': 0.975,
  'bearing-drags': 0.83,
  'filter-wall': 0.92,
  substitute: 0.8,
  'unit-plate': 0.9,
  'low-volts': 0.72,
  'twin-off': 0.72,
  'belt-slips': 0.92,
}

interface InstalledMotor {
  readonly plate: Plate
  readonly powerFactor: number
  /** In place until so many days before now. */
  readonly until: number
}

function plateOf(spec: MachineSpec, service: number, story: string | undefined, n: number) {
  const motor = motorFor(spec.size, service, spec.phases, n)
  if (story === 'sun-bleached') {
    const { amps: _amps, sf: _sf, ...rest } = motor.plate
    return { ...motor, plate: { ...rest, unreadable: ['amps', 'sf'] } as Plate }
  }
  if (story === 'low-volts') return { ...motor, plate: { ...motor.plate, volts: '230', amps: '6.4' } }
  return motor
}

function addMotors(
  parts: Parts,
  random: Random,
  now: Date,
  machineId: string,
  spec: MachineSpec,
  service: number,
  story: string | undefined,
  n: number,
): InstalledMotor[] {
  const { plate, powerFactor } = plateOf(spec, service, story, n)
  const installed = daysBefore(now, 4 * 365 + Math.round(random.between(60, 2200)))
  const base = {
    machineId,
    connectionVolts: null,
    why: '',
    substitute: false,
    removedAt: null,
    removedFor: null,
    removedWhy: '',
    installedBy: 'Mosi Okonjo',
  }
  const first = { ...base, id: seededId(random, installed.getTime()), plate, installedAt: installed.toISOString() }
  if (story !== 'substitute') {
    parts.motors.push(first)
    return [{ plate, powerFactor, until: -Infinity }]
  }
  const swap = daysBefore(now, 190)
  const small = motorFor(4, service, 3, n + 1)
  parts.motors.push(
    {
      ...first,
      removedAt: swap.toISOString(),
      removedFor: 'worn',
      removedWhy: 'Winding to ground after the wet week in spring.',
    },
    {
      ...base,
      id: seededId(random, swap.getTime()),
      plate: small.plate,
      installedAt: swap.toISOString(),
      substitute: true,
      why: 'Temporary substitute from stock, next size down, until the right one is quoted.',
    },
  )
  return [
    { plate, powerFactor, until: 190 },
    { plate: small.plate, powerFactor: small.powerFactor, until: -Infinity },
  ]
}

/** What would have been predicted of a change before it was made, from the visit before it. */
function addSpeedChange(
  parts: Parts,
  random: Random,
  now: Date,
  machine: Parts['machines'][number],
  planned: { readonly daysAgo: number; readonly from: number; readonly to: number },
) {
  const doneAt = daysBefore(now, planned.daysAgo)
  const own = <T extends { machineId: string }>(list: readonly T[]) => list.filter((x) => x.machineId === machine.id)
  const asRecord = (s: FileVisit): VisitRecord => ({ ...s, supersededBy: null, source: 'file' })
  const before = own(parts.visits)
    .filter((s) => Date.parse(s.takenAt) < doneAt.getTime())
    .at(-1)
  if (!before) return
  const input = judgeInput(
    {
      machine: { ...machine, controls: { ...unknownControls, ...machine.controls } },
      motors: own(parts.motors).map((m): Motor => ({ ...m, version: 1 })),
      parts: own(parts.parts).map((p) => ({ ...p, version: 1 })),
      work: own(parts.work),
      visits: [],
      policies: defaultPolicies,
      twins: [],
    },
    coreVisit(asRecord(before)),
  )
  const today = todayOf(input)
  if (typeof today === 'string') return
  const change = { kind: 'turns', turns: planned.to } as const
  const p = predict(today, change)
  const madeAt = daysBefore(now, planned.daysAgo + 1)
  parts.speedChanges.push({
    id: seededId(random, madeAt.getTime()),
    machineId: machine.id,
    madeAt: madeAt.toISOString(),
    change,
    predicted: predictionOf(today, p),
    note: '',
    by: 'Tamsin Vale',
    doneAt: doneAt.toISOString(),
    droppedAt: null,
    droppedWhy: '',
  })
}

function addMachine(
  parts: Parts,
  random: Random,
  now: Date,
  area: AreaSpec,
  siteLean: readonly number[],
  unitId: string,
  spec: MachineSpec,
  n: number,
  lastSeen: number,
  twins: Map<string, number>,
) {
  const planted = storyOf(`${spec.unit}/${spec.tag}`)
  const story = planted?.inWords ? undefined : planted?.id
  const id = seededId(random, birth + n)
  const service = area.service
  const unitPlate: UnitPlate | null = story === 'unit-plate' ? { volts: '575', amps: '6.4' } : null
  // Streams of their own, so that what is installed and tested on one machine does not move the readings of the next.
  const fittings = seeded(seed + 7000 + n)
  const tests = seeded(seed + 1000 * n)
  const motors = addMotors(parts, random, now, id, spec, service, story, n)
  const motorRpm = motors[0]?.plate.rpm ?? 1750
  const drive =
    spec.drive === 'belt' && spec.phases === 3 ? driveTrainOf(spec, service, motorRpm, story, fittings) : null
  const past = pastOf(id, spec, drive, story, now, fittings)
  const machine = {
    id,
    unitId,
    tag: spec.tag,
    purpose: spec.purpose,
    phases: spec.phases,
    serviceVolts: service,
    drive: spec.drive,
    hasVfd: spec.vfd,
    hasTwin: spec.twin,
    controls: { ...unknownControls, ...controlsOf(spec, service, story) },
    layout: drive?.layout ?? unknownLayout,
    unitPlate,
    retiredAt: null,
  }
  parts.machines.push(machine)
  parts.parts.push(...past.parts)
  parts.work.push(...past.work)
  const told = story === undefined ? undefined : storyLoad[story]
  const drawn = told ?? random.between(0.68, 0.88)
  // Twins on one duct carry alike.
  const shared = spec.twin && told === undefined ? (twins.get(unitId) ?? drawn) : drawn
  if (spec.twin) twins.set(unitId, shared)
  const life: Life = {
    spec,
    service,
    story,
    load: shared,
    lean: [siteLean[0] ?? 0, siteLean[1] ?? 0, siteLean[2] ?? 0],
    windings: [1 + random.between(-0.011, 0.011), 1 + random.between(-0.011, 0.011), 1 + random.between(-0.011, 0.011)],
    drive,
    turnsAt: past.turnsAt,
  }
  const first = motors[0]
  const built = first && spec.phases === 3 ? buildRig(life, first.plate, first.powerFactor) : null
  const days = visitDays(random, lastSeen)
  const motorTested = testedMotor(tests)
  days.forEach((daysAgo, i) => {
    const last = i === days.length - 1
    const motor = motors.find((x) => daysAgo > x.until) ?? first
    if (!motor) return
    const back = days.length - 1 - i
    const at = new Date(daysBefore(now, daysAgo).setUTCHours(12, 20 + ((n * 7) % 40), 0, 0))
    const dead = deadTestAt(life, i, days.length, daysAgo, motorTested, tests)
    const belts = back % 6 === 2 && drive ? driveTestAt(life, drive, daysAgo, dead, tests) : null
    // The drive train is gone over once a year, at another visit than the winding; a story in it was seen of late.
    const whole = drive !== null && (back % 6 === 4 || (back === 0 && driveStories.includes(story ?? '')))
    const running = readingsAt(life, built, motor, { daysAgo, last, whole }, random)
    const visit: FileVisit = {
      id: seededId(random, at.getTime()),
      machineId: id,
      takenAt: at.toISOString(),
      recordedAt: at.toISOString(),
      by: random.pick(walkers),
      state: stateAt(life, last),
      readings: [...running, ...(dead?.readings ?? []), ...(belts?.readings ?? [])],
      answers: { ...dead?.answers, ...belts?.answers },
      passes: [],
      note: story === 'twin-off' && last ? 'Right wheel stood still, breaker off, cause unknown.' : '',
      supersedes: null,
      reason: '',
    }
    parts.visits.push(visit)
  })
  if (past.planned) addSpeedChange(parts, fittings, now, machine, past.planned)
}

/** Stories that show on the fan’s side. */
const driveStories: readonly string[] = ['vibration-grows', 'filter-wall', 'damper-shut', 'wheel-backward']

/**
 * The demo as an organization file: three sites, four years of visits that end on the day before `now`, made by running
 * the motor model with a fixed seed, with the stories of the truth file planted.
 */
export function demoOrganization(now: Date): OrganizationFile {
  const random = seeded(seed)
  const parts: Parts = {
    areas: [],
    units: [],
    machines: [],
    motors: [],
    parts: [],
    work: [],
    speedChanges: [],
    visits: [],
  }
  const sites: OrganizationFile['sites'] = []
  let n = 0
  for (const site of siteSpecs) {
    const siteId = seededId(random, birth)
    sites.push({
      id: siteId,
      name: site.name,
      zone: site.zone,
      hertz: null,
      units: 'us',
      paper: 'letter',
      weekStart: 'sunday',
    })
    site.areas.forEach((area, a) => {
      const areaId = seededId(random, birth)
      parts.areas.push({ id: areaId, siteId, name: area.name, kind: area.kind })
      const lean = [0, 1, 2].map(() => random.between(-0.0022, 0.0022))
      const units = new Map<string, string>()
      const twins = new Map<string, number>()
      for (const spec of area.machines) {
        n += 1
        let unitId = units.get(spec.unit)
        if (unitId === undefined) {
          unitId = seededId(random, birth + n)
          units.set(spec.unit, unitId)
          const care = careOfDemo(spec.unit)
          parts.units.push({
            id: unitId,
            areaId,
            tag: spec.unit,
            kind: spec.kind,
            modelLine: '',
            ...(care ? { care } : {}),
          })
        }
        // The first area was walked yesterday, the others in the weeks before; one room fell off the round.
        const lastSeen = area.name === 'Life-support plant room' ? 118 : 1 + a * 9 + siteSpecs.indexOf(site) * 5
        addMachine(parts, random, now, area, lean, unitId, spec, n, lastSeen, twins)
      }
    })
  }
  // Drawn with a chance of their own, so that a plan moved leaves every reading as it is.
  const pencil = seeded(11)
  siteSpecs.forEach((site) =>
    site.areas.forEach((spec, a) => {
      const siteId = sites.find((x) => x.name === site.name)?.id
      const area = parts.areas.find((x) => x.siteId === siteId && x.name === spec.name)
      const next = parts.areas.find((x) => x.siteId === siteId && x.name === site.areas[a + 1]?.name)
      if (!area) return
      const own = parts.units.filter((u) => u.areaId === area.id)
      area.map = mapOfDemo(spec, own, a === 1 ? (next?.id ?? null) : null, pencil, birth)
    }),
  )
  const words = toldInWords(parts, now)
  parts.visits.push(...words.visits)
  parts.work.push(...words.work)
  const work = demoJobs(parts, 'EF-11/EF', now, birth)
  const file = {
    format: 'motor-round-organization' as const,
    formatVersion: 1 as const,
    name: 'Quillback Passage',
    exportedAt: now.toISOString(),
    policies: { ...defaultPolicies, limits: {} },
    people: demoPeople.map(({ id, login, name, role }) => ({ id, login, name, role })),
    sites,
    ...parts,
    mapPictures: [],
    vfdProfiles: [],
    vfdLinks: demoVfdLinks(parts, birth),
    vfdSettings: [],
    ...demoLivePoints(parts, birth),
    liveDays: [],
    liveBeside: [],
    conditionClosings: words.conditionClosings,
    ...demoFindings(parts, now, birth),
    ...demoTraces(parts, now, birth),
    ...work,
    ...demoStock({ ...parts, ...work, sites }, now, birth),
  } satisfies Omit<OrganizationFile, 'rounds' | 'roundEvents' | 'pictures'>
  return { ...file, ...demoRounds(file, now, birth) }
}
