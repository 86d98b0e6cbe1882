import { asc, inArray } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { sites } from '../db/schema.ts'

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

/** The zone in which the days of a round are meant: that of its sites. */
export async function zoneOfSites(db: Db | Tx, siteIds: readonly string[]): Promise<string> {
  const rows = await db
    .select({ zone: sites.zone })
    .from(sites)
    .where(inArray(sites.id, [...siteIds]))
  return rows[0]?.zone ?? 'UTC'
}
