import type { Machine, Person, RoundNews } from '@motor-round/contract'
import { eq, sql } from 'drizzle-orm'
import { record, who, type Entry, type Who } from '../audit/record.ts'
import { inTurn, sent, type Tx } from '../db/client.ts'
import { prepared, preparedSql } from '../db/prepared.ts'
import { machines, machineStates } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'
import { tellRoundsOf } from '../rounds/live.ts'
import type { MachineSnapshot } from './machine-snapshot.ts'
import { refresh } from './refresh.ts'
import { asMachine } from './snapshot.ts'

/** Who changes something, and when, by the server's clock. */
export interface Author extends Who {
  readonly now: Date
}

/** A person who changes something now. */
export const authorOf = (person: Person, now: Date): Author => ({ ...who(person), now })

/** What a command did to its machine. */
export interface Change<T> {
  readonly value: T
  /** False: it was made before, and nothing more is done. */
  readonly fresh: boolean
  /** What is written down of it; facts that are on record by themselves leave it out. */
  readonly audit?: Omit<Entry, keyof Who | 'at'>
  /** What those who watch a round with this machine are told besides how it stands now. */
  readonly news?: () => Promise<RoundNews | undefined>
}

export interface Done<T> {
  readonly value: T
  readonly fresh: boolean
  /** The machine as it was judged after it; left out where nothing was, or it is judged later. */
  readonly known?: MachineSnapshot | undefined
}

/** What comes after every change of a machine: it is written down, its machine judged once, watchers told. */
async function follow<T>(
  tx: Tx,
  machineId: string,
  author: Author,
  done: Change<T>,
  judged: 'now' | 'later',
): Promise<Done<T>> {
  const { value, fresh } = done
  if (!fresh) return { value, fresh }
  if (done.audit) await record(tx, { ...done.audit, by: author.by, byId: author.byId, at: author.now })
  const known = judged === 'now' ? (await refresh(tx, [machineId]))[0] : undefined
  const news = await done.news?.()
  if (news) await tellRoundsOf(tx, [machineId], () => news)
  return { value, fresh, known }
}

/**
 * Lock a machine until the transaction ends, for what needs no more of it than its site. Its key never changes: the lock is one that
 * rows which refer to it do not wait for, or two writers to twins would wait for each other.
 * @throws a problem: no such machine
 */
export async function lockMachine(tx: Tx, machineId: string): Promise<Pick<Machine, 'id' | 'siteId'>> {
  const { rows } = await preparedSql<{ site_id: string }>(
    tx,
    'lock_machine',
    () => sql`select site_id from ${machines} where id = ${sql.placeholder('id')}::uuid for no key update`,
  ).execute({ id: machineId })
  const [row] = rows
  if (!row) throw notFound('machine')
  return { id: machineId, siteId: row.site_id }
}

/**
 * Change a machine or what belongs to it: its row is locked first, so that two writers follow each other and the second sees
 * what the first did.
 * @param change works behind the lock, in the same transaction
 * @throws a problem: no such machine, and whatever `change` refuses
 */
export async function changeMachine<T>(
  tx: Tx,
  machineId: string,
  author: Author,
  change: (machine: Machine) => Promise<Change<T>>,
): Promise<Done<T>> {
  const [row] = await tx.select().from(machines).where(eq(machines.id, machineId)).for('no key update')
  if (!row) throw notFound('machine')
  return changeLocked(tx, row.id, author, () => change(asMachine(row)), 'now')
}

/**
 * The same for a machine that was locked already.
 * @param judged `later`: its state is only marked as stale, in the same transaction, and a batch judges it once at its end
 */
export async function changeLocked<T>(
  tx: Tx,
  machineId: string,
  author: Author,
  change: () => Promise<Change<T>>,
  judged: 'now' | 'later',
): Promise<Done<T>> {
  const [done] = await inTurn([change(), judged === 'later' ? sent(markStale(tx).execute({ id: machineId })) : null])
  return follow(tx, machineId, author, done, judged)
}

const markStale = (tx: Tx) =>
  prepared(tx, 'mark_stale', () =>
    tx
      .update(machineStates)
      .set({ stale: true })
      .where(eq(machineStates.machineId, sql.placeholder('id')))
      .prepare('mark_stale'),
  )

/** Put a machine on record: nothing is there to lock yet. */
export async function addMachine<T>(
  tx: Tx,
  machineId: string,
  author: Author,
  add: () => Promise<Change<T>>,
): Promise<Done<T>> {
  return follow(tx, machineId, author, await add(), 'now')
}
