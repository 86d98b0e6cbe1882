import type { FileStop, OrganisationFile } from '@motor-round/contract'
import { unknownControls } from '@motor-round/core/judge'
import { defaultHouseRules } from '@motor-round/core/limits'
import { seeded, type Random } from '@motor-round/core/machine'
import type { Plate, UnitPlate } from '@motor-round/core/plate'
import { motorFor } from './catalogue.ts'
import { seededId } from './ids.ts'
import { daysBefore, readingsAt, stateAt, visitDays, type Life } from './machine-life.ts'
import { controlsOf, deadTestAt, testedMotor } from './dead-tests.ts'
import { demoPeople } from './people.ts'
import { siteSpecs, type AreaSpec, type MachineSpec } from './places.ts'
import { storyOf } from './truth.ts'

const seed = 20260914
type Parts = Pick<OrganisationFile, 'areas' | 'units' | 'machines' | 'motors' | 'work' | 'stops'>

const birth = Date.UTC(2022, 0, 3)
const walkers = ['Mosi Okonjo', 'Mosi Okonjo', 'Brin Hallow'] as const

/** Load share at which a story shows what it should; healthy machines run between two thirds and nine tenths. */
const storyLoad: Record<string, number> = {
  'sheave-closed': 0.93,
  'bearing-drags': 0.83,
  'filter-wall': 0.92,
  'stand-in': 0.8,
  'unit-plate': 0.9,
  'low-volts': 0.72,
  'twin-off': 0.72,
  'belt-slips': 0.92,
}

function plateOf(
  spec: MachineSpec,
  service: number,
  story: string | undefined,
  n: number,
): { plate: Plate; powerFactor: number } {
  const motor = motorFor(spec.size, service, spec.phases, n)
  if (story === 'sun-bleached') {
    const { amps: _amps, sf: _sf, ...rest } = motor.plate
    return { ...motor, plate: { ...rest, unreadable: ['amps', 'sf'] } }
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
) {
  const { plate, powerFactor } = plateOf(spec, service, story, n)
  const fitted = daysBefore(now, 4 * 365 + Math.round(random.between(60, 2200)))
  const base = {
    machineId,
    connectionVolts: null,
    why: '',
    standIn: false,
    removedAt: null,
    removedWhy: '',
    fittedBy: 'Mosi Okonjo',
  }
  const first = { ...base, id: seededId(random, fitted.getTime()), plate, fittedAt: fitted.toISOString() }
  if (story !== 'stand-in') {
    parts.motors.push(first)
    return [{ plate, powerFactor, until: -Infinity }]
  }
  const swap = daysBefore(now, 190)
  const small = motorFor(4, service, 3, n + 1)
  parts.motors.push(
    { ...first, removedAt: swap.toISOString(), removedWhy: 'Winding to ground after the wet week in spring.' },
    {
      ...base,
      id: seededId(random, swap.getTime()),
      plate: small.plate,
      fittedAt: swap.toISOString(),
      standIn: true,
      why: 'Stand-in from stock, next size down, until the right one is quoted.',
    },
  )
  return [
    { plate, powerFactor, until: 190 },
    { plate: small.plate, powerFactor: small.powerFactor, until: -Infinity },
  ]
}

const storyWork: Record<string, readonly [number, 'sheave-turned' | 'belts-renewed', string]> = {
  'sheave-closed': [77, 'sheave-turned', 'closed half a turn, the hall was stuffy'],
}

function addWork(
  parts: Parts,
  random: Random,
  now: Date,
  machineId: string,
  spec: MachineSpec,
  story: string | undefined,
) {
  const put = (days: number, kind: Parts['work'][number]['kind'], note: string) => {
    const at = daysBefore(now, days)
    parts.work.push({
      id: seededId(random, at.getTime()),
      machineId,
      doneAt: at.toISOString(),
      kind,
      note,
      by: 'Mosi Okonjo',
    })
  }
  if (spec.drive === 'belt' && random.next() < 0.5)
    put(Math.round(random.between(900, 1200)), 'belts-renewed', 'matched set')
  if (random.next() < 0.6) put(Math.round(random.between(300, 700)), 'greased', 'two strokes each end')
  const own = storyWork[story ?? '']
  if (own) put(own[0], own[1], own[2])
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
  const machineKey = `${spec.unit}/${spec.tag}`
  const story = storyOf(machineKey)?.id
  const id = seededId(random, birth + n)
  const service = area.service
  const unitPlate: UnitPlate | null = story === 'unit-plate' ? { volts: '575', amps: '6.4' } : null
  parts.machines.push({
    id,
    unitId,
    tag: spec.tag,
    purpose: spec.purpose,
    phases: spec.phases,
    serviceVolts: service,
    drive: spec.drive,
    hasDrive: spec.vfd,
    hasSister: spec.sister,
    controls: { ...unknownControls, ...controlsOf(spec, service, story) },
    unitPlate,
    retiredAt: null,
  })
  const told = story === undefined ? undefined : storyLoad[story]
  const drawn = told ?? random.between(0.68, 0.88)
  // Twins on one duct carry alike.
  const shared = spec.sister && told === undefined ? (twins.get(unitId) ?? drawn) : drawn
  if (spec.sister) twins.set(unitId, shared)
  const life: Life = {
    spec,
    service,
    story,
    load: shared,
    lean: [siteLean[0] ?? 0, siteLean[1] ?? 0, siteLean[2] ?? 0],
    windings: [1 + random.between(-0.011, 0.011), 1 + random.between(-0.011, 0.011), 1 + random.between(-0.011, 0.011)],
  }
  const motors = addMotors(parts, random, now, id, spec, service, story, n)
  addWork(parts, random, now, id, spec, story)
  const days = visitDays(random, lastSeen)
  // A stream of its own, so that the tests of one machine do not move the readings of the next.
  const tests = seeded(seed + 1000 * n)
  const motorTested = testedMotor(tests)
  days.forEach((daysAgo, i) => {
    const last = i === days.length - 1
    const motor = motors.find((x) => daysAgo > x.until) ?? motors[0]
    if (!motor) return
    // The stand-in carries the same fan: the same shaft power is a larger share of the smaller motor.
    const load = story === 'stand-in' && motor === motors[1] ? (life.load * spec.size) / 4 : life.load
    const at = new Date(daysBefore(now, daysAgo).setUTCHours(12, 20 + ((n * 7) % 40), 0, 0))
    const tested = deadTestAt(life, i, days.length, daysAgo, motorTested, tests)
    const running = readingsAt({ ...life, load }, motor.plate, daysAgo, last, motor.powerFactor, random)
    const readings = tested ? [...running, ...tested.readings] : running
    const stop: FileStop = {
      id: seededId(random, at.getTime()),
      machineId: id,
      takenAt: at.toISOString(),
      recordedAt: at.toISOString(),
      by: random.pick(walkers),
      state: stateAt(life, last),
      readings,
      answers: tested?.answers ?? {},
      passes: [],
      note: story === 'twin-off' && last ? 'Right wheel stood still, breaker off, nobody knows why.' : '',
      supersedes: null,
      reason: '',
    }
    parts.stops.push(stop)
  })
}

/**
 * The demo as an organisation file: three sites, four years of stops that end on the day before `now`, made by running
 * the motor model with a fixed seed, with the stories of the truth file planted.
 */
export function demoOrganisation(now: Date): OrganisationFile {
  const random = seeded(seed)
  const parts: Parts = { areas: [], units: [], machines: [], motors: [], work: [], stops: [] }
  const sites: OrganisationFile['sites'] = []
  let n = 0
  for (const site of siteSpecs) {
    const siteId = seededId(random, birth)
    sites.push({ id: siteId, name: site.name, zone: site.zone })
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
          parts.units.push({ id: unitId, areaId, tag: spec.unit, kind: spec.kind, modelLine: '' })
        }
        // The first area was walked yesterday, the others in the weeks before; one room fell off the round.
        const lastSeen = area.name === 'Life-support plant room' ? 118 : 1 + a * 9 + siteSpecs.indexOf(site) * 5
        addMachine(parts, random, now, area, lean, unitId, spec, n, lastSeen, twins)
      }
    })
  }
  return {
    format: 'motor-round-organisation',
    formatVersion: 1,
    name: 'Quillback Passage',
    exportedAt: now.toISOString(),
    rules: { ...defaultHouseRules, limits: {} },
    people: demoPeople.map(({ id, login, name, role }) => ({ id, login, name, role })),
    sites,
    ...parts,
  }
}
