import { inArray } from 'drizzle-orm'
import { DateTime } from 'luxon'
import type { Db, Tx } from '../db/client.ts'
import { sites } from '../db/schema.ts'

/** The zone in which the days of a round are meant: that of its sites. */
export async function zoneOfSites(db: Db | Tx, siteIds: readonly string[]): Promise<string> {
  const rows = await db
    .select({ zone: sites.zone })
    .from(sites)
    .where(inArray(sites.id, [...siteIds]))
  return rows[0]?.zone ?? 'UTC'
}

/** An instant by the clock of a zone. @param format luxon's */
export const byClock = (at: Date | string, zone: string, format: string): string =>
  DateTime.fromISO(typeof at === 'string' ? at : at.toISOString(), { zone }).toFormat(format)

/** The day of an instant in a zone, ISO. */
export const dayIn = (at: Date | string, zone: string): string => byClock(at, zone, 'yyyy-MM-dd')
