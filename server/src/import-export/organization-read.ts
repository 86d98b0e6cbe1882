import { jobKindOf } from '@motor-round/core/job'
import { shippedProfiles } from '@motor-round/core/vfd'
import { organizationFile, type OrganizationFile } from '@motor-round/contract'
import { parse as parseJson, type ParseError } from 'jsonc-parser'
import type { Errors } from './state.ts'

/** The line on which a text stops being JSON. */
function brokenLine(text: string): number {
  const errors: ParseError[] = []
  parseJson(text, errors, { disallowComments: true })
  return text.slice(0, errors[0]?.offset ?? 0).split('\n').length
}

/** Check an organization file: form and references. Errors name the path in the file. */
export function readOrganization(text: string, errors: Errors): OrganizationFile | null {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    errors.add(brokenLine(text), '', 'The file is not JSON.')
    return null
  }
  const parsed = organizationFile.safeParse(json)
  if (!parsed.success) {
    for (const i of parsed.error.issues) errors.add(0, i.path.join('.'), i.message)
    return null
  }
  const file = parsed.data
  const has = (list: readonly { id: string }[]) => new Set(list.map((x) => x.id))
  const siteIds = has(file.sites)
  const areaIds = has(file.areas)
  const unitIds = has(file.units)
  const machineIds = has(file.machines)
  const visitIds = has(file.visits)
  file.areas.forEach((a, i) => siteIds.has(a.siteId) || errors.add(0, `areas.${i}.siteId`, 'no such site in the file'))
  file.units.forEach((u, i) => areaIds.has(u.areaId) || errors.add(0, `units.${i}.areaId`, 'no such area in the file'))
  file.machines.forEach(
    (m, i) => unitIds.has(m.unitId) || errors.add(0, `machines.${i}.unitId`, 'no such unit in the file'),
  )
  const ofMachine = (name: string, list: readonly { machineId: string }[]) =>
    list.forEach(
      (x, i) => machineIds.has(x.machineId) || errors.add(0, `${name}.${i}.machineId`, 'no such machine in the file'),
    )
  ofMachine('motors', file.motors)
  ofMachine('parts', file.parts)
  ofMachine('work', file.work)
  ofMachine('speedChanges', file.speedChanges)
  ofMachine('visits', file.visits)
  ofMachine('vfdLinks', file.vfdLinks)
  ofMachine('vfdSettings', file.vfdSettings)
  ofMachine('livePoints', file.livePoints)
  ofMachine('liveOffHours', file.liveOffHours)
  ofMachine('liveDays', file.liveDays)
  ofMachine('liveBeside', file.liveBeside)
  const once = (key: (l: OrganizationFile['livePoints'][number]) => string, field: string, message: string) => {
    const seen = new Set<string>()
    file.livePoints.forEach((l, i) => {
      if (seen.has(key(l))) errors.add(0, `livePoints.${i}.${field}`, message)
      seen.add(key(l))
    })
  }
  once((l) => l.name, 'name', 'is given twice')
  once((l) => `${l.machineId} ${l.quantity}`, 'quantity', 'this machine has it from another column')
  const profileIds = new Set([...shippedProfiles.map((p) => p.id), ...file.vfdProfiles.map((p) => p.profile.id)])
  file.vfdLinks.forEach(
    (l, i) => profileIds.has(l.profileId) || errors.add(0, `vfdLinks.${i}.profileId`, 'no such drive profile'),
  )
  file.vfdProfiles.forEach((p, i) => {
    if (shippedProfiles.some((s) => s.id === p.profile.id))
      errors.add(0, `vfdProfiles.${i}.profile.id`, 'comes with the product')
  })
  ofMachine('pictures', file.pictures)
  ofMachine('findings', file.findings)
  ofMachine('conditionClosings', file.conditionClosings)
  const foundAt = new Map(file.findings.map((f) => [f.id, f.machineId]))
  file.findingSteps.forEach((s, i) => {
    if (!foundAt.has(s.findingId)) errors.add(0, `findingSteps.${i}.findingId`, 'no such finding in the file')
    else if (foundAt.get(s.findingId) !== s.machineId)
      errors.add(0, `findingSteps.${i}.machineId`, 'is not the machine of that finding')
  })
  ofMachine('traces', file.traces)
  const tracedAt = new Map(file.traces.map((t) => [t.id, t.machineId]))
  file.traceSteps.forEach((s, i) => {
    if (!tracedAt.has(s.traceId)) errors.add(0, `traceSteps.${i}.traceId`, 'no such trace in the file')
    else if (tracedAt.get(s.traceId) !== s.machineId)
      errors.add(0, `traceSteps.${i}.machineId`, 'is not the machine of that trace')
  })
  ofMachine('jobs', file.jobs)
  file.jobs.forEach((j, i) =>
    j.kinds.forEach((k, n) => {
      if (!jobKindOf.has(k)) errors.add(0, `jobs.${i}.kinds.${n}`, `"${k}" is not a kind of job`)
      else if (j.kinds.indexOf(k) !== n) errors.add(0, `jobs.${i}.kinds.${n}`, 'is there twice')
    }),
  )
  const jobAt = new Map(file.jobs.map((j) => [j.id, j.machineId]))
  file.jobSteps.forEach((s, i) => {
    if (!jobAt.has(s.jobId)) errors.add(0, `jobSteps.${i}.jobId`, 'no such job in the file')
    else if (jobAt.get(s.jobId) !== s.machineId)
      errors.add(0, `jobSteps.${i}.machineId`, 'is not the machine of that job')
  })
  const itemIds = has(file.stockItems)
  const placeIds = has(file.stockPlaces)
  file.stockPlaces.forEach(
    (p, i) =>
      p.siteId === null ||
      siteIds.has(p.siteId) ||
      errors.add(0, `stockPlaces.${i}.siteId`, 'no such site in the file'),
  )
  file.stockMoves.forEach((m, i) => {
    if (!itemIds.has(m.itemId)) errors.add(0, `stockMoves.${i}.itemId`, 'no such item in the file')
    if (!placeIds.has(m.placeId)) errors.add(0, `stockMoves.${i}.placeId`, 'no such place in the file')
    if (m.toPlaceId !== null && !placeIds.has(m.toPlaceId))
      errors.add(0, `stockMoves.${i}.toPlaceId`, 'no such place in the file')
    if (m.jobId !== null && !jobAt.has(m.jobId)) errors.add(0, `stockMoves.${i}.jobId`, 'no such job in the file')
  })
  file.mapPictures.forEach(
    (p, i) => areaIds.has(p.areaId) || errors.add(0, `mapPictures.${i}.areaId`, 'no such area in the file'),
  )
  file.areas.forEach((a, i) => {
    const under = a.map?.underlay
    if (under && !file.mapPictures.some((p) => p.id === under.id && p.areaId === a.id))
      errors.add(0, `areas.${i}.map.underlay.id`, 'no such photo of this area in the file')
  })
  file.rounds.forEach((r, i) =>
    r.visits.forEach(
      (s, k) =>
        machineIds.has(s.machineId) ||
        errors.add(0, `rounds.${i}.visits.${k}.machineId`, 'no such machine in the file'),
    ),
  )
  const roundIds = has(file.rounds)
  file.findings.forEach(
    (f, i) =>
      f.roundId === null ||
      roundIds.has(f.roundId) ||
      errors.add(0, `findings.${i}.roundId`, 'no such round in the file'),
  )
  file.roundEvents.forEach(
    (e, i) => roundIds.has(e.roundId) || errors.add(0, `roundEvents.${i}.roundId`, 'no such round in the file'),
  )
  file.visits.forEach(
    (s, i) =>
      s.supersedes === null ||
      visitIds.has(s.supersedes) ||
      errors.add(0, `visits.${i}.supersedes`, 'no such visit in the file'),
  )
  return errors.count > 0 ? null : file
}
