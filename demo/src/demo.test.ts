import {
  controls,
  coreVisit,
  judgeInput,
  organizationFile,
  judgeNow,
  type Motor,
  type PartRecord,
  type VisitRecord,
} from '@motor-round/contract'
import { judge, judgedLevel, rank } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { daysForJudging, summarizeDay, type LiveDay, type LiveEvidence } from '@motor-round/core/live'
import { questionPlate } from '@motor-round/core/plate'
import { describe, expect, it } from 'vitest'
import { demoLive } from './live.ts'
import { demoOrganization } from './organization.ts'
import { storyOf, truth } from './truth.ts'

const now = new Date('2026-11-25T09:00:00Z')
const file = demoOrganization(now)
const unitTag = new Map(file.units.map((u) => [u.id, u.tag]))
const nameOf = (m: (typeof file.machines)[number]) => `${unitTag.get(m.unitId) ?? ''}/${m.tag}`

const sent = demoLive(file, now.getTime())
/** What the live data of a machine comes to: its days by the clock of its site, which is four hours behind UTC in fall. */
function liveOf(machineId: string): LiveEvidence | null {
  const own = sent.filter((s) => s.machineId === machineId)
  const [first] = own
  if (!first) return null
  const behind = 240
  const plate = file.motors.find((m) => m.machineId === machineId)?.plate
  const offHours = file.liveOffHours.find((o) => o.machineId === machineId)?.offHours ?? []
  const dayOf = (m: number) => Math.floor((m - behind) / 1440)
  const days: LiveDay[] = []
  for (let d = dayOf(first.minutes[0] ?? 0); d <= dayOf(first.minutes.at(-1) ?? 0); d++) {
    const start = d * 1440 + behind
    const series = Object.fromEntries(
      own.map((s) => {
        const values = new Float64Array(1440).fill(NaN)
        s.minutes.forEach((m, i) => {
          if (m >= start && m < start + 1440) values[m - start] = s.values[i] ?? NaN
        })
        return [s.quantity, values]
      }),
    )
    days.push(
      summarizeDay({
        day: new Date(d * 86_400_000).toISOString().slice(0, 10),
        at: start * 60_000,
        clock: Array.from({ length: 1440 }, (_, minute) => ({ weekday: 1, minute })),
        plate: { amps: Number(plate?.amps) || null, hz: 60 },
        offHours,
        ...series,
      }),
    )
  }
  return { days: daysForJudging(days), beside: [] }
}

function judged(machine: (typeof file.machines)[number]) {
  const visits = file.visits
    .filter((s) => s.machineId === machine.id)
    .map((s): VisitRecord => ({ ...s, supersededBy: null, source: 'file' }))
    .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt))
  const motors = file.motors.filter((m) => m.machineId === machine.id).map((m): Motor => ({ ...m, version: 1 }))
  const work = file.work.filter((w) => w.machineId === machine.id)
  const known = {
    machine: { ...machine, controls: controls.parse(machine.controls) },
    motors,
    parts: file.parts.filter((p) => p.machineId === machine.id).map((p): PartRecord => ({ ...p, version: 1 })),
    work,
    visits,
    policies: defaultPolicies,
    twins: [],
    closings: file.conditionClosings.filter((c) => c.machineId === machine.id),
    live: liveOf(machine.id),
  }
  const judgement = judgeNow(known)
  if (!judgement) throw new Error(`no visit of ${nameOf(machine)}`)
  return judgement
}

describe('the demo', () => {
  it('is a valid organization file and the same for the same seed', () => {
    expect(organizationFile.safeParse(file).error).toBeUndefined()
    expect(demoOrganization(now)).toEqual(file)
  })

  it('holds three sites, about 64 machines, and four years of visits that end the day before', () => {
    expect(file.sites).toHaveLength(3)
    expect(file.machines.length).toBeGreaterThanOrEqual(60)
    expect(file.machines.length).toBeLessThanOrEqual(68)
    const times = file.visits.map((s) => Date.parse(s.takenAt))
    expect(new Date(Math.max(...times)).toISOString().slice(0, 10)).toBe('2026-11-24')
    expect((now.getTime() - Math.min(...times)) / 86_400_000 / 365).toBeGreaterThan(3.8)
  })

  it('prints plates that nobody would question', () => {
    for (const m of file.motors)
      if (m.plate.unreadable === undefined) expect([m.plate.model, questionPlate(m.plate)]).toEqual([m.plate.model, []])
  })

  for (const story of truth)
    it(`finds the planted story: ${story.id}`, () => {
      const machine = file.machines.find((m) => nameOf(m) === story.machine)
      if (!machine) throw new Error(`no machine ${story.machine}`)
      const judgement = judged(machine)
      const told = [...judgement.verdicts, ...judgement.conditions.map((k) => k.verdict)].find(
        (v) => v.check === story.check,
      )
      expect(told, JSON.stringify(judgement.verdicts, null, 1)).toBeDefined()
      expect(rank(told?.level ?? 'ok')).toBeGreaterThanOrEqual(rank(story.level))
      expect(rank(judgedLevel(judgement.level) ?? 'ok')).toBeGreaterThanOrEqual(rank(story.level))
    })

  it('has finds in words that outlast amps, one put right by work and one closed by a person', () => {
    const of = (name: string) => {
      const machine = file.machines.find((m) => nameOf(m) === name)
      if (!machine) throw new Error(name)
      return { judgement: judged(machine), visits: file.visits.filter((s) => s.machineId === machine.id) }
    }
    for (const name of ['EF-13/EF', 'EF-14/EF', 'MAU-5/SF']) {
      const { judgement, visits } = of(name)
      const since = judgement.conditions[0]?.since ?? Infinity
      const plain = visits.filter((s) => Date.parse(s.takenAt) > since && s.readings.some((r) => r.quantity === 'amps'))
      expect([name, plain.length > 0]).toEqual([name, true])
    }
    for (const name of ['RTU-51/SF', 'EF-9/EF']) expect([name, of(name).judgement.level]).toEqual([name, 'ok'])
    expect(file.conditionClosings).toHaveLength(1)
  })

  it('cries wolf on no healthy machine', () => {
    const healthy = file.machines.filter((m) => !storyOf(nameOf(m)))
    const wolves = healthy
      .map((m) => ({ name: nameOf(m), j: judged(m) }))
      .filter(({ j }) => ['fix', 'stop', 'not judged'].includes(j.level))
    expect(wolves.map(({ name, j }) => `${name}: ${j.headline}`)).toEqual([])
    const watched = healthy.map((m) => ({ name: nameOf(m), j: judged(m) })).filter(({ j }) => j.level === 'watch')
    expect(watched.map(({ name, j }) => `${name}: ${j.headline}`)).toHaveLength(0)
  })

  it('records the proof of dead beside every dead test, and no reading that would bar it', () => {
    let tested = 0
    for (const machine of file.machines)
      for (const s of file.visits.filter((x) => x.machineId === machine.id)) {
        if (!s.readings.some((r) => r.quantity === 'megohms' || r.quantity === 'winding_ohms')) continue
        tested += 1
        const visit: VisitRecord = { ...s, supersededBy: null, source: 'file' }
        const motors = file.motors.filter((m) => m.machineId === machine.id).map((m): Motor => ({ ...m, version: 1 }))
        const known = {
          machine: { ...machine, controls: controls.parse(machine.controls) },
          motors,
          work: [],
          visits: [visit],
          policies: defaultPolicies,
          twins: [],
        }
        const gate = judge(judgeInput(known, coreVisit(visit))).gates.find((g) => g.id === 'dead')
        expect([nameOf(machine), gate?.steps.filter((x) => !x.met).map((x) => x.id), gate?.bars]).toEqual([
          nameOf(machine),
          [],
          null,
        ])
      }
    expect(tested).toBeGreaterThan(150)
  })

  it('gives twins on one duct the same load, whatever each is told of it', () => {
    for (const unit of file.units) {
      const twins = file.machines.filter((m) => m.unitId === unit.id && m.hasTwin && !storyOf(nameOf(m)))
      const means = twins.map((m) => {
        const amps = file.visits
          .filter((s) => s.machineId === m.id)
          .flatMap((s) => s.readings.filter((r) => r.quantity === 'amps').map((r) => r.value))
        return amps.reduce((a, b) => a + b, 0) / amps.length
      })
      if (means.length > 1) expect(Math.max(...means) / Math.min(...means)).toBeLessThan(1.05)
    }
  })
})
