import type { Readable } from 'node:stream'
import type { ImportState } from '@motor-round/contract'
import { jobKindOf } from '@motor-round/core/job'
import { shippedProfiles } from '@motor-round/core/vfd'
import type pg from 'pg'
import type { Deps } from '../../deps.ts'
import { createOrganizationStaging, indexOrganizationStaging, OrganizationRows } from './staging.ts'
import { Cancelled } from '../readings-import.ts'
import { saveProgress, type Errors } from '../state.ts'
import { jsonParts, type Part } from './json-parts.ts'
import { isHead, isList, itemOf, neededLists, organizationHead, type ItemOf, type ListName } from './lists.ts'
import { checkReferences } from './references.ts'
import { countsOf } from './counts.ts'
import { tryOrganization } from './try.ts'

const told = 500

/** What the schema of a record cannot say of it. */
const beyondSchema: { readonly [K in ListName]?: (item: ItemOf<K>, at: (field: string, why: string) => void) => void } =
  {
    jobs: (job, at) =>
      job.kinds.forEach((k, n) => {
        if (!jobKindOf.has(k)) at(`kinds.${n}`, `"${k}" is not a kind of job`)
        else if (job.kinds.indexOf(k) !== n) at(`kinds.${n}`, 'is there twice')
      }),
    vfdProfiles: ({ profile }, at) => {
      if (shippedProfiles.some((s) => s.id === profile.id)) at('profile.id', 'comes with the product')
    },
  }

/** Reads the parts of a file: each is checked by itself, and what is good is handed on. */
class Parts {
  readonly #seen = new Set<string>()
  readonly #head = new Map<string, unknown>()
  readonly #errors: Errors
  constructor(errors: Errors) {
    this.#errors = errors
  }

  /** @returns the item, where the part is one and in order */
  read(part: Part): { readonly list: ListName; readonly n: number; readonly item: unknown } | null {
    const { key } = part
    if (part.kind === 'item') return isList(key) ? this.#item(key, part.n, part.value) : null
    if (this.#seen.has(key)) this.#errors.add(0, key, 'is in the file twice')
    this.#seen.add(key)
    if (isList(key)) {
      if (part.kind !== 'list') this.#errors.add(0, key, 'must be a list')
    } else if (!isHead(key)) this.#errors.add(0, key, 'is not part of an organization file')
    else if (part.kind === 'list') this.#errors.add(0, key, 'must not be a list')
    else this.#head.set(key, part.value)
    return null
  }

  #item<K extends ListName>(list: K, n: number, value: unknown) {
    const parsed = itemOf(list).safeParse(value)
    if (!parsed.success) {
      for (const i of parsed.error.issues) this.#errors.add(0, [list, n, ...i.path].join('.'), i.message)
      return null
    }
    beyondSchema[list]?.(parsed.data, (field, why) => this.#errors.add(0, `${list}.${n}.${field}`, why))
    return { list, n, item: parsed.data }
  }

  /** @returns what the file says beside its lists; null where something is wrong or missing */
  end(): unknown {
    for (const name of neededLists) if (!this.#seen.has(name)) this.#errors.add(0, name, 'is missing')
    const parsed = organizationHead.safeParse(Object.fromEntries(this.#head))
    if (parsed.success) return parsed.data
    for (const { path, message } of parsed.error.issues) {
      const key = String(path[0])
      if (this.#head.has(key)) this.#errors.add(0, path.join('.'), message)
      else if (!this.#seen.has(key)) this.#errors.add(0, key, 'is missing')
    }
    return null
  }
}

/**
 * Check an organization file of any size while it arrives, record by record, into a staging table of its own; then what its records
 * say of each other, and at last that all of it can be kept. Errors name the path in the file.
 * @returns the state with what was counted
 * @throws Cancelled when called off meanwhile; FileProblem when it cannot be read
 */
export async function checkOrganization(
  deps: Deps,
  client: pg.ClientBase,
  source: Readable,
  start: ImportState,
  errors: Errors,
): Promise<ImportState> {
  await createOrganizationStaging(client, start.id)
  const rows = new OrganizationRows(client, start.id)
  const parts = new Parts(errors)
  let state = start
  let last = Date.now()
  for await (const part of jsonParts(source, (bytes) => (state = { ...state, bytes }))) {
    const good = parts.read(part)
    // Once there is an error nothing will be kept: the rest is only checked.
    if (good && errors.count === 0) await rows.add(good.list, good.n, good.item)
    if (Date.now() - last < told) continue
    last = Date.now()
    if (!(await saveProgress(deps.db, { ...state, errorCount: errors.count }))) throw new Cancelled()
  }
  const head = parts.end()
  if (errors.count > 0) return state
  await rows.add('', 0, head)
  await rows.end()
  await indexOrganizationStaging(client, start.id)
  await checkReferences(client, start.id, errors)
  if (errors.count === 0) await tryOrganization(deps, start.id, errors)
  return errors.count > 0 ? state : { ...state, ...(await countsOf(client, start.id)) }
}
