import type { Readable } from 'node:stream'
import type { LiveFile } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { liveFiles } from '../db/live-schema.ts'
import { FileProblem } from '../import-export/csv/rows.ts'
import { Errors } from '../import-export/state.ts'
import { readLiveFile, type ReadFile } from './file.ts'
import { keepMinutes, type SeriesMinutes } from './keep.ts'
import { sumUp } from './pass.ts'
import { mappedPoints } from './points.ts'

interface Sent {
  readonly id: string
  readonly name: string
  readonly source: LiveFile['source']
  readonly by: string
  /** Of times that carry none; null: that of the machines' site. */
  readonly zone: string | null
}

/** So many values a transaction: whoever waits for the same series waits no longer. */
const mostValues = 400_000

/** So many days of machines are summed up before the answer goes; those of a larger file within the next minutes. */
const daysAtOnce = 100

/** A series in parts of whole days, so that no chunk is packed twice. */
function* parts(series: readonly SeriesMinutes[]): Generator<SeriesMinutes[]> {
  let list: SeriesMinutes[] = []
  let n = 0
  for (const s of series) {
    if (n > 0 && n + s.minutes.length > mostValues) {
      yield list
      ;[list, n] = [[], 0]
    }
    list.push(s)
    n += s.minutes.length
  }
  if (list.length > 0) yield list
}

const summary = (r: ReadFile, kept: LiveFile['kept'], already: number, later: boolean): string => {
  if (r.series.length === 0)
    return r.unmapped.length > 0
      ? 'None of its columns belongs to a machine yet. Assign them below, then send the file again.'
      : 'It holds no figures.'
  const left = r.unmapped.length
  return [
    kept === 0 && already > 0 ? 'All of it was there already.' : '',
    later ? 'The machines show the results in a few minutes.' : '',
    left > 0 ? `${left} column${left === 1 ? '' : 's'} belong${left === 1 ? 's' : ''} to no machine yet.` : '',
  ]
    .filter((t) => t !== '')
    .join(' ')
}

/**
 * Take a file of live data: what can be read is kept, minutes that are there stay as they are, so that the same file twice doubles
 * nothing, also when the first time was cut off. What it came to is kept as well.
 */
export async function takeFile(db: Db, source: Readable, sent: Sent, now: Date): Promise<LiveFile> {
  const { zone, ...who } = sent
  const errors = new Errors()
  const none = { rows: 0, kept: 0, already: 0, differ: 0, unmapped: [] }
  const report = (more: Partial<LiveFile>): LiveFile => ({
    ...who,
    at: now.toISOString(),
    status: 'kept',
    ...none,
    errorCount: errors.count,
    errors: errors.list,
    message: '',
    ...more,
  })
  let read: ReadFile
  try {
    read = await readLiveFile(source, await mappedPoints(db), zone, now.getTime(), errors)
  } catch (e) {
    if (!(e instanceof FileProblem)) throw e
    errors.add(e.line, e.column, e.message)
    return keepReport(db, report({ status: 'refused', message: 'Nothing was saved.' }))
  }
  const sum = { kept: 0, already: 0, differ: 0 }
  for (const part of parts(read.series)) {
    const k = await db.transaction((tx) => keepMinutes(tx, part, now))
    sum.kept += k.kept
    sum.already += k.already
    sum.differ += k.differ
  }
  const later = sum.kept > 0 && (await sumUp(db, now, daysAtOnce)) === daysAtOnce
  return keepReport(
    db,
    report({
      rows: read.rows,
      ...sum,
      unmapped: [...read.unmapped],
      message: summary(read, sum.kept, sum.already, later),
    }),
  )
}

async function keepReport(db: Db, file: LiveFile): Promise<LiveFile> {
  await db
    .insert(liveFiles)
    .values({ id: file.id, at: new Date(file.at), report: file })
    .onConflictDoUpdate({ target: liveFiles.id, set: { at: new Date(file.at), report: file } })
  return file
}

/** What became of a file that was sent under this id; undefined where none was. */
export const reportOf = async (db: Db, id: string): Promise<LiveFile | undefined> =>
  (await db.select().from(liveFiles).where(eq(liveFiles.id, id)))[0]?.report
