import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { dirname, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

/** Short hash of files' contents, to tell whether a step has to be done again. */
export function hashOf(files) {
  const h = createHash('sha256')
  for (const f of files) h.update(relative(root, f)).update(readFileSync(f))
  return h.digest('hex').slice(0, 16)
}
