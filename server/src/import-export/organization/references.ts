import { shippedProfiles } from '@motor-round/core/vfd'
import type pg from 'pg'
import { stagingTable } from '../staging.ts'
import type { Errors } from '../state.ts'
import type { ListName } from './lists.ts'

/** A way into a record, for `#>>`. */
type Path = readonly string[]
const at = (record: string, path: Path) => `${record}.document #>> '{${path.join(',')}}'`

/** What is asked of the records of a file: those that a query finds are wrong, at this place of each, for that reason. */
interface Rule {
  readonly list: ListName
  readonly path: string
  readonly message: string
  /** Of `s`, the record; `t` is the staging table. */
  readonly wrong: (t: string) => string
  /** More of what is needed to find them. */
  readonly join?: string
}

/** A field that names a record of another list, or nothing. */
const refersTo = (list: ListName, path: Path, other: ListName, what: string, key: Path = ['id']): Rule => ({
  list,
  path: path.join('.'),
  message: `no such ${what} in the file`,
  wrong: (t) =>
    `${at('s', path)} is not null and not exists (
       select 1 from ${t} o where o.list = '${other}' and ${key.join() === 'id' ? `o.document ->> 'id'` : at('o', key)} = ${at('s', path)})`,
})
const ofMachine = (list: ListName): Rule => refersTo(list, ['machineId'], 'machines', 'machine')

/** A step of something is of the machine of that. */
const stepsOf = (list: ListName, field: string, other: ListName, what: string): readonly Rule[] => [
  refersTo(list, [field], other, what),
  {
    list,
    path: 'machineId',
    message: `is not the machine of that ${what}`,
    wrong: (t) =>
      `exists (select 1 from ${t} o where o.list = '${other}' and o.document ->> 'id' = ${at('s', [field])}
         and ${at('o', ['machineId'])} <> ${at('s', ['machineId'])})`,
  },
]

/** A field, or several, that no two records share. */
const once = (list: ListName, fields: readonly string[], message: string): Rule => ({
  list,
  path: fields.at(-1) ?? '',
  message,
  wrong: (t) =>
    `exists (select 1 from ${t} o where o.list = '${list}' and o.n < s.n
       and ${fields.map((f) => `${at('o', [f])} = ${at('s', [f])}`).join(' and ')})`,
})

const rules: readonly Rule[] = [
  refersTo('areas', ['siteId'], 'sites', 'site'),
  refersTo('units', ['areaId'], 'areas', 'area'),
  refersTo('machines', ['unitId'], 'units', 'unit'),
  ...(
    [
      'motors',
      'parts',
      'work',
      'speedChanges',
      'visits',
      'vfdLinks',
      'vfdSettings',
      'livePoints',
      'liveOffHours',
      'liveDays',
      'liveBeside',
    ] as const
  ).map(ofMachine),
  once('livePoints', ['name'], 'is given twice'),
  once('livePoints', ['machineId', 'quantity'], 'this machine has it from another column'),
  {
    ...refersTo('vfdLinks', ['profileId'], 'vfdProfiles', 'drive profile', ['profile', 'id']),
    message: 'no such drive profile',
    wrong: (t) =>
      `not ${at('s', ['profileId'])} = any(array[${shippedProfiles.map((p) => `'${p.id}'`).join()}]) and
       ${refersTo('vfdLinks', ['profileId'], 'vfdProfiles', '', ['profile', 'id']).wrong(t)}`,
  },
  ...(['pictures', 'findings', 'conditionClosings'] as const).map(ofMachine),
  ...stepsOf('findingSteps', 'findingId', 'findings', 'finding'),
  ofMachine('traces'),
  ...stepsOf('traceSteps', 'traceId', 'traces', 'trace'),
  ofMachine('jobs'),
  ...stepsOf('jobSteps', 'jobId', 'jobs', 'job'),
  refersTo('stockPlaces', ['siteId'], 'sites', 'site'),
  refersTo('stockMoves', ['itemId'], 'stockItems', 'item'),
  refersTo('stockMoves', ['placeId'], 'stockPlaces', 'place'),
  refersTo('stockMoves', ['toPlaceId'], 'stockPlaces', 'place'),
  refersTo('stockMoves', ['jobId'], 'jobs', 'job'),
  refersTo('mapPictures', ['areaId'], 'areas', 'area'),
  {
    list: 'areas',
    path: 'map.underlay.id',
    message: 'no such photo of this area in the file',
    wrong: (t) =>
      `${at('s', ['map', 'underlay', 'id'])} is not null and not exists (
         select 1 from ${t} o where o.list = 'mapPictures' and o.document ->> 'id' = ${at('s', ['map', 'underlay', 'id'])}
           and ${at('o', ['areaId'])} = s.document ->> 'id')`,
  },
  {
    list: 'rounds',
    path: 'visits.{k}.machineId',
    message: 'no such machine in the file',
    join: `cross join lateral jsonb_array_elements(s.document -> 'visits') with ordinality v(visit, k)`,
    wrong: (t) =>
      `not exists (select 1 from ${t} o where o.list = 'machines' and o.document ->> 'id' = v.visit ->> 'machineId')`,
  },
  refersTo('findings', ['roundId'], 'rounds', 'round'),
  refersTo('roundEvents', ['roundId'], 'rounds', 'round'),
  refersTo('visits', ['supersedes'], 'visits', 'visit'),
]

/** More of one kind are counted, not listed. */
const mostListed = 200

/** Look for records of a staged file that speak of what is not in it, or not of the same machine. */
export async function checkReferences(client: pg.ClientBase, importId: string, errors: Errors): Promise<void> {
  const t = stagingTable(importId)
  for (const { list, path, message, wrong, join } of rules) {
    const { rows } = await client.query<{ n: number; k: number | null; all: string }>(
      `select s.n, ${join ? 'v.k - 1' : 'null'} as k, count(*) over () as all
       from ${t} s ${join ?? ''} where s.list = '${list}' and ${wrong(t)} order by s.n, k limit ${mostListed}`,
    )
    for (const { n, k } of rows) errors.add(0, `${list}.${n}.${path.replace('{k}', String(k ?? ''))}`, message)
    errors.count += Number(rows[0]?.all ?? 0) - rows.length
  }
}
