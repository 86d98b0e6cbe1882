import { asc, inArray } from 'drizzle-orm'
import { DateTime } from 'luxon'
import type { Db, Tx } from '../db/client.ts'
import { sites } from '../db/schema.ts'

/** The zone in which the days of a round are meant: that of its sites. */
/** How the paper of a round looks: by the settings of its first site. */
export async function paperOfSites(
  db: Db | Tx,
  siteIds: readonly string[],
): Promise<{ readonly paper: 'letter' | 'A4'; readonly units: 'us' | 'metric' }> {
  const rows = await db
    .select({ paper: sites.paper, units: sites.units })
    .from(sites)
    .where(inArray(sites.id, [...siteIds]))
    .orderBy(asc(sites.name))
  return rows[0] ?? { paper: 'letter', units: 'us' }
}

/** A day of the calendar, ISO, as it is written: `Nov 25, 2026`. */
export const dayWords = (day: string): string => DateTime.fromISO(day).toFormat('LLL d, yyyy')

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
