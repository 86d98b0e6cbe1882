import { coreStop, type RoundPage, type StopRecord } from '@motor-round/contract'
import type { Judgement } from '@motor-round/core/judge'
import { findQuantity } from '@motor-round/core/quantity'
import { stringify } from 'csv-stringify/sync'
import { inArray } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { pictures } from '../db/rounds-schema.ts'
import { judgeStop } from '../roof/judge-known.ts'
import { loadKnown, loadStop } from '../roof/known.ts'
import { currentRules } from '../rules/current.ts'
import { pageOfRound } from './page.ts'
import { zoneOfSites } from './zone.ts'

/** A stop of a round with its machine, how it is judged, and the pictures taken at it. */
export interface RecordedStop {
  readonly tag: string
  readonly stop: StopRecord
  readonly judgement: Judgement | null
  readonly pictures: readonly { readonly id: string; readonly check: string }[]
}

/** Everything of a round: its page, and each stop that was taken on it. */
export interface RoundRecord {
  readonly page: RoundPage
  readonly stops: readonly RecordedStop[]
  /** In which its days and times are told. */
  readonly zone: string
}

export async function recordOf(db: Db, roundId: string): Promise<RoundRecord> {
  const page = await pageOfRound(db, roundId)
  const rules = await currentRules(db)
  const ids = [...new Set(page.events.flatMap((e) => (e.kind === 'done' && e.stopId !== null ? [e.stopId] : [])))]
  const known = new Map(
    (
      await loadKnown(
        db,
        page.stops.map((s) => s.machineId),
      )
    ).map((k) => [k.machine.id, k]),
  )
  const taken =
    ids.length === 0
      ? []
      : await db
          .select({ id: pictures.id, check: pictures.check, stopId: pictures.stopId })
          .from(pictures)
          .where(inArray(pictures.stopId, ids))
  const stops: RecordedStop[] = []
  for (const id of ids) {
    const stop = await loadStop(db, id)
    const of = stop && page.stops.find((s) => s.machineId === stop.machineId)
    const own = stop && known.get(stop.machineId)
    if (!stop || !of || !own) continue
    stops.push({
      tag: `${of.unitTag} / ${of.tag}`,
      stop,
      judgement: judgeStop(own, coreStop(stop), rules),
      pictures: taken.filter((p) => p.stopId === id),
    })
  }
  return { page, stops, zone: await zoneOfSites(db, page.head.siteIds) }
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
      ...r.stops.flatMap(({ tag, stop, judgement }) =>
        stop.readings.map((x) => [
          r.page.head.name,
          tag,
          stop.takenAt,
          x.quantity,
          x.position,
          x.value,
          findQuantity(x.quantity)?.unit ?? '',
          x.how ?? '',
          stop.by,
          judgement?.level ?? '',
          stop.note,
        ]),
      ),
    ],
    { record_delimiter: '\r\n', escape_formulas: true },
  )
