import { drizzle } from 'drizzle-orm/node-postgres'
import { isPg, cause } from '../../http/errors.ts'
import type { Deps } from '../../deps.ts'
import * as schema from '../../db/schema.ts'
import type { Errors } from '../state.ts'
import { applyOrganization } from './apply.ts'
import { staged } from './source.ts'

class TakenBack extends Error {}

/** What the database says of a record that cannot be kept, in words: which list, and what is the matter. */
function wordsOf(e: { readonly code: string; readonly table?: string; readonly detail?: string }): string {
  const key = /\((?<columns>[^)]*)\)=\((?<values>[^)]*)\)/.exec(e.detail ?? '')?.groups
  const which = key ? `${key['columns'] ?? ''} ${key['values'] ?? ''}` : 'a record'
  // Its parent was left out, since another one has that place.
  if (e.code === '23503')
    return `${which} belongs to a record that is not kept: another one with the same name or tag is on record or in the file`
  return `${which} cannot be kept: ${e.detail ?? 'it clashes with what is on record'}`
}

/**
 * Keep a whole staged file and take it back: what cannot be kept is told before anybody is asked, not afterwards.
 * @returns nothing; errors are noted
 */
export async function tryOrganization(deps: Deps, importId: string, errors: Errors): Promise<void> {
  const client = await deps.files.keepers.connect()
  try {
    await drizzle(client, { schema }).transaction(async (tx) => {
      await applyOrganization(tx, await staged(tx, importId), true)
      throw new TakenBack()
    })
  } catch (e) {
    const why = cause(e)
    if (e instanceof TakenBack) return
    if (!isPg(why) || !/^2[23]/.test(why.code)) throw e
    errors.add(0, why.table ?? '', wordsOf(why))
  } finally {
    client.release()
  }
}
