import { createHash, randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Policies } from '@motor-round/core/limits'
import { textOf, versionOf } from './interned.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'

const digest = (text: string): string => createHash('sha1').update(text).digest('base64url')

/** One word for the program that judges: another one may say otherwise of the same facts. Run from its sources, it is no other's. */
function programOf(): string {
  const own = fileURLToPath(import.meta.url)
  const folder = dirname(own)
  if (!own.includes('/dist/')) return randomUUID()
  const parts = readdirSync(folder).filter((name) => name.endsWith('.js'))
  return digest(
    parts
      .sort()
      .map((name) => readFileSync(join(folder, name), 'utf8'))
      .join('\n'),
  )
}
let program: string | null = null

/**
 * What a machine's standing is worked out from, in one word: the program that judges, the version of all that is on record of the
 * machine, the policies, and how its twins ran. The same word, the same judgement.
 * @returns null where the machine has no version: then nothing says what it was worked out from
 */
export function groundOf(known: MachineSnapshot, policies: Policies): string | null {
  const version = versionOf(known)
  if (version === undefined) return null
  program ??= programOf()
  return digest([program, version, textOf(policies), textOf(known.twins)].join(' '))
}
