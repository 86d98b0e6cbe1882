import type pg from 'pg'
import { stagingTable } from '../staging.ts'

/** The records of a checked organization file: which list, which place in it; what stands beside the lists is of the list ''. */
export const createOrganizationStaging = (client: pg.ClientBase, importId: string) =>
  client.query(`create unlogged table ${stagingTable(importId)} (list text, n integer, document jsonb)`)

/** Once all of it is there: records are found by their place, and by their id where others refer to them. */
export async function indexOrganizationStaging(client: pg.ClientBase, importId: string): Promise<void> {
  const t = stagingTable(importId)
  await client.query(`create index on ${t} (list, n)`)
  await client.query(`create index on ${t} (list, (document ->> 'id'))`)
  await client.query(`analyze ${t}`)
}

const mostRows = 500
const mostCharacters = 4 * 1024 * 1024

/** Writes records to the staging table, some at a time. */
export class OrganizationRows {
  readonly #client: pg.ClientBase
  readonly #insert: string
  #lists: string[] = []
  #places: number[] = []
  #documents: string[] = []
  #characters = 0

  constructor(client: pg.ClientBase, importId: string) {
    this.#client = client
    this.#insert = `insert into ${stagingTable(importId)} select * from unnest($1::text[], $2::int[], $3::jsonb[])`
  }

  async add(list: string, n: number, record: unknown): Promise<void> {
    const document = JSON.stringify(record)
    this.#lists.push(list)
    this.#places.push(n)
    this.#documents.push(document)
    this.#characters += document.length
    if (this.#lists.length >= mostRows || this.#characters >= mostCharacters) await this.end()
  }

  async end(): Promise<void> {
    if (this.#lists.length === 0) return
    const values = [this.#lists, this.#places, this.#documents]
    this.#lists = []
    this.#places = []
    this.#documents = []
    this.#characters = 0
    await this.#client.query(this.#insert, values)
  }
}
