import { randomUUID } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { mkdir, readdir, rename, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Deps } from '../deps.ts'
import { takeFile } from './take-file.ts'

/** A file that was not written to for so long is whole. */
const quietMs = 5_000
const folders = { done: 'done', lookAt: 'look-at', unassigned: 'unassigned' } as const

const isCsv = (name: string) => /\.(csv|txt)$/i.test(name) && !name.startsWith('.')

async function waiting(dir: string): Promise<string[]> {
  const all = await readdir(dir, { withFileTypes: true })
  return all.flatMap((f) => (f.isFile() && isCsv(f.name) ? [f.name] : [])).sort()
}

/** A name that is free in a folder: what lies there is never written over. */
const freeName = (name: string) =>
  `${name.replace(/\.(csv|txt)$/i, '')}-${randomUUID().slice(0, 8)}${/\.\w+$/.exec(name)?.[0] ?? ''}`

/** Take a file, and move it where it belongs. @returns false where it is still being written */
async function takeOne(deps: Deps, dir: string, name: string): Promise<boolean> {
  const path = join(dir, name)
  const { mtimeMs, size } = await stat(path)
  // By the clock of the files, not by that of the records; one that runs ahead keeps no file waiting.
  const age = Date.now() - mtimeMs
  if (size === 0 || (age < quietMs && age > -quietMs)) return false
  const report = await takeFile(
    deps.db,
    createReadStream(path),
    { id: randomUUID(), name: name.slice(0, 200), source: 'folder', by: 'folder', zone: null },
    deps.now(),
  )
  const to = report.errorCount > 0 ? folders.lookAt : report.unmapped.length > 0 ? folders.unassigned : folders.done
  await mkdir(join(dir, to), { recursive: true })
  const moved = freeName(name)
  await rename(path, join(dir, to, moved))
  if (report.errorCount > 0)
    await writeFile(
      join(dir, to, `${moved}.problems.txt`),
      [
        report.message,
        ...report.errors.map((e) => `line ${e.line}${e.column === '' ? '' : `, ${e.column}`}: ${e.message}`),
        report.errorCount > report.errors.length ? `and ${report.errorCount - report.errors.length} more` : '',
      ]
        .filter((l) => l !== '')
        .join('\n'),
    )
  return true
}

/**
 * Take the files that lie in the folder for live data. Each is moved when it is taken: to `done`, to `unassigned` where columns of
 * it belong to no machine yet, or to `look-at` where lines of it were wrong, with a text beside it that says what. One that cannot be
 * read holds up no other.
 */
export async function takeFolder(deps: Deps): Promise<number> {
  const dir = deps.config.LIVE_DIR
  if (dir === undefined) return 0
  await mkdir(dir, { recursive: true })
  let taken = 0
  for (const name of await waiting(dir))
    try {
      if (await takeOne(deps, dir, name)) taken++
    } catch (e) {
      deps.log.warn(
        { err: e instanceof Error ? e.message : String(e), file: name },
        'a file of live data was not taken',
      )
    }
  return taken
}

/** A column was assigned: files that waited for one are taken once more. */
export async function takeBackUnassigned({ config }: Deps): Promise<void> {
  const dir = config.LIVE_DIR
  if (dir === undefined) return
  const from = join(dir, folders.unassigned)
  await mkdir(from, { recursive: true })
  for (const name of await waiting(from)) await rename(join(from, name), join(dir, name))
}
