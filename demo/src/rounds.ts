import {
  roofMap,
  controls,
  dueOf,
  findingOf,
  driveLayout,
  judgeNow,
  noCare,
  type FileRound,
  type Motor,
  type OrganizationFile,
  type PartRecord,
  type VisitRecord,
} from '@motor-round/contract'
import { judgedLevel } from '@motor-round/core/judge'
import { seeded, type Random } from '@motor-round/core/machine'
import { planRoute, problemOf, stepOf, usualMinutes } from '@motor-round/core/round'
import { seededId } from './ids.ts'

type File = Omit<OrganizationFile, 'rounds' | 'roundEvents' | 'pictures'>

/** Every machine of an area with what it wants, as the record would say on a day. */
function wantedOf(file: File, areaId: string, now: number) {
  const area = file.areas.find((a) => a.id === areaId)
  const units = file.units.filter((u) => u.areaId === areaId)
  return file.machines
    .filter((m) => units.some((u) => u.id === m.unitId))
    .map((m) => {
      const unit = units.find((u) => u.id === m.unitId)
      const own = <T extends { machineId: string }>(list: readonly T[]) => list.filter((x) => x.machineId === m.id)
      const machine = { ...m, controls: controls.parse(m.controls ?? {}), layout: driveLayout.parse(m.layout ?? {}) }
      const known = {
        machine,
        motors: own(file.motors).map((x): Motor => ({ ...x, version: 1 })),
        parts: own(file.parts).map((x): PartRecord => ({ ...x, version: 1 })),
        work: own(file.work),
        visits: own(file.visits)
          .filter((s) => Date.parse(s.takenAt) <= now)
          .map((s): VisitRecord => ({ ...s, supersededBy: null, source: 'file' }))
          .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt)),
        twins: [],
        policies: file.policies,
      }
      const judgement = judgeNow(known)
      const place = { unitKind: unit?.kind ?? 'other', indoors: area?.kind === 'room' }
      return {
        machineId: m.id,
        unitId: m.unitId,
        areaId,
        care: unit?.care ?? noCare,
        levelBefore: judgement ? judgedLevel(judgement.level) : null,
        tasks: dueOf(
          known,
          {
            speedChanges: own(file.speedChanges),
            findings: own(file.findings).map((f) => findingOf(f, file.findingSteps)),
          },
          judgement,
          place,
          file.policies,
          now,
        ),
      }
    })
}

const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10)

/** A round over some areas, planned as the server would. */
function roundOf(
  file: File,
  random: Random,
  what: {
    id: string
    name: string
    at: number
    areas: readonly string[]
    people: FileRound['people']
    recurs: FileRound['recurs']
    note: string
  },
): FileRound {
  const until = Date.parse(`${dayOf(what.at)}T23:59:59Z`) + 6 * 86_400_000
  const visits = what.areas
    .flatMap((a) => wantedOf(file, a, what.at))
    .flatMap((s) => {
      const tasks = s.tasks.filter((t) => Date.parse(t.dueAt) <= until)
      return tasks.length === 0 ? [] : [{ ...s, tasks, minutes: usualMinutes(tasks) }]
    })
  const areas = file.areas
    .filter((a) => what.areas.includes(a.id))
    .map((a) => ({ id: a.id, siteId: a.siteId, kind: a.kind, map: roofMap.parse(a.map) }))
  const day = dayOf(what.at)
  const round = { day, people: what.people, heat: null, storm: null }
  return {
    ...round,
    id: what.id,
    name: what.name,
    siteIds: [...new Set(areas.map((a) => a.siteId))],
    recurs: what.recurs,
    note: what.note,
    visits: visits.map(({ machineId, tasks, minutes, levelBefore }) => ({
      machineId,
      tasks,
      minutes,
      learnt: 0,
      levelBefore,
      added: false,
    })),
    route: planRoute(problemOf(round, visits, areas), random, 200),
    madeBy: 'Tamsin Vale',
    madeAt: new Date(what.at - 3 * 86_400_000).toISOString(),
    closing: null,
  }
}

/** Two rounds of the ferry terminal: yesterday's, walked and closed, and today's. */
export function demoRounds(
  file: File,
  now: Date,
  birth: number,
): Pick<OrganizationFile, 'rounds' | 'roundEvents' | 'pictures' | 'findings'> {
  const random = seeded(5)
  const site = file.sites[0]
  const areas = file.areas.filter((a) => a.siteId === site?.id)
  const person = (name: string, from: number, to: number) => ({
    id: file.people.find((p) => p.name === name)?.id ?? seededId(random, birth),
    name,
    from,
    to,
  })
  const people = [person('Mosi Okonjo', 420, 900)]
  const of = (n: number) => areas.slice(n, n + 1).map((a) => a.id)
  const yesterday = now.getTime() - 86_400_000
  const walked = roundOf(file, seeded(6), {
    id: seededId(random, birth),
    name: 'Departures hall roof',
    at: yesterday - 3_600_000 * 2,
    areas: of(0),
    people,
    recurs: null,
    note: '',
  })
  const at = (minute: number) => new Date(Date.parse(`${walked.day}T00:00:00-04:00`) + minute * 60_000).toISOString()
  const events = walked.route.steps.flatMap((v) => {
    if (stepOf(v.step).part !== 'work') return []
    const visit = file.visits.find((s) => s.machineId === v.step && dayOf(Date.parse(s.takenAt)) === walked.day)
    const base = { roundId: walked.id, machineId: v.step, place: null, by: 'Mosi Okonjo' }
    return [
      { ...base, id: seededId(random, birth), kind: 'began' as const, at: at(v.start), visitId: null, note: '' },
      visit
        ? { ...base, id: seededId(random, birth), kind: 'done' as const, at: at(v.end), visitId: visit.id, note: '' }
        : {
            ...base,
            id: seededId(random, birth),
            kind: 'skipped' as const,
            at: at(v.end),
            visitId: null,
            note: 'Door frozen shut',
          },
    ]
  })
  const done = events.filter((e) => e.kind === 'done')[2]
  const found: OrganizationFile['findings'] = done
    ? [
        {
          id: seededId(random, birth),
          machineId: done.machineId,
          roundId: walked.id,
          visitId: done.visitId,
          at: done.at,
          level: 'fix',
          text: 'Flexible connection torn at the discharge',
          owner: '',
          reviewOn: null,
          by: 'Mosi Okonjo',
        },
      ]
    : []
  const closing = { at: at(900), by: 'Tamsin Vale', reason: '', next: null, stood: [] }
  const today = roundOf(file, seeded(8), {
    id: seededId(random, birth),
    name: 'Freight shed and crew house',
    at: now.getTime(),
    areas: [...of(1), ...of(2)],
    people: [...people, person('Brin Hallow', 450, 840)],
    recurs: { every: 'quarter', times: 1 },
    note: 'Ferries until ten: keep the loading lane free.',
  })
  return {
    rounds: [{ ...walked, closing }, today],
    roundEvents: events,
    pictures: [],
    findings: [...file.findings, ...found],
  }
}
