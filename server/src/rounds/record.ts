import { coreVisit, type RoundPage, type VisitRecord } from '@motor-round/contract'
import type { Judgement } from '@motor-round/core/judge'
import { findQuantity, unitsOfSite, type ShownUnits } from '@motor-round/core/quantity'
import { stringify } from 'csv-stringify/sync'
import { inArray } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { pictures } from '../db/rounds-schema.ts'
import { judgeVisit } from '../machine/judge.ts'
import { loadSnapshots, loadVisit } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { pageOfRound } from './page.ts'
import { paperOfSites, zoneOfSites } from './zone.ts'

/** A stop of a round with its machine, how it is judged, and the pictures taken at it. */
export interface RecordedVisit {
  readonly tag: string
  readonly visit: VisitRecord
  readonly judgement: Judgement | null
  readonly pictures: readonly { readonly id: string; readonly check: string }[]
}

/** Everything of a round: its page, and each visit that was taken on it. */
export interface RoundRecord {
  readonly page: RoundPage
  readonly visits: readonly RecordedVisit[]
  /** In which its days and times are shown. */
  readonly zone: string
  readonly paper: 'letter' | 'A4'
  /** In which its readings are shown. */
  readonly units: ShownUnits
}

export async function recordOf(db: Db, roundId: string): Promise<RoundRecord> {
  const page = await pageOfRound(db, roundId)
  const policies = await currentPolicies(db)
  const ids = [...new Set(page.events.flatMap((e) => (e.kind === 'done' && e.visitId !== null ? [e.visitId] : [])))]
  const known = new Map(
    (
      await loadSnapshots(
        db,
        page.visits.map((s) => s.machineId),
      )
    ).map((k) => [k.machine.id, k]),
  )
  const taken =
    ids.length === 0
      ? []
      : await db
          .select({ id: pictures.id, check: pictures.check, visitId: pictures.visitId })
          .from(pictures)
          .where(inArray(pictures.visitId, ids))
  const visits: RecordedVisit[] = []
  for (const id of ids) {
    const visit = await loadVisit(db, id)
    const of = visit && page.visits.find((s) => s.machineId === visit.machineId)
    const own = visit && known.get(visit.machineId)
    if (!visit || !of || !own) continue
    visits.push({
      tag: `${of.unitTag} / ${of.tag}`,
      visit,
      judgement: judgeVisit(own, coreVisit(visit), policies),
      pictures: taken.filter((p) => p.visitId === id),
    })
  }
  const { paper, units } = await paperOfSites(db, page.head.siteIds)
  return {
    page,
    visits,
    zone: await zoneOfSites(db, page.head.siteIds),
    paper,
    units: unitsOfSite(units, policies.temperature),
  }
}

/** Every reading of a round, one a line. RFC 4180. */
export const recordCsv = (r: RoundRecord): string =>
  stringify(
    [
      [
        'round',
        'machine',
        'taken_at',
        'quantity',
        'position',
        'value',
        'unit_of_measure',
        'how',
        'by',
        'level',
        'note',
      ],
      ...r.visits.flatMap(({ tag, visit, judgement }) =>
        visit.readings.map((x) => [
          r.page.head.name,
          tag,
          visit.takenAt,
          x.quantity,
          x.position,
          x.value,
          findQuantity(x.quantity)?.unit ?? '',
          x.how ?? '',
          visit.by,
          judgement?.level ?? '',
          visit.note,
        ]),
      ),
    ],
    { record_delimiter: '\r\n', escape_formulas: true },
  )
