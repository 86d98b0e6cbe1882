import { lt, sql } from 'drizzle-orm'
import { liveFiles } from '../db/live-schema.ts'
import type { Deps } from '../deps.ts'
import { minutesADay } from './chunk.ts'
import { keepDays } from './points.ts'

/** So many chunks a statement: nobody waits for a year of them. */
const most = 2_000

/** What became of a file is told for so many days. */
const reportDays = 90

/** Let go of the minutes of days long past; their hours stay. @returns how many days of series */
export async function thin({ db, now }: Deps): Promise<number> {
  const told = new Date(now().getTime() - reportDays * 86_400_000)
  await db.delete(liveFiles).where(lt(liveFiles.at, told))
  const before = Math.floor(now().getTime() / (minutesADay * 60_000)) - keepDays
  let all = 0
  for (;;) {
    const { rowCount } = await db.execute(sql`
      update live_chunks set minutes = null where (series, day) in (
        select series, day from live_chunks where day < ${before} and minutes is not null limit ${most}
      ) and day < ${before}`)
    all += rowCount ?? 0
    if ((rowCount ?? 0) < most) return all
  }
}
