import { from as copyFrom } from 'pg-copy-streams'
import type pg from 'pg'

/** Name of the unlogged table that holds a checked file until it is kept. The id is a UUID, so it is safe to inline. */
export const stagingTable = (importId: string): string => `import_${importId.replaceAll('-', '')}`

export const createReadingsStaging = (client: pg.ClientBase, importId: string) =>
  client.query(`create unlogged table ${stagingTable(importId)} (
    line integer, site_id uuid, machine_id uuid, taken_at timestamptz, visit_id uuid,
    quantity text, position text, value double precision, how text, by text, settled boolean, note text, opens boolean)`)

export const createDocumentStaging = (client: pg.ClientBase, importId: string) =>
  client.query(`create unlogged table ${stagingTable(importId)} (line integer, document jsonb)`)

export const dropStaging = (client: pg.ClientBase | pg.Pool, importId: string) =>
  client.query(`drop table if exists ${stagingTable(importId)}`)

/** The advisory lock of who checks an import, whose id is the statement's first parameter. */
export const checkLock = 'hashtextextended($1::text, 17)'

/** Escape a text for COPY's text format. */
export const copyText = (value: string): string =>
  /[\\\t\n\r]/.test(value)
    ? value.replace(/[\\\t\n\r]/g, (c) => (c === '\\' ? '\\\\' : c === '\t' ? '\\t' : c === '\n' ? '\\n' : '\\r'))
    : value

/** A COPY into the staging table that honours the socket's pace. */
export function openCopy(client: pg.ClientBase, importId: string) {
  const stream = client.query(copyFrom(`copy ${stagingTable(importId)} from stdin`))
  let broken: Error | null = null
  stream.on('error', (e: Error) => (broken = e))
  return {
    write: (text: string): Promise<void> =>
      new Promise((resolve, reject) => {
        if (broken) {
          reject(broken)
          return
        }
        if (stream.write(text)) resolve()
        else {
          const failed = (e: Error) => reject(e)
          stream.once('error', failed)
          stream.once('drain', () => {
            stream.off('error', failed)
            resolve()
          })
        }
      }),
    end: (): Promise<void> =>
      new Promise((resolve, reject) => {
        stream.once('error', reject)
        stream.once('finish', () => resolve())
        stream.end()
      }),
    abort: (e: Error): Promise<void> =>
      new Promise((resolve) => {
        stream.once('close', () => resolve())
        stream.destroy(e)
      }),
  }
}
