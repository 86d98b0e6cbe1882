import type { Logger } from 'pino'
import type pg from 'pg'
import type { Config } from './config.ts'
import type { Db, FilesDatabase } from './db/client.ts'

/** What every feature is given. */
export interface Deps {
  readonly config: Config
  readonly db: Db
  readonly pool: pg.Pool
  readonly files: FilesDatabase
  readonly log: Logger
  /** Sign-ins, refusals, changes of accounts, exports. */
  readonly security: Logger
  readonly now: () => Date
}
