import type { OrganizationFile } from '@motor-round/contract'
import type { LiveQuantityId, OffHours } from '@motor-round/core/live'
import { seeded, type Random } from '@motor-round/core/machine'
import { demoVfds } from './vfds.ts'

const minuteMs = 60_000
const dayMs = 86_400_000
/** So many days before now have live data. */
const days = 16
/** The demo's buildings with live data keep this distance from UTC in fall and winter: four hours behind it. */
const clockBehind = 4 * 60

/** Minutes of one quantity of a machine of the demo. */
export interface DemoMinutes {
  readonly machineId: string
  readonly quantity: LiveQuantityId
  /** Minutes since 1970. */
  readonly minutes: readonly number[]
  readonly values: readonly number[]
}

type Parts = Pick<OrganizationFile, 'units' | 'machines' | 'visits' | 'motors'>

function machineOf(parts: Parts, name: string) {
  const [unitTag, tag] = name.split('/')
  const unit = parts.units.find((u) => u.tag === unitTag)
  return parts.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
}

/** Mean amps of a machine's last visit that read them at full speed. */
function ampsOf(parts: Parts, machineId: string): number {
  const last = parts.visits
    .filter((v) => v.machineId === machineId)
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
    .flatMap((v) => {
      const legs = v.readings.filter((r) => r.quantity === 'amps').map((r) => r.value)
      return legs.length === 3 ? [legs.reduce((s, x) => s + x, 0) / 3] : []
    })[0]
  return last ?? 5
}

const columns = (
  machineId: string,
  of: Readonly<Partial<Record<LiveQuantityId, readonly number[]>>>,
  minutes: readonly number[],
) =>
  Object.entries(of).map(([quantity, values]): DemoMinutes => ({
    machineId,
    quantity: quantity as LiveQuantityId,
    minutes,
    values,
  }))

/** Minute of the day by the buildings' clock. */
const ofDay = (minute: number) => (((minute - clockBehind) % 1440) + 1440) % 1440

/** A fan on a drive: full speed while the hall is flushed in the morning, slower through the day, slow at night. */
function onDrive(random: Random, amps: number, usual: number, minutes: readonly number[]) {
  const hz = minutes.map((m) => {
    const at = ofDay(m)
    const wanted = at >= 480 && at < 570 ? 60 : at >= 360 && at < 1320 ? usual + 2 * Math.sin((at / 1440) * 7) : 32
    return wanted + 0.08 * random.normal()
  })
  // Torque goes with the square of the speed; the magnetizing part stays.
  const idle = 0.35 * amps
  const working = Math.sqrt(amps ** 2 - idle ** 2)
  return {
    hz,
    amps: hz.map((f) => Math.hypot(idle, working * (f / 60) ** 2) * (1 + 0.004 * random.normal())),
    running: hz.map(() => 1),
  }
}

/** A kitchen's exhaust, called from ten to ten; lately it drops out every seven minutes at noon. */
function cycling(minutes: readonly number[], now: number) {
  const call = minutes.map((m) => (ofDay(m) >= 600 && ofDay(m) < 1320 ? 1 : 0))
  const running = minutes.map((m, i) => {
    const lately = now / minuteMs - m < 2.6 * 1440
    const noon = ofDay(m) >= 690 && ofDay(m) < 840
    return call[i] === 1 && !(lately && noon && m % 7 < 2) ? 1 : 0
  })
  return { call, running }
}

/** An exhaust that is off at night, until somebody left an override in. */
const overridden = (minutes: readonly number[], now: number) => ({
  running: minutes.map((m) => (now / minuteMs - m < 4 * 1440 || (ofDay(m) >= 330 && ofDay(m) < 1320) ? 1 : 0)),
})

const night: OffHours = { days: [1, 2, 3, 4, 5, 6, 7], from: 22 * 60 + 30, to: 5 * 60, hz: null }

/** Columns of the building system and off hours of the demo. */
export function demoLivePoints(parts: Parts, birth: number): Pick<OrganizationFile, 'livePoints' | 'liveOffHours'> {
  const by = { by: 'Tamsin Vale', at: new Date(birth).toISOString() }
  const point = (n: number, name: string, machine: string, quantity: LiveQuantityId) => {
    const found = machineOf(parts, machine)
    const id = `0183c0de-11fe-7000-8000-00000000000${n}`
    return found ? [{ id, name, machineId: found.id, quantity, unit: 'on/off', factor: 1, ...by }] : []
  }
  const off = machineOf(parts, 'EF-12/EF')
  return {
    livePoints: [
      ...point(1, 'reach.ef16.sts', 'EF-16/EF', 'running'),
      ...point(2, 'reach.ef16.cmd', 'EF-16/EF', 'call'),
      ...point(3, 'reach.ef12.sts', 'EF-12/EF', 'running'),
    ],
    liveOffHours: off ? [{ machineId: off.id, offHours: [night], ...by }] : [],
  }
}

/** Live data of the last weeks, up to a few minutes before now: two drives, a fan that short cycles, one that runs all night. */
export function demoLive(parts: Parts, now: number): DemoMinutes[] {
  const random = seeded(23)
  const last = Math.floor(now / minuteMs) - 4
  const minutes = Array.from({ length: (days * dayMs) / minuteMs }, (_, i) => last - (days * dayMs) / minuteMs + 1 + i)
  const of = (name: string, make: (machineId: string) => Parameters<typeof columns>[1]) => {
    const found = machineOf(parts, name)
    return found ? columns(found.id, make(found.id), minutes) : []
  }
  return [
    ...demoVfds.flatMap((v) => of(v.machine, (id) => onDrive(random, ampsOf(parts, id), v.hz, minutes))),
    ...of('EF-16/EF', () => cycling(minutes, now)),
    ...of('EF-12/EF', () => overridden(minutes, now)),
  ]
}
